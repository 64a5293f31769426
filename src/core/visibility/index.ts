export { drain } from '@/core/base';
export {
  type VisibleLines,
  type VisibleLinesMethod,
  type VisibleCurves,
  conicOfRow,
  curveOfRow,
  edgeOfRow,
  noCurves,
  pictureConic,
} from './visible-lines';
export {
  prepareScene,
  prepareBodies,
  prepareBodiesInSteps,
  sceneFrom,
  sceneFromInSteps,
  silhouetteLines,
  ownerOfLine,
  type LineRole,
  type PreparedScene,
  type PreparedBodies,
  type PreparedCurve,
  type PreparedEdge,
  type PreparedFace,
} from './scene';
export { framedCurves, sightOf, visibleLinesExact } from './visible-lines-exact';
export { visibleLinesAgain, type SeenBefore } from './visible-lines-again';
export { exactParts } from './exact-parts';
export { neutralPolygons, type NeutralScene } from './neutral-scene';
export type { EdgeParts, EdgeSet, PolygonSet, Sight } from './polygon-set';
export { parallelView, parallelViewInSteps, seenChains, type ParallelLines, type ParallelGiven } from './parallel';
export { outerSide, type FaceShape, type PlanarSide } from './face-shape';
export { spaceConicPoint, spaceConicRun, conicOfCircle, type SpaceConic } from './space-conic';
export { joinLines, type Joined } from './joined-lines';
export { neutralLines, seenRows } from './neutral-lines';
export { carriedLines, type Seen } from './carried-visible-lines';
export { CarriedLines, type CarriedPicture } from './carried-lines';
export { edgeDirections, type EdgeDirections } from './edge-directions';
