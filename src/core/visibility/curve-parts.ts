import { trigonometricAt as valueAt, type Vector3 } from '@/core/geometry';
import { tolerance } from '@/core/numeric';
import { framedSpans, sightRows } from './framed-spans';
import { HiddenStretches } from './hidden-stretches';
import type { LookedAt } from './exact-parts';
import { CLEARLY_BEHIND } from './picture-grid';
import type { CurveParts, CurveSet } from './polygon-set';
import { angleAt, conicPiece, type SpaceConic } from './space-conic';

/** Pieces of a conic turn by less than this, radians: the tangents' meeting then stays near. */
const MOST_TURN = Math.PI / 3;
/** A piece's picture should not reach over more cells than about this in either direction. */
const CELLS_A_PIECE = 5;
/** Finer than this a curve is never cut. */
const MOST_PIECES = 96;
const TURN = 2 * Math.PI;

/**
 * Exact seen and hidden parts of conics: cut to frame and near plane in homogeneous form, taken piece by piece through the cells their picture may
 * touch, and held against the faces listed there. Progress from 0 to 1.
 * @param drawn for each curve of the sets in turn, 1 when it is to be drawn.
 */
export function* curveParts(
  { set, sight, occluders, grid, shapes }: LookedAt,
  curveSets: readonly CurveSet[],
  drawn: Uint8Array,
): Generator<number, CurveParts> {
  const { eye, right, up, forward, viewingDistance: k, frame, near } = sight;
  const { columns, rows, cellWidth, cellHeight, start, list, cover, coveredBy, bounds } = grid;
  const { planes } = occluders;
  const asked = new Int32Array(occluders.count).fill(-1);
  const hidden = new HiddenStretches();
  const piece = new Float64Array(12);
  const [partCurve, partRange, partBy]: [number[], number[], number[]] = [[], [], []];
  let stamp = 0;

  let edgeOn: Vector3 | null = null;
  let surfaces: Int32Array = new Int32Array();
  /** Whether a occluder is one of the faces the curve lies on. */
  const own = (h: number): boolean => surfaces.includes(set.surface[occluders.face[h]!]!);
  const clampCell = (value: number, count: number): number => Math.min(count - 1, Math.max(0, Math.floor(value)));

  /** The piece's hull in eye coordinates. */
  const hull = new Float64Array(12);
  /** Whether a occluder has nothing to do with the piece: their pictures lie apart, or the piece lies wholly before its plane. */
  const apart = (h: number, u0: number, u1: number, v0: number, v1: number): boolean => {
    const b = h * 4;
    if (bounds[b]! > u1 || bounds[b + 1]! < u0 || bounds[b + 2]! > v1 || bounds[b + 3]! < v0) return true;
    if (occluders.isRound[h] === 1) return false;
    const [na, nb, nc, side] = [planes[b]!, planes[b + 1]!, planes[b + 2]!, planes[b + 3]!];
    for (let i = 0; i < 12; i += 4)
      if (
        na * hull[i]! + nb * hull[i + 1]! + nc * hull[i + 2]! + side * hull[i + 3]! <
        -tolerance.touchMm * hull[i + 3]!
      )
        return false;
    return true;
  };

  /** Asks the faces of all cells the piece between two angles may touch. */
  const ask = (conic: SpaceConic, from: number, to: number, place: (angle: number) => number): void => {
    conicPiece(conic, from, to, piece);
    let [u0, u1, v0, v1, nearest, farthest] = [Infinity, -Infinity, Infinity, -Infinity, -Infinity, Infinity];
    for (let i = 0; i < 12; i += 4) {
      const w = piece[i + 3]!;
      const [x, y, z] = [piece[i]! - eye.x * w, piece[i + 1]! - eye.y * w, piece[i + 2]! - eye.z * w];
      const t = x * forward.x + y * forward.y + z * forward.z;
      hull[i] = x * right.x + y * right.y + z * right.z;
      hull[i + 1] = x * up.x + y * up.y + z * up.z;
      hull[i + 2] = t;
      hull[i + 3] = w;
      // Its hull reaches behind the eye: any cell may be touched.
      if (!(t > near * w * 0.5))
        [u0, u1, v0, v1, nearest, farthest] = [-Infinity, Infinity, -Infinity, Infinity, Infinity, 0];
      else {
        const [u, v] = [
          (k * (x * right.x + y * right.y + z * right.z)) / t,
          (k * (x * up.x + y * up.y + z * up.z)) / t,
        ];
        [u0, u1, v0, v1] = [Math.min(u0, u), Math.max(u1, u), Math.min(v0, v), Math.max(v1, v)];
        nearest = Math.max(nearest, w / t);
        farthest = Math.min(farthest, w / t);
      }
    }
    const [padU, padV] = [cellWidth * 1e-6, cellHeight * 1e-6];
    const [c0, c1] = [
      clampCell((u0 - padU - frame.left) / cellWidth, columns),
      clampCell((u1 + padU - frame.left) / cellWidth, columns),
    ];
    const [r0, r1] = [
      clampCell((v0 - padV - frame.bottom) / cellHeight, rows),
      clampCell((v1 + padV - frame.bottom) / cellHeight, rows),
    ];
    let covered = true;
    for (let row = r0; row <= r1 && covered; row += 1)
      for (let column = c0; column <= c1; column += 1)
        if (!(nearest < cover[row * columns + column]! * CLEARLY_BEHIND)) {
          covered = false;
          break;
        }
    if (covered) {
      hidden.add('both', place(from), place(to), occluders.face[coveredBy[r0 * columns + c0]!]!);
      return;
    }
    stamp += 1;
    const toPlace = (parameter: number): number =>
      place(parameter <= 0 ? from : parameter >= 1 ? to : angleAt(from, to, parameter));
    const behind = farthest * CLEARLY_BEHIND;
    for (let row = r0; row <= r1; row += 1)
      for (let column = c0; column <= c1; column += 1) {
        const cell = row * columns + column;
        for (let i = start[cell]!; i < start[cell + 1]!; i += 1) {
          const h = list[i]!;
          if (occluders.nearest[h]! < behind) break;
          if (asked[h] === stamp) continue;
          asked[h] = stamp;
          if (apart(h, u0, u1, v0, v1)) continue;
          shapes.testConic(piece, h, own(h), edgeOn, hidden, toPlace);
        }
      }
  };

  const total = curveSets.reduce((sum, one) => sum + one.conics.length, 0);
  let index = -1;
  for (const one of curveSets)
    for (let c = 0; c < one.conics.length; c += 1) {
      index += 1;
      if (index % 8 === 7) yield index / total;
      if (drawn[index] === 0) continue;
      const conic = one.conics[c]!;
      surfaces = one.surfaces[c]!;
      edgeOn = edgeOnNormal(conic, eye);
      const firstPart = partCurve.length;
      const [whole0, whole1] = [one.range[c * 2]!, one.range[c * 2 + 1]!];
      const [rowA, rowH, rowT] = sightRows(conic, sight);
      for (const [from, to] of framedSpans(conic, whole0, whole1, sight)) {
        // Its picture's extent, roughly, by points along it: that decides how finely it is cut.
        let [length, spanU, spanV] = [0, 0, 0];
        let [pu, pv] = [0, 0];
        for (let i = 0; i <= 12; i += 1) {
          const angle = from + ((to - from) * i) / 12;
          const t = Math.max(valueAt(rowT, angle), 1e-9);
          const [u, v] = [(k * valueAt(rowA, angle)) / t, (k * valueAt(rowH, angle)) / t];
          if (i > 0) {
            length += Math.hypot(u - pu, v - pv);
            spanU += Math.abs(u - pu);
            spanV += Math.abs(v - pv);
          }
          [pu, pv] = [u, v];
        }
        const pieces = Math.min(
          MOST_PIECES,
          Math.max(
            Math.ceil((to - from) / MOST_TURN),
            Math.ceil(spanU / (cellWidth * CELLS_A_PIECE)),
            Math.ceil(spanV / (cellHeight * CELLS_A_PIECE)),
          ),
        );
        hidden.clear(Math.max(length, 1e-6));
        const place = (angle: number): number => (angle - from) / (to - from);
        for (let i = 0; i < pieces && !hidden.whole; i += 1)
          ask(
            conic,
            from + ((to - from) * i) / pieces,
            i + 1 === pieces ? to : from + ((to - from) * (i + 1)) / pieces,
            place,
          );
        let done = 0;
        const put = (until: number, by: number): void => {
          partCurve.push(index);
          partRange.push(from + (to - from) * done, until >= 1 ? to : from + (to - from) * until);
          partBy.push(by);
          done = until;
        };
        if (!hidden.empty)
          hidden.each((x, y, by) => {
            if (x > done) put(x, -1);
            put(y, by);
          });
        if (done < 1) put(1, -1);
      }
      joinSeam(firstPart, whole0, whole1);
    }

  /** On a whole turn the seam is no end: what is seen, or hidden, on both of its sides is one part. */
  function joinSeam(first: number, from: number, to: number): void {
    const last = partCurve.length - 1;
    if (to - from < TURN - tolerance.wholeTurnRad || last <= first) return;
    if (partRange[first * 2] !== from || partRange[last * 2 + 1] !== to) return;
    if (partBy[first]! < 0 !== partBy[last]! < 0) return;
    partRange[first * 2] = partRange[last * 2]!;
    partRange[first * 2 + 1] = partRange[first * 2 + 1]! + TURN;
    partCurve.pop();
    partBy.pop();
    partRange.length -= 2;
  }

  return {
    count: partCurve.length,
    curve: Int32Array.from(partCurve),
    range: Float64Array.from(partRange),
    hiddenBy: Int32Array.from(partBy),
  };
}

