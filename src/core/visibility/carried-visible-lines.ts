import { at } from '@/core/base';
import type { Frame, Id } from '@/core/record';
import { worldPoint } from '@/core/space';
import { projectSegments, type SetUp } from '@/core/view';
import { framedSpans } from './framed-spans';
import { silhouetteLines, type PreparedEdge, type PreparedScene } from './scene';
import type { VisibleLines } from './visible-lines';
import { sightOf } from './visible-lines-exact';

/** What was seen, and of which scene. */
export interface Seen {
  readonly scene: PreparedScene;
  readonly lines: VisibleLines;
}

type Named = Pick<PreparedEdge, 'id' | 'body'>;

/**
 * For each line of a list its place in another, by name; −1 where it is gone. And the places of the lines that are new there. Where a seam parts an edge
 * its parts have one name: they follow each other. Lines of bodies that were left alone are the very same, and keep their order: only what lies between
 * them is looked up by its name.
 */
function placesAfter(
  before: readonly Named[],
  now: readonly Named[],
): { readonly now: Int32Array; readonly fresh: readonly number[] } {
  const places = new Int32Array(before.length).fill(-1);
  const fresh: number[] = [];
  const endOf = (list: readonly Named[], from: number): number => {
    const { body } = at(list, from);
    let end = from + 1;
    while (list[end]?.body === body) end += 1;
    return end;
  };
  const bodiesOf = (list: readonly Named[]): ReadonlySet<Id> => new Set(list.map(({ body }) => body));
  let bodies: readonly [before: ReadonlySet<Id>, now: ReadonlySet<Id>] | null = null;
  let [i, j] = [0, 0];
  for (;;) {
    while (i < before.length && before[i] === now[j]) {
      places[i] = j;
      i += 1;
      j += 1;
    }
    if (i === before.length || j === now.length) break;
    const [nextI, nextJ] = [endOf(before, i), endOf(now, j)];
    if (at(before, i).body === at(now, j).body) {
      // The same body, made anew.
      byName(before, [i, nextI], now, [j, nextJ], places, fresh);
      [i, j] = [nextI, nextJ];
      continue;
    }
    bodies ??= [bodiesOf(before), bodiesOf(now)];
    if (!bodies[1].has(at(before, i).body)) i = nextI;
    else if (!bodies[0].has(at(now, j).body)) {
      for (; j < nextJ; j += 1) fresh.push(j);
    } else break;
  }
  // In another order, or at an end: by name, all that is left.
  byName(before, [i, before.length], now, [j, now.length], places, fresh);
  return { now: places, fresh };
}

type Stretch = readonly [from: number, to: number];

function byName(
  before: readonly Named[],
  [fromI, toI]: Stretch,
  now: readonly Named[],
  [fromJ, toJ]: Stretch,
  places: Int32Array,
  fresh: number[],
): void {
  const named = new Map<Id, number[]>();
  for (let j = toJ - 1; j >= fromJ; j -= 1) {
    const { id } = at(now, j);
    const known = named.get(id);
    if (known) known.push(j);
    else named.set(id, [j]);
  }
  for (let i = fromI; i < toI; i += 1) places[i] = named.get(at(before, i).id)?.pop() ?? -1;
  for (const place of [...named.values()].flat().sort((a, b) => a - b)) fresh.push(place);
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
          ? (after[old] as number)
          : old;
  };
  const straight = followed([seen.scene.edges, before.silhouettes], [scene.edges, silhouettes.edges], edgesAfter?.now);
  const round = followed(
    [seen.scene.curves, before.curves.silhouettes],
    [scene.curves, silhouettes.curves],
    curvesAfter?.now,
  );
  const most = before.seen.length + (edgesAfter?.fresh.length ?? 0);
  const ends = new Float64Array(most * 6);
  const edges = new Int32Array(most);
  const along = new Float64Array(most * 2);
  const first = scene.edges.length;
  let count = 0;
  const put = (index: number, s0: number, s1: number): void => {
    const { from, to } = scene.edges[index] ?? at(silhouettes.edges, index - first);
    const [dx, dy, dz] = [to.x - from.x, to.y - from.y, to.z - from.z];
    along[count * 2] = s0;
    along[count * 2 + 1] = s1;
    ends[count * 6] = from.x + dx * s0;
    ends[count * 6 + 1] = from.y + dy * s0;
    ends[count * 6 + 2] = from.z + dz * s0;
    ends[count * 6 + 3] = from.x + dx * s1;
    ends[count * 6 + 4] = from.y + dy * s1;
    ends[count * 6 + 5] = from.z + dz * s1;
    edges[count] = index;
    count += 1;
  };
  for (let row = 0; row < before.seen.length; row += 1) {
    if (before.seen[row] !== 1) continue;
    const index = straight(before.edge[row] as number);
    if (index >= 0) put(index, before.along[row * 2] as number, before.along[row * 2 + 1] as number);
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
    along: new Float64Array(rows * 2).map((_, i) => along[(part[i >> 1] as number) * 2 + (i & 1)] as number),
    edge: part.slice(0, rows).map((one) => edges[one] as number),
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
