export { tolerance } from './tolerance';
export { sideOfLine } from './orientation';
export { finite, clamp } from './finite';
export { roundEven } from './round-even';
export { bernsteinAt, pushSignChanges } from './bernstein';
export { symmetricModes } from './symmetric-modes';
