export {
  type Vector2,
  type Vector3,
  difference2,
  dot2,
  cross2,
  length2,
  along2,
  difference3,
  dot3,
  cross3,
  length3,
  bearingOf,
  bearingVector,
  rightOf,
} from './vector';
export { type Line, type Meeting, type LineFault, lineThrough, meet } from './line';
export { conicThrough } from './conic-through';
export { smoothThrough } from './smooth-through';
export { signedArea, insideLoops, isSimple, loopsTouch } from './polygon';
export { clipParameter } from './clip';
export { convexOverlap, triangles, isConvex } from './overlap';
export { splitOutline, lineInside, type Split } from './split';
export {
  type ConicArc,
  type Cubic,
  type EllipseArc,
  type Trigonometric,
  circleMiss,
  conicBetween,
  conicBounds,
  conicChain,
  conicCrossings,
  conicPoint,
  cubicsAlong,
  ellipseArc,
  ellipsePoint,
  placedConic,
  rationalQuadratic,
  trigonometricAt,
  trigonometricRoots,
  wholeEllipse,
} from './conic-arc';
