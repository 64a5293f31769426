import { dot3, length3, type Vector3 } from '@/core/geometry';
import { tolerance } from '@/core/numeric';
import { radiusAt, roundPoint, type RoundFace } from '@/core/solids';
import { worldPoint, type WorldPoint } from '@/core/space';
import type { CrossingLines } from './crossings';
import { stretches } from './flat-and-round';
import { polar, quadricOf } from './quadratic-form';
import { crossingName } from './crossing-name';
import type { PreparedCurve, PreparedFace } from './scene';
import { heldBy } from './shape-in-sight';
import { conicOfCircle } from './space-conic';

/** What is drawn may leave the true line of intersection by so much, mm of the real thing: below 0.005 mm on paper down to 1:10 at the picture plane. */
export const WITHIN_MM = 0.02;
const DEEPEST = 12;
/** A stretch shorter than this part of a branch in which there is no place is left out. */
const WITHOUT_PLACE = 0.1;
const TURN = 2 * Math.PI;

/**
 * Where two round faces run through each other: a chain of parabolas through points of both, each within WITHIN_MM of both surfaces where it is
 * measured. Walked along the straight lines of the one that has them: on each the other's equation is quadratic. Where the two roots meet, the angle
 * is taken as a sine, so that the square root is smooth.
 */
export function roundsCrossing(one: PreparedFace, two: PreparedFace): CrossingLines {
  const none: CrossingLines = { edges: [], curves: [] };
  if (one.shape?.kind !== 'round' || two.shape?.kind !== 'round') return none;
  const swap = one.shape.round.surface === 'sphere';
  const [ruled, other] = swap ? [two.shape.round, one.shape.round] : [one.shape.round, two.shape.round];
  const named = crossingName(one, two);
  if (ruled.surface === 'sphere') return { edges: [], curves: ballsCircle(ruled, other, named) };
  if (coaxial(ruled, other)) return { edges: [], curves: commonCircles(ruled, other, named) };
  const branches = branchesOf(ruled, other);
  const holdsRuled = heldBy(ruled, null, tolerance.touchMm);
  const holdsOther = heldBy(other, null, tolerance.touchMm);
  const there = (p: WorldPoint): boolean =>
    holdsRuled(p.x - ruled.centre.x, p.y - ruled.centre.y, p.z - ruled.centre.z) &&
    holdsOther(p.x - other.centre.x, p.y - other.centre.y, p.z - other.centre.z);
  const [offRuled, offOther] = [distanceFrom(ruled), distanceFrom(other)];
  const miss = (p: WorldPoint): number => Math.max(offRuled(p), offOther(p));
  const curves = branches.flatMap((branch) => {
    const marks = bordersOf(branch, there);
    return stretches(marks, (t) => there(branch(t)), 1e-9).flatMap(([from, to]) =>
      parabolas(branch, from, to, miss).map((conic): PreparedCurve => ({
        ...named,
        conic,
        from: -Math.PI / 2,
        to: Math.PI / 2,
      })),
    );
  });
  return { edges: [], curves };
}

/** On one axis: all that turns about it meets in circles. */
function coaxial(ruled: RoundFace, other: RoundFace): boolean {
  const d = {
    x: other.centre.x - ruled.centre.x,
    y: other.centre.y - ruled.centre.y,
    z: other.centre.z - ruled.centre.z,
  };
  const along = dot3(d, ruled.axis);
  const off = Math.sqrt(Math.max(0, dot3(d, d) - along * along));
  return (
    off <= tolerance.touchMm &&
    (other.surface === 'sphere' || Math.abs(dot3(other.axis, ruled.axis)) > 1 - tolerance.noiseCosine)
  );
}

