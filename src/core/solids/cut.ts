import { clamp, tolerance } from '@/core/numeric';
import { alongWall, leftAlongWall, mmOf, onWall, type Opening, type WallRun } from '@/core/record';

/** An opening's extent on one wall: along it and above its floor. */
export interface Cut {
  readonly opening: Opening;
  readonly left: number;
  readonly right: number;
  readonly sill: number;
  /** Top of the straight sides: the head, or an arch's springing line. */
  readonly spring: number;
  /** Rise of the arch, zero for a flat head. */
  readonly rise: number;
  readonly reveal: number;
  /** Whether this is the far side of an opening measured on another room's wall. */
  readonly far: boolean;
}

/** Rise of the head over the springing line: as said, or half the width, a half circle. */
export function riseOf(opening: Opening): number {
  if (opening.head === 'flat') return 0;
  const said = opening.sizes.rise;
  const half = mmOf(opening.width) / 2;
  return said ? Math.min(mmOf(said), half) : half;
}

/**
 * An opening kept inside its wall: what reaches beyond is a finding of the record, not a hole in the air. `top` is the lowest height
 * of the wall over the opening.
 */
export function cutOf(opening: Opening, run: WallRun, top: number): Cut | null {
  const from = leftAlongWall(opening, run);
  const left = clamp(from, 0, run.lengthMm);
  const right = clamp(from + mmOf(opening.width), 0, run.lengthMm);
  const sill = clamp(mmOf(opening.sill), 0, top);
  const whole = left === from && right === from + mmOf(opening.width);
  const rise = riseOf(opening);
  const high = mmOf(opening.sill) + mmOf(opening.height);
  const arched = rise > 0 && whole && high + rise <= top;
  const spring = clamp(high, 0, top);
  if (right - left < tolerance.samePointMm || spring - sill < tolerance.samePointMm) return null;
  return {
    opening,
    left,
    right,
    sill,
    spring,
    rise: arched ? rise : 0,
    reveal: Math.max(0, mmOf(opening.reveal)),
    far: false,
  };
}

/** The same opening where it comes out on the wall of the room it leads to; `drop` is how much higher that room's floor lies. */
export function farCutOf(cut: Cut, near: WallRun, far: WallRun, drop: number, top: number): Cut | null {
  const place = (along: number): number => alongWall(far, onWall(near, along));
  const [a, b] = [place(cut.left), place(cut.right)];
  const left = clamp(Math.min(a, b), 0, far.lengthMm);
  const right = clamp(Math.max(a, b), 0, far.lengthMm);
  const sill = clamp(cut.sill - drop, 0, top);
  const spring = clamp(cut.spring - drop, 0, top);
  if (right - left < tolerance.samePointMm || spring - sill < tolerance.samePointMm) return null;
  return { ...cut, left, right, sill, spring, rise: spring + cut.rise <= top ? cut.rise : 0, far: true };
}

/** How far apart the room faces of two walls back to back lie: the depth of an opening through both. */
export const throughDepth = (near: WallRun, far: WallRun): number =>
  Math.max(0, -((far.start.x - near.start.x) * near.intoRoom.x + (far.start.y - near.start.y) * near.intoRoom.y));
