import { tolerance } from '@/core/numeric';
import type { Occluders } from './occluders';
import type { PolygonSet, Sight } from './polygon-set';

/** Cells to the occluder: fewer make long lists, more make long walks. */
const CELLS_PER_OCCLUDER = 6;
/** Where few lines are asked a fine grid is dearer than the longer lists of a coarse one. */
const CELLS_PER_LINE = 32;
const LEAST_CELLS = 16;
const MOST_CELLS = 1 << 18;
/** Occluders between two signs of progress: a fraction of a millisecond's work, a few where they are large. */
const OCCLUDERS_A_STEP = 64;
/** A point is told to lie behind a face only when its 1/depth is less by this share: far beyond rounding, 5 µm at 5 m. */
export const CLEARLY_BEHIND = 1 - 1e-9;

/**
 * A grid over the frame. Each cell lists the occluders whose picture may touch it, nearest first; a cell that one occluder covers wholly
 * remembers the nearest such, and lists nothing that lies wholly behind it. So the lists stay short however deep the scene is.
 */
export interface PictureGrid {
  readonly columns: number;
  readonly rows: number;
  readonly cellWidth: number;
  readonly cellHeight: number;
  /** Occluders of cell c: `list` from `start[c]` up to `start[c + 1]`. */
  readonly start: Int32Array;
  readonly list: Int32Array;
  /** 1/depth that the covering occluder has at least, all over the cell; −Infinity where none covers it. */
  readonly cover: Float64Array;
  /** That occluder, or −1. */
  readonly coveredBy: Int32Array;
  /** Bounds of each occluder's picture, mm: left, right, bottom, top. */
  readonly bounds: Float64Array;
}

/** Outline of one occluder in the picture, cut at the near plane; u, v by turns, loop after loop. */
class Outline {
  points = new Float64Array(64);
  /** Where each loop ends, counted in points. */
  loopEnds: number[] = [];
  count = 0;
  /** After each point the meeting of tangents over the side that begins there, u and v, or not a number. */
  tips = new Float64Array(64);
  /** No part of it is nearer than the near plane; only then do tips belong to sides. */
  whole = true;
  u0 = 0;
  u1 = 0;
  v0 = 0;
  v1 = 0;

  trace(
    set: PolygonSet,
    { eyeCorners, eyeBulges }: Occluders,
    face: number,
    { viewingDistance: k, near }: Sight,
  ): void {
    this.count = 0;
    this.loopEnds = [];
    this.whole = true;
    this.u0 = this.v0 = Infinity;
    this.u1 = this.v1 = -Infinity;
    for (let loop = set.faceLoop[face]!; loop < set.faceLoop[face + 1]!; loop += 1) {
      const [first, end] = [set.loopCorner[loop]!, set.loopCorner[loop + 1]!];
      let p = (end - 1) * 3;
      for (let c = first; c < end; c += 1) {
        const q = c * 3;
        const [tp, tq] = [eyeCorners[p + 2]!, eyeCorners[q + 2]!];
        if (tp < near) this.whole = false;
        if (tp >= near !== tq >= near) {
          const share = (near - tp) / (tq - tp);
          this.add(
            (k * (eyeCorners[p]! + (eyeCorners[q]! - eyeCorners[p]!) * share)) / near,
            (k * (eyeCorners[p + 1]! + (eyeCorners[q + 1]! - eyeCorners[p + 1]!) * share)) / near,
          );
        }
        if (tq >= near) this.add((k * eyeCorners[q]!) / tq, (k * eyeCorners[q + 1]!) / tq);
        if (eyeBulges) {
          const t = eyeBulges[q + 2]!;
          if (t < near) this.whole = false;
          else if (tq >= near && !Number.isNaN(t)) this.tip((k * eyeBulges[q]!) / t, (k * eyeBulges[q + 1]!) / t);
        }
        p = q;
      }
      this.loopEnds.push(this.count);
    }
  }

  private add(u: number, v: number): void {
    if (this.points.length < (this.count + 1) * 2) {
      const larger = new Float64Array(this.points.length * 2);
      larger.set(this.points);
      this.points = larger;
      const more = new Float64Array(this.tips.length * 2);
      more.set(this.tips);
      this.tips = more;
    }
    this.tips[this.count * 2] = NaN;
    this.points[this.count * 2] = u;
    this.points[this.count * 2 + 1] = v;
    this.count += 1;
    this.widen(u, v);
  }

  /** Belongs to the point added last. */
  private tip(u: number, v: number): void {
    this.tips[this.count * 2 - 2] = u;
    this.tips[this.count * 2 - 1] = v;
    this.widen(u, v);
  }

  private widen(u: number, v: number): void {
    if (u < this.u0) this.u0 = u;
    if (u > this.u1) this.u1 = u;
    if (v < this.v0) this.v0 = v;
    if (v > this.v1) this.v1 = v;
  }
}

