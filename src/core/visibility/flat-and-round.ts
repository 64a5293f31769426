import { cross3, dot3, length3, type Vector3 } from '@/core/geometry';
import { pushSignChanges, tolerance } from '@/core/numeric';
import { roundPoint, type RoundFace } from '@/core/solids';
import type { WorldPoint } from '@/core/space';
import type { CrossingLines } from './crossings';
import type { PlanarShape } from './face-shape';
import { polar, type QuadraticForm } from './quadratic-form';
import { crossingName } from './crossing-name';
import type { PreparedFace } from './scene';
import { heldBy, insideOf } from './shape-in-sight';
import { angleAt, conicPiece, spaceConicPoint, type SpaceConic } from './space-conic';

const TURN = 2 * Math.PI;
/** A plane this nearly parallel to an axis, by the sine, cuts it in straight lines or not at all. */
const PARALLEL = 1e-9;
/** Shorter stretches of a curve, radians, are the touch of two corners. */
const LEAST_TURN = 1e-7;
/** A gap this short, radians, is where the line grazes a border: a double root, which is told only to the root of the last digit. */
const GRAZE_TURN = 1e-5;
/** Where along a stretch is asked what holds on it: not in the middle, where what is made symmetrical grazes its border. */
const ASIDE = 0.381966;
/** How far beside the line both faces must still be there: a line along a face's border is a touch, mm. */
const BESIDE_MM = 1e-5;

/** Where a flat face cuts a round one: conics of the round's own angle, and the straight lines of planes along an axis or through a cone's tip. */
export function flatAndRound(flat: PreparedFace, of: PreparedFace): CrossingLines {
  if (of.shape?.kind !== 'round') return { edges: [], curves: [] };
  const { round } = of.shape;
  const { normal: n, offset } = flat.face;
  const planar = planarOf(flat);
  const inside = insideOf(planar, round.centre);
  const holds = heldBy(round, null, tolerance.touchMm);
  const named = crossingName(flat, of);
  /** Whether both faces are there at a point, and on both sides of the line through it. */
  const there = (p: WorldPoint, run: Vector3): boolean => {
    const d = { x: p.x - round.centre.x, y: p.y - round.centre.y, z: p.z - round.centre.z };
    const side = cross3(n, run);
    const size = BESIDE_MM / (length3(side) || 1);
    const at = (sign: number): boolean =>
      inside(d.x + side.x * size * sign, d.y + side.y * size * sign, d.z + side.z * size * sign);
    return holds(d.x, d.y, d.z) && at(1) && at(-1);
  };
  const cut = planeCut(round, n, offset);
  const edges = cut.lines.flatMap(({ from, to }) => {
    const run = { x: to.x - from.x, y: to.y - from.y, z: to.z - from.z };
    const point = (s: number): WorldPoint =>
      ({ x: from.x + run.x * s, y: from.y + run.y * s, z: from.z + run.z * s }) as WorldPoint;
    const rows = Float64Array.of(from.x, from.y, from.z, 1, to.x, to.y, to.z, 1);
    const marks = [0, ...sideMarks(planar, rows, 1), 1].sort((a, b) => a - b);
    return stretches(marks, (along) => there(point(along), run), 1e-9).map(([a, b]) => ({
      ...named,
      from: point(a),
      to: point(b),
    }));
  });
  const curves = cut.conics.flatMap(({ conic, from, to }) => {
    const pieces = Math.max(1, Math.ceil((to - from) / (Math.PI / 3)));
    const rows = new Float64Array(12);
    const marks = [from, to];
    for (let i = 0; i < pieces; i += 1) {
      const [a, b] = [from + ((to - from) * i) / pieces, from + ((to - from) * (i + 1)) / pieces];
      conicPiece(conic, a, b, rows);
      marks.push(...[...sideMarks(planar, rows, 2), ...endMarks(round, rows)].map((x) => angleAt(a, b, x)));
    }
    marks.sort((a, b) => a - b);
    const slope = 1e-4;
    return stretches(
      marks,
      (along) => {
        const [p, q] = [spaceConicPoint(conic, along - slope), spaceConicPoint(conic, along + slope)];
        return there(spaceConicPoint(conic, along), { x: q.x - p.x, y: q.y - p.y, z: q.z - p.z });
      },
      LEAST_TURN,
      GRAZE_TURN,
    ).map(([a, b]) => ({ ...named, conic, from: a, to: b }));
  });
  return { edges, curves };
}

