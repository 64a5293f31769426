import { tolerance } from '@/core/numeric';
/** Lines whose ends lie this near to one another's line fall on one another, mm on paper: far above rounding, far below any pen. */
const SAME_LINE_MM = tolerance.touchMm;
/** Lines are sorted into cells this wide, mm and radians, by distance from the picture's origin and by direction. */
const CELL = 1e-3;

/** A stretch of a stroke that is drawn: of row `row`, between two of its parameters. */
export interface Joined {
  readonly count: number;
  readonly row: Int32Array;
  /** Picture mm: u0, v0, u1, v1. */
  readonly picture: Float64Array;
  /** Rows that fall on each stretch besides its own, from `alsoStart[i]` up to `alsoStart[i + 1]`. */
  readonly alsoStart: Int32Array;
  readonly also: Int32Array;
}

interface OnLine {
  readonly row: number;
  readonly from: number;
  readonly to: number;
}

/**
 * Lines that fall on one another are drawn once: the longest first, of the others only what it leaves free. Each stretch remembers which rows
 * fall on it.
 * @param picture u0, v0, u1, v1 of each row, mm.
 * @param taken the rows that are to be drawn, by number.
 */
export function joinLines(picture: Float64Array, taken: Int32Array): Joined {
  const groups = linesOf(picture, taken);
  const rows: number[] = [];
  const out: number[] = [];
  const alsoStart: number[] = [0];
  const also: number[] = [];
  const put = (row: number, p: readonly [number, number, number, number], others: readonly number[]): void => {
    rows.push(row);
    out.push(...p);
    also.push(...others);
    alsoStart.push(also.length);
  };
  for (const group of groups) {
    if (group.length === 1) {
      const r = group[0]!;
      put(r, [picture[r * 4]!, picture[r * 4 + 1]!, picture[r * 4 + 2]!, picture[r * 4 + 3]!], []);
      continue;
    }
    const longest = group.reduce((best, row) => (lengthOf(picture, row) > lengthOf(picture, best) ? row : best));
    const [ou, ov] = [picture[longest * 4]!, picture[longest * 4 + 1]!];
    const size = lengthOf(picture, longest);
    const [du, dv] = [(picture[longest * 4 + 2]! - ou) / size, (picture[longest * 4 + 3]! - ov) / size];
    const along = (row: number, end: 0 | 2): number =>
      (picture[row * 4 + end]! - ou) * du + (picture[row * 4 + end + 1]! - ov) * dv;
    const spans = group
      .map((row): OnLine => {
        const [a, b] = [along(row, 0), along(row, 2)];
        return { row, from: Math.min(a, b), to: Math.max(a, b) };
      })
      .sort((a, b) => b.to - b.from - (a.to - a.from) || a.row - b.row);
    const drawn: OnLine[] = [];
    for (const span of spans) {
      for (const [from, to] of leftFree(span, drawn)) {
        drawn.push({ row: span.row, from, to });
        const others = spans.filter(
          (one) => one.row !== span.row && Math.min(one.to, to) - Math.max(one.from, from) > SAME_LINE_MM,
        );
        // Whole strokes keep their own ends, to the last bit.
        const whole = from === span.from && to === span.to;
        put(
          span.row,
          whole
            ? [
                picture[span.row * 4]!,
                picture[span.row * 4 + 1]!,
                picture[span.row * 4 + 2]!,
                picture[span.row * 4 + 3]!,
              ]
            : [ou + du * from, ov + dv * from, ou + du * to, ov + dv * to],
          others.map((one) => one.row),
        );
      }
    }
  }
  return {
    count: rows.length,
    row: Int32Array.from(rows),
    picture: Float64Array.from(out),
    alsoStart: Int32Array.from(alsoStart),
    also: Int32Array.from(also),
  };
}

const lengthOf = (picture: Float64Array, row: number): number =>
  Math.hypot(picture[row * 4 + 2]! - picture[row * 4]!, picture[row * 4 + 3]! - picture[row * 4 + 1]!);

