import { tolerance } from '@/core/numeric';
import type { PicturePoint } from '@/core/space';
import type { Desk } from './desk';
import type { PointRole, RunsTo } from './frame-points';
import type { LineId, MarkId } from './operation';
import { edgeOf, laidOff, type SheetEdges } from './set-out-operations';
import type { Way } from './way';

/** Of the straightedge's length so much at most is level from a mark to the tick on the edge: the line may be steep. */
const TICK_REACH = 0.9;

/** Rules lines to points of the horizon: to the points themselves, or between ticks on the sheet's edges where those are out of reach. */
export class RulerToPoints {
  /** Ticks on the sheet's edges, each for one line, by what the point beyond the board is to it. */
  readonly ticks = new Map<MarkId, PointRole>();

  constructor(
    private readonly desk: Desk,
    private readonly edges: SheetEdges,
  ) {}

  /**
   * Rules a line through a mark to its point, or to the tick that stands for it. Source of the tick: geometry, point off the board,
   * v_e = v₀ + (v_V − v₀)(u_e − u₀)/(u_V − u₀) with the line's trace, whose place is known from the record, for the point at u₀.
   * @returns false where neither can be had.
   */
  rule(
    way: Way,
    line: LineId,
    through: MarkId,
    to: Exclude<RunsTo, { readonly by: 'level' }>,
    trace: PicturePoint,
    role: PointRole,
  ): boolean {
    if (to.by === 'point' && way.farPoints === 'themselves') {
      way.add({ op: 'rule', line, through: [through, to.mark] });
      return true;
    }
    const known = this.desk.has(through) ? this.desk.machine.markAt(through).u : null;
    const side = this.edgeFrom(known, to.u);
    const edge = edgeOf(side);
    // Through the eye's own upright plane: such a line stands upright in the picture.
    if (Math.abs(to.u - trace.u) < tolerance.touchMm) return false;
    const height = (trace.v * (to.u - this.edges[side])) / (to.u - trace.u);
    const atEyeLevel = Math.abs(height) < tolerance.touchMm;
    const tick = atEyeLevel ? edge.mark : `${line}/tick`;
    if (!atEyeLevel && !way.has(tick)) way.add(laidOff(tick, edge.line, edge.mark, height, 'upright'));
    this.ticks.set(tick, role);
    way.add({ op: 'rule', line, through: [through, tick] });
    return true;
  }

  /** The edge of the sheet on which a line's tick is set: the one farther away, so far as the straightedge reaches, for the line is the surer the longer it is ruled. */
  private edgeFrom(u: number | null, point: number): keyof SheetEdges {
    const { left, right } = this.edges;
    if (u === null) return point > (left + right) / 2 ? 'right' : 'left';
    const [near, far] = u > (left + right) / 2 ? (['right', 'left'] as const) : (['left', 'right'] as const);
    return Math.abs(this.edges[far] - u) < this.desk.straightedgeMm * TICK_REACH ? far : near;
  }
}
