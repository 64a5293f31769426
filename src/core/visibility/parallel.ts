import { at } from '@/core/base';
import { conicChain, dot3, type ConicArc, type Trigonometric, type Vector3 } from '@/core/geometry';
import type { Id } from '@/core/record';
import type { WorldPoint } from '@/core/space';
import { polygonsOf } from './polygons';
import type { PreparedCurve, PreparedEdge, PreparedScene } from './scene';
import type { SpaceConic } from './space-conic';
import { drain } from '@/core/base';
import { sceneParts } from './visible-lines-exact';

/** A parallel view: `right` and `up` are unit directions on the paper, `toward` points from the things to the viewer; square to each other. */
export interface ParallelGiven {
  readonly origin: Vector3;
  readonly right: Vector3;
  readonly up: Vector3;
  readonly toward: Vector3;
}

/** Rows of strokes true to size: mm of the real thing, [across, up] from the origin. */
export interface ParallelLines {
  readonly edgeIds: readonly Id[];
  /** Of each row the line it is a part of. */
  readonly rows: readonly Pick<PreparedEdge, 'id' | 'role' | 'body'>[];
  readonly flat: Float64Array;
  readonly seen: Uint8Array;
  /** What is not straight: conics true to size, w = 1 for circles. */
  readonly curves: readonly (Pick<PreparedCurve, 'id' | 'role' | 'body'> & {
    readonly arc: ConicArc;
    readonly seen: boolean;
  })[];
}

/**
 * How far off the viewer stands who tells what hides what: 100 km, from where sight lines across 5 m of depth part by less than 0.3 mm.
 * Only that is asked of the far eye; where a line ends on the paper is measured square to it, and exact.
 */
const FAR_MM = 1e8;

/** Plan, elevation or side view of a scene: what is seen from one side. */
export const parallelView = (scene: PreparedScene, given: ParallelGiven): ParallelLines =>
  drain(parallelViewInSteps(scene, given));

/** The same in steps; yields what part of the work is done. */
export function* parallelViewInSteps(
  scene: PreparedScene,
  { origin, right, up, toward }: ParallelGiven,
): Generator<number, ParallelLines> {
  const eye = {
    x: origin.x + toward.x * FAR_MM,
    y: origin.y + toward.y * FAR_MM,
    z: origin.z + toward.z * FAR_MM,
  } as WorldPoint;
  const ready = polygonsOf(scene);
  const place = (x: number, y: number, z: number): readonly [number, number] => {
    const away = { x: x - origin.x, y: y - origin.y, z: z - origin.z };
    return [dot3(away, right), dot3(away, up)];
  };
  let [left, edge, bottom, top] = [Infinity, -Infinity, Infinity, -Infinity];
  const { corners } = ready.polygons;
  const { ends } = ready.edges;
  for (const points of [corners, ends])
    for (let i = 0; i + 2 < points.length; i += 3) {
      const [a, b] = place(at(points, i), at(points, i + 1), at(points, i + 2));
      left = Math.min(left, a);
      edge = Math.max(edge, a);
      bottom = Math.min(bottom, b);
      top = Math.max(top, b);
    }
  // At this distance the picture is the thing itself, to scale 1:1; a millimetre round it for the parting of the sight lines.
  const frame = { left: left - 1, right: edge + 1, bottom: bottom - 1, top: top + 1 };
  const { parts, silhouettes, curveParts, silhouetteCurves } = yield* sceneParts(scene, {
    eye,
    right,
    up,
    forward: { x: -toward.x, y: -toward.y, z: -toward.z },
    viewingDistance: FAR_MM,
    frame,
    near: 1,
  });
  const flat = new Float64Array(parts.count * 4);
  const edgeIds: Id[] = [];
  const rows: PreparedEdge[] = [];
  for (let row = 0; row < parts.count; row += 1) {
    const index = at(parts.edge, row);
    const one = index < scene.edges.length ? at(scene.edges, index) : at(silhouettes, index - scene.edges.length);
    edgeIds.push(one.id);
    rows.push(one);
    for (let end = 0; end < 2; end += 1) {
      const along = at(parts.along, row * 2 + end);
      const point = (from: number, to: number): number => from + (to - from) * along;
      flat.set(
        place(point(one.from.x, one.to.x), point(one.from.y, one.to.y), point(one.from.z, one.to.z)),
        row * 4 + end * 2,
      );
    }
  }
  const row = (conic: SpaceConic, d: Vector3): Trigonometric => {
    const zero = dot3(origin, d);
    const one = (i: number): number =>
      d.x * at(conic, i) + d.y * at(conic, i + 1) + d.z * at(conic, i + 2) - zero * at(conic, i + 3);
    return [one(0), one(4), one(8)];
  };
  const curves = Array.from(curveParts.curve, (index, i) => {
    const one =
      index < scene.curves.length ? at(scene.curves, index) : at(silhouetteCurves, index - scene.curves.length);
    const { conic } = one;
    const arc: ConicArc = {
      x: row(conic, right),
      y: row(conic, up),
      w: [at(conic, 3), at(conic, 7), at(conic, 11)],
      from: at(curveParts.range, i * 2),
      to: at(curveParts.range, i * 2 + 1),
    };
    return { id: one.id, role: one.role, body: one.body, arc, seen: at(curveParts.hiddenBy, i) < 0 };
  });
  return { edgeIds, rows, flat, seen: Uint8Array.from(parts.hiddenBy, (by) => (by < 0 ? 1 : 0)), curves };
}

/** Everything seen as straight rows, curves as chains within so many mm of them: for screens and small pictures. */
export function seenChains(
  { flat, seen, edgeIds, curves }: ParallelLines,
  within: number,
): readonly { readonly id: Id; readonly row: readonly [number, number, number, number] }[] {
  const rows: { id: Id; row: readonly [number, number, number, number] }[] = [];
  edgeIds.forEach((id, i) => {
    if (seen[i] === 1)
      rows.push({ id, row: [at(flat, i * 4), at(flat, i * 4 + 1), at(flat, i * 4 + 2), at(flat, i * 4 + 3)] });
  });
  for (const one of curves) {
    if (!one.seen) continue;
    const points = conicChain(one.arc, within);
    points.slice(1).forEach((b, i) => {
      const a = at(points, i);
      rows.push({ id: one.id, row: [a.x, a.y, b.x, b.y] });
    });
  }
  return rows;
}
