import type { Id } from './size';

/** How depth is spaced: by measuring points of each turned thing, or all by the distance point, square to the picture plane. */
export type SchoolName =
  | 'measuring-points'
  | 'distance-point'
  | 'plan-projection'
  | 'plan-and-elevation'
  | 'measured-grid'
  | 'diagonals'
  | 'sheet-corners'
  | 'binary-steps';
export const SCHOOL_NAMES: readonly SchoolName[] = [
  'measuring-points',
  'distance-point',
  'plan-projection',
  'plan-and-elevation',
  'measured-grid',
  'diagonals',
  'sheet-corners',
  'binary-steps',
];

/** What a piece is begun with: its place on the floor, then its heights; or the box it just fits into, then cut into that. */
export type PlanBegin = 'footprint' | 'crate';
export const PLAN_BEGINS: readonly PlanBegin[] = ['footprint', 'crate'];

/** A way of drawing. */
export interface PlanWay {
  readonly school: SchoolName;
  readonly begin: PlanBegin;
}
export const USUAL_WAY: PlanWay = { school: 'measuring-points', begin: 'footprint' };

/** How a view is drawn: the piece at hand in it, if one was chosen; the way it is drawn; and pieces that are drawn otherwise. */
export interface PlanChoice extends PlanWay {
  readonly id: Id;
  readonly viewId: Id;
  readonly pieceId: Id | null;
  readonly pieces: readonly (PlanWay & { readonly pieceId: Id })[];
}