function commonCircles(
  ruled: RoundFace,
  other: RoundFace,
  named: Pick<PreparedCurve, 'id' | 'role' | 'body' | 'faces'>,
): readonly PreparedCurve[] {
  const [from, to] = ruled.sector;
  const holds = heldBy(other, null, tolerance.touchMm);
  return heightsOf(ruled, other).flatMap((along): readonly PreparedCurve[] => {
    const [low, high] = [Math.min(ruled.from.along, ruled.to.along), Math.max(ruled.from.along, ruled.to.along)];
    if (along < low + tolerance.touchMm || along > high - tolerance.touchMm) return [];
    const radius = radiusAt(ruled, along);
    const { axis: a, first, second, centre: c } = ruled;
    const centre = worldPoint(c.x + a.x * along, c.y + a.y * along, c.z + a.z * along);
    const conic = conicOfCircle({ centre, first, second, radius });
    const there = (angle: number): boolean => {
      const p = roundPoint(ruled, angle, along);
      return holds(p.x - other.centre.x, p.y - other.centre.y, p.z - other.centre.z);
    };
    // The other's sector may begin anywhere on the circle.
    const marks = [from, to];
    for (const border of other.sector) {
      const d = roundPoint({ ...other, surface: 'cylinder' }, border, 0);
      const at = { x: d.x - other.centre.x, y: d.y - other.centre.y, z: d.z - other.centre.z };
      const angle = Math.atan2(dot3(at, second), dot3(at, first));
      for (let k = Math.ceil((from - angle) / TURN); angle + k * TURN < to; k += 1) marks.push(angle + k * TURN);
    }
    marks.sort((p, q) => p - q);
    return stretches(marks, there, 1e-9).map(([p, q]) => ({ ...named, conic, from: p, to: q }));
  });
}

/** Heights on the common axis at which both have one radius. */
function heightsOf(ruled: RoundFace, other: RoundFace): readonly number[] {
  const form = quadricOf(other);
  const p = roundPoint(ruled, 0, ruled.from.along);
  const q = roundPoint(ruled, 0, ruled.to.along);
  const rows = Float64Array.of(
    ...[p.x - other.centre.x, p.y - other.centre.y, p.z - other.centre.z, 1],
    ...[q.x - p.x, q.y - p.y, q.z - p.z, 0],
  );
  const [a, b, c] = [
    polar(form, 0, rows, 4, rows, 4),
    polar(form, 0, rows, 0, rows, 4),
    polar(form, 0, rows, 0, rows, 0),
  ];
  const run = ruled.to.along - ruled.from.along;
  const under = b * b - a * c;
  // Two of one radius all along meet nowhere in particular.
  if (Math.abs(a) < 1e-9) return Math.abs(b) < 1e-9 ? [] : [ruled.from.along - (run * c) / (2 * b)];
  if (under <= 0) return [];
  return [-1, 1].map((sign) => ruled.from.along + (run * (-b + sign * Math.sqrt(under))) / a);
}

type Branch = (t: number) => WorldPoint;

/** Branches of the intersection, each over [0, 1]. */
function branchesOf(ruled: RoundFace, other: RoundFace): readonly Branch[] {
  const form = quadricOf(other);
  const scratch = new Float64Array(8);
  const at = (angle: number): { a: number; b: number; c: number; under: number; p: WorldPoint; d: Vector3 } => {
    const p = roundPoint(ruled, angle, ruled.from.along);
    const q = roundPoint(ruled, angle, ruled.to.along);
    const d = { x: q.x - p.x, y: q.y - p.y, z: q.z - p.z };
    scratch.set([p.x - other.centre.x, p.y - other.centre.y, p.z - other.centre.z, 1, d.x, d.y, d.z, 0]);
    const [a, b, c] = [
      polar(form, 0, scratch, 4, scratch, 4),
      polar(form, 0, scratch, 0, scratch, 4),
      polar(form, 0, scratch, 0, scratch, 0),
    ];
    return { a, b, c, under: b * b - a * c, p, d };
  };
  const [low, high] = ruled.sector;
  // Where the roots are real: found by steps, then halved to the last bit.
  const steps = 720;
  const marks = [low];
  let before = at(low).under >= 0;
  for (let i = 1; i <= steps; i += 1) {
    const angle = low + ((high - low) * i) / steps;
    const now = at(angle).under >= 0;
    if (now !== before) {
      let [p, q] = [low + ((high - low) * (i - 1)) / steps, angle];
      for (let k = 0; k < 60; k += 1) {
        const middle = (p + q) / 2;
        if (at(middle).under >= 0 === before) p = middle;
        else q = middle;
      }
      marks.push(before ? p : q);
    }
    before = now;
  }
  marks.push(high);
  const branches: Branch[] = [];
  for (let i = 0; i + 1 < marks.length; i += 1) {
    const [p, q] = [marks[i]!, marks[i + 1]!];
    const middle = at((p + q) / 2);
    if (q - p < 1e-9 || middle.under < 0 || Math.abs(middle.a) < 1e-12) continue;
    for (const sign of [-1, 1])
      branches.push((t) => {
        const angle = (p + q) / 2 + ((q - p) / 2) * Math.sin(Math.PI * (t - 0.5));
        const { a, b, c, under, p: start, d } = at(angle);
        // The same root twice: where the line runs along the other's own, a is nothing, and only the second is told.
        const root = sign * Math.sqrt(Math.max(0, under));
        const along = Math.abs(-b - root) >= Math.abs(-b + root) ? c / (-b - root) : (-b + root) / a;
        return worldPoint(start.x + d.x * along, start.y + d.y * along, start.z + d.z * along);
      });
  }
  return branches;
}

