export { type History, type Entry, startHistory, record, undo, redo, LONGEST_HISTORY } from './history';
export {
  createWork,
  newWork,
  soundDesk,
  projectOf,
  currentView,
  type Work,
  type WorkState,
  type WorkStore,
  type Commands,
  type Desk,
} from './work';
