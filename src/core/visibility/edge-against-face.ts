import { tolerance } from '@/core/numeric';
import type { HiddenStretches } from './hidden-stretches';
import type { Occluders } from './occluders';
import type { PolygonSet } from './polygon-set';

/** One edge in eye coordinates, cut to frame and near plane, with what every face is asked of it. */
export interface SightedEdge {
  /** Lateral, rise, depth of both ends. */
  a: Float64Array;
  b: Float64Array;
  /** Unit normal of the plane through the eye and the edge. */
  m: Float64Array;
  /** β(V) = share·V: how much of the second end there is in a point of that plane, αA + βB. */
  share: Float64Array;
}

export const sightedEdge = (): SightedEdge => ({
  a: new Float64Array(3),
  b: new Float64Array(3),
  m: new Float64Array(3),
  share: new Float64Array(3),
});

/**
 * Sets the plane through eye and edge. The second direction is taken along the edge, not to its second end: less is lost to rounding.
 * @returns false for an edge that points at the eye: its picture is a dot.
 */
export function layPlane({ a, b, m, share }: SightedEdge): boolean {
  const [ax, ay, az] = [a[0]!, a[1]!, a[2]!];
  const [rx, ry, rz] = [b[0]! - ax, b[1]! - ay, b[2]! - az];
  const [cx, cy, cz] = [ay * rz - az * ry, az * rx - ax * rz, ax * ry - ay * rx];
  const size = Math.sqrt(cx * cx + cy * cy + cz * cz);
  if (!(size > 1e-9 * (Math.abs(ax) + Math.abs(ay) + Math.abs(az)))) return false;
  m[0] = cx / size;
  m[1] = cy / size;
  m[2] = cz / size;
  // A × V · m = β·|A × B|, so share = m × A / |A × B|.
  share[0] = (m[1]! * az - m[2]! * ay) / size;
  share[1] = (m[2]! * ax - m[0]! * az) / size;
  share[2] = (m[0]! * ay - m[1]! * ax) / size;
  return true;
}

/** A corner within this of the sight plane, mm, lies in it: the edge falls on a side or corner of the face. */
const IN_PLANE_MM = tolerance.touchMm;

/**
 * What a face hides of an edge, in the picture's parameter. The sight plane cuts the face in straight slices; where a slice lies between eye
 * and edge it hides. A slice's end X = αA + βB at depth t falls on the edge's picture at β·t_B/t, so that no outline is projected.
 * Source: geometry "Seeing, what hides".
 */
export class EdgeAgainstFace {
  /** Slices as pairs; `foundCount` numbers are in use. */
  private readonly found: number[] = new Array<number>(16).fill(0);
  private foundCount = 0;

  constructor(
    private readonly set: PolygonSet,
    private readonly occluders: Occluders,
    private readonly near: number,
  ) {}

