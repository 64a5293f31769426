import { at } from '@/core/base';
import { cross3, difference3, dot3, type Vector3 } from '@/core/geometry';
import { tolerance } from '@/core/numeric';
import { PLACING } from './axes';
import type { Axis, OutlinePoint, Prism } from './parts';

/** Points nearer than this are one, and what lies nearer to a plane lies in it, mm. */
const SAME = tolerance.touchMm;

/** A half-space: the points p with normal · p ≤ offset. */
interface HalfSpace {
  readonly normal: Vector3;
  readonly offset: number;
}
/** A convex polygon in space, counter-clockwise about the normal of what it lies in. */
type Polygon = readonly Vector3[];
/** One flat side of a prism, in convex pieces. */
interface Side extends HalfSpace {
  readonly polygons: readonly Polygon[];
}
interface Cutter {
  readonly sides: readonly Side[];
  /** Convex pieces that make up the whole prism. */
  readonly pieces: readonly (readonly HalfSpace[])[];
}

/** What is common to several prisms, as flat faces with their holes, and the edges between them. Corners by their numbers. */
export interface Carved {
  readonly corners: readonly Vector3[];
  readonly faces: readonly { readonly normal: Vector3; readonly loops: readonly (readonly number[])[] }[];
  readonly edges: readonly { readonly from: number; readonly to: number; readonly faces: readonly number[] }[];
}

/** Convex pieces of an outline with holes, each counter-clockwise: the trapezia between the uprights through its corners. */
export function convexPieces(loops: readonly (readonly OutlinePoint[])[]): readonly (readonly OutlinePoint[])[] {
  const sides = loops.flatMap((loop) => loop.map((a, i) => [a, at(loop, (i + 1) % loop.length)] as const));
  const uprights = [...new Set(loops.flat().map(({ p }) => p))].sort((a, b) => a - b);
  return uprights.slice(1).flatMap((right, i): (readonly OutlinePoint[])[] => {
    const left = at(uprights, i);
    if (right - left < SAME) return [];
    const middle = (left + right) / 2;
    const heightAt = ([a, b]: (typeof sides)[number], p: number): number =>
      p === a.p ? a.q : p === b.p ? b.q : a.q + ((b.q - a.q) * (p - a.p)) / (b.p - a.p);
    const crossing = sides
      .filter(([a, b]) => Math.min(a.p, b.p) < middle && Math.max(a.p, b.p) > middle)
      .sort((one, other) => heightAt(one, middle) - heightAt(other, middle));
    return crossing.flatMap((low, k): (readonly OutlinePoint[])[] => {
      const high = crossing[k + 1];
      if (k % 2 === 1 || !high) return [];
      const corners = [
        { p: left, q: heightAt(low, left) },
        { p: right, q: heightAt(low, right) },
        { p: right, q: heightAt(high, right) },
        { p: left, q: heightAt(high, left) },
      ];
      // A trapezium that ends in a point is a triangle.
      return [
        corners.filter(
          (one, c) => Math.hypot(one.p - at(corners, (c + 3) % 4).p, one.q - at(corners, (c + 3) % 4).q) > 0,
        ),
      ];
    });
  });
}

const vector = ([x, y, z]: readonly [number, number, number]): Vector3 => ({ x, y, z });
const place = (axis: Axis, p: number, q: number, a: number): Vector3 => vector(PLACING[axis](p, q, a));
const opposite = ({ x, y, z }: Vector3): Vector3 => ({ x: -x, y: -y, z: -z });

function halfSpace(normal: Vector3, through: Vector3): HalfSpace {
  const length = Math.hypot(normal.x, normal.y, normal.z);
  const unit = { x: normal.x / length, y: normal.y / length, z: normal.z / length };
  return { normal: unit, offset: dot3(unit, through) };
}

/** Turned so that it runs counter-clockwise about a normal. */
function about(polygon: Polygon, normal: Vector3): Polygon {
  let sum = 0;
  const origin = at(polygon, 0);
  for (let i = 1; i + 1 < polygon.length; i += 1)
    sum += dot3(cross3(difference3(at(polygon, i), origin), difference3(at(polygon, i + 1), origin)), normal);
  return sum >= 0 ? polygon : [...polygon].reverse();
}

