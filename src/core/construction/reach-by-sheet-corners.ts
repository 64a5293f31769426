import { tolerance } from '@/core/numeric';
import type { Millimetres, PaperMillimetres } from '@/core/units';
import type { Place } from './frame';
import type { LineId, MarkId } from './operation';
import { ReachByDiagonals } from './reach-by-diagonals';
import type { Level } from './reach-by-squares';
import type { SecondWay } from './reach-place';
import { CV, HORIZON_LINE, laidOff } from './set-out-operations';
import type { FrameSide } from './target';
import { Way } from './way';

/** The frame as a section of the room: its sides on the paper, as lines that lie there, and how deep behind the picture plane the back wall stands. */
export interface FrameAtHand {
  readonly sides: Readonly<Record<FrameSide, PaperMillimetres>>;
  readonly side: (side: FrameSide) => LineId;
  readonly backWall: Millimetres;
}

/** The frame as it stands at the back wall. */
export interface FrameAtBackWall {
  /** On the horizon, where its side that is laid off first crosses it. */
  readonly mark: MarkId;
  readonly side: 'left' | 'right';
  /** That side. */
  readonly line: LineId;
  /** Its corners. */
  readonly corners: readonly MarkId[];
  readonly depth: Millimetres;
  /** How large it is drawn, of the frame. */
  readonly share: number;
}

/** The side of the frame that lies farther from the centre of vision: from there lengths are counted, and the back wall is laid off. */
export const countedFrom = ({ sides: { left, right } }: Pick<FrameAtHand, 'sides'>): 'left' | 'right' =>
  Math.abs(right) > Math.abs(left) ? 'right' : 'left';

/**
 * By the corners of the frame: lines from them to the centre of vision, and the frame as it stands at the back wall between them, drawn at s = d/(d + D) of
 * its size, D the depth of the wall behind the picture plane. Where its upright side crosses the floor line of the frame's own side the wall stands: that depth
 * is the interval. Nothing is measured from a distance point. Source: construction, 3; job, 4.
 */
export class ReachBySheetCorners extends ReachByDiagonals {
  /** What is drawn of it for itself. */
  readonly laid: string[] = [];
  /** Its last corner, found twice. */
  closing: SecondWay | null = null;
  readonly atBackWall: FrameAtBackWall;

  constructor(
    private readonly section: FrameAtHand,
    ...own: ConstructorParameters<typeof ReachByDiagonals>
  ) {
    super(...own);
    const { pictureDistance: d } = this.setUp;
    const side = countedFrom(section);
    this.atBackWall = {
      ...{ side, depth: section.backWall, share: d / (d + section.backWall) },
      mark: this.markId(this.onSection(side, null, 'wall')),
      line: this.lineId('z', this.onSection(side, null, 'wall')),
      corners: (['left', 'right'] as const).flatMap((across) =>
        (['bottom', 'top'] as const).map((upright) => this.markId(this.onSection(across, upright, 'wall'))),
      ),
    };
  }

  /** Where a corner is farther from the centre of vision than the straightedge is long, the sections are left out; the back wall is found all the same. */
  override begin(): boolean {
    if (!super.begin() || this.toBackWall() === null) return false;
    if (!this.drawSections()) this.closing = null;
    return true;
  }

  /** A place on a side of the frame, in a corner of it or at eye level, in the picture plane or at the back wall. */
  private onSection(across: 'left' | 'right', upright: 'bottom' | 'top' | null, at: 'plane' | 'wall'): Place {
    const { pictureDistance: d, scaleDenominator: N, eyeZ } = this.setUp;
    const { sides, backWall } = this.section;
    return {
      x: sides[across] * N,
      y: at === 'wall' ? d + backWall : d,
      z: eyeZ + (upright === null ? 0 : sides[upright] * N),
    };
  }

  /** The first interval in depth always runs to the back wall. */
  protected override first(axis: Level): 1 | -1 | null {
    if (axis === 'x') return super.first(axis);
    return this.wholeLine('y', 0) !== null && this.toBackWall() ? 1 : null;
  }

  protected override measureWhole(axis: Level, count: number): MarkId | null {
    if (axis === 'y' && count === 1) return this.toBackWall();
    return axis === 'y' && count !== 0 ? null : super.measureWhole(axis, count);
  }

  protected override wholeLine(axis: Level, count: number): MarkId | null {
    return axis === 'y' && count === 0 ? this.measureWhole('y', 0) : super.wholeLine(axis, count);
  }

  /** Where the floor line of the frame's side meets the back wall: under the side of the frame that stands there. */
  private toBackWall(): MarkId | null {
    const place = this.whole('y', 1);
    const mark = this.markId(place);
    if (this.desk.has(mark)) return mark;
    const { side, share, mark: onHorizon, line: upright } = this.atBackWall;
    const way = new Way(this.desk);
    way.add(laidOff(onHorizon, HORIZON_LINE, CV, this.section.sides[side] * share, 'level'));
    way.add({ op: 'upright', line: upright, through: onHorizon });
    way.add({ op: 'cross', mark, lines: [this.traces.y.line, upright] });
    way.places.push(this.onSection(side, null, 'wall'), place);
    return this.carry(way) ? mark : null;
  }

  /** Lines from the frame's corners to the centre of vision, and the frame between them as it stands at the back wall. */
  private drawSections(): boolean {
    const { side: near } = this.atBackWall;
    const far = near === 'left' ? 'right' : 'left';
    const way = new Way(this.desk);
    const to = this.vanishing.y;
    if (to.by === 'level') return false;
    for (const across of [near, far] as const)
      for (const upright of ['bottom', 'top'] as const) {
        const [plane, wall] = [this.onSection(across, upright, 'plane'), this.onSection(across, upright, 'wall')];
        const [corner, line] = [this.markId(plane), this.lineId('y', plane)];
        if (!way.has(corner)) {
          way.add({ op: 'cross', mark: corner, lines: [this.section.side(across), this.section.side(upright)] });
          way.places.push(plane);
        }
        if (!way.drawn(line) && !this.ruler.rule(way, line, corner, to, this.traceOf('y', plane), this.roleOf('y')))
          return false;
        const mark = this.markId(wall);
        const level = this.lineId('x', wall);
        if (across === near) {
          // Its near side stands there already: its ends lie on the corners' lines.
          if (!way.has(mark)) way.add({ op: 'cross', mark, lines: [line, this.lineId('z', wall)] });
          if (!way.drawn(level)) way.add({ op: 'level', line: level, through: mark });
        } else if (upright === 'bottom') {
          if (!way.has(mark)) way.add({ op: 'cross', mark, lines: [line, level] });
          const stands = this.lineId('z', wall);
          if (!way.drawn(stands)) way.add({ op: 'upright', line: stands, through: mark });
        } else if (!way.has(mark)) {
          way.add({ op: 'cross', mark, lines: [line, level] });
          const again = `${mark}/again`;
          const closing = { op: 'cross', mark: again, lines: [this.lineId('z', wall), level] } as const;
          this.closing = { mark, again, operations: [closing] };
        }
        way.places.push(wall);
        this.laid.push(corner, line, mark, level, this.lineId('z', wall));
      }
    return this.carry(way);
  }
}

/** Whether a frame can be a section of the room: it has some width and height, and the wall stands behind it. */
export const isSection = ({ sides, backWall }: Pick<FrameAtHand, 'sides' | 'backWall'>): boolean =>
  sides.right - sides.left > tolerance.touchMm &&
  sides.top - sides.bottom > tolerance.touchMm &&
  backWall > tolerance.touchMm;
