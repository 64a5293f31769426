import type { Id } from '@/core/record';
import type { Frame } from '@/core/record';
import type { SetUp } from '@/core/view';
import { at } from '@/core/base';
import type { PreparedEdge, PreparedScene } from './scene';

/** Rows of straight strokes: plain arrays, so that a worker can hand them over without copying. */
export interface VisibleLines {
  /** Names of the edges, which `edge` points into. */
  readonly edgeIds: readonly Id[];
  /** Limbs of round faces as seen from here: indices beyond the scene's own edges point into these. */
  readonly limbs: readonly PreparedEdge[];
  /** Picture mm, [u0, v0, u1, v1] for each row. */
  readonly picture: Float64Array;
  /** Parameters along the edge, [from, to] for each row, 0 at the edge's first vertex. */
  readonly along: Float64Array;
  /** Index into edgeIds for each row. */
  readonly edge: Int32Array;
  /** 1 seen, 0 hidden. */
  readonly seen: Uint8Array;
  /** For each row the face that hides it, by its place in the scene's list; −1 where it is seen. */
  readonly hiddenBy: Int32Array;
}

/**
 * The interface the drawing engine keeps: a generator that yields its progress in [0, 1] and returns the rows. Worker,
 * headless command and tests drain the same one.
 */
export type VisibleLinesMethod = (scene: PreparedScene, set: SetUp, frame: Frame) => Generator<number, VisibleLines>;

/** Runs a method to its end at once. */
export function drain<T>(steps: Generator<number, T>): T {
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}

/** The edge, arc chord or limb a row is a part of. */
export function edgeOfRow(scene: PreparedScene, lines: VisibleLines, row: number): PreparedEdge {
  const index = at(lines.edge, row);
  return index < scene.edges.length ? at(scene.edges, index) : at(lines.limbs, index - scene.edges.length);
}