/** Stretches between marks on which something holds, neighbours joined: those with less than `gap` between them. */
export function stretches(
  marks: readonly number[],
  holds: (along: number) => boolean,
  least: number,
  gap = least,
): readonly (readonly [number, number])[] {
  const found: [number, number][] = [];
  for (let i = 0; i + 1 < marks.length; i += 1) {
    const [a, b] = [marks[i]!, marks[i + 1]!];
    if (b - a < least || !holds(a + (b - a) * ASIDE)) continue;
    const last = found[found.length - 1];
    if (last && a - last[1] < gap) last[1] = b;
    else found.push([a, b]);
  }
  return found;
}

function planarOf({ face, loops, shape }: PreparedFace): PlanarShape {
  if (shape?.kind === 'planar') return shape;
  return {
    kind: 'planar',
    normal: face.normal,
    offset: face.offset,
    loops: loops.map((loop) => loop.map((from, i) => ({ from, to: loop[(i + 1) % loop.length]! }))),
  };
}

interface PlaneCut {
  readonly conics: readonly { readonly conic: SpaceConic; readonly from: number; readonly to: number }[];
  readonly lines: readonly { readonly from: WorldPoint; readonly to: WorldPoint }[];
}

/** The whole line in which a plane n · P = offset cuts a cylinder, cone or ball, within its sector. */
function planeCut(round: RoundFace, n: Vector3, offset: number): PlaneCut {
  const { centre: c, axis: a, first: u, second: v, surface, sector } = round;
  const [nu, nv, na] = [dot3(n, u), dot3(n, v), dot3(n, a)];
  const distance = offset - dot3(n, c);
  if (surface === 'sphere') {
    const r2 = round.radius * round.radius - distance * distance;
    if (!(r2 > tolerance.touchMm)) return { conics: [], lines: [] };
    const helper = Math.abs(n.z) < 0.9 ? { x: 0, y: 0, z: 1 } : { x: 1, y: 0, z: 0 };
    const raw = cross3(n, helper);
    const size = length3(raw);
    const r = Math.sqrt(r2);
    const p = { x: (raw.x / size) * r, y: (raw.y / size) * r, z: (raw.z / size) * r };
    const q = cross3(n, p);
    const o = { x: c.x + n.x * distance, y: c.y + n.y * distance, z: c.z + n.z * distance };
    return {
      conics: [{ conic: Float64Array.of(o.x, o.y, o.z, 1, p.x, p.y, p.z, 0, q.x, q.y, q.z, 0), from: 0, to: TURN }],
      lines: [],
    };
  }
  const { from, to } = round;
  const slope = (to.radius - from.radius) / (to.along - from.along);
  const generators = (angles: readonly number[]): PlaneCut['lines'] =>
    angles.map((angle) => ({ from: roundPoint(round, angle, from.along), to: roundPoint(round, angle, to.along) }));
  if (surface === 'cylinder') {
    const r = from.radius;
    if (Math.abs(na) < PARALLEL) {
      const cosine = distance / (r * Math.hypot(nu, nv));
      if (!(Math.abs(cosine) < 1 - tolerance.noiseCosine)) return { conics: [], lines: [] };
      const [middle, half] = [Math.atan2(nv, nu), Math.acos(cosine)];
      return { conics: [], lines: generators([middle - half, middle + half]) };
    }
    const row = (base: number, times: Vector3, by: number): number[] =>
      [a.x, a.y, a.z].map((axis, i) => base * [times.x, times.y, times.z][i]! + axis * by);
    const o = [c.x + (a.x * distance) / na, c.y + (a.y * distance) / na, c.z + (a.z * distance) / na];
    return {
      conics: [
        {
          conic: Float64Array.of(
            ...(o as [number, number, number]),
            1,
            ...row(r, u, (-nu * r) / na),
            0,
            ...row(r, v, (-nv * r) / na),
            0,
          ),
          from: sector[0],
          to: sector[1],
        },
      ],
      lines: [],
    };
  }
  // A cone: from its tip T along s·(cos θ·u + sin θ·v) + a, as far as E/w(θ), w = na + s(nu cos θ + nv sin θ).
  const tip = from.along - from.radius / slope;
  const apex = { x: c.x + a.x * tip, y: c.y + a.y * tip, z: c.z + a.z * tip };
  const reach = distance - na * tip;
  if (Math.abs(reach) < tolerance.touchMm) {
    const size = slope * Math.hypot(nu, nv);
    if (!(Math.abs(na) < Math.abs(size) * (1 - tolerance.noiseCosine))) return { conics: [], lines: [] };
    const middle = Math.atan2(nv * Math.sign(slope), nu * Math.sign(slope));
    const half = Math.acos(-na / Math.abs(size));
    return { conics: [], lines: generators([middle - half, middle + half]) };
  }
  const sign = reach * slope > 0 ? 1 : -1;
  const rows = [
    [na, 0, 0, 1],
    [slope * nu, slope, 0, 0],
    [slope * nv, 0, slope, 0],
  ].map(([w = 0, du = 0, dv = 0, da = 0]) => [
    sign * (apex.x * w + reach * (du * u.x + dv * v.x + da * a.x)),
    sign * (apex.y * w + reach * (du * u.y + dv * v.y + da * a.y)),
    sign * (apex.z * w + reach * (du * u.z + dv * v.z + da * a.z)),
    sign * w,
  ]);
  return positive(Float64Array.from(rows.flat()), sector);
}

