import type { Footprint, Id, Piece, PieceCorner } from '@/core/record';
import type { Body } from '@/core/solids';
import type { PaperPlacement } from '@/core/space';
import type { Millimetres } from '@/core/units';
import type { SetUp } from '@/core/view';

/** Visible parts of an edge as fractions of its length on paper; none where it is hidden or out of frame. */
export type VisibleParts = ReadonlyMap<Id, readonly (readonly [number, number])[]>;

/** All a construction starts from. */
export interface ConstructionGiven {
  readonly setUp: SetUp;
  readonly placement: PaperPlacement;
  readonly piece: Piece;
  readonly footprint: Footprint;
  readonly body: Body;
  /** Elevation of the floor the piece stands on. */
  readonly floorZ: Millimetres;
  readonly visible: VisibleParts;
  /** Written after the names of the set-out's points, so that a turned piece's own points are told from the room's: `2` gives VL2. */
  readonly pointSuffix: string;
}

/** A footprint corner measured from the station in plan: to the right of the line of sight, and behind the picture plane. */
export interface MeasuredCorner {
  readonly name: PieceCorner;
  readonly lateral: Millimetres;
  readonly behindPlane: Millimetres;
  readonly depth: Millimetres;
}
