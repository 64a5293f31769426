export { openDatabase, NoDatabase, type KeyValue, type Writes } from './key-value';
export { ProjectStore, SaveRefused, type ProjectCard, type Loaded, type LoadError } from './project-store';
export { soundWork, type KeptState, type StateLaid } from './as-laid';
export { inTurns } from './in-turns';
export { Autosave, Unanswered, type SaveState } from './autosave';
export { lockProject, type HandedOver, type WriteLock, type LockEvents } from './write-lock';
export { Keeper, type KeeperHears, type KeptStatus } from './keeper';
