export { expectNear, runs } from './matchers';
export { smallRoom, size, boxPiece, boxView, type BoxGiven } from './small-room';
export { randomBoxScene, type BoxScene } from './random-scene';
export { randomRoom } from './random-room';
export { expectClosedAndOutward, facetsByPart, partOf, volumeOf } from './closed';
export { boxFaces, boxHeap, boxRows, type Polygon } from './box-heap';
export { slowSeen, slowVisible, type SlowCamera, type SlowPart } from './slow-visible';
export { straightSight } from './straight-sight';
