export { Board, type BoardCommands } from './Board';
export { usePerspective, type Perspective } from './use-perspective';
export { cornersOf, type Corner } from './lit';
export { turnOfRoom } from './moves';
export { Handle, type HandleDrag } from './Handle';
export { slowToFollow, isLarge, useScene } from './use-perspective';
export { KeptPicture } from './kept-picture';
export { putOn } from './handle-places';
