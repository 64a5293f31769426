import type { EdgeSet, PolygonSet } from './polygon-set';

/** A scene of bare polygons: faces planar, counter-clockwise from outside, mm. */
export interface NeutralScene {
  readonly faces: readonly (readonly (readonly [number, number, number])[])[];
}

/** Numbers for points: the same for the same three doubles. Open addressing over their bits. */
class PointNumbers {
  private readonly mask: number;
  private readonly slots: Int32Array;
  readonly points: Float64Array;
  count = 0;
  private readonly bits = new Float64Array(3);
  private readonly words = new Uint32Array(this.bits.buffer);

  constructor(most: number) {
    let size = 16;
    while (size < most * 2) size *= 2;
    this.mask = size - 1;
    this.slots = new Int32Array(size).fill(-1);
    this.points = new Float64Array(most * 3);
  }

  of(x: number, y: number, z: number): number {
    // Minus zero is zero.
    this.bits[0] = x + 0;
    this.bits[1] = y + 0;
    this.bits[2] = z + 0;
    let hash = 2166136261;
    for (const word of this.words) hash = Math.imul(hash ^ word, 16777619) ^ (hash >>> 15);
    for (let slot = (hash ^ (hash >>> 13)) & this.mask; ; slot = (slot + 1) & this.mask) {
      const known = this.slots[slot]!;
      if (known < 0) {
        this.slots[slot] = this.count;
        this.points.set([x, y, z], this.count * 3);
        this.count += 1;
        return this.count - 1;
      }
      if (this.points[known * 3] === x && this.points[known * 3 + 1] === y && this.points[known * 3 + 2] === z)
        return known;
    }
  }
}

/**
 * Polygons and every polygon edge once. Faces joined edge to edge into a closed surface make a solid, whose back hides nothing that its front
 * does not; whatever is open hides from both sides.
 */
export function neutralPolygons({ faces }: NeutralScene): { readonly polygons: PolygonSet; readonly edges: EdgeSet } {
  const faceCount = faces.length;
  const cornerCount = faces.reduce((sum, loop) => sum + loop.length, 0);
  const faceLoop = Int32Array.from({ length: faceCount + 1 }, (_, i) => i);
  const loopCorner = new Int32Array(faceCount + 1);
  const corners = new Float64Array(cornerCount * 3);
  const planes = new Float64Array(faceCount * 4);
  const numbers = new PointNumbers(cornerCount);
  const name = new Int32Array(cornerCount);
  let c = 0;
  faces.forEach((loop, f) => {
    loopCorner[f] = c;
    for (const [x, y, z] of loop) {
      corners[c * 3] = x;
      corners[c * 3 + 1] = y;
      corners[c * 3 + 2] = z;
      name[c] = numbers.of(x, y, z);
      c += 1;
    }
    layFace(planes, f, loop);
  });
  loopCorner[faceCount] = c;

  // Every side of every polygon, by its two points: numbered as it is first met.
  let size = 16;
  while (size < cornerCount * 2) size *= 2;
  const slots = new Int32Array(size).fill(-1);
  const lows = new Int32Array(cornerCount);
  const highs = new Int32Array(cornerCount);
  const sideOfCorner = new Int32Array(cornerCount).fill(-1);
  const uses = new Int32Array(cornerCount);
  /** +1 for each use from the lower number to the higher, −1 for each against it. */
  const balance = new Int32Array(cornerCount);
  let sideCount = 0;
  for (let f = 0; f < faceCount; f += 1) {
    const end = loopCorner[f + 1]!;
    let p = end - 1;
    for (let q = loopCorner[f]!; q < end; q += 1) {
      const np = name[p]!;
      const nq = name[q]!;
      p = q;
      if (np === nq) continue;
      const low = np < nq ? np : nq;
      const high = np < nq ? nq : np;
      let slot = (Math.imul(low, 0x9e3779b1) ^ Math.imul(high, 0x85ebca6b)) >>> 0;
      slot = (slot ^ (slot >>> 15)) & (size - 1);
      while (slots[slot]! >= 0 && (lows[slots[slot]!] !== low || highs[slots[slot]!] !== high))
        slot = (slot + 1) & (size - 1);
      let side = slots[slot]!;
      if (side < 0) {
        side = sideCount;
        sideCount += 1;
        slots[slot] = side;
        lows[side] = low;
        highs[side] = high;
      }
      sideOfCorner[q] = side;
      uses[side]! += 1;
      balance[side]! += np === low ? 1 : -1;
    }
  }
  const ends = new Float64Array(sideCount * 6);
  const surfaceStart = new Int32Array(sideCount + 1);
  for (let side = 0; side < sideCount; side += 1) {
    for (let axis = 0; axis < 3; axis += 1) {
      ends[side * 6 + axis] = numbers.points[lows[side]! * 3 + axis]!;
      ends[side * 6 + 3 + axis] = numbers.points[highs[side]! * 3 + axis]!;
    }
    surfaceStart[side + 1] = surfaceStart[side]! + uses[side]!;
  }
  const surfaces = new Int32Array(surfaceStart[sideCount]!);
  const fill = surfaceStart.slice(0, sideCount);
  for (let f = 0; f < faceCount; f += 1)
    for (let q = loopCorner[f]!; q < loopCorner[f + 1]!; q += 1) {
      const side = sideOfCorner[q]!;
      if (side < 0) continue;
      surfaces[fill[side]!] = f;
      fill[side]! += 1;
    }
  const { solid, count } = solidsOf(faceCount, sideCount, surfaceStart, surfaces, balance);
  const solidBounds = boundsOf(solid, count, loopCorner, corners);
  return {
    polygons: {
      faceCount,
      faceLoop,
      loopCorner,
      corners,
      planes,
      surface: Int32Array.from({ length: faceCount }, (_, i) => i),
      surfaceCount: faceCount,
      solid,
      solidBounds,
    },
    edges: { count: sideCount, ends, surfaceStart, surfaces },
  };
}

