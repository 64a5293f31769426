import { at } from '@/core/base';
import type { Frame, Id } from '@/core/record';
import { worldPoint, type WorldPoint } from '@/core/space';
import { projectSegments, type SetUp } from '@/core/view';
import { silhouetteLines, type PreparedCurve, type PreparedEdge, type PreparedScene } from './scene';
import { spaceConicPoint } from './space-conic';
import { curveOfRow, edgeOfRow, type VisibleLines } from './visible-lines';

/** What is seen from where the eye is now: picture [u0, v0, u1, v1] for each row, rows of one pen together as far as may be. */
export interface CarriedPicture {
  readonly rows: number;
  readonly picture: Float64Array;
  /** For each row its number among the stretches: `pens` and `lines` are asked by it. */
  readonly stretch: Int32Array;
}

/** One stretch that was seen: of a straight line by parameters along it, of a curve by angles. */
interface Stretch {
  readonly line: PreparedEdge | PreparedCurve;
  readonly from: number;
  readonly to: number;
  readonly pen: number;
}

/** A whole turn has at least so many chords, whatever they may be off by. */
const LEAST_CHORDS_A_TURN = 8;

/** Chords of a part of a curve, so many that they lie within a tolerance of it: the rise of a chord over half an angle θ is r·(1 − cos θ). */
function chords({ conic }: PreparedCurve, from: number, to: number, tolerance: number): number {
  const [o, x, y, z] = [at(conic, 3), at(conic, 4), at(conic, 5), at(conic, 6)];
  const radius = Math.hypot(x, y, z) / Math.abs(o);
  const half = Math.acos(Math.max(-1, 1 - tolerance / Math.max(radius, 1e-9)));
  const angle = Math.min((2 * Math.PI) / LEAST_CHORDS_A_TURN, 2 * half);
  return Math.max(1, Math.ceil((to - from) / angle));
}

/**
 * A quick picture for while the eye is moved: what was seen a moment ago, seen from where it is now. Edges keep their seen stretches, silhouettes run where
 * the eye now puts them; what comes into sight or goes out of it is right again with the next exact lines of the same scene. Everything that does not
 * depend on the eye is worked out once; a move then runs over plain arrays and makes no objects but the silhouettes'.
 */
export class CarriedLines {
  /** The pen of each stretch. */
  readonly pens: readonly number[];
  /** The line of each stretch. */
  readonly lines: readonly Id[];
  /** World ends of every chord that stands still; the silhouettes' follow after them. */
  private world: Float64Array;
  private owner: Int32Array;
  private readonly still: number;
  /** Stretches of silhouettes by the silhouette's name. */
  private readonly silhouettes: ReadonlyMap<Id, readonly { readonly stretch: number; readonly of: Stretch }[]>;
  private picture = new Float64Array();
  private stretch = new Int32Array();

  /**
   * @param penOf the pen a line is drawn with, from 0; below 0 it is not drawn.
   * @param tolerance how far the chords of a curve may lie off it, mm in the world.
   */
  constructor(
    private readonly scene: PreparedScene,
    seen: VisibleLines,
    penOf: (line: PreparedEdge | PreparedCurve) => number,
    private readonly tolerance: number,
  ) {
    const stretches: Stretch[] = [];
    const put = (line: Stretch['line'], from: number, to: number): void => {
      const pen = penOf(line);
      if (pen >= 0) stretches.push({ line, from, to, pen });
    };
    seen.seen.forEach((is, row) => {
      if (is === 1) put(edgeOfRow(scene, seen, row), at(seen.along, row * 2), at(seen.along, row * 2 + 1));
    });
    seen.curves.seen.forEach((is, row) => {
      if (is === 1)
        put(curveOfRow(scene, seen, row), at(seen.curves.range, row * 2), at(seen.curves.range, row * 2 + 1));
    });
    // In the order of the pens, so that each pen is one path.
    stretches.sort((a, b) => a.pen - b.pen);
    this.pens = stretches.map((one) => one.pen);
    this.lines = stretches.map((one) => one.line.id);
    const ends: number[] = [];
    const owner: number[] = [];
    const silhouettes = new Map<Id, { stretch: number; of: Stretch }[]>();
    stretches.forEach((one, number) => {
      if (one.line.role.line === 'silhouette') {
        const list = silhouettes.get(one.line.id);
        if (list) list.push({ stretch: number, of: one });
        else silhouettes.set(one.line.id, [{ stretch: number, of: one }]);
        return;
      }
      chain(one.line, one.from, one.to, tolerance, (a, b) => {
        ends.push(a.x, a.y, a.z, b.x, b.y, b.z);
        owner.push(number);
      });
    });
    this.silhouettes = silhouettes;
    this.still = owner.length;
    this.world = Float64Array.from(ends);
    this.owner = Int32Array.from(owner);
  }

  /** The picture from a set-up. The arrays are the same for every move: read them before the next. */
  at(setUp: SetUp, frame: Frame): CarriedPicture {
    let count = this.still;
    if (this.silhouettes.size > 0) {
      const now = silhouetteLines(this.scene, worldPoint(setUp.station.x, setUp.station.y, setUp.eyeZ));
      for (const line of [...now.edges, ...now.curves])
        for (const { stretch, of } of this.silhouettes.get(line.id) ?? [])
          chain(line, of.from, of.to, this.tolerance, (a, b) => {
            this.reserve(count + 1);
            this.world.set([a.x, a.y, a.z, b.x, b.y, b.z], count * 6);
            this.owner[count] = stretch;
            count += 1;
          });
    }
    if (this.stretch.length < count) {
      this.picture = new Float64Array(count * 4);
      this.stretch = new Int32Array(count);
    }
    const rows = projectSegments(setUp, this.world.subarray(0, count * 6), frame, this.picture, this.stretch);
    for (let row = 0; row < rows; row += 1) this.stretch[row] = this.owner[this.stretch[row] as number] as number;
    return { rows, picture: this.picture, stretch: this.stretch };
  }

  private reserve(count: number): void {
    if (this.owner.length >= count) return;
    const [world, owner] = [this.world, this.owner];
    this.world = new Float64Array(count * 12);
    this.world.set(world);
    this.owner = new Int32Array(count * 2);
    this.owner.set(owner);
  }
}

/** A line as chords between two of its places, parameters along it or angles. */
function chain(
  line: PreparedEdge | PreparedCurve,
  from: number,
  to: number,
  tolerance: number,
  put: (a: WorldPoint, b: WorldPoint) => void,
): void {
  if ('conic' in line) {
    const count = chords(line, from, to, tolerance);
    let a = spaceConicPoint(line.conic, from);
    for (let i = 1; i <= count; i += 1) {
      const b = spaceConicPoint(line.conic, from + ((to - from) * i) / count);
      put(a, b);
      a = b;
    }
    return;
  }
  const point = (s: number): WorldPoint =>
    worldPoint(
      line.from.x + (line.to.x - line.from.x) * s,
      line.from.y + (line.to.y - line.from.y) * s,
      line.from.z + (line.to.z - line.from.z) * s,
    );
  put(point(from), point(to));
}
