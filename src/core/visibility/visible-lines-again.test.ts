import { describe, expect, it } from 'vitest';
import { DEMOS } from '@/app/demo';
import { at, seededRandom } from '@/core/base';
import { applyChange, type Change, type Project } from '@/core/record';
import { bodiesOf } from '@/core/solids';
import { resolveSetUp } from '@/core/view';
import { runs, holds } from '@/testing';
import { curveOfRow, drain, edgeOfRow, prepareBodies, sceneFrom, visibleLinesAgain, visibleLinesExact } from './index';
import type { PreparedScene, VisibleLines } from './index';

/** What is seen of each line: parameters along it joined, so that it does not matter where rows begin. */
function seenSpans(scene: PreparedScene, lines: VisibleLines): ReadonlyMap<string, readonly number[]> {
  const spans = new Map<string, [number, number][]>();
  const put = (id: string, from: number, to: number): void => {
    const list = spans.get(id);
    if (list) list.push([from, to]);
    else spans.set(id, [[from, to]]);
  };
  lines.seen.forEach((is, row) => {
    if (is === 1) put(edgeOfRow(scene, lines, row).id, at(lines.along, row * 2), at(lines.along, row * 2 + 1));
  });
  lines.curves.seen.forEach((is, row) => {
    if (is === 1)
      put(curveOfRow(scene, lines, row).id, at(lines.curves.range, row * 2), at(lines.curves.range, row * 2 + 1));
  });
  return new Map(
    [...spans].map(([id, list]) => {
      const joined: [number, number][] = [];
      for (const [from, to] of list.sort((a, b) => a[0] - b[0])) {
        const last = joined.at(-1);
        if (last && from <= last[1] + 1e-7) last[1] = Math.max(last[1], to);
        else joined.push([from, to]);
      }
      return [id, joined.flat()];
    }),
  );
}

/** One edit of a piece at random: moved, turned, resized, taken out, or set down again beside itself. */
function editOf(project: Project, random: () => number): Change {
  const piece = at(project.pieces, Math.floor(random() * project.pieces.length));
  const pieceId = piece.id;
  const changes: readonly Change[] = [
    { kind: 'move-pieces', pieceIds: [pieceId], by: { x: (random() - 0.5) * 900, y: (random() - 0.5) * 900 } },
    { kind: 'turn-piece-about-middle', pieceId, turnDeg: Math.round(random() * 359) },
    { kind: 'move-size', sizeId: piece.height.id, mm: 300 + Math.round(random() * 900) },
    { kind: 'remove-piece', pieceId },
    { kind: 'duplicate-piece', pieceId },
  ];
  return at(changes, Math.floor(random() * changes.length));
}

describe.each(DEMOS.map((demo) => [demo.id, demo] as const))('lines found again after an edit, %s', (_, demo) => {
  const view = at(demo.views, 0);
  const resolved = resolveSetUp(demo, view);
  if (!resolved.ok) throw new Error(resolved.error.message);
  const setUp = resolved.value;

  it('are the lines that are found from nothing, through a row of edits (seeds 1…)', () => {
    let kept = 0;
    for (let seed = 1; seed <= Math.max(2, Math.round(runs() / 25)); seed += 1) {
      const random = seededRandom(seed);
      let project: Project = demo;
      let prepared = prepareBodies(bodiesOf(project));
      let scene = sceneFrom(prepared);
      let lines = drain(visibleLinesExact(scene, setUp, view.frame));
      for (let i = 0; i < 3; i += 1) {
        const edit = applyChange(project, editOf(project, random));
        if (!edit.ok) continue;
        project = edit.value;
        const known = new Map([...prepared.keys()].map((body) => [JSON.stringify(body), body]));
        // Bodies that are as they were keep their identity, as they do at the desk.
        prepared = prepareBodies(
          bodiesOf(project).map((body) => known.get(JSON.stringify(body)) ?? body),
          prepared,
        );
        const now = sceneFrom(prepared);
        const again = drain(visibleLinesAgain(now, setUp, view.frame, { scene, lines }));
        const exact = drain(visibleLinesExact(now, setUp, view.frame));
        const [found, truly] = [seenSpans(now, again), seenSpans(now, exact)];
        expect([...found.keys()].sort(), `seed ${seed}`).toEqual([...truly.keys()].sort());
        for (const [id, spans] of truly) {
          const own = found.get(id) ?? [];
          expect(own.length, `seed ${seed}, ${id}`).toBe(spans.length);
          spans.forEach((value, k) => holds(Math.abs(at(own, k) - value) < 5e-7, () => `seed ${seed}, ${id}`));
        }
        again.hiddenBy.forEach((by, row) => holds(by < 0 === (again.seen[row] === 1), () => `${row}`));
        // What is said to hide a line hides it from nothing as well: of several either may be named.
        const hiders = (one: VisibleLines): ReadonlyMap<string, string> =>
          new Map(
            [...one.edge].flatMap((_, row): [string, string][] => {
              const by = at(one.hiddenBy, row);
              const key = `${edgeOfRow(now, one, row).id} ${at(one.along, row * 2).toFixed(5)}`;
              return by < 0 ? [] : [[key, at(now.faces, by).face.id]];
            }),
          );
        const [own, others] = [hiders(again), hiders(exact)];
        const common = [...own].filter(([key]) => others.has(key));
        const alike = common.filter(([key, face]) => others.get(key) === face);
        if (common.length > 20) expect(alike.length / common.length, `seed ${seed}`).toBeGreaterThan(0.9);
        // Kept rows stand before new ones: the numbers then do not rise from row to row.
        if (again.edge.some((line, row) => row > 0 && line < at(again.edge, row - 1))) kept += 1;
        scene = now;
        lines = again;
      }
    }
    expect(kept).toBeGreaterThan(0);
  });
});
