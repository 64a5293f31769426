import { at } from '@/core/base';
import type { Frame } from '@/core/record';
import { worldPoint } from '@/core/space';
import { projectSegments, type SetUp } from '@/core/view';
import { framedSpans } from './framed-spans';
import { silhouetteLines, type PreparedScene } from './scene';
import type { VisibleLines } from './visible-lines';
import { sightOf } from './visible-lines-exact';

/**
 * A quick picture while the exact one is worked out for another place of the eye: what was seen from the place before, as whole lines with their names.
 * In a drag `CarriedLines` does the same for the paper alone.
 */
export function carriedLines(scene: PreparedScene, before: VisibleLines, setUp: SetUp, frame: Frame): VisibleLines {
  const sight = sightOf(setUp, frame);
  const silhouettes = silhouetteLines(scene, worldPoint(sight.eye.x, sight.eye.y, sight.eye.z));
  const straight = new Map(silhouettes.edges.map((silhouette, i) => [silhouette.id, i]));
  const round = new Map(silhouettes.curves.map((silhouette, i) => [silhouette.id, i]));
  const seenRows = Array.from(before.seen.keys()).filter((row) => before.seen[row] === 1);
  const ends = new Float64Array(seenRows.length * 6);
  const edges = new Int32Array(seenRows.length);
  const along = new Float64Array(seenRows.length * 2);
  const first = scene.edges.length;
  let count = 0;
  for (const row of seenRows) {
    let index = at(before.edge, row);
    if (index >= first) {
      const known = straight.get(at(before.silhouettes, index - first).id);
      if (known === undefined) continue;
      index = first + known;
    }
    const { from, to } = index < first ? at(scene.edges, index) : at(silhouettes.edges, index - first);
    for (let end = 0; end < 2; end += 1) {
      const s = at(before.along, row * 2 + end);
      along[count * 2 + end] = s;
      ends[count * 6 + end * 3] = from.x + (to.x - from.x) * s;
      ends[count * 6 + end * 3 + 1] = from.y + (to.y - from.y) * s;
      ends[count * 6 + end * 3 + 2] = from.z + (to.z - from.z) * s;
    }
    edges[count] = index;
    count += 1;
  }
  const picture = new Float64Array(count * 4);
  const part = new Int32Array(count);
  const rows = projectSegments(setUp, ends.subarray(0, count * 6), frame, picture, part);
  const curves: { curve: number; from: number; to: number }[] = [];
  before.curves.seen.forEach((seen, row) => {
    if (seen !== 1) return;
    let index = at(before.curves.curve, row);
    if (index >= scene.curves.length) {
      const known = round.get(at(before.curves.silhouettes, index - scene.curves.length).id);
      if (known === undefined) return;
      index = scene.curves.length + known;
    }
    const { conic } =
      index < scene.curves.length ? at(scene.curves, index) : at(silhouettes.curves, index - scene.curves.length);
    for (const [from, to] of framedSpans(
      conic,
      at(before.curves.range, row * 2),
      at(before.curves.range, row * 2 + 1),
      sight,
    ))
      curves.push({ curve: index, from, to });
  });
  return {
    edgeIds: [...scene.edges.map((edge) => edge.id), ...silhouettes.edges.map((silhouette) => silhouette.id)],
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
