export { applyChanges, readChanges, type ChangesError } from './read-changes';
