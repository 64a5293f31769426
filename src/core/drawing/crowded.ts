import { at } from '@/core/base';
import type { EdgeClass, Stroke } from './drawing';
import { EDGE_MM, widthMm } from './pens';

/** Lines are told along their way at every so many mm. */
const STEP_MM = 1;
/** Lines that lean to one another by less than this run side by side: sine and cosine of 15°. */
const [SIDE_BY_SIDE, ALONG] = [Math.sin(Math.PI / 12), Math.cos(Math.PI / 12)];
/** A shorter stretch is not drawn with another pen: nobody changes pens for it, mm. */
const SHORTEST_MM = 2;

type Lighter = Extract<EdgeClass, 'crowded' | 'dense'>;

/**
 * Where a line has others running along it on both of its sides, nearer than its own pen is wide, it is drawn with a lighter pen, and where they are
 * nearer than that one is wide, with the lightest: so a row of many things does not end in a black wedge. The outermost lines stay as they are, and
 * so do curves. Parts of a line keep its name.
 * @param strokes firm strokes of a picture, sheet mm.
 */
export function lighterWhereCrowded(strokes: readonly Stroke[]): ReadonlyMap<Stroke, readonly Stroke[]> {
  const straight = strokes.filter((one) => one.weight === 'firm' && !one.curve);
  const near = new Neighbours(straight);
  const parted = new Map<Stroke, readonly Stroke[]>();
  straight.forEach((stroke, index) => {
    const length = Math.hypot(stroke.x1 - stroke.x0, stroke.y1 - stroke.y0);
    const width = widthMm(stroke);
    const samples = Math.max(1, Math.round(length / STEP_MM));
    const pens: (Lighter | null)[] = [];
    for (let i = 0; i < samples; i += 1) {
      const gap = near.gapAt(index, (i + 0.5) / samples, width);
      pens.push(gap < EDGE_MM.crowded ? 'dense' : gap < width && width > EDGE_MM.crowded ? 'crowded' : null);
    }
    if (pens.every((one) => one === null)) return;
    const runs = withoutShort(runsOf(pens), (SHORTEST_MM / length) * samples);
    if (runs.length === 1 && at(runs, 0).pen === null) return;
    const place = (share: number) => ({
      x: stroke.x0 + (stroke.x1 - stroke.x0) * share,
      y: stroke.y0 + (stroke.y1 - stroke.y0) * share,
    });
    parted.set(
      stroke,
      runs.map(({ pen, from, to }): Stroke => {
        const [a, b] = [place(from / samples), place(to / samples)];
        const ends = { x0: a.x, y0: a.y, x1: b.x, y1: b.y };
        return { ...stroke, ...ends, ...(pen === null ? {} : { edge: pen }) };
      }),
    );
  });
  return parted;
}

interface Run {
  readonly pen: Lighter | null;
  readonly from: number;
  readonly to: number;
}

function runsOf(pens: readonly (Lighter | null)[]): readonly Run[] {
  const runs: Run[] = [];
  pens.forEach((pen, i) => {
    const last = runs.at(-1);
    if (last?.pen === pen) runs[runs.length - 1] = { ...last, to: i + 1 };
    else runs.push({ pen, from: i, to: i + 1 });
  });
  return runs;
}

/** Runs too short to change pens for go with the one before them, the first with the one after it. */
function withoutShort(runs: readonly Run[], shortest: number): readonly Run[] {
  const kept: Run[] = [];
  for (const run of runs) {
    const last = kept.at(-1);
    if (last && (run.to - run.from < shortest || last.pen === run.pen)) kept[kept.length - 1] = { ...last, to: run.to };
    else if (last && last.to - last.from < shortest) kept[kept.length - 1] = { ...run, from: last.from };
    else kept.push(run);
  }
  return kept;
}

/** More squares than this are not laid out: larger ones then. */
const MOST_CELLS = 1_000_000;

/** Straight strokes by where they lie, so that of each place those are found that may run beside it. Plain arrays: this is asked for every millimetre drawn. */
class Neighbours {
  private readonly lines: Float64Array;
  private readonly asked: Int32Array;
  private stamp = 0;
  private readonly size: number;
  private readonly left: number;
  private readonly bottom: number;
  private readonly columns: number;
  private readonly rows: number;
  /** Of each square the first place of its strokes in the list, and where the next square's begin. */
  private readonly start: Int32Array;
  private readonly list: Int32Array;

