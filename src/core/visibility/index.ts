export { type VisibleLines, type VisibleLinesMethod, drain, edgeOfRow } from './visible-lines';
export {
  prepareScene,
  prepareBodies,
  sceneFrom,
  limbEdges,
  type PreparedScene,
  type PreparedBodies,
  type PreparedEdge,
  type PreparedFace,
} from './scene';
export { visibleLinesExact } from './visible-lines-exact';
export { exactParts } from './exact-parts';
export { neutralPolygons, type NeutralScene } from './neutral-scene';
export type { EdgeParts, EdgeSet, PolygonSet, Sight } from './polygon-set';
export { parallelView, type ParallelLines, type ParallelGiven } from './parallel';
export { standInsOf, sidesFor, type StandIns, type Facet } from './stand-ins';
export { joinLines, type Joined } from './joined-lines';
export { neutralLines, seenRows } from './neutral-lines';
