export { applyChange, several, CHANGE_KINDS, type Change, type ChangeKind, type ChangeKinds } from './change';
