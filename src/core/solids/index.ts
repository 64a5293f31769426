export {
  type Body,
  type Vertex,
  type Face,
  type Edge,
  type Bend,
  type Circle,
  type ArcEdge,
  type RoundFace,
  planeOf,
  circlePoint,
} from './body';
export { movedPoint, type CopyOf } from './copies';
export { bodiesOf, keepBodies, keepBodiesInSteps, type BodiesKept } from './bodies';
export { boxBody } from './box';
export { silhouettesOf, roundPoint, radiusAt, type Silhouette } from './rounds';
export {
  type Kind,
  type KindGroup,
  type SizeRule,
  type CountRule,
  type DivisionRule,
  type Values,
  type PieceGiven,
  valuesOf,
  refusalOf,
  divisionOf,
  divisionParts,
  eachOf,
} from './kind';
export { CATALOGUE, kindOf, OUTLINES_ARE } from './kinds';
export { OPENINGS, openingKindOf, type OpeningKind, type OpenLeaf } from './openings';
export { openLeavesOf } from './fittings';
export { CEILINGS, ceilingKindOf, type CeilingKind, type Slope } from './ceilings';
export { cutOf } from './cut';
export { axesOf, kindBody, pieceBody } from './piece';
export { pointIn, turnedAxes, type Axes } from './axes';
export { ownerOf, spoken, type Role } from './role';
export { newPiece, type PieceAt } from './new-piece';
export { newOpening } from './new-opening';
export { proposeStairs, stairReading, type StairProposal, type StairReading } from './stair-calculator';
export { ceilingFault, ceilingHeights, ceilingSlopes, newCeiling } from './ceiling';
export { contradictionsInSteps, contradictionsOf } from './contradictions';
export { type Contradiction, type Remedy } from './contradiction';
export { lieWithin, meet, outlineCrossesItself } from './outline-check';
export { heightOver } from './height-over';
export {
  gridBody,
  gridCall,
  gridPlaceCall,
  gridSystem,
  gridZero,
  tooManyGridLines,
  type GridBody,
  type GridCounted,
  type GridLine,
  type GridSystem,
} from './grid';
export { stairHeadroom, type StairHeadroom } from './stair-headroom';
export { partsBody } from './parts-body';
export { ball, block, cone, drum, group, prism, ring, turned, type Part } from './parts';
export { slopesOf, type RoomSlope } from './slopes';
