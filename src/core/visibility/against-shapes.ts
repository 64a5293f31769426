import type { Vector3 } from '@/core/geometry';
import { tolerance } from '@/core/numeric';
import { worldPoint } from '@/core/space';
import type { SightedEdge } from './edge-against-face';
import type { PlanarShape } from './face-shape';
import type { HiddenStretches } from './hidden-stretches';
import type { Occluders } from './occluders';
import type { PolygonSet, Sight } from './polygon-set';
import { ShapeInSight } from './shape-in-sight';

/** Stretches of a piece shorter than this share of it are rounding. */
const LEAST = 1e-13;

/**
 * Lines held against faces where either is curved: the line's piece is cut where anything can change, and of each stretch one sight line on either
 * side tells whether it is hidden. Shapes are laid out for the eye when they are first asked.
 */
export class AgainstShapes {
  private readonly known: (ShapeInSight | undefined)[] = [];
  private readonly marks: number[] = [];

  constructor(
    private readonly set: PolygonSet,
    private readonly occluders: Occluders,
    private readonly sight: Sight,
  ) {}

  /** The occluder as a shape, polygons too. */
  shape(h: number): ShapeInSight {
    let known = this.known[h];
    if (!known) {
      const { set, occluders, sight } = this;
      const number = occluders.shape[h]!;
      const shape = (number >= 0 ? set.curved?.shapes[number] : undefined) ?? this.polygonShape(occluders.face[h]!);
      known = new ShapeInSight(shape, sight, shape.kind === 'round' && shape.round.seen === 'room-side');
      this.known[h] = known;
    }
    return known;
  }

  /** A straight edge, cut to frame and near plane, against a curved face. @param rows its ends in the world, w = 1 last. */
  test(
    { a, b }: SightedEdge,
    rows: Float64Array,
    beside: Vector3,
    h: number,
    own: boolean,
    into: HiddenStretches,
  ): void {
    const { planes, isRound } = this.occluders;
    if (isRound[h] === 0) {
      // Wholly before the face's plane.
      const p = h * 4;
      const [na, nb, nc, side] = [planes[p]!, planes[p + 1]!, planes[p + 2]!, planes[p + 3]!];
      if (
        na * a[0]! + nb * a[1]! + nc * a[2]! + side >= -tolerance.touchMm &&
        na * b[0]! + nb * b[1]! + nc * b[2]! + side >= -tolerance.touchMm
      )
        return;
    }
    const shape = this.shape(h);
    // Nothing of the face comes near the edge's sight plane.
    const { centre, reach } = shape;
    const off = beside.x * (centre.x - rows[0]!) + beside.y * (centre.y - rows[1]!) + beside.z * (centre.z - rows[2]!);
    if (Math.abs(off) > reach) return;
    const [ta, tb] = [a[2]!, b[2]!];
    const pictured = (along: number): number => (along * tb) / ((1 - along) * ta + along * tb);
    const point = { x: 0, y: 0, z: 0 };
    this.stretches(
      shape,
      rows,
      1,
      (middle) => {
        point.x = rows[0]! + (rows[4]! - rows[0]!) * middle;
        point.y = rows[1]! + (rows[5]! - rows[1]!) * middle;
        point.z = rows[2]! + (rows[6]! - rows[2]!) * middle;
        return shape.hides(point, beside, own);
      },
      (from, to, sides) => this.report(into, sides, pictured(from), pictured(to), h),
    );
  }

  /** A piece of a conic against any occluder; `place` takes a piece's parameter to that of the stretches. */
  testConic(
    rows: Float64Array,
    h: number,
    own: boolean,
    edgeOn: Vector3 | null,
    into: HiddenStretches,
    place: (parameter: number) => number,
  ): void {
    // A flat face hides nothing of what lies on it.
    if (own && this.occluders.isRound[h] === 0) return;
    const shape = this.shape(h);
    const { eye } = this.sight;
    this.stretches(
      shape,
      rows,
      2,
      (x) => {
        const y = 1 - x;
        const value = (i: number): number => rows[i]! * y * y + 2 * rows[i + 4]! * x * y + rows[i + 8]! * x * x;
        const slope = (i: number): number => (rows[i + 4]! - rows[i]!) * y + (rows[i + 8]! - rows[i + 4]!) * x;
        const [w, dw] = [value(3), slope(3)];
        const point = { x: value(0) / w, y: value(1) / w, z: value(2) / w };
        const run = { x: slope(0) - point.x * dw, y: slope(1) - point.y * dw, z: slope(2) - point.z * dw };
        const ray = { x: point.x - eye.x, y: point.y - eye.y, z: point.z - eye.z };
        const across = {
          x: ray.y * run.z - ray.z * run.y,
          y: ray.z * run.x - ray.x * run.z,
          z: ray.x * run.y - ray.y * run.x,
        };
        const size = Math.sqrt(across.x * across.x + across.y * across.y + across.z * across.z);
        if (!(size > 0)) return 0;
        // Seen edge-on, a curve turns back on itself: its two sides are then those of its plane.
        const turned = edgeOn && edgeOn.x * across.x + edgeOn.y * across.y + edgeOn.z * across.z < 0;
        const by = turned ? -size : size;
        return shape.hides(point, { x: across.x / by, y: across.y / by, z: across.z / by }, own);
      },
      (from, to, sides) => this.report(into, sides, place(from), place(to), h),
    );
  }

  private stretches(
    shape: ShapeInSight,
    rows: Float64Array,
    degree: 1 | 2,
    ask: (middle: number) => number,
    put: (from: number, to: number, sides: number) => void,
  ): void {
    const { marks } = this;
    marks.length = 0;
    shape.pushChanges(rows, degree, marks);
    marks.sort((p, q) => p - q);
    marks.push(1);
    let [at, start, state] = [0, 0, 0];
    for (const mark of marks) {
      if (mark - at < LEAST) continue;
      const sides = ask((at + mark) / 2);
      if (sides !== state) {
        if (state !== 0) put(start, at, state);
        [start, state] = [at, sides];
      }
      at = mark;
    }
    if (state !== 0) put(start, 1, state);
  }

  private report(into: HiddenStretches, sides: number, from: number, to: number, h: number): void {
    into.add(sides === 3 ? 'both' : sides === 1 ? 'left' : 'right', from, to, this.occluders.face[h]!);
  }

  private polygonShape(f: number): PlanarShape {
    const { faceLoop, loopCorner, corners, planes } = this.set;
    const loops = [];
    const point = (c: number) => worldPoint(corners[c * 3]!, corners[c * 3 + 1]!, corners[c * 3 + 2]!);
    for (let loop = faceLoop[f]!; loop < faceLoop[f + 1]!; loop += 1) {
      const [first, end] = [loopCorner[loop]!, loopCorner[loop + 1]!];
      loops.push(
        Array.from({ length: end - first }, (_, i) => ({
          from: point(first + i),
          to: point(first + ((i + 1) % (end - first))),
        })),
      );
    }
    return {
      kind: 'planar',
      normal: { x: planes[f * 4]!, y: planes[f * 4 + 1]!, z: planes[f * 4 + 2]! },
      offset: planes[f * 4 + 3]!,
      loops,
    };
  }
}