function cutterOf({ along, range, outline, holes = [] }: Prism): Cutter {
  const loops = [outline, ...holes];
  const pieces = convexPieces(loops);
  const ends = [
    halfSpace(opposite(place(along, 0, 0, 1)), place(along, 0, 0, range[0])),
    halfSpace(place(along, 0, 0, 1), place(along, 0, 0, range[1])),
  ];
  const edgeSpace = (a: OutlinePoint, b: OutlinePoint): HalfSpace =>
    halfSpace(place(along, b.q - a.q, a.p - b.p, 0), place(along, a.p, a.q, 0));
  const area = (loop: readonly OutlinePoint[]): number =>
    loop.reduce((sum, a, i) => {
      const b = at(loop, (i + 1) % loop.length);
      return sum + a.p * b.q - b.p * a.q;
    }, 0);
  const walls = loops.flatMap((loop, l) => {
    // Walked with the solid at its left: the outline counter-clockwise, holes clockwise.
    const right = area(loop) > 0 === (l === 0);
    return loop.flatMap((one, i): Side[] => {
      const next = at(loop, (i + 1) % loop.length);
      if (Math.hypot(next.p - one.p, next.q - one.q) < SAME) return [];
      const space = right ? edgeSpace(one, next) : edgeSpace(next, one);
      const polygon = [
        place(along, one.p, one.q, range[0]),
        place(along, next.p, next.q, range[0]),
        place(along, next.p, next.q, range[1]),
        place(along, one.p, one.q, range[1]),
      ];
      return [{ ...space, polygons: [about(polygon, space.normal)] }];
    });
  });
  const caps = ends.map((space, end): Side => ({
    ...space,
    polygons: pieces.map((piece) =>
      about(
        piece.map(({ p, q }) => place(along, p, q, at(range, end))),
        space.normal,
      ),
    ),
  }));
  return {
    sides: [...walls, ...caps],
    pieces: pieces.map((piece) => [...piece.map((a, i) => edgeSpace(a, at(piece, (i + 1) % piece.length))), ...ends]),
  };
}

/** The part of a polygon within a half-space. */
function clip(polygon: Polygon, { normal, offset }: HalfSpace): Polygon {
  const off = polygon.map((p) => dot3(normal, p) - offset);
  const result: Vector3[] = [];
  polygon.forEach((p, i) => {
    const next = at(polygon, (i + 1) % polygon.length);
    const [a, b] = [at(off, i), at(off, (i + 1) % polygon.length)];
    if (a <= SAME) result.push(p);
    if ((a > SAME && b < -SAME) || (a < -SAME && b > SAME)) {
      const t = a / (a - b);
      result.push({ x: p.x + t * (next.x - p.x), y: p.y + t * (next.y - p.y), z: p.z + t * (next.z - p.z) });
    }
  });
  return result.length >= 3 && !isSliver(result) ? result : [];
}

/** Whether a polygon is nowhere wider than what lies in one line. */
function isSliver(polygon: Polygon): boolean {
  let sum: Vector3 = { x: 0, y: 0, z: 0 };
  let round = 0;
  const origin = at(polygon, 0);
  polygon.forEach((p, i) => {
    const q = at(polygon, (i + 1) % polygon.length);
    round += Math.hypot(q.x - p.x, q.y - p.y, q.z - p.z);
  });
  for (let i = 1; i + 1 < polygon.length; i += 1) {
    const c = cross3(difference3(at(polygon, i), origin), difference3(at(polygon, i + 1), origin));
    sum = { x: sum.x + c.x, y: sum.y + c.y, z: sum.z + c.z };
  }
  return Math.hypot(sum.x, sum.y, sum.z) < 4 * SAME * round;
}

/** Whether two planes are one, looking the same way (1), against each other (−1), or are two (0). */
function samePlane(a: HalfSpace, b: HalfSpace): -1 | 0 | 1 {
  const cosine = dot3(a.normal, b.normal);
  if (Math.abs(cosine) < 1 - tolerance.noiseCosine) return 0;
  const sign = cosine > 0 ? 1 : -1;
  return Math.abs(a.offset - sign * b.offset) < SAME ? sign : 0;
}

/** What of a polygon of a side lies in another prism, or on its boundary where both look the same way. */
const within = (polygon: Polygon, side: HalfSpace, cutter: Cutter): readonly Polygon[] =>
  cutter.pieces.flatMap((piece) => {
    let left = polygon;
    for (const space of piece) {
      const same = samePlane(side, space);
      if (same === -1) return [];
      if (same === 0) left = clip(left, space);
      if (left.length === 0) return [];
    }
    return [left];
  });

