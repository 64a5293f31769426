import { drain } from '@/core/base';
import { tolerance } from '@/core/numeric';
import type { Id } from '@/core/record';
import { worldPoint } from '@/core/space';
import { loopCrossings } from './loop-crossings';
import { flatAndRound } from './flat-and-round';
import { roundsCrossing } from './rounds-crossing';
import { crossingName } from './crossing-name';
import { movedConic } from './space-conic';
import type { PreparedCurve, PreparedEdge, PreparedFace, PreparedScene } from './scene';

/** Shorter lines of intersection than this, mm, are the touch of two corners. */
const LEAST_MM = tolerance.samePointMm;
type P3 = { readonly x: number; readonly y: number; readonly z: number };

interface Bounds {
  readonly low: [number, number, number];
  readonly high: [number, number, number];
}
/** A group of faces with their bounds. */
interface Bounded extends Bounds {
  readonly faces: PreparedFace[];
}

const axis = (p: P3, i: number): number => (i === 0 ? p.x : i === 1 ? p.y : p.z);
const dot = (a: P3, b: P3): number => a.x * b.x + a.y * b.y + a.z * b.z;

/** What a body is asked again and again, worked out once for each: its parts, and its lines with other bodies. */
interface Kept {
  readonly whole: Bounds;
  readonly parts: () => readonly Bounded[];
  readonly lines: WeakMap<BodyFaces, CrossingLines>;
}
/** Lines in which faces run through each other: straight ones, and conics where either is round. */
export interface CrossingLines {
  readonly edges: readonly PreparedEdge[];
  readonly curves: readonly PreparedCurve[];
}
type BodyFaces = Pick<PreparedScene, 'faces' | 'copy'>;
const keptOf = new WeakMap<BodyFaces, Kept>();

/**
 * Where faces of different parts, of one body or of two, run through each other: their lines of intersection, as lines of both. Faces that
 * only touch have none. Bodies that stay as they were keep their lines.
 */
export const crossingLines = (bodies: readonly BodyFaces[]): CrossingLines => drain(crossingLinesInSteps(bodies));

/** The same, one body after another; yields what part of them is done. */
export function* crossingLinesInSteps(bodies: readonly BodyFaces[]): Generator<number, CrossingLines> {
  const all = bodies.map((body) => ({ body, kept: kept(body) }));
  // Swept along x: only what overlaps by more than a touch is held against each other.
  all.sort((a, b) => a.kept.whole.low[0] - b.kept.whole.low[0]);
  const [edges, curves]: [PreparedEdge[], PreparedCurve[]] = [[], []];
  for (const [i, { body, kept: one }] of all.entries()) {
    yield i / all.length;
    for (let j = i; j < all.length; j += 1) {
      const { body: other, kept: two } = all[j]!;
      if (two.whole.low[0] >= one.whole.high[0] - tolerance.touchMm) break;
      if (i !== j && !overlap(one.whole, two.whole)) continue;
      let lines = one.lines.get(other);
      if (!lines) {
        one.lines.set(other, (lines = body === other ? withinBody(body) : between(one.parts(), two.parts())));
        // A room meets every piece that stands in it.
        yield i / all.length;
      }
      edges.push(...lines.edges);
      curves.push(...lines.curves);
    }
  }
  return { edges, curves };
}

/** Lines of a body's own parts; those of a copy are its model's, moved and under the names of its own faces. */
function withinBody(body: BodyFaces): CrossingLines {
  if (!body.copy) return within(kept(body).parts());
  const { ready, moved } = body.copy;
  const model = kept(ready);
  let lines = model.lines.get(ready);
  if (!lines) model.lines.set(ready, (lines = within(model.parts())));
  if (lines.edges.length + lines.curves.length === 0) return NONE;
  const place = new Map(ready.faces.map(({ face }, i) => [face.id, i]));
  const own = (id: Id): PreparedFace => body.faces[place.get(id) ?? -1]!;
  const named = ({ faces: [f, g] }: Pick<PreparedEdge, 'faces'>) => crossingName(own(f!), own(g!));
  const move = ({ x, y, z }: P3) => worldPoint(x + moved.x, y + moved.y, z + moved.z);
  return {
    edges: lines.edges.map((edge) => ({ ...named(edge), from: move(edge.from), to: move(edge.to) })),
    curves: lines.curves.map((curve) => ({ ...curve, ...named(curve), conic: movedConic(curve.conic, moved) })),
  };
}

function kept(body: BodyFaces): Kept {
  let known = keptOf.get(body);
  if (!known) {
    let parts: readonly Bounded[] | null = null;
    const whole = body.copy ? movedBounds(kept(body.copy.ready).whole, body.copy.moved) : bounded([...body.faces]);
    known = { whole, parts: () => (parts ??= partsOf(body)), lines: new WeakMap() };
    keptOf.set(body, known);
  }
  return known;
}

const movedBounds = ({ low, high }: Bounds, { x, y, z }: P3): Bounds => ({
  low: [low[0] + x, low[1] + y, low[2] + z],
  high: [high[0] + x, high[1] + y, high[2] + z],
});

function partsOf(body: BodyFaces): readonly Bounded[] {
  const parts = new Map<Id, PreparedFace[]>();
  for (const one of body.faces) {
    const list = parts.get(one.face.part);
    if (list) list.push(one);
    else parts.set(one.face.part, [one]);
  }
  return [...parts.values()].map(bounded);
}

