import type { Vector3 } from '@/core/geometry';
import type { Id } from '@/core/record';
import type { WorldPoint } from '@/core/space';
import type { PaperMillimetres } from '@/core/units';

/** A side of the picture's frame, which cuts lines that run out of it. */
export type FrameSide = 'left' | 'right' | 'bottom' | 'top';

/** An end of what is to be drawn: a corner, or where the frame cuts the line. */
export interface TargetEnd {
  readonly at: WorldPoint;
  readonly cutBy: FrameSide | null;
}

/** A straight line of the picture, with its seen parts as fractions of its length on paper. */
export interface TargetEdge {
  readonly edge: Id;
  /** The thing of the record it belongs to. */
  readonly of: Id;
  readonly from: TargetEnd;
  readonly to: TargetEnd;
  readonly seen: readonly (readonly [number, number])[];
}

/** A curve of the picture through some of its points, with its seen parts as places among them: 1.5 lies halfway from the second to the third. */
export interface TargetCurve {
  readonly edge: Id;
  readonly of: Id;
  readonly through: readonly WorldPoint[];
  /** Which way it runs at each of them. */
  readonly runs: readonly Vector3[];
  readonly closed: boolean;
  readonly seen: readonly (readonly [number, number])[];
}

/** A line too near to others to be measured: it is drawn by eye between the marks that are. */
export interface TargetByEye {
  readonly edge: Id;
  readonly of: Id;
  readonly stands: readonly [WorldPoint, WorldPoint];
  /** What is seen of it, part by part: its ends, or of what is round so many points that chords will do. */
  readonly seen: readonly (readonly WorldPoint[])[];
  /** A curve, not a straight line. */
  readonly round: boolean;
  /** Its length on paper, of a curve how far across it reaches. */
  readonly paperMm: PaperMillimetres;
}

/** What must come out: everything that is seen, with its place in the room. Given from outside; nothing here knows where it falls on the paper. */
export interface Targets {
  readonly edges: readonly TargetEdge[];
  readonly curves: readonly TargetCurve[];
  readonly byEye: readonly TargetByEye[];
}