/** What of a polygon does not lie in a convex one of the same plane. */
function without(polygon: Polygon, normal: Vector3, taken: Polygon): readonly Polygon[] {
  const rest: Polygon[] = [];
  let left = polygon;
  taken.forEach((a, i) => {
    if (left.length === 0) return;
    const b = at(taken, (i + 1) % taken.length);
    const space = halfSpace(cross3(difference3(b, a), normal), a);
    const outside = clip(left, { normal: opposite(space.normal), offset: -space.offset });
    if (outside.length > 0) rest.push(outside);
    left = clip(left, space);
  });
  return left.length === 0 ? [polygon] : rest;
}

/** Corners by number: those that lie together are one. */
class Corners {
  readonly all: Vector3[] = [];
  private readonly cells = new Map<string, number[]>();

  numberOf(p: Vector3): number {
    const [x, y, z] = [Math.floor(p.x), Math.floor(p.y), Math.floor(p.z)];
    for (let dx = -1; dx <= 1; dx += 1)
      for (let dy = -1; dy <= 1; dy += 1)
        for (let dz = -1; dz <= 1; dz += 1)
          for (const known of this.cells.get(`${x + dx},${y + dy},${z + dz}`) ?? []) {
            const q = at(this.all, known);
            if (Math.hypot(p.x - q.x, p.y - q.y, p.z - q.z) < 4 * SAME) return known;
          }
    const key = `${x},${y},${z}`;
    this.cells.set(key, [...(this.cells.get(key) ?? []), this.all.length]);
    return this.all.push(p) - 1;
  }
}

/** The corners that lie between two others, in the order one meets them. */
function between(corners: readonly Vector3[], from: number, to: number): readonly number[] {
  const [a, b] = [at(corners, from), at(corners, to)];
  const way = difference3(b, a);
  const long = Math.hypot(way.x, way.y, way.z);
  const found: { readonly corner: number; readonly t: number }[] = [];
  corners.forEach((p, corner) => {
    if (corner === from || corner === to) return;
    const off = difference3(p, a);
    const t = dot3(off, way) / long;
    if (t <= SAME || t >= long - SAME) return;
    const beside = cross3(off, way);
    if (Math.hypot(beside.x, beside.y, beside.z) / long < 4 * SAME) found.push({ corner, t });
  });
  return found.sort((one, other) => one.t - other.t).map(({ corner }) => corner);
}

/** The closed ways along half-edges whose face lies at their left; where two touch in a corner each turns into its own. */
function loopsOf(
  halves: readonly (readonly [number, number])[],
  corners: readonly Vector3[],
  normal: Vector3,
): number[][] {
  const left = new Map<number, number[]>();
  for (const [from, to] of halves) left.set(from, [...(left.get(from) ?? []), to]);
  const loops: number[][] = [];
  for (const [start, first] of halves) {
    if (!left.get(start)?.includes(first)) continue;
    const loop = [start];
    let [before, now] = [start, first];
    left.set(
      start,
      (left.get(start) ?? []).filter((one) => one !== first),
    );
    while (now !== start && loop.length <= halves.length) {
      loop.push(now);
      const ways = left.get(now) ?? [];
      const back = difference3(at(corners, before), at(corners, now));
      const turn = (to: number): number => {
        const way = difference3(at(corners, to), at(corners, now));
        const angle = Math.atan2(dot3(cross3(back, way), normal), dot3(back, way));
        // From the way back clockwise: the first one met is the sharpest turn to the left.
        return angle <= 0 ? -angle : 2 * Math.PI - angle;
      };
      const next = [...ways].sort((one, other) => turn(one) - turn(other))[0];
      if (next === undefined) break;
      left.set(
        now,
        ways.filter((one) => one !== next),
      );
      [before, now] = [now, next];
    }
    loops.push(loop);
  }
  return loops;
}

const areaAbout = (loop: readonly number[], corners: readonly Vector3[], normal: Vector3): number => {
  const origin = at(corners, at(loop, 0));
  let sum = 0;
  for (let i = 1; i + 1 < loop.length; i += 1)
    sum += dot3(
      cross3(difference3(at(corners, at(loop, i)), origin), difference3(at(corners, at(loop, i + 1)), origin)),
      normal,
    );
  return sum;
};

/** Whether a point of a plane lies within a loop of it: by the angle the loop turns about it. */
function inside(p: Vector3, loop: readonly number[], corners: readonly Vector3[], normal: Vector3): boolean {
  let turned = 0;
  loop.forEach((one, i) => {
    const a = difference3(at(corners, one), p);
    const b = difference3(at(corners, at(loop, (i + 1) % loop.length)), p);
    turned += Math.atan2(dot3(cross3(a, b), normal), dot3(a, b));
  });
  return Math.abs(turned) > Math.PI;
}

