export { type History, type Entry, startHistory, record, undo, redo, LONGEST_HISTORY } from './history';
export {
  newWork,
  soundDesk,
  transition,
  type Action,
  type Desk,
  type Effect,
  type Open,
  type Transition,
  type Work,
} from './transition';
export { createWork, projectOf, currentView, type WorkState, type WorkStore, type Commands } from './work';
