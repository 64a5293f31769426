import { at } from '@/core/base';
import { dot3, type Vector3 } from '@/core/geometry';
import type { Id } from '@/core/record';
import type { WorldPoint } from '@/core/space';
import { pointAlong, rowsOf, type Box } from './edge-by-face';
import { limbEdges, type PreparedScene } from './scene';
import { drain } from './visible-lines';

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
  readonly flat: Float64Array;
  readonly seen: Uint8Array;
}

/**
 * How far off the viewer stands who tells what hides what: 100 km, from where sight lines across 5 m of depth part by less than 0.3 mm.
 * Only that is asked of the far eye; where a line ends on the paper is measured square to it, and exact.
 */
const FAR_MM = 1e8;

/** Plan, elevation or side view of a scene: what is seen from one side. */
export function parallelView(scene: PreparedScene, { origin, right, up, toward }: ParallelGiven): ParallelLines {
  const eye = {
    x: origin.x + toward.x * FAR_MM,
    y: origin.y + toward.y * FAR_MM,
    z: origin.z + toward.z * FAR_MM,
  } as WorldPoint;
  const place = (p: Vector3): readonly [number, number] => {
    const away = { x: p.x - origin.x, y: p.y - origin.y, z: p.z - origin.z };
    return [dot3(away, right), dot3(away, up)];
  };
  const bounds = (points: readonly WorldPoint[]): Box => {
    let [left, r, bottom, top] = [Infinity, -Infinity, Infinity, -Infinity];
    for (const point of points) {
      const [a, b] = place(point);
      left = Math.min(left, a);
      r = Math.max(r, a);
      bottom = Math.min(bottom, b);
      top = Math.max(top, b);
    }
    // Wide enough for the parting of the sight lines.
    return { left: left - 1, right: r + 1, bottom: bottom - 1, top: top + 1 };
  };
  const edges = [...scene.edges, ...limbEdges(scene, eye)];
  const rows = drain(rowsOf(scene, edges, { eye, interval: () => [0, 1], bounds }));
  const flat = new Float64Array(rows.length * 4);
  const seen = new Uint8Array(rows.length);
  rows.forEach((row, i) => {
    const edge = at(edges, row.edge);
    const [a, b] = [place(pointAlong(edge, row.from)), place(pointAlong(edge, row.to))];
    flat.set([...a, ...b], i * 4);
    seen[i] = row.seen ? 1 : 0;
  });
  return { edgeIds: rows.map((row) => at(edges, row.edge).id), flat, seen };
}