/**
 * What several prisms with straight sides have in common: a thing cut to its front, its side and its plan. Each side of each prism is cut to what lies in
 * all the others; what lies in one plane is joined again, so that a face is one face and every edge is one.
 */
export function carve(prisms: readonly Prism[]): Carved {
  const cutters = prisms.map(cutterOf);
  const planes: { readonly space: HalfSpace; readonly polygons: Polygon[] }[] = [];
  cutters.forEach((own, j) => {
    for (const side of own.sides) {
      let polygons = side.polygons;
      cutters.forEach((other, i) => {
        if (i !== j) polygons = polygons.flatMap((one) => within(one, side, other));
        // What two prisms have as their face both is kept of the first.
        const shared = i < j ? other.sides.filter((one) => samePlane(side, one) === 1) : [];
        for (const taken of shared.flatMap((one) => one.polygons))
          polygons = polygons.flatMap((one) => without(one, side.normal, taken));
      });
      if (polygons.length === 0) continue;
      const known = planes.find(({ space }) => samePlane(space, side) === 1);
      if (known) known.polygons.push(...polygons);
      else planes.push({ space: side, polygons: [...polygons] });
    }
  });
  return joined(planes);
}

/** Faces out of the polygons of each plane: sides that two of them share are gone. */
function joined(planes: readonly { readonly space: HalfSpace; readonly polygons: readonly Polygon[] }[]): Carved {
  const known = new Corners();
  const numbered = planes.map(({ space, polygons }) => ({
    normal: space.normal,
    polygons: polygons.map((polygon) => polygon.map((p) => known.numberOf(p))),
  }));
  const corners = known.all;
  const faces = numbered.flatMap(({ normal, polygons }) => {
    const halves = new Map<string, readonly [number, number]>();
    for (const polygon of polygons)
      polygon.forEach((from, i) => {
        const to = at(polygon, (i + 1) % polygon.length);
        if (from === to) return;
        const way = [from, ...between(corners, from, to), to];
        way.slice(1).forEach((end, k) => {
          const start = at(way, k);
          if (!halves.delete(`${end} ${start}`)) halves.set(`${start} ${end}`, [start, end]);
        });
      });
    const loops = loopsOf([...halves.values()], corners, normal);
    const outer = loops.filter((loop) => areaAbout(loop, corners, normal) > 0);
    const holes = loops.filter((loop) => areaAbout(loop, corners, normal) < 0);
    return outer.map((loop) => ({
      normal,
      loops: [loop, ...holes.filter((hole) => inside(at(corners, at(hole, 0)), loop, corners, normal))],
    }));
  });
  return withoutIdle(corners, faces);
}

/** Corners at which nothing turns are left out, and the edges are told. */
function withoutIdle(corners: readonly Vector3[], faces: Carved['faces']): Carved {
  const neighbours = new Map<number, Set<number>>();
  const join = (a: number, b: number): unknown => neighbours.set(a, (neighbours.get(a) ?? new Set()).add(b));
  for (const { loops } of faces)
    for (const loop of loops)
      loop.forEach((a, i) => {
        const b = at(loop, (i + 1) % loop.length);
        join(a, b);
        join(b, a);
      });
  const idle = (corner: number): boolean => {
    const [a, b, more] = [...(neighbours.get(corner) ?? [])];
    if (a === undefined || b === undefined || more !== undefined) return false;
    const [one, other] = [a, b].map((end) => difference3(at(corners, end), at(corners, corner))) as [Vector3, Vector3];
    const beside = cross3(one, other);
    return (
      dot3(one, other) < 0 &&
      Math.hypot(beside.x, beside.y, beside.z) < 8 * SAME * Math.hypot(other.x, other.y, other.z)
    );
  };
  const kept = [...neighbours.keys()].filter((corner) => !idle(corner)).sort((a, b) => a - b);
  const place = new Map(kept.map((corner, i) => [corner, i]));
  const left = faces.map(({ normal, loops }) => ({
    normal,
    loops: loops.map((loop) => loop.flatMap((corner) => place.get(corner) ?? [])),
  }));
  const edges = new Map<string, { from: number; to: number; faces: number[] }>();
  left.forEach(({ loops }, face) => {
    for (const loop of loops)
      loop.forEach((a, i) => {
        const b = at(loop, (i + 1) % loop.length);
        const key = a < b ? `${a} ${b}` : `${b} ${a}`;
        const edge = edges.get(key) ?? { from: a, to: b, faces: [] };
        edge.faces.push(face);
        edges.set(key, edge);
      });
  });
  return { corners: kept.map((corner) => at(corners, corner)), faces: left, edges: [...edges.values()] };
}