  test(edge: SightedEdge, h: number, into: HiddenStretches): void {
    const { planes, face, eyeCorners } = this.occluders;
    const { a, b, m } = edge;
    const p = h * 4;
    const na = planes[p]!;
    const nb = planes[p + 1]!;
    const nc = planes[p + 2]!;
    const side = planes[p + 3]!;
    // How far the edge's ends lie behind the face.
    const behindA = -(na * a[0]! + nb * a[1]! + nc * a[2]! + side);
    const behindB = -(na * b[0]! + nb * b[1]! + nc * b[2]! + side);
    if (behindA <= tolerance.touchMm && behindB <= tolerance.touchMm) return;
    const f = face[h]!;
    const { faceLoop, loopCorner } = this.set;
    const firstLoop = faceLoop[f]!;
    const endLoop = faceLoop[f + 1]!;
    const firstCorner = loopCorner[firstLoop]!;
    const endCorner = loopCorner[firstLoop + 1]!;
    // Which sides of the sight plane the outline's corners lie on.
    const m0 = m[0]!;
    const m1 = m[1]!;
    const m2 = m[2]!;
    let above = false;
    let below = false;
    let within = false;
    for (let c = firstCorner; c < endCorner; c += 1) {
      const s = m0 * eyeCorners[c * 3]! + m1 * eyeCorners[c * 3 + 1]! + m2 * eyeCorners[c * 3 + 2]!;
      if (s > IN_PLANE_MM) above = true;
      else if (s < -IN_PLANE_MM) below = true;
      else within = true;
    }
    if (!within && !(above && below)) return;
    if (within && !above && !below) return;
    for (let c = endCorner; !within && c < loopCorner[endLoop]!; c += 1) {
      const s = m0 * eyeCorners[c * 3]! + m1 * eyeCorners[c * 3 + 1]! + m2 * eyeCorners[c * 3 + 2]!;
      if (s <= IN_PLANE_MM && s >= -IN_PLANE_MM) within = true;
    }
    // The part of the edge behind the face's plane, in the world's parameter and then in the picture's.
    let start = 0;
    let stop = 1;
    if (behindA <= tolerance.touchMm) start = behindA < 0 ? this.pictured(edge, behindA / (behindA - behindB)) : 0;
    else if (behindB <= tolerance.touchMm) stop = behindB < 0 ? this.pictured(edge, behindA / (behindA - behindB)) : 1;
    if (within) {
      this.slices(edge, firstLoop, endLoop, 1);
      this.report(into, 'left', start, stop, f);
      this.slices(edge, firstLoop, endLoop, -1);
      this.report(into, 'right', start, stop, f);
    } else {
      this.slices(edge, firstLoop, endLoop, 0);
      this.report(into, 'both', start, stop, f);
    }
  }

  /** The picture's parameter of a point of the edge. */
  private pictured({ a, b }: SightedEdge, along: number): number {
    const t = (1 - along) * a[2]! + along * b[2]!;
    return (along * b[2]!) / t;
  }

  private report(
    into: HiddenStretches,
    side: 'both' | 'left' | 'right',
    start: number,
    stop: number,
    face: number,
  ): void {
    const { found, foundCount } = this;
    for (let i = 0; i < foundCount; i += 2) {
      const x = found[i]!;
      const y = found[i + 1]!;
      into.add(side, x > start ? x : start, y < stop ? y : stop, face);
    }
  }

  /**
   * Slices of the face by the sight plane, as pairs of picture parameters in `found`. Corners in the plane count as lying on the side
   * `zero` tells: the slice then is that of the sight plane moved by a hair to the other side.
   */
  private slices(edge: SightedEdge, firstLoop: number, endLoop: number, zero: -1 | 0 | 1): void {
    this.foundCount = 0;
    this.loopSlices(edge, firstLoop, zero);
    if (endLoop - firstLoop === 1 || this.foundCount === 0) return;
    // Holes are asked one by one: where two overlap, what lies in both is still open.
    const outline = this.found.slice(0, this.foundCount);
    this.foundCount = 0;
    for (let loop = firstLoop + 1; loop < endLoop; loop += 1) this.loopSlices(edge, loop, zero);
    subtract(outline, this.found, this.foundCount);
    outline.forEach((value, i) => (this.found[i] = value));
    this.foundCount = outline.length;
  }

