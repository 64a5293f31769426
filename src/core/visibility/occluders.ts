import { tolerance } from '@/core/numeric';
import type { PolygonSet, Sight } from './polygon-set';

/**
 * The polygons that can hide something from one eye, in eye coordinates (lateral, rise, depth; the eye is the origin), nearest first.
 * Everything the inner loops ask is in plain arrays.
 */
export interface Occluders {
  readonly count: number;
  /** Face of each occluder in its polygon set. */
  readonly face: Int32Array;
  /** Corners of all faces: lateral, rise, depth. */
  readonly eyeCorners: Float64Array;
  /** The same for the meetings of tangents over chords of arcs; null where nothing is curved. */
  readonly eyeBulges: Float64Array | null;
  /** For each occluder its shape's number, or −1 for a polygon. */
  readonly shape: Int32Array;
  /** 1 for a round face: it has no plane. */
  readonly isRound: Uint8Array;
  /** Plane of each occluder, the eye on its positive side: N·V + eyeSide = 0 on the plane; four numbers each. */
  readonly planes: Float64Array;
  /** 1/depth on the plane as a function of the picture: qu·u + qv·v + q0; three numbers each. */
  readonly inverse: Float64Array;
  /** Greatest and least 1/depth of its corners, those nearer than `near` taken at `near`. */
  readonly nearest: Float64Array;
  readonly farthest: Float64Array;
  /** Surfaces of which every polygon is the turned-away side of a closed solid with the eye outside. */
  readonly backs: Uint8Array;
}

/**
 * @param there for each face, 1 when it is there from this eye: what is not is neither drawn nor hides.
 */
export function occludersOf(set: PolygonSet, there: Uint8Array, sight: Sight): Occluders {
  const { faceCount, faceLoop, loopCorner, corners, planes, solid } = set;
  const { eye, right, up, forward, viewingDistance: k, near } = sight;
  const { curved } = set;
  const eyeCorners = inEye(corners, sight);
  const eyeBulges = curved ? inEye(curved.bulge, sight) : null;
  const isRound = (f: number): boolean => curved?.shapes[curved.shape[f]!]?.kind === 'round';
  const around = solidsAround(set, sight);
  const facing = new Uint8Array(set.surfaceCount);
  const turned = new Uint8Array(set.surfaceCount);
  const chosen: number[] = [];
  const sides = new Float64Array(faceCount);
  for (let f = 0; f < faceCount; f += 1) {
    if (there[f] === 0) continue;
    if (isRound(f)) {
      facing[set.surface[f]!] = 1;
      sides[f] = 1;
      chosen.push(f);
      continue;
    }
    const p = f * 4;
    const side = planes[p]! * eye.x + planes[p + 1]! * eye.y + planes[p + 2]! * eye.z - planes[p + 3]!;
    const surface = set.surface[f]!;
    // Seen edge-on a face hides nothing.
    if (Math.abs(side) <= tolerance.touchMm) {
      facing[surface] = 1;
      continue;
    }
    const of = solid[f]!;
    if (side < 0 && of >= 0 && around[of] === 0) {
      turned[surface] = 1;
      continue;
    }
    facing[surface] = 1;
    sides[f] = side;
    chosen.push(f);
  }
  const nearOf = new Float64Array(faceCount);
  const farOf = new Float64Array(faceCount);
  const ahead = chosen.filter((f) => {
    let nearest = -Infinity;
    let farthest = Infinity;
    // A round face's loops are the sides of its box; of a polygon the outline is enough.
    const last = loopCorner[isRound(f) ? faceLoop[f + 1]! : faceLoop[f]! + 1]!;
    for (let c = loopCorner[faceLoop[f]!]!; c < last; c += 1) {
      const depth = eyeCorners[c * 3 + 2]!;
      if (depth > nearest) nearest = depth;
      if (depth < farthest) farthest = depth;
      const tip = eyeBulges ? eyeBulges[c * 3 + 2]! : NaN;
      if (tip > nearest) nearest = tip;
      if (tip < farthest) farthest = tip;
    }
    // Here `nearest` is the greatest depth: a face wholly nearer than `near` is not there.
    if (nearest <= near) return false;
    farOf[f] = 1 / nearest;
    nearOf[f] = 1 / Math.max(near, farthest);
    return true;
  });
  ahead.sort((a, b) => nearOf[b]! - nearOf[a]!);
  const count = ahead.length;
  const face = Int32Array.from(ahead);
  const eyePlanes = new Float64Array(count * 4);
  const inverse = new Float64Array(count * 3);
  const nearest = new Float64Array(count);
  const farthest = new Float64Array(count);
  const shape = new Int32Array(count).fill(-1);
  const roundOf = new Uint8Array(count);
  for (let h = 0; h < count; h += 1) {
    const f = face[h]!;
    nearest[h] = nearOf[f]!;
    farthest[h] = farOf[f]!;
    if (curved) shape[h] = curved.shape[f]!;
    if (isRound(f)) {
      roundOf[h] = 1;
      inverse[h * 3 + 2] = nearOf[f]!;
      continue;
    }
    const sign = sides[f]! > 0 ? 1 : -1;
    const p = f * 4;
    const [nx, ny, nz] = [sign * planes[p]!, sign * planes[p + 1]!, sign * planes[p + 2]!];
    const side = Math.abs(sides[f]!);
    const a = nx * right.x + ny * right.y + nz * right.z;
    const b = nx * up.x + ny * up.y + nz * up.z;
    const c = nx * forward.x + ny * forward.y + nz * forward.z;
    eyePlanes[h * 4] = a;
    eyePlanes[h * 4 + 1] = b;
    eyePlanes[h * 4 + 2] = c;
    eyePlanes[h * 4 + 3] = side;
    inverse[h * 3] = -a / (k * side);
    inverse[h * 3 + 1] = -b / (k * side);
    inverse[h * 3 + 2] = -c / side;
  }
  const backs = turned.map((is, surface) => (is === 1 && facing[surface] === 0 ? 1 : 0));
  return {
    count,
    face,
    eyeCorners,
    eyeBulges,
    shape,
    isRound: roundOf,
    planes: eyePlanes,
    inverse,
    nearest,
    farthest,
    backs,
  };
}

/** Points in eye coordinates. */
function inEye(points: Float64Array, { eye, right, up, forward }: Sight): Float64Array {
  const seen = new Float64Array(points.length);
  for (let i = 0; i < points.length; i += 3) {
    const x = points[i]! - eye.x;
    const y = points[i + 1]! - eye.y;
    const z = points[i + 2]! - eye.z;
    seen[i] = x * right.x + y * right.y + z * right.z;
    seen[i + 1] = x * up.x + y * up.y + z * up.z;
    seen[i + 2] = x * forward.x + y * forward.y + z * forward.z;
  }
  return seen;
}

/** Closed solids whose bounds hold the eye: it may stand inside them, where their backs are what one sees. */
function solidsAround({ solidBounds }: PolygonSet, { eye }: Sight): Uint8Array {
  const count = solidBounds.length / 6;
  const around = new Uint8Array(count);
  for (let s = 0; s < count; s += 1) {
    const b = s * 6;
    if (
      eye.x >= solidBounds[b]! &&
      eye.x <= solidBounds[b + 1]! &&
      eye.y >= solidBounds[b + 2]! &&
      eye.y <= solidBounds[b + 3]! &&
      eye.z >= solidBounds[b + 4]! &&
      eye.z <= solidBounds[b + 5]!
    )
      around[s] = 1;
  }
  return around;
}