/** Newell's normal: right for any planar outline. A polygon without an area gets no normal, and hides nothing. */
function layFace(planes: Float64Array, f: number, loop: readonly (readonly [number, number, number])[]): void {
  const [ox, oy, oz] = loop[0] ?? [0, 0, 0];
  let [x, y, z] = [0, 0, 0];
  for (let i = 1; i + 1 < loop.length; i += 1) {
    const [p, q] = [loop[i]!, loop[i + 1]!];
    const [ax, ay, az, bx, by, bz] = [p[0] - ox, p[1] - oy, p[2] - oz, q[0] - ox, q[1] - oy, q[2] - oz];
    x += ay * bz - az * by;
    y += az * bx - ax * bz;
    z += ax * by - ay * bx;
  }
  const size = Math.hypot(x, y, z);
  if (!(size > 0)) return;
  planes[f * 4] = x / size;
  planes[f * 4 + 1] = y / size;
  planes[f * 4 + 2] = z / size;
  planes[f * 4 + 3] = (x * ox + y * oy + z * oz) / size;
}

/** Faces that hang together by shared sides; closed where every side is used once in each sense. */
function solidsOf(
  faceCount: number,
  sideCount: number,
  start: Int32Array,
  faces: Int32Array,
  balance: Int32Array,
): { readonly solid: Int32Array; readonly count: number } {
  const parent = Int32Array.from({ length: faceCount }, (_, i) => i);
  const root = (of: number): number => {
    let r = of;
    while (parent[r] !== r) r = parent[r]!;
    let f = of;
    while (parent[f] !== r) {
      const next = parent[f]!;
      parent[f] = r;
      f = next;
    }
    return r;
  };
  for (let side = 0; side < sideCount; side += 1)
    for (let i = start[side]! + 1; i < start[side + 1]!; i += 1) parent[root(faces[i]!)] = root(faces[start[side]!]!);
  const open = new Uint8Array(faceCount);
  for (let side = 0; side < sideCount; side += 1)
    if (start[side + 1]! - start[side]! !== 2 || balance[side] !== 0) open[root(faces[start[side]!]!)] = 1;
  const numbers = new Map<number, number>();
  const solid = new Int32Array(faceCount).fill(-1);
  for (let f = 0; f < faceCount; f += 1) {
    const r = root(f);
    if (open[r] === 1) continue;
    let number = numbers.get(r);
    if (number === undefined) numbers.set(r, (number = numbers.size));
    solid[f] = number;
  }
  return { solid, count: numbers.size };
}

export function boundsOf(
  solid: Int32Array,
  count: number,
  loopCorner: Int32Array,
  corners: Float64Array,
): Float64Array {
  const bounds = new Float64Array(count * 6);
  for (let s = 0; s < count; s += 1) bounds.set([Infinity, -Infinity, Infinity, -Infinity, Infinity, -Infinity], s * 6);
  for (let f = 0; f < solid.length; f += 1) {
    const s = solid[f]!;
    if (s < 0) continue;
    for (let c = loopCorner[f]!; c < loopCorner[f + 1]!; c += 1)
      for (let axis = 0; axis < 3; axis += 1) {
        const value = corners[c * 3 + axis]!;
        if (value < bounds[s * 6 + axis * 2]!) bounds[s * 6 + axis * 2] = value;
        if (value > bounds[s * 6 + axis * 2 + 1]!) bounds[s * 6 + axis * 2 + 1] = value;
      }
  }
  return bounds;
}