/** Parameters at which a branch enters or leaves either face, with 0 and 1. */
function bordersOf(branch: Branch, there: (p: WorldPoint) => boolean): readonly number[] {
  const steps = 256;
  const marks = [0];
  let before = there(branch(0.5 / steps));
  for (let i = 1; i < steps; i += 1) {
    const [t, last] = [(i + 0.5) / steps, (i - 0.5) / steps];
    const now = there(branch(t));
    if (now !== before) {
      let [p, q] = [last, t];
      for (let k = 0; k < 50; k += 1) {
        const middle = (p + q) / 2;
        if (there(branch(middle)) === before) p = middle;
        else q = middle;
      }
      marks.push((p + q) / 2);
    }
    before = now;
  }
  marks.push(1);
  return marks;
}

/** How far a point lies from the whole of a round's surface, nearly: its equation over its slope. */
function distanceFrom(round: RoundFace): (p: WorldPoint) => number {
  const form = quadricOf(round);
  const scratch = new Float64Array(8);
  return (p) => {
    const d = { x: p.x - round.centre.x, y: p.y - round.centre.y, z: p.z - round.centre.z };
    scratch.set([d.x, d.y, d.z, 1]);
    const value = polar(form, 0, scratch, 0, scratch, 0);
    const along = dot3(d, round.axis);
    const across = Math.sqrt(Math.max(1e-12, dot3(d, d) - (round.surface === 'sphere' ? 0 : along * along)));
    return Math.abs(value) / (2 * across);
  };
}

/** Parabolas through three points of each stretch, halved until they keep within bounds of both surfaces. */
function parabolas(branch: Branch, from: number, to: number, miss: (p: WorldPoint) => number): readonly Float64Array[] {
  const found: Float64Array[] = [];
  const add = (a: number, b: number, depth: number): void => {
    const [p, m, q] = [branch(a), branch((a + b) / 2), branch(b)];
    // Along a straight line that the two have in common there is no one place: it is closed in upon and left out.
    if (![p, m, q].every(isPlace)) {
      if (b - a <= WITHOUT_PLACE) return;
      add(a, (a + b) / 2, depth + 1);
      add((a + b) / 2, b, depth + 1);
      return;
    }
    const c = worldPoint(2 * m.x - (p.x + q.x) / 2, 2 * m.y - (p.y + q.y) / 2, 2 * m.z - (p.z + q.z) / 2);
    const at = (x: number): WorldPoint => {
      const [k, l, n] = [(1 - x) * (1 - x), 2 * x * (1 - x), x * x];
      return worldPoint(p.x * k + c.x * l + q.x * n, p.y * k + c.y * l + q.y * n, p.z * k + c.z * l + q.z * n);
    };
    const off = [0.15, 0.3, 0.7, 0.85].some((x) => {
      const [drawn, truly] = [at(x), branch(a + (b - a) * x)];
      return (
        miss(drawn) > WITHIN_MM / 2 ||
        // Along the line nothing is lost; but it must not swing out.
        length3({ x: drawn.x - truly.x, y: drawn.y - truly.y, z: drawn.z - truly.z }) > 20 * WITHIN_MM
      );
    });
    if (depth < DEEPEST && (off || b - a > 0.3)) {
      add(a, (a + b) / 2, depth + 1);
      add((a + b) / 2, b, depth + 1);
      return;
    }
    found.push(parabola(p, c, q));
  };
  add(from, to, 0);
  return found;
}

