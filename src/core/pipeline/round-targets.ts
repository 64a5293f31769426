import { at } from '@/core/base';
import { tolerance } from '@/core/numeric';
import type { PicturePoint } from '@/core/space';
import type { PreparedCurve } from '@/core/visibility';

const TURN = 2 * Math.PI;
const QUARTER = Math.PI / 2;
/** Angles nearer than this are one. */
const SAME_ANGLE = 1e-6;
/**
 * Points of a circle at simple fractions of its radius: (±1, 0) and (0, ±1), in which the square about it touches it, then (±0.8, ±0.6) and (±0.6, ±0.8).
 * Source: geometry, Round things.
 */
const FOUR = [0, 1, 2, 3].map((quarter) => quarter * QUARTER);
const EIGHT_MORE = [Math.atan2(0.6, 0.8), Math.atan2(0.8, 0.6)].flatMap((angle) =>
  [0, 1, 2, 3].map((quarter) => angle + quarter * QUARTER),
);
/** Farther apart than a quarter of a circle points no longer tell a hand how it runs between them; on an arc, whose ends tell no tangent, than a sixth. */
const WIDEST_GAP = { closed: QUARTER + SAME_ANGLE, arc: Math.PI / 3 };
const LEAST_CLOSED = 4;
const LEAST_TOLD = 5;

/** Where a curve can be measured: angles in their order, and the order in which they are tried, those that tell most first. */
export interface CurvePoints {
  readonly angles: readonly number[];
  readonly closed: boolean;
  readonly inOrder: readonly number[];
}

const turned = (angles: readonly number[], from: number, to: number): readonly number[] => {
  const all: number[] = [];
  for (let turn = Math.floor(from / TURN) - 1; turn * TURN < to + TURN; turn += 1)
    for (const angle of angles) all.push(angle + turn * TURN);
  return all.filter((angle) => angle > from + SAME_ANGLE && angle < to - SAME_ANGLE);
};

/**
 * The points of a curve that might be measured: a whole circle's twelve, an arc's ends and those of the twelve that lie between them.
 * @param spans what is seen of it. @param onBoard whether its point at an angle lies on the board: where not all do, only what is seen is measured.
 */
export function pointsOfCurve(
  curve: Pick<PreparedCurve, 'from' | 'to'>,
  spans: readonly (readonly [number, number])[],
  onBoard: (angle: number) => boolean,
): CurvePoints {
  if (curve.to - curve.from > TURN - tolerance.wholeTurnRad) {
    const all = [...FOUR, ...EIGHT_MORE];
    if (all.every(onBoard)) return ordered(FOUR, EIGHT_MORE, [], true);
  }
  const last = Math.max(curve.to, ...spans.map(([, to]) => to));
  // A part across a circle's seam ends beyond its turn: the whole then begins with that part.
  const first = curve.to - curve.from > TURN - tolerance.wholeTurnRad ? last - TURN : curve.from;
  const inside = [...turned(FOUR, first, last), ...turned(EIGHT_MORE, first, last)];
  const [low, high] = [first, last, ...inside].every(onBoard)
    ? [first, last]
    : [Math.min(...spans.map(([from]) => from)), Math.max(...spans.map(([, to]) => to))];
  const [four, more] = [turned(FOUR, low, high), turned(EIGHT_MORE, low, high)];
  return ordered(four, [...more, ...between([low, high, ...four, ...more])], [low, high], false);
}

/** So many times places are looked for between those that fit. */
const ROUNDS = 3;

/** Further points of an arc, tried last: between those of the given ones that fit, where these do not tell its conic. */
export function withMore(points: CurvePoints, fits: readonly boolean[]): CurvePoints {
  const kept = points.angles.filter((_, i) => fits[i]);
  if (points.closed || kept.length >= LEAST_TOLD || kept.length < 2) return points;
  let known = kept;
  const made: number[] = [];
  for (let round = 0; round < ROUNDS; round += 1) {
    const more = known.slice(1).map((angle, i) => (angle + at(known, i)) / 2);
    made.push(...more.filter((angle) => !points.angles.some((one) => Math.abs(one - angle) < SAME_ANGLE)));
    known = [...known, ...more].sort((a, b) => a - b);
  }
  const tried = [...points.inOrder.map((i) => at(points.angles, i)), ...made];
  const angles = [...tried].sort((a, b) => a - b);
  return { angles, closed: false, inOrder: tried.map((angle) => angles.indexOf(angle)) };
}

