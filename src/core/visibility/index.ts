export { type VisibleLines, type VisibleLinesMethod, drain, edgeOfRow } from './visible-lines';
export {
  prepareScene,
  prepareBodies,
  sceneFrom,
  activeFaces,
  limbEdges,
  type PreparedScene,
  type PreparedBodies,
  type PreparedEdge,
  type PreparedFace,
} from './scene';
export { visibleLinesEdgeByFace } from './edge-by-face';
export { parallelView, type ParallelLines, type ParallelGiven } from './parallel';
export { standInsOf, sidesFor, type StandIns, type Facet } from './stand-ins';