const isPlace = ({ x, y, z }: WorldPoint): boolean => Number.isFinite(x + y + z);

/**
 * A quadratic as a conic over the quarter-turn either way: with t = tan(φ/2) from −1 to 1 the row o(1 + t²) + c(1 − t²) + 2ts is any quadratic of t, and
 * w = ½(1 + t²) + ½(1 − t²) is 1.
 */
function parabola(p: WorldPoint, c: WorldPoint, q: WorldPoint): Float64Array {
  const row = (a: number, b: number, d: number): readonly [number, number, number] => {
    // (1 − x)²a + 2x(1 − x)b + x²d with x = (1 + t)/2: constant, linear and square terms in t.
    const [constant, linear, square] = [(a + 2 * b + d) / 4, (d - a) / 2, (a - 2 * b + d) / 4];
    return [(constant + square) / 2, (constant - square) / 2, linear / 2];
  };
  const [x, y, z] = [row(p.x, c.x, q.x), row(p.y, c.y, q.y), row(p.z, c.z, q.z)];
  return Float64Array.of(x[0], y[0], z[0], 0.5, x[1], y[1], z[1], 0.5, x[2], y[2], z[2], 0);
}

/** Two balls meet in a circle, square to the line of their centres. */
function ballsCircle(
  one: RoundFace,
  two: RoundFace,
  named: Pick<PreparedCurve, 'id' | 'role' | 'body' | 'faces'>,
): readonly PreparedCurve[] {
  const d = { x: two.centre.x - one.centre.x, y: two.centre.y - one.centre.y, z: two.centre.z - one.centre.z };
  const D = length3(d);
  if (D < tolerance.touchMm) return [];
  const along = (D * D + one.radius * one.radius - two.radius * two.radius) / (2 * D);
  const r2 = one.radius * one.radius - along * along;
  if (!(r2 > tolerance.touchMm)) return [];
  const n = { x: d.x / D, y: d.y / D, z: d.z / D };
  const helper = Math.abs(n.z) < 0.9 ? { x: 0, y: 0, z: 1 } : { x: 1, y: 0, z: 0 };
  const raw = {
    x: n.y * helper.z - n.z * helper.y,
    y: n.z * helper.x - n.x * helper.z,
    z: n.x * helper.y - n.y * helper.x,
  };
  const size = length3(raw);
  const r = Math.sqrt(r2);
  const p = { x: (raw.x / size) * r, y: (raw.y / size) * r, z: (raw.z / size) * r };
  const q = { x: n.y * p.z - n.z * p.y, y: n.z * p.x - n.x * p.z, z: n.x * p.y - n.y * p.x };
  const o = { x: one.centre.x + n.x * along, y: one.centre.y + n.y * along, z: one.centre.z + n.z * along };
  const conic = Float64Array.of(o.x, o.y, o.z, 1, p.x, p.y, p.z, 0, q.x, q.y, q.z, 0);
  const holds = [one, two].map((round) => ({ round, held: heldBy(round, null, tolerance.touchMm) }));
  const there = (angle: number): boolean => {
    const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
    const at = { x: o.x + p.x * cos + q.x * sin, y: o.y + p.y * cos + q.y * sin, z: o.z + p.z * cos + q.z * sin };
    return holds.every(({ round, held }) => held(at.x - round.centre.x, at.y - round.centre.y, at.z - round.centre.z));
  };
  const branch: Branch = (t) => worldPoint(Math.cos(TURN * t), Math.sin(TURN * t), 0);
  const marks = bordersOf(branch, (flat) => there(Math.atan2(flat.y, flat.x))).map((t) => t * TURN);
  return stretches(marks, there, 1e-7).map(([from, to]) => ({ ...named, conic, from, to }));
}
