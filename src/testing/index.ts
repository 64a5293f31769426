export { expectNear, holds, runs } from './matchers';
export { smallRoom, size, boxPiece, boxView, type BoxGiven } from './small-room';
export { randomBoxScene, type BoxScene } from './random-scene';
export { randomRoom } from './random-room';
export { expectClosedAndOutward, facetsByPart, partOf, volumeOf } from './closed';
export { boxFaces, boxHeap, boxRows, type Polygon } from './box-heap';
export { slowSeen, slowVisible, type SlowCamera, type SlowPart } from './slow-visible';
export { straightSight } from './straight-sight';
export { replayPlan } from './nine-tools';
export { drawnByHand, radiusOf } from './draughtsman';
export { standInsOf, sidesFor, type StandIns, type Facet } from './stand-ins';
export { slowRounds } from './slow-rounds';
export { roundScene, ROUND_SCENES } from './round-scenes';
export { heldAgainst, linePartsOf, type LinePart } from './held-against';
export { homeMark } from './home-mark';
export { readBack } from './read-back';
export { fakeLocks } from './fake-locks';
export { throughEverything, type Passage } from './through-everything';
export { faultyRoom, PLANTED } from './faulty-room';
export { soundRoom } from './sound-room';
export {
  DEMO_CASES,
  drawnRight,
  drawnWhole,
  expectAllDrawn,
  expectCurvesRight,
  expectDrawnToCrossings,
  expectKeptWhereSeen,
  measuredOffFloor,
  expectSound,
  measuredAt,
  PLANES,
  planesOf,
  roomsByLot,
  TURNS,
} from './whole-drawing';
