import type { Frame } from '@/core/record';
import type { SetUp } from '@/core/view';
import { at } from '@/core/base';
import type { ConicArc, Trigonometric } from '@/core/geometry';
import type { PreparedCurve, PreparedEdge, PreparedScene } from './scene';
import type { SpaceConic } from './space-conic';

/** Rows of straight strokes: plain arrays, so that a worker can hand them over without copying. */
export interface VisibleLines {
  /** Silhouettes of round faces as seen from here: indices beyond the scene's own edges point into these. */
  readonly silhouettes: readonly PreparedEdge[];
  /** Picture mm, [u0, v0, u1, v1] for each row. */
  readonly picture: Float64Array;
  /** Parameters along the edge, [from, to] for each row, 0 at the edge's first vertex. */
  readonly along: Float64Array;
  /** For each row the edge by its place in the scene's list, and after those the silhouettes. */
  readonly edge: Int32Array;
  /** 1 seen, 0 hidden. */
  readonly seen: Uint8Array;
  /** For each row the face that hides it, by its place in the scene's list; −1 where it is seen. */
  readonly hiddenBy: Int32Array;
  readonly curves: VisibleCurves;
}

/** Parts of what is not straight, rows as for the straight ones. */
export interface VisibleCurves {
  /** Silhouettes of balls as seen from here: indices beyond the scene's own curves point into these. */
  readonly silhouettes: readonly PreparedCurve[];
  readonly curve: Int32Array;
  /** Angles on the curve, [from, to] for each row; a part across a circle's seam ends beyond a whole turn. */
  readonly range: Float64Array;
  readonly seen: Uint8Array;
  readonly hiddenBy: Int32Array;
}

export const noCurves: VisibleCurves = {
  silhouettes: [],
  curve: new Int32Array(),
  range: new Float64Array(),
  seen: new Uint8Array(),
  hiddenBy: new Int32Array(),
};

/**
 * The interface the drawing engine keeps: a generator that yields its progress in [0, 1] and returns the rows. Worker,
 * headless command and tests drain the same one.
 */
export type VisibleLinesMethod = (scene: PreparedScene, setUp: SetUp, frame: Frame) => Generator<number, VisibleLines>;

/** The curve a row of the curves is a part of. */
export function curveOfRow(scene: PreparedScene, { curves }: VisibleLines, row: number): PreparedCurve {
  const index = at(curves.curve, row);
  return index < scene.curves.length ? at(scene.curves, index) : at(curves.silhouettes, index - scene.curves.length);
}

/** A part of a curve as it lies in the picture, mm. */
export function conicOfRow(scene: PreparedScene, setUp: SetUp, lines: VisibleLines, row: number): ConicArc {
  const { conic } = curveOfRow(scene, lines, row);
  return pictureConic(setUp, conic, at(lines.curves.range, row * 2), at(lines.curves.range, row * 2 + 1));
}

/** A conic's picture: u = k·a/t and v = k·h/t are quotients of rows. */
export function pictureConic(setUp: SetUp, conic: SpaceConic, from: number, to: number): ConicArc {
  const { station: s, right: r, forward: f, viewingDistance: k, eyeZ } = setUp;
  const row = (x: number, y: number, z: number): Trigonometric => {
    const eye = x * s.x + y * s.y + z * eyeZ;
    const one = (i: number): number =>
      x * at(conic, i) + y * at(conic, i + 1) + z * at(conic, i + 2) - eye * at(conic, i + 3);
    return [one(0), one(4), one(8)];
  };
  return { x: row(k * r.x, k * r.y, 0), y: row(0, 0, k), w: row(f.x, f.y, 0), from, to };
}

/** The edge or silhouette a row is a part of. */
export function edgeOfRow(scene: PreparedScene, lines: VisibleLines, row: number): PreparedEdge {
  const index = at(lines.edge, row);
  return index < scene.edges.length ? at(scene.edges, index) : at(lines.silhouettes, index - scene.edges.length);
}