/** Places halfway over the widest gaps of an arc, so many that with what is there five points tell its conic. */
function between(given: readonly number[]): readonly number[] {
  const angles = [...given].sort((a, b) => a - b);
  const made: number[] = [];
  while (angles.length < LEAST_TOLD) {
    const gaps = angles.slice(1).map((angle, i) => angle - at(angles, i));
    const widest = gaps.indexOf(Math.max(...gaps));
    const middle = (at(angles, widest) + at(angles, widest + 1)) / 2;
    made.push(middle);
    angles.splice(widest + 1, 0, middle);
  }
  return made;
}

function ordered(
  four: readonly number[],
  more: readonly number[],
  ends: readonly number[],
  closed: boolean,
): CurvePoints {
  const tried = [...ends, ...four, ...more];
  const angles = [...tried].sort((a, b) => a - b);
  return { angles, closed, inOrder: tried.map((angle) => angles.indexOf(angle)) };
}

/** What is left of a curve's points; null where that is too little to draw it by. @param fits which of them can be measured. */
export function pointsKept(
  { angles, closed }: CurvePoints,
  fits: readonly boolean[],
): Pick<CurvePoints, 'angles' | 'closed'> | null {
  const kept = angles.filter((_, i) => fits[i]);
  const [first, last] = [kept[0], kept.at(-1)];
  if (first === undefined || last === undefined) return null;
  const gaps = kept.slice(1).map((angle, i) => angle - at(kept, i));
  if (closed) gaps.push(first + TURN - last);
  else if (!fits[0] || !fits[angles.length - 1]) return null;
  return gaps.some((gap) => gap > WIDEST_GAP[closed ? 'closed' : 'arc']) || (closed && kept.length < LEAST_CLOSED)
    ? null
    : { angles: kept, closed };
}

/** Two marks alone tell a curve as long as it rises over their chord by no more than this part of it: as a sixth of a circle does, and a little more. */
const RISE_TOLD = 0.15;
const BETWEEN = Array.from({ length: 15 }, (_, i) => (i + 1) / 16);

/** Whether a curve of which only the ends can be measured bends by more between them than a hand finds by itself: where other points lie too near, or it is no circle. */
export function bendsUntold(angles: readonly number[], on: (angle: number) => PicturePoint | null): boolean {
  const [from, to, more] = angles;
  if (from === undefined || to === undefined || more !== undefined) return false;
  const [a, b] = [on(from), on(to)];
  if (!a || !b) return false;
  const chord = Math.hypot(b.u - a.u, b.v - a.v);
  const rises = BETWEEN.map((t) => {
    const p = on(from + (to - from) * t);
    return p ? Math.abs((p.u - a.u) * (b.v - a.v) - (p.v - a.v) * (b.u - a.u)) / chord : 0;
  });
  return Math.max(...rises) > RISE_TOLD * chord;
}

/** A part as places among a curve's points: 1.5 lies halfway from the second to the third, counted on around where it is closed. */
export function placesAmong(
  { angles, closed }: Pick<CurvePoints, 'angles' | 'closed'>,
  [from, to]: readonly [number, number],
): readonly [number, number] {
  const n = angles.length;
  const first = at(angles, 0);
  const place = (angle: number): number => {
    const round = closed ? Math.floor((angle - first + SAME_ANGLE) / TURN) : 0;
    const here = angle - round * TURN;
    const all = closed ? [...angles, first + TURN] : angles;
    const next = Math.max(
      1,
      all.findIndex((one) => one >= here - 1e-12),
    );
    const [before, after] = [at(all, next - 1), at(all, next)];
    return round * n + next - 1 + (here - before) / (after - before);
  };
  const [low, high] = [place(from), place(to)];
  // Counted from a point that is there.
  const lift = closed && low < 0 ? Math.ceil(-low / n) * n : 0;
  return [low + lift, high + lift];
}
