export { takeTurns } from './take-turns';
export { useReadied } from './use-readied';
export {
  SessionProvider,
  UnhurriedSession,
  useSession,
  useSurroundings,
  useWorkedOut,
  type Session,
  type WorkedOut,
} from './session';
export { keptState, useKept, type KeptState } from './kept-state';
export { isLarge, slowToFollow, useRoom, type Perspective } from './use-perspective';
export { useUnhurried } from './use-unhurried';
export { chosenPiece } from './chosen-piece';
export { NO_RINGS, ringsOf, type Ring, type Rings } from './ring';