function bounded(faces: PreparedFace[]): Bounded {
  const low: Bounded['low'] = [Infinity, Infinity, Infinity];
  const high: Bounded['high'] = [-Infinity, -Infinity, -Infinity];
  // Of a flat face the outline, with what bulges beyond its chords; of a round one its box.
  for (const { loops, bulges, shape } of faces)
    for (const p of shape?.kind === 'round' ? loops.flat() : [...(loops[0] ?? []), ...(bulges?.[0] ?? [])]) {
      if (!p) continue;
      for (let i = 0; i < 3; i += 1) {
        low[i] = Math.min(low[i]!, axis(p, i));
        high[i] = Math.max(high[i]!, axis(p, i));
      }
    }
  return { faces, low, high };
}

/** Each reaches into the other's bounds by more than a touch; what is flat lies strictly within. */
const overlap = (a: Bounds, b: Bounds): boolean =>
  [0, 1, 2].every((i) => b.low[i]! < a.high[i]! - tolerance.touchMm && a.low[i]! < b.high[i]! - tolerance.touchMm);

const all = (lines: readonly CrossingLines[]): CrossingLines => ({
  edges: lines.flatMap((one) => one.edges),
  curves: lines.flatMap((one) => one.curves),
});
const within = (parts: readonly Bounded[]): CrossingLines =>
  all(parts.flatMap((part, i) => parts.slice(i + 1).map((other) => ofParts(part, other))));
const between = (these: readonly Bounded[], those: readonly Bounded[]): CrossingLines =>
  all(these.flatMap((part) => those.map((other) => ofParts(part, other))));
const NONE: CrossingLines = { edges: [], curves: [] };
const ofParts = (a: Bounded, b: Bounded): CrossingLines =>
  overlap(a, b) ? all(a.faces.flatMap((f) => b.faces.map((g) => ofFaces(f, g)))) : NONE;

function ofFaces(f: PreparedFace, g: PreparedFace): CrossingLines {
  const [round, other] = f.shape?.kind === 'round' ? [f, g] : [g, f];
  if (round.shape?.kind !== 'round') return { edges: crossing(f, g), curves: [] };
  return other.shape?.kind === 'round' ? roundsCrossing(round, other) : flatAndRound(other, round);
}

/** Both faces' corners must lie clearly on both sides of the other's plane. */
function crosses(of: PreparedFace, through: PreparedFace): boolean {
  let above = false;
  let below = false;
  const { normal, offset } = through.face;
  for (const p of [...(of.loops[0] ?? []), ...(of.bulges?.[0] ?? [])]) {
    if (!p) continue;
    const side = dot(normal, p) - offset;
    if (side > tolerance.touchMm) above = true;
    else if (side < -tolerance.touchMm) below = true;
  }
  return above && below;
}

function crossing(f: PreparedFace, g: PreparedFace): readonly PreparedEdge[] {
  if (!crosses(f, g) || !crosses(g, f)) return [];
  const [n, m] = [f.face.normal, g.face.normal];
  const run = { x: n.y * m.z - n.z * m.y, y: n.z * m.x - n.x * m.z, z: n.x * m.y - n.y * m.x };
  const size = Math.sqrt(dot(run, run));
  if (size < tolerance.nought) return [];
  const along = { x: run.x / size, y: run.y / size, z: run.z / size };
  const inF = slicesBy(f, g, along);
  const inG = slicesBy(g, f, along);
  // A point of both planes, from which the line is told: the foot of the first slice.
  const base = pointOnBoth(f, g, along);
  return inF.flatMap(([a, b]) =>
    inG.flatMap(([c, d]): PreparedEdge[] => {
      const [from, to] = [Math.max(a, c), Math.min(b, d)];
      if (to - from < LEAST_MM) return [];
      const at = (s: number) => worldPoint(base.x + along.x * s, base.y + along.y * s, base.z + along.z * s);
      return [{ ...crossingName(f, g), from: at(from), to: at(to) }];
    }),
  );
}

/** The point of both planes nearest to the origin: along it the line's parameter is zero. */
function pointOnBoth({ face: f }: PreparedFace, { face: g }: PreparedFace, along: P3): P3 {
  const cosine = dot(f.normal, g.normal);
  const sine = 1 - cosine * cosine;
  const [p, q] = [(f.offset - g.offset * cosine) / sine, (g.offset - f.offset * cosine) / sine];
  const point = {
    x: p * f.normal.x + q * g.normal.x,
    y: p * f.normal.y + q * g.normal.y,
    z: p * f.normal.z + q * g.normal.z,
  };
  const off = dot(point, along);
  return { x: point.x - along.x * off, y: point.y - along.y * off, z: point.z - along.z * off };
}

/** Stretches of the line in which another face's plane cuts this face, by the parameter along the line; holes are left out of them. */
function slicesBy(of: PreparedFace, by: PreparedFace, along: P3): readonly (readonly [number, number])[] {
  const { normal, offset } = by.face;
  const cut = (zeroUp: boolean): (readonly [number, number])[] => {
    const marks = loopCrossings(of, normal, offset, zeroUp)
      .map((p) => dot(along, p))
      .sort((a, b) => a - b);
    return Array.from({ length: Math.floor(marks.length / 2) }, (_, i) => [marks[i * 2]!, marks[i * 2 + 1]!] as const);
  };
  // A side that lies in the other plane is a touch: it counts on one side of it only, and so falls out.
  const [high, low] = [cut(true), cut(false)];
  return high.flatMap(([a, b]) =>
    low.flatMap(([c, d]): (readonly [number, number])[] => {
      const [from, to] = [Math.max(a, c), Math.min(b, d)];
      return to > from ? [[from, to]] : [];
    }),
  );
}
