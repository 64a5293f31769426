import type { Vector3 } from '@/core/geometry';
import type { RoundFace } from '@/core/solids';

/** A symmetric form on (x, y, z, w), ten numbers: xx, yy, zz, ww, xy, xz, xw, yz, yw, zw. */
export type QuadraticForm = Float64Array;
type Row = readonly [number, number, number, number];

const PLACES = [
  [0, 0],
  [1, 1],
  [2, 2],
  [3, 3],
  [0, 1],
  [0, 2],
  [0, 3],
  [1, 2],
  [1, 3],
  [2, 3],
] as const;

/** Adds times·p·pᵀ. */
function addSquare(form: QuadraticForm, p: Row, times: number): void {
  PLACES.forEach(([i, j], k) => (form[k] = (form[k] ?? 0) + times * p[i] * p[j]));
}

/** Pᵀ·A·Q of two rows of four numbers, at offsets p and q of an array. */
export function polar(a: QuadraticForm, at: number, b: Float64Array, p: number, c: Float64Array, q: number): number {
  const [px, py, pz, pw] = [b[p]!, b[p + 1]!, b[p + 2]!, b[p + 3]!];
  const [qx, qy, qz, qw] = [c[q]!, c[q + 1]!, c[q + 2]!, c[q + 3]!];
  return (
    a[at]! * px * qx +
    a[at + 1]! * py * qy +
    a[at + 2]! * pz * qz +
    a[at + 3]! * pw * qw +
    a[at + 4]! * (px * qy + py * qx) +
    a[at + 5]! * (px * qz + pz * qx) +
    a[at + 6]! * (px * qw + pw * qx) +
    a[at + 7]! * (py * qz + pz * qy) +
    a[at + 8]! * (py * qw + pw * qy) +
    a[at + 9]! * (pz * qw + pw * qz)
  );
}

const UNIT: readonly Row[] = [
  [1, 0, 0, 0],
  [0, 1, 0, 0],
  [0, 0, 1, 0],
];

/** The whole surface a round face is part of, about its own centre: negative within, times twice the radius nearly the distance. */
export function quadricOf({ surface, axis: a, from, to, radius }: RoundFace): QuadraticForm {
  const form = new Float64Array(10);
  for (const unit of UNIT) addSquare(form, unit, 1);
  if (surface === 'sphere') {
    form[3] = -radius * radius;
    return form;
  }
  addSquare(form, [a.x, a.y, a.z, 0], -1);
  const slope = from.along === to.along ? 0 : (to.radius - from.radius) / (to.along - from.along);
  addSquare(form, [slope * a.x, slope * a.y, slope * a.z, from.radius - slope * from.along], -1);
  return form;
}

const UNITS = Float64Array.of(1, 0, 0, 0, 0, 1, 0, 0, 0, 0, 1, 0, 0, 0, 0, 1);

/** The plane of the points in which a quadric's tangents from the eye touch it, A·e: its four coefficients. */
export function polarPlane(quadric: QuadraticForm, eye: Vector3): Row {
  const e = Float64Array.of(eye.x, eye.y, eye.z, 1);
  return [0, 4, 8, 12].map((unit) => polar(quadric, 0, e, 0, UNITS, unit)) as unknown as Row;
}

/** The cone of tangents from the eye to a quadric: zero where a sight line touches it. (A·e)(A·e)ᵀ − (eᵀA·e)·A. */
export function tangentCone(quadric: QuadraticForm, eye: Vector3): QuadraticForm {
  const e = Float64Array.of(eye.x, eye.y, eye.z, 1);
  const row = polarPlane(quadric, eye);
  const at = polar(quadric, 0, e, 0, e, 0);
  const form = quadric.map((value) => -at * value);
  addSquare(form, row, 1);
  return form;
}

/**
 * The cone of sight lines through a circle: zero where a sight line passes through its rim. A point P at d = P − c from its centre lies on it
 * when |d·(n·e) − e·(n·d)| = r·|n·(d − e)|, the eye at e from the centre.
 */
export function rimCone(centre: Vector3, normal: Vector3, radius: number, eye: Vector3): QuadraticForm {
  const e = { x: eye.x - centre.x, y: eye.y - centre.y, z: eye.z - centre.z };
  const n = normal;
  const [ne, nc] = [n.x * e.x + n.y * e.y + n.z * e.z, n.x * centre.x + n.y * centre.y + n.z * centre.z];
  const form = new Float64Array(10);
  const rows: readonly [Row, number, number][] = [
    [UNIT[0] as Row, centre.x, e.x],
    [UNIT[1] as Row, centre.y, e.y],
    [UNIT[2] as Row, centre.z, e.z],
  ];
  for (const [unit, c, ec] of rows)
    addSquare(form, [ne * unit[0] - ec * n.x, ne * unit[1] - ec * n.y, ne * unit[2] - ec * n.z, ec * nc - ne * c], 1);
  addSquare(form, [n.x, n.y, n.z, -nc - ne], -radius * radius);
  return form;
}