  constructor(strokes: readonly Stroke[]) {
    this.lines = new Float64Array(strokes.length * 4);
    this.asked = new Int32Array(strokes.length);
    let [left, right, bottom, top] = [Infinity, -Infinity, Infinity, -Infinity];
    strokes.forEach(({ x0, y0, x1, y1 }, index) => {
      this.lines.set([x0, y0, x1, y1], index * 4);
      [left, right] = [Math.min(left, x0, x1), Math.max(right, x0, x1)];
      [bottom, top] = [Math.min(bottom, y0, y1), Math.max(top, y0, y1)];
    });
    const [wide, high] = strokes.length > 0 ? [right - left, top - bottom] : [0, 0];
    [this.left, this.bottom] = [left, bottom];
    // As fine as the widest pen reaches to both sides.
    this.size = Math.max(EDGE_MM.profile * 2, Math.sqrt((wide * high) / MOST_CELLS));
    this.columns = Math.floor(wide / this.size) + 1;
    this.rows = Math.floor(high / this.size) + 1;
    const counts = new Int32Array(this.columns * this.rows + 1);
    this.walk((cell) => (counts[cell + 1]! += 1));
    for (let i = 1; i < counts.length; i += 1) counts[i]! += counts[i - 1]!;
    this.start = counts;
    this.list = new Int32Array(counts[counts.length - 1]!);
    const next = counts.slice();
    this.walk((cell, index) => {
      this.list[next[cell]!] = index;
      next[cell]! += 1;
    });
  }

  private column(x: number): number {
    return Math.min(this.columns - 1, Math.max(0, Math.floor((x - this.left) / this.size)));
  }
  private row(y: number): number {
    return Math.min(this.rows - 1, Math.max(0, Math.floor((y - this.bottom) / this.size)));
  }

  /** Every square that a stroke runs through, or nearly all: it is asked at steps of half a square. */
  private walk(put: (cell: number, index: number) => void): void {
    const { lines } = this;
    for (let index = 0; index < this.asked.length; index += 1) {
      const i = index * 4;
      const [x, y, dx, dy] = [lines[i]!, lines[i + 1]!, lines[i + 2]! - lines[i]!, lines[i + 3]! - lines[i + 1]!];
      const steps = Math.max(1, Math.ceil(Math.hypot(dx, dy) / (this.size / 2)));
      let before = -1;
      for (let k = 0; k <= steps; k += 1) {
        const cell = this.row(y + (dy * k) / steps) * this.columns + this.column(x + (dx * k) / steps);
        if (cell !== before) put(cell, index);
        before = cell;
      }
    }
  }

  /** The wider of the gaps to the nearest lines on both sides of a place of a line, mm; infinite where one side is free within `reach`. */
  gapAt(index: number, share: number, reach: number): number {
    const { lines, asked, start, list, columns } = this;
    const i = index * 4;
    const [ax, ay] = [lines[i]!, lines[i + 1]!];
    const [dx, dy] = [lines[i + 2]! - ax, lines[i + 3]! - ay];
    const size = Math.hypot(dx, dy);
    if (size === 0) return Infinity;
    const [x, y] = [ax + dx * share, ay + dy * share];
    const [c0, c1, r0, r1] = [this.column(x - reach), this.column(x + reach), this.row(y - reach), this.row(y + reach)];
    let there = 0;
    for (let row = r0; row <= r1; row += 1) there += start[row * columns + c1 + 1]! - start[row * columns + c0]!;
    if (there < 3) return Infinity;
    this.stamp += 1;
    asked[index] = this.stamp;
    const [ux, uy] = [dx / size, dy / size];
    let [left, right] = [Infinity, Infinity];
    for (let row = r0; row <= r1; row += 1)
      for (let k = start[row * columns + c0]!; k < start[row * columns + c1 + 1]!; k += 1) {
        const other = list[k]!;
        if (asked[other] === this.stamp) continue;
        asked[other] = this.stamp;
        const o = other * 4;
        const [px, py] = [lines[o]! - x, lines[o + 1]! - y];
        const [qx, qy] = [lines[o + 2]! - x, lines[o + 3]! - y];
        // Along this line and off it, of both ends of the other.
        const [pa, qa] = [px * ux + py * uy, qx * ux + qy * uy];
        if (pa * qa > 0) continue;
        const [po, qo] = [py * ux - px * uy, qy * ux - qx * uy];
        const long = Math.hypot(qa - pa, qo - po);
        if (!(Math.abs(qo - po) < SIDE_BY_SIDE * long) || !(Math.abs(qa - pa) > ALONG * long)) continue;
        const off = po + ((qo - po) * -pa) / (qa - pa);
        if (off > 0) left = Math.min(left, off);
        else right = Math.min(right, -off);
      }
    const gap = Math.max(left, right);
    return gap < reach ? gap : Infinity;
  }
}
