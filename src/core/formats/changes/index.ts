export { applyChanges, readChanges, soundChanges, type ChangesError } from './read-changes';
