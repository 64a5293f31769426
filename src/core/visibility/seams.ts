import { tolerance } from '@/core/numeric';
import type { Id } from '@/core/record';
import { worldPoint } from '@/core/space';
import { loopCrossings } from './loop-crossings';
import type { PreparedEdge, PreparedFace } from './scene';

/** Planes nearer to each other than this, by the cosine of their normals, are one direction. */
const SAME_NORMAL = 1 - tolerance.noiseCosine;
/** What is left of an edge between two seams must be longer than this, mm, to be drawn. */
const LEAST_MM = tolerance.samePointMm;
type P3 = { readonly x: number; readonly y: number; readonly z: number };

const dot = (a: P3, b: P3): number => a.x * b.x + a.y * b.y + a.z * b.z;

/**
 * The edges of one body without the seams of its flush faces: where a face goes on across an edge as the face of another part, in the same
 * plane and looking the same way, nothing is to be seen there. What is left keeps the edge's name. Joints of two bodies are no seams.
 */
export function withoutSeams(edges: readonly PreparedEdge[], faces: readonly PreparedFace[]): readonly PreparedEdge[] {
  const flat = faces.filter(({ shape }) => shape?.kind !== 'round');
  if (new Set(flat.map(({ face }) => face.part)).size < 2) return edges;
  // Sorted by their planes' distance from the origin, so that few are held against each other; each face once, not for each of its edges.
  const sorted = [...flat].sort((p, q) => p.face.offset - q.face.offset);
  const boxes = new Map(flat.map((one) => [one, boxOf(one.loops.flat())]));
  const boxOfFace = (one: PreparedFace): Box => boxes.get(one) as Box;
  const partners = new Map<Id, { readonly own: PreparedFace; readonly others: PreparedFace[] }>();
  for (const own of flat) partners.set(own.face.id, { own, others: [] });
  sorted.forEach((one, i) => {
    for (let j = i + 1; j < sorted.length; j += 1) {
      const other = sorted[j] as PreparedFace;
      if (other.face.offset - one.face.offset > tolerance.touchMm) break;
      if (!goesOn(one, other) || apart(boxOfFace(one), boxOfFace(other))) continue;
      partners.get(one.face.id)?.others.push(other);
      partners.get(other.face.id)?.others.push(one);
    }
  });
  return edges.flatMap((edge): readonly PreparedEdge[] => {
    const gone = edge.faces.flatMap((id): readonly (readonly [number, number])[] => {
      const known = partners.get(id);
      if (!known || known.others.length === 0) return [];
      const box = boxOf([edge.from, edge.to]);
      return known.others.flatMap((other) => (apart(box, boxOfFace(other)) ? [] : across(edge, known.own, other)));
    });
    return gone.length === 0 ? [edge] : leftOf(edge, gone);
  });
}

/** Least and most of x, y and z. */
type Box = readonly [x0: number, y0: number, z0: number, x1: number, y1: number, z1: number];

function boxOf(points: readonly P3[]): Box {
  let [x0, y0, z0, x1, y1, z1] = [Infinity, Infinity, Infinity, -Infinity, -Infinity, -Infinity];
  for (const { x, y, z } of points) {
    x0 = Math.min(x0, x);
    y0 = Math.min(y0, y);
    z0 = Math.min(z0, z);
    x1 = Math.max(x1, x);
    y1 = Math.max(y1, y);
    z1 = Math.max(z1, z);
  }
  return [x0, y0, z0, x1, y1, z1];
}

/** Farther apart than what counts as touching: one cannot go on as the other. */
const apart = (a: Box, b: Box): boolean =>
  a[0] > b[3] + tolerance.touchMm ||
  b[0] > a[3] + tolerance.touchMm ||
  a[1] > b[4] + tolerance.touchMm ||
  b[1] > a[4] + tolerance.touchMm ||
  a[2] > b[5] + tolerance.touchMm ||
  b[2] > a[5] + tolerance.touchMm;

const goesOn = ({ face: a }: PreparedFace, { face: b }: PreparedFace): boolean =>
  a.part !== b.part && dot(a.normal, b.normal) > SAME_NORMAL && Math.abs(a.offset - b.offset) <= tolerance.touchMm;

