import { at } from '@/core/base';
import type { Frame, Id } from '@/core/record';
import { worldPoint } from '@/core/space';
import { projectSegments, type SetUp } from '@/core/view';
import { framedSpans } from './framed-spans';
import { silhouetteLines, type PreparedScene } from './scene';
import type { VisibleLines } from './visible-lines';
import { sightOf } from './visible-lines-exact';

/** What was seen, and of which scene. */
export interface Seen {
  readonly scene: PreparedScene;
  readonly lines: VisibleLines;
}

/**
 * For each line of a list its place in another, by name; −1 where it is gone. And the places of the lines that are new there. Where a seam parts an edge
 * its parts have one name: they follow each other.
 */
function placesAfter(
  before: readonly { readonly id: Id }[],
  now: readonly { readonly id: Id }[],
): { readonly now: Int32Array; readonly fresh: readonly number[] } {
  const byName = new Map<Id, number[]>();
  for (let i = now.length - 1; i >= 0; i -= 1) {
    const { id } = at(now, i);
    const places = byName.get(id);
    if (places) places.push(i);
    else byName.set(id, [i]);
  }
  const taken = new Uint8Array(now.length);
  const places = Int32Array.from(before, ({ id }) => {
    const place = byName.get(id)?.pop() ?? -1;
    if (place >= 0) taken[place] = 1;
    return place;
  });
  return { now: places, fresh: [...now.keys()].filter((i) => taken[i] === 0) };
}

/**
 * A quick picture while the exact one is worked out for another place of the eye, or after an edit: what was seen before, as whole lines with their
 * names, where they are now; what is new in the scene is seen whole. In a drag `CarriedLines` does the same for the paper alone.
 */
export function carriedLines(scene: PreparedScene, seen: Seen, setUp: SetUp, frame: Frame): VisibleLines {
  const before = seen.lines;
  const sight = sightOf(setUp, frame);
  const silhouettes = silhouetteLines(scene, worldPoint(sight.eye.x, sight.eye.y, sight.eye.z));
  const edgesAfter = seen.scene === scene ? null : placesAfter(seen.scene.edges, scene.edges);
  const curvesAfter = seen.scene === scene ? null : placesAfter(seen.scene.curves, scene.curves);
  /** Where a line of before is now, among the scene's and after them the silhouettes; −1 where it is gone. */
  const followed = (
    [linesBefore, silhouettesBefore]: readonly [readonly unknown[], readonly { readonly id: Id }[]],
    [lines, silhouettesNow]: readonly [readonly unknown[], readonly { readonly id: Id }[]],
    after: Int32Array | undefined,
  ): ((old: number) => number) => {
    const named = new Map(silhouettesNow.map(({ id }, i) => [id, lines.length + i]));
    return (old) =>
      old >= linesBefore.length
        ? (named.get(at(silhouettesBefore, old - linesBefore.length).id) ?? -1)
        : after
          ? at(after, old)
          : old;
  };
  const straight = followed([seen.scene.edges, before.silhouettes], [scene.edges, silhouettes.edges], edgesAfter?.now);
  const round = followed(
    [seen.scene.curves, before.curves.silhouettes],
    [scene.curves, silhouettes.curves],
    curvesAfter?.now,
  );
  const seenRows = Array.from(before.seen.keys()).filter((row) => before.seen[row] === 1);
  const most = seenRows.length + (edgesAfter?.fresh.length ?? 0);
  const ends = new Float64Array(most * 6);
  const edges = new Int32Array(most);
  const along = new Float64Array(most * 2);
  const first = scene.edges.length;
  let count = 0;
  const put = (index: number, s0: number, s1: number): void => {
    const { from, to } = index < first ? at(scene.edges, index) : at(silhouettes.edges, index - first);
    for (let end = 0; end < 2; end += 1) {
      const s = end === 0 ? s0 : s1;
      along[count * 2 + end] = s;
      ends[count * 6 + end * 3] = from.x + (to.x - from.x) * s;
      ends[count * 6 + end * 3 + 1] = from.y + (to.y - from.y) * s;
      ends[count * 6 + end * 3 + 2] = from.z + (to.z - from.z) * s;
    }
    edges[count] = index;
    count += 1;
  };
  for (const row of seenRows) {
    const index = straight(at(before.edge, row));
    if (index >= 0) put(index, at(before.along, row * 2), at(before.along, row * 2 + 1));
  }
  for (const index of edgesAfter?.fresh ?? []) put(index, 0, 1);
  const picture = new Float64Array(count * 4);
  const part = new Int32Array(count);
  const rows = projectSegments(setUp, ends.subarray(0, count * 6), frame, picture, part);
  const curves: { curve: number; from: number; to: number }[] = [];
  const putCurve = (index: number, from: number, to: number): void => {
    const { conic } =
      index < scene.curves.length ? at(scene.curves, index) : at(silhouettes.curves, index - scene.curves.length);
    for (const [low, high] of framedSpans(conic, from, to, sight)) curves.push({ curve: index, from: low, to: high });
  };
  before.curves.seen.forEach((is, row) => {
    if (is !== 1) return;
    const index = round(at(before.curves.curve, row));
    if (index >= 0) putCurve(index, at(before.curves.range, row * 2), at(before.curves.range, row * 2 + 1));
  });
  for (const index of curvesAfter?.fresh ?? []) {
    const { from, to } = at(scene.curves, index);
    putCurve(index, from, to);
  }
  return {
    silhouettes: silhouettes.edges,
    picture: picture.subarray(0, rows * 4),
    along: Float64Array.from({ length: rows * 2 }, (_, i) => at(along, at(part, i >> 1) * 2 + (i & 1))),
    edge: Int32Array.from({ length: rows }, (_, i) => at(edges, at(part, i))),
    seen: new Uint8Array(rows).fill(1),
    hiddenBy: new Int32Array(rows).fill(-1),
    curves: {
      silhouettes: silhouettes.curves,
      curve: Int32Array.from(curves, (one) => one.curve),
      range: Float64Array.from(curves.flatMap((one) => [one.from, one.to])),
      seen: new Uint8Array(curves.length).fill(1),
      hiddenBy: new Int32Array(curves.length).fill(-1),
    },
  };
}