/** Thinner than this as it is seen, mm of the real thing, a curve is seen edge-on. */
const EDGE_ON_MM = tolerance.samePointMm;

/** The normal of a conic's plane when the eye lies in it, else null. */
function edgeOnNormal(conic: SpaceConic, eye: Vector3): Vector3 | null {
  // The rows less o's share of w: two directions of the plane.
  const [wc, ws] = [conic[7]! / conic[3]!, conic[11]! / conic[3]!];
  const direction = (i: number, w: number): Vector3 => ({
    x: conic[i]! - conic[0]! * w,
    y: conic[i + 1]! - conic[1]! * w,
    z: conic[i + 2]! - conic[2]! * w,
  });
  const [c, s] = [direction(4, wc), direction(8, ws)];
  const n = { x: c.y * s.z - c.z * s.y, y: c.z * s.x - c.x * s.z, z: c.x * s.y - c.y * s.x };
  const size = Math.hypot(n.x, n.y, n.z);
  if (!(size > 0)) return null;
  const w = conic[3]!;
  const away = { x: conic[0]! / w - eye.x, y: conic[1]! / w - eye.y, z: conic[2]! / w - eye.z };
  const off = Math.abs(n.x * away.x + n.y * away.y + n.z * away.z) / size;
  const reach = Math.max(Math.hypot(c.x, c.y, c.z), Math.hypot(s.x, s.y, s.z)) / w;
  return (off * reach) / Math.max(tolerance.nought, Math.hypot(away.x, away.y, away.z)) < EDGE_ON_MM ? n : null;
}