  private loopSlices({ a, b, m, share }: SightedEdge, loop: number, zero: -1 | 0 | 1): void {
    const { eyeCorners } = this.occluders;
    const { loopCorner } = this.set;
    const first = loopCorner[loop]!;
    const end = loopCorner[loop + 1]!;
    const m0 = m[0]!;
    const m1 = m[1]!;
    const m2 = m[2]!;
    const zeroUp = zero > 0;
    // β and depth of each point where the outline passes through the sight plane.
    let count = 0;
    const at = this.crossings;
    let p = (end - 1) * 3;
    let sp = m0 * eyeCorners[p]! + m1 * eyeCorners[p + 1]! + m2 * eyeCorners[p + 2]!;
    let upP = sp > IN_PLANE_MM || (sp >= -IN_PLANE_MM && (zero === 0 ? sp > 0 : zeroUp));
    for (let c = first; c < end; c += 1) {
      const q = c * 3;
      const sq = m0 * eyeCorners[q]! + m1 * eyeCorners[q + 1]! + m2 * eyeCorners[q + 2]!;
      const upQ = sq > IN_PLANE_MM || (sq >= -IN_PLANE_MM && (zero === 0 ? sq > 0 : zeroUp));
      if (upP !== upQ) {
        // A corner in the plane is the crossing itself; its distance is rounding, and may have the wrong sign.
        const dp = sp <= IN_PLANE_MM && sp >= -IN_PLANE_MM ? 0 : sp;
        const dq = sq <= IN_PLANE_MM && sq >= -IN_PLANE_MM ? 0 : sq;
        const f = dp === dq ? 0.5 : dp / (dp - dq);
        const bp = share[0]! * eyeCorners[p]! + share[1]! * eyeCorners[p + 1]! + share[2]! * eyeCorners[p + 2]!;
        const bq = share[0]! * eyeCorners[q]! + share[1]! * eyeCorners[q + 1]! + share[2]! * eyeCorners[q + 2]!;
        at[count] = bp + (bq - bp) * f;
        at[count + 1] = eyeCorners[p + 2]! + (eyeCorners[q + 2]! - eyeCorners[p + 2]!) * f;
        count += 2;
      }
      p = q;
      sp = sq;
      upP = upQ;
    }
    if (count > 4) this.sort(count, a, b);
    const { near, found } = this;
    for (let i = 0; i + 3 < count; i += 4) {
      let b0 = at[i]!;
      let t0 = at[i + 1]!;
      let b1 = at[i + 2]!;
      let t1 = at[i + 3]!;
      if (t0 < near && t1 < near) continue;
      if (t0 < near) {
        b0 += ((b1 - b0) * (near - t0)) / (t1 - t0);
        t0 = near;
      } else if (t1 < near) {
        b1 += ((b0 - b1) * (near - t1)) / (t0 - t1);
        t1 = near;
      }
      const x = (b0 * b[2]!) / t0;
      const y = (b1 * b[2]!) / t1;
      found[this.foundCount] = x < y ? x : y;
      found[this.foundCount + 1] = x < y ? y : x;
      this.foundCount += 2;
    }
  }

  private readonly crossings: number[] = new Array<number>(16).fill(0);

  /** Crossings all lie on one straight line of the sight plane: sorted along it, by whichever of β and depth changes more. */
  private sort(count: number, a: Float64Array, b: Float64Array): void {
    const at = this.crossings;
    // β runs in edge lengths: brought to mm, so that the two compare.
    const length = Math.hypot(b[0]! - a[0]!, b[1]! - a[1]!, b[2]! - a[2]!) || 1;
    let [lowB, highB, lowT, highT] = [Infinity, -Infinity, Infinity, -Infinity];
    for (let i = 0; i < count; i += 2) {
      lowB = Math.min(lowB, at[i]!);
      highB = Math.max(highB, at[i]!);
      lowT = Math.min(lowT, at[i + 1]!);
      highT = Math.max(highT, at[i + 1]!);
    }
    const key = (highB - lowB) * length > highT - lowT ? 0 : 1;
    const pairs = Array.from({ length: count / 2 }, (_, i) => [at[i * 2]!, at[i * 2 + 1]!] as const);
    pairs.sort((x, y) => x[key] - y[key]);
    pairs.forEach(([beta, t], i) => {
      at[i * 2] = beta;
      at[i * 2 + 1] = t;
    });
  }
}

/** Takes the first `count` numbers of `holes`, pairs in any order, away from pairs; in place. */
function subtract(from: number[], holes: readonly number[], count: number): void {
  for (let h = 0; h < count; h += 2) {
    const x = holes[h]!;
    const y = holes[h + 1]!;
    for (let i = from.length - 2; i >= 0; i -= 2) {
      const a = from[i]!;
      const b = from[i + 1]!;
      if (y <= a || x >= b) continue;
      const rest: number[] = [];
      if (x > a) rest.push(a, x);
      if (y < b) rest.push(y, b);
      from.splice(i, 2, ...rest);
    }
  }
}