/** What a span has left when what is drawn already is taken away. */
function leftFree(span: OnLine, drawn: readonly OnLine[]): readonly (readonly [number, number])[] {
  let free: (readonly [number, number])[] = [[span.from, span.to]];
  for (const { from, to } of drawn)
    free = free.flatMap(([a, b]): (readonly [number, number])[] => {
      if (to <= a + SAME_LINE_MM || from >= b - SAME_LINE_MM) return [[a, b]];
      const rest: (readonly [number, number])[] = [];
      if (from > a + SAME_LINE_MM) rest.push([a, from]);
      if (to < b - SAME_LINE_MM) rest.push([to, b]);
      return rest;
    });
  return free;
}

/** Rows by the straight line they lie on. Strokes too short to have a direction stand alone. */
function linesOf(picture: Float64Array, taken: Int32Array): readonly (readonly number[])[] {
  const parent = new Map<number, number>();
  const root = (row: number): number => {
    let r = row;
    while (parent.get(r) !== r) r = parent.get(r)!;
    return r;
  };
  const cells = new Map<number, number[]>();
  const directions = Math.ceil(Math.PI / CELL);
  for (const row of taken) {
    parent.set(row, row);
    const [u0, v0, u1, v1] = [picture[row * 4]!, picture[row * 4 + 1]!, picture[row * 4 + 2]!, picture[row * 4 + 3]!];
    const size = Math.hypot(u1 - u0, v1 - v0);
    if (!(size > 1e-4)) continue;
    let angle = Math.atan2(v1 - v0, u1 - u0);
    if (angle < 0) angle += Math.PI;
    if (angle >= Math.PI) angle -= Math.PI;
    const offset = v0 * Math.cos(angle) - u0 * Math.sin(angle);
    const [a, o] = [Math.floor(angle / CELL), Math.floor(offset / CELL)];
    for (let i = -1; i <= 1; i += 1)
      for (let j = -1; j <= 1; j += 1) {
        // Directions run round: nearly π is nearly zero, with the offset turned over.
        const wrapped = (a + i + directions) % directions;
        const turned = a + i < 0 || a + i >= directions;
        const list = cells.get(keyOf(wrapped, turned ? -(o + j) - 1 : o + j));
        if (!list) continue;
        for (const other of list) {
          const [p, q] = [root(row), root(other)];
          if (p !== q && onOneLine(picture, row, other)) parent.set(p, q);
        }
      }
    const own = keyOf(a, o);
    const list = cells.get(own);
    if (list) list.push(row);
    else cells.set(own, [row]);
  }
  const groups = new Map<number, number[]>();
  for (const row of taken) {
    const r = root(row);
    const group = groups.get(r);
    if (group) group.push(row);
    else groups.set(r, [row]);
  }
  return [...groups.values()];
}

const keyOf = (direction: number, offset: number): number => direction * 16_777_216 + (offset + 8_388_608);

/** Whether the ends of the shorter lie on the line of the longer, and the two overlap. */
function onOneLine(picture: Float64Array, a: number, b: number): boolean {
  const [long, short] = lengthOf(picture, a) >= lengthOf(picture, b) ? [a, b] : [b, a];
  const size = lengthOf(picture, long);
  const [ou, ov] = [picture[long * 4]!, picture[long * 4 + 1]!];
  const [du, dv] = [(picture[long * 4 + 2]! - ou) / size, (picture[long * 4 + 3]! - ov) / size];
  let [low, high] = [Infinity, -Infinity];
  for (const end of [0, 2]) {
    const [u, v] = [picture[short * 4 + end]! - ou, picture[short * 4 + end + 1]! - ov];
    if (Math.abs(u * dv - v * du) > SAME_LINE_MM) return false;
    const s = u * du + v * dv;
    low = Math.min(low, s);
    high = Math.max(high, s);
  }
  return Math.min(high, size) - Math.max(low, 0) > SAME_LINE_MM;
}