/** Where along the edge, 0 to 1, the other face lies just across it: its slice by the edge's line moved by a hair out of the edge's own face. */
function across(edge: PreparedEdge, own: PreparedFace, other: PreparedFace): readonly (readonly [number, number])[] {
  const run = { x: edge.to.x - edge.from.x, y: edge.to.y - edge.from.y, z: edge.to.z - edge.from.z };
  const length = Math.sqrt(dot(run, run));
  if (!(length > 0)) return [];
  const n = own.face.normal;
  const side = {
    x: (run.y * n.z - run.z * n.y) / length,
    y: (run.z * n.x - run.x * n.z) / length,
    z: (run.x * n.y - run.y * n.x) / length,
  };
  const zero = dot(side, edge.from);
  // Out of its own face: away from where that face's corners lie along the edge.
  const sign = liesOn(own, edge, side);
  if (sign === 0) return [];
  const along = (p: P3): number => (dot(run, p) - dot(run, edge.from)) / (length * length);
  // What lies in the plane of the edge is beyond its own face only when the hair's move brings it there.
  const out = { x: -sign * side.x, y: -sign * side.y, z: -sign * side.z };
  const marks = loopCrossings(other, out, -sign * zero, false).map(along);
  marks.sort((a, b) => a - b);
  return Array.from(
    { length: Math.floor(marks.length / 2) },
    (_, i) => [marks[i * 2] ?? 0, marks[i * 2 + 1] ?? 0] as const,
  );
}

/** The side of an edge's line on which its own face lies: +1, −1, or 0 where the edge is no side of the face's outline. */
function liesOn(own: PreparedFace, edge: PreparedEdge, side: P3): -1 | 0 | 1 {
  const near = (p: P3, q: P3): boolean => Math.hypot(p.x - q.x, p.y - q.y, p.z - q.z) <= tolerance.touchMm;
  for (const loop of own.loops)
    for (let i = 0; i < loop.length; i += 1) {
      const [p, q] = [loop[i], loop[(i + 1) % loop.length]];
      if (!p || !q) continue;
      if (!(near(p, edge.from) && near(q, edge.to)) && !(near(p, edge.to) && near(q, edge.from))) continue;
      return enclosedSide(loop, own.face.normal, side, i);
    }
  return 0;
}

/** On which side of one of its sides a loop encloses its area: to the left of the run where it goes counter-clockwise about the normal. */
function enclosedSide(loop: readonly P3[], normal: P3, side: P3, i: number): -1 | 0 | 1 {
  let area = 0;
  const first = loop[0];
  if (!first) return 0;
  for (let k = 1; k + 1 < loop.length; k += 1) {
    const [p, q] = [loop[k] as P3, loop[k + 1] as P3];
    const [ax, ay, az] = [p.x - first.x, p.y - first.y, p.z - first.z];
    const [bx, by, bz] = [q.x - first.x, q.y - first.y, q.z - first.z];
    area += normal.x * (ay * bz - az * by) + normal.y * (az * bx - ax * bz) + normal.z * (ax * by - ay * bx);
  }
  const [p, q] = [loop[i] as P3, loop[(i + 1) % loop.length] as P3];
  const [rx, ry, rz] = [q.x - p.x, q.y - p.y, q.z - p.z];
  const right = {
    x: ry * normal.z - rz * normal.y,
    y: rz * normal.x - rx * normal.z,
    z: rx * normal.y - ry * normal.x,
  };
  if (Math.abs(area) < tolerance.nought) return 0;
  return area > 0 === dot(right, side) > 0 ? -1 : 1;
}

/** The edge with the stretches that are gone taken out. */
function leftOf(edge: PreparedEdge, gone: readonly (readonly [number, number])[]): readonly PreparedEdge[] {
  const sorted = [...gone].sort((a, b) => a[0] - b[0]);
  const length = Math.hypot(edge.to.x - edge.from.x, edge.to.y - edge.from.y, edge.to.z - edge.from.z);
  const least = LEAST_MM / length;
  const left: (readonly [number, number])[] = [];
  let at = 0;
  for (const [from, to] of sorted) {
    if (from - at > least) left.push([at, Math.min(1, from)]);
    at = Math.max(at, to);
    if (at >= 1 - least) break;
  }
  if (1 - at > least) left.push([at, 1]);
  if (left.length === 1 && left[0]?.[0] === 0 && left[0][1] === 1) return [edge];
  const point = (s: number) =>
    worldPoint(
      edge.from.x + (edge.to.x - edge.from.x) * s,
      edge.from.y + (edge.to.y - edge.from.y) * s,
      edge.from.z + (edge.to.z - edge.from.z) * s,
    );
  return left.map(([from, to]) => ({
    ...edge,
    from: from === 0 ? edge.from : point(from),
    to: to === 1 ? edge.to : point(to),
  }));
}