/**
 * The grid of what one eye sees, as fine as pays for so many lines that are to be held against it. Progress from 0 to 1: making it takes about as long as holding the edges against it.
 */
export function* pictureGrid(
  set: PolygonSet,
  occluders: Occluders,
  sight: Sight,
  lines = Infinity,
): Generator<number, PictureGrid> {
  const { left, right, bottom, top } = sight.frame;
  const [width, height] = [Math.max(tolerance.nought, right - left), Math.max(tolerance.nought, top - bottom)];
  const wanted = Math.min(
    MOST_CELLS,
    Math.max(LEAST_CELLS, Math.min(occluders.count * CELLS_PER_OCCLUDER, lines * CELLS_PER_LINE)),
  );
  const columns = Math.max(1, Math.round(Math.sqrt((wanted * width) / height)));
  const rows = Math.max(1, Math.round(wanted / columns));
  const cells = columns * rows;
  const [cellWidth, cellHeight] = [width / columns, height / rows];
  const cover = new Float64Array(cells).fill(-Infinity);
  const coveredBy = new Int32Array(cells).fill(-1);
  const outline = new Outline();
  const bounds = new Float64Array(occluders.count * 4);
  // Columns touched, row by row, as spans: occluder, row, first and last column. Kept so that the second pass need not trace anew.
  let spans = new Int32Array(4096);
  let spanCount = 0;
  const span = (occluder: number, row: number, c0: number, c1: number): void => {
    if (spans.length < (spanCount + 1) * 4) {
      const larger = new Int32Array(spans.length * 2);
      larger.set(spans);
      spans = larger;
    }
    const s = spanCount * 4;
    spans[s] = occluder;
    spans[s + 1] = row;
    spans[s + 2] = c0;
    spans[s + 3] = c1;
    spanCount += 1;
  };
  const columnOf = (u: number): number => Math.min(columns - 1, Math.max(0, Math.floor((u - left) / cellWidth)));
  const rowOf = (v: number): number => Math.min(rows - 1, Math.max(0, Math.floor((v - bottom) / cellHeight)));
  // A hair wider than the outline, so that rounding never leaves out a cell that is touched.
  const [padU, padV] = [cellWidth * 1e-6, cellHeight * 1e-6];
  const touched = new Uint8Array(columns);
  const crossings: number[] = [];

  for (let h = 0; h < occluders.count; h += 1) {
    if (h % OCCLUDERS_A_STEP === OCCLUDERS_A_STEP - 1) yield h / occluders.count;
    outline.trace(set, occluders, occluders.face[h]!, sight);
    const { points, tips, count, loopEnds } = outline;
    bounds[h * 4] = outline.u0 - padU;
    bounds[h * 4 + 1] = outline.u1 + padU;
    bounds[h * 4 + 2] = outline.v0 - padV;
    bounds[h * 4 + 3] = outline.v1 + padV;
    const shape = occluders.shape[h]!;
    if (count < 3 || outline.u1 < left || outline.u0 > right || outline.v1 < bottom || outline.v0 > top) continue;
    const [r0, r1] = [rowOf(outline.v0 - padV), rowOf(outline.v1 + padV)];
    const [c0, c1] = [columnOf(outline.u0 - padU), columnOf(outline.u1 + padU)];
    if (r1 - r0 < 2 && c1 - c0 < 2) {
      for (let row = r0; row <= r1; row += 1) span(h, row, c0, c1);
      continue;
    }
    // Of an arc's side the chord and its tangents are looked at together. A curved face that comes too near is taken for all its bounds.
    if (shape >= 0 && !outline.whole) {
      for (let row = r0; row <= r1; row += 1) span(h, row, c0, c1);
      continue;
    }
    const mayCover = r1 - r0 >= 1 && c1 - c0 >= 1 && (shape < 0 || set.curved?.shapes[shape]?.kind === 'planar');
    for (let row = r0; row <= r1; row += 1) {
      const [low, high] = [bottom + row * cellHeight - padV, bottom + (row + 1) * cellHeight + padV];
      const middle = (low + high) / 2;
      let [uLow, uHigh] = [Infinity, -Infinity];
      if (mayCover) {
        touched.fill(0, c0, c1 + 1);
        crossings.length = 0;
      }
      let first = 0;
      for (const end of loopEnds) {
        let [pu, pv] = [points[(end - 1) * 2]!, points[(end - 1) * 2 + 1]!];
        for (let i = first; i < end; i += 1) {
          const [qu, qv] = [points[i * 2]!, points[i * 2 + 1]!];
          let [vMin, vMax] = pv < qv ? [pv, qv] : [qv, pv];
          const before = i === first ? end - 1 : i - 1;
          const tu = tips[before * 2]!;
          if (tu === tu) {
            // The whole triangle of chord and tangents may be touched, wherever in the row.
            const tv = tips[before * 2 + 1]!;
            vMin = Math.min(vMin, tv);
            vMax = Math.max(vMax, tv);
            if (vMax >= low && vMin <= high) {
              const [a, b] = [Math.min(pu, qu, tu), Math.max(pu, qu, tu)];
              if (a < uLow) uLow = a;
              if (b > uHigh) uHigh = b;
              if (mayCover && b >= left && a <= right) touched.fill(1, columnOf(a - padU), columnOf(b + padU) + 1);
              if (mayCover && pv > middle !== qv > middle) crossings.push(pu + ((middle - pv) / (qv - pv)) * (qu - pu));
            }
          } else if (vMax >= low && vMin <= high) {
            // The side's part within the row.
            let [ua, ub] = [pu, qu];
            if (pv !== qv) {
              const slope = (qu - pu) / (qv - pv);
              const at = (v: number): number =>
                v <= vMin ? (pv < qv ? pu : qu) : v >= vMax ? (pv < qv ? qu : pu) : pu + (v - pv) * slope;
              ua = at(low);
              ub = at(high);
            }
            const [uMin, uMax] = ua < ub ? [ua, ub] : [ub, ua];
            if (uMin < uLow) uLow = uMin;
            if (uMax > uHigh) uHigh = uMax;
            if (mayCover) {
              if (uMax >= left && uMin <= right) touched.fill(1, columnOf(uMin - padU), columnOf(uMax + padU) + 1);
              if (pv > middle !== qv > middle) crossings.push(pu + ((middle - pv) / (qv - pv)) * (qu - pu));
            }
          }
          [pu, pv] = [qu, qv];
        }
        first = end;
      }
      if (uHigh < left || uLow > right) continue;
      const [ca, cb] = [columnOf(uLow - padU), columnOf(uHigh + padU)];
      if (mayCover && cb > ca) {
        crossings.sort((a, b) => a - b);
        coverRow(h, row, ca, cb);
      }
      span(h, row, ca, cb);
    }
  }

  /** Cells of a row that lie wholly within the outline: no side passes through them and their middle is inside. */
  function coverRow(h: number, row: number, ca: number, cb: number): void {
    const { inverse } = occluders;
    const [qu, qv, q0] = [inverse[h * 3]!, inverse[h * 3 + 1]!, inverse[h * 3 + 2]!];
    const [v0, v1] = [bottom + row * cellHeight, bottom + (row + 1) * cellHeight];
    const lowest = q0 + Math.min(qv * v0, qv * v1);
    let next = 0;
    let inside = false;
    for (let c = ca; c <= cb; c += 1) {
      const u0 = left + c * cellWidth;
      const centre = u0 + cellWidth / 2;
      while (next < crossings.length && crossings[next]! <= centre) {
        inside = !inside;
        next += 1;
      }
      if (!inside || touched[c] === 1) continue;
      const least = lowest + Math.min(qu * u0, qu * (u0 + cellWidth));
      const cell = row * columns + c;
      if (least > cover[cell]!) {
        cover[cell] = least;
        coveredBy[cell] = h;
      }
    }
  }

  // Counting sort of the spans into the cells. Occluders come nearest first, and so they stay in every cell.
  const start = new Int32Array(cells + 1);
  const kept = (h: number, row: number, c: number): boolean => {
    const cell = row * columns + c;
    const bound = cover[cell]! * CLEARLY_BEHIND;
    if (occluders.nearest[h]! > bound) {
      if (bound === -Infinity || coveredBy[cell] === h) return true;
      // The nearest the plane comes within this cell.
      const { inverse } = occluders;
      const [qu, qv] = [inverse[h * 3]!, inverse[h * 3 + 1]!];
      const u = qu > 0 ? left + (c + 1) * cellWidth : left + c * cellWidth;
      const v = qv > 0 ? bottom + (row + 1) * cellHeight : bottom + row * cellHeight;
      return inverse[h * 3 + 2]! + qu * u + qv * v > bound;
    }
    return false;
  };
  for (let s = 0; s < spanCount; s += 1) {
    const [h, row] = [spans[s * 4]!, spans[s * 4 + 1]!];
    for (let c = spans[s * 4 + 2]!; c <= spans[s * 4 + 3]!; c += 1)
      if (kept(h, row, c)) start[row * columns + c + 1]! += 1;
  }
  for (let c = 0; c < cells; c += 1) start[c + 1]! += start[c]!;
  const list = new Int32Array(start[cells]!);
  const fill = start.slice(0, cells);
  for (let s = 0; s < spanCount; s += 1) {
    const [h, row] = [spans[s * 4]!, spans[s * 4 + 1]!];
    for (let c = spans[s * 4 + 2]!; c <= spans[s * 4 + 3]!; c += 1)
      if (kept(h, row, c)) {
        const cell = row * columns + c;
        list[fill[cell]!] = h;
        fill[cell]! += 1;
      }
  }
  return { columns, rows, cellWidth, cellHeight, start, list, cover, coveredBy, bounds };
}