/** The stretches of a sector on which w is clearly above zero: elsewhere the plane meets the cone's other half or nothing near. */
function positive(conic: SpaceConic, [from, to]: readonly [number, number]): PlaneCut {
  const [b, c] = [conic[7]!, conic[11]!];
  const size = Math.hypot(b, c);
  const least = 1e-6 * (Math.abs(conic[3]!) + size);
  const middle = Math.atan2(c, b);
  // w ≥ least where cos(θ − middle) ≥ bound.
  const bound = size === 0 ? (conic[3]! > least ? -2 : 2) : (least - conic[3]!) / size;
  if (bound >= 1) return { conics: [], lines: [] };
  if (bound <= -1) return { conics: [{ conic, from, to }], lines: [] };
  const half = Math.acos(bound);
  const found: { conic: SpaceConic; from: number; to: number }[] = [];
  for (let k = Math.floor((from - middle - half) / TURN); middle - half + k * TURN < to; k += 1) {
    const [p, q] = [Math.max(from, middle - half + k * TURN), Math.min(to, middle + half + k * TURN)];
    if (q - p > LEAST_TURN) found.push({ conic, from: p, to: q });
  }
  return { conics: found, lines: [] };
}

/** Parameters at which a piece passes a planar face's sides, produced: Bernstein rows of degree 1 or 2. */
function sideMarks(planar: PlanarShape, rows: Float64Array, degree: 1 | 2): readonly number[] {
  const marks: number[] = [];
  const values = new Float64Array(5);
  for (const loop of planar.loops)
    for (const { from, to, arc } of loop) {
      if (arc) {
        const { centre, radius } = arc.circle;
        pushForm(ballForm(centre, radius), rows, degree, marks);
        continue;
      }
      const m = cross3({ x: to.x - from.x, y: to.y - from.y, z: to.z - from.z }, planar.normal);
      const zero = dot3(m, from);
      for (let i = 0; i <= degree; i += 1)
        values[i] = m.x * rows[i * 4]! + m.y * rows[i * 4 + 1]! + m.z * rows[i * 4 + 2]! - zero * rows[i * 4 + 3]!;
      pushSignChanges(values, degree, marks);
    }
  return marks;
}

/** Parameters at which it passes the round face's two ends, and of a ball's part the planes of its sector. */
function endMarks(round: RoundFace, rows: Float64Array): readonly number[] {
  const marks: number[] = [];
  const { axis: a, centre: c, first: u, second: v, sector, surface } = round;
  const limit = (d: Vector3, at: number): void => {
    const zero = dot3(d, c) + at;
    const values = Float64Array.from(
      { length: 3 },
      (_, i) => d.x * rows[i * 4]! + d.y * rows[i * 4 + 1]! + d.z * rows[i * 4 + 2]! - zero * rows[i * 4 + 3]!,
    );
    pushSignChanges(values, 2, marks);
  };
  limit(a, round.from.along);
  limit(a, round.to.along);
  if (surface === 'sphere' && sector[1] - sector[0] < TURN - tolerance.wholeTurnRad)
    for (const angle of sector) {
      const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
      limit({ x: v.x * cos - u.x * sin, y: v.y * cos - u.y * sin, z: v.z * cos - u.z * sin }, 0);
    }
  return marks;
}

/** |P − centre|² − radius², about the world's origin. */
function ballForm(centre: Vector3, radius: number): QuadraticForm {
  const { x, y, z } = centre;
  return Float64Array.of(1, 1, 1, x * x + y * y + z * z - radius * radius, 0, 0, -x, 0, -y, -z);
}

function pushForm(form: QuadraticForm, rows: Float64Array, degree: 1 | 2, out: number[]): void {
  const values =
    degree === 1
      ? Float64Array.of(
          polar(form, 0, rows, 0, rows, 0),
          polar(form, 0, rows, 0, rows, 4),
          polar(form, 0, rows, 4, rows, 4),
        )
      : Float64Array.of(
          polar(form, 0, rows, 0, rows, 0),
          polar(form, 0, rows, 0, rows, 4),
          (polar(form, 0, rows, 0, rows, 8) + 2 * polar(form, 0, rows, 4, rows, 4)) / 3,
          polar(form, 0, rows, 4, rows, 8),
          polar(form, 0, rows, 8, rows, 8),
        );
  pushSignChanges(values, degree * 2, out);
}
