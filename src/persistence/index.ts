export { openDatabase, NoDatabase, type KeyValue } from './key-value';
export { ProjectStore, type ProjectCard, type Loaded, type LoadError } from './project-store';
export { Autosave, type SaveState } from './autosave';
export { lockProject, type WriteLock, type LockEvents } from './write-lock';
