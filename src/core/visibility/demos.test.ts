import { describe, expect, it } from 'vitest';
import { DEMOS } from '@/app/demo';
import { at, seededRandom } from '@/core/base';
import { bodiesOf } from '@/core/solids';
import { resolveSetUp } from '@/core/view';
import { slowSeen } from '@/testing';
import { drain, prepareScene, visibleLinesExact, edgeOfRow } from './index';
import { polygonsOf, presenceFrom } from './polygons';
import { worldPoint } from '@/core/space';

/** Edges of each demonstration room held to the slow check; all of them in the long runs. */
const EDGES = process.env.BATHYSKOP_LONG ? Infinity : 45;

describe.each(DEMOS.map((demo) => [demo.id, demo] as const))('the whole of a demonstration room, %s', (_, demo) => {
  it(
    'is seen as a slow check written apart sees it',
    () => {
      const view = at(demo.views, 0);
      const resolved = resolveSetUp(demo, view);
      if (!resolved.ok) throw new Error(resolved.error.message);
      const set = resolved.value;
      const scene = prepareScene(bodiesOf(demo));
      const lines = drain(visibleLinesExact(scene, set, view.frame));
      const eye = worldPoint(set.station.x, set.station.y, set.eyeZ);
      const there = presenceFrom(polygonsOf(scene), eye).faces;
      const faces = scene.faces
        .filter((_face, f) => there[f] === 1)
        .map(({ loops }) => loops.map((loop) => loop.map(({ x, y, z }) => [x, y, z] as const)));
      const rows = new Map<number, number[]>();
      for (let row = 0; row < lines.edge.length; row += 1) {
        const list = rows.get(at(lines.edge, row));
        if (list) list.push(row);
        else rows.set(at(lines.edge, row), [row]);
      }
      const random = seededRandom(42);
      const drawn = [...rows.keys()];
      // Half of them edges that are partly seen: there is most to go wrong.
      const broken = drawn.filter((index) => (rows.get(index) ?? []).length > 1);
      const chosen =
        EDGES === Infinity
          ? drawn
          : Array.from({ length: EDGES }, (_edge, i) => {
              const from = i % 2 === 0 ? broken : drawn;
              return at(from, Math.floor(random() * from.length));
            });
      let [uncovered, partly] = [0, 0];
      const slow = slowSeen(
        faces,
        chosen.map((index) => {
          const { from, to } = edgeOfRow(scene, lines, at(rows.get(index) ?? [], 0));
          return [
            [from.x, from.y, from.z],
            [to.x, to.y, to.z],
          ];
        }),
        {
          eye: [eye.x, eye.y, eye.z],
          viewDir: [set.forward.x, set.forward.y, 0],
          pictureDistance: set.viewingDistance,
          near: 1e-3,
          window: [view.frame.left, view.frame.bottom, view.frame.right, view.frame.top],
        },
      );
      chosen.forEach((index, i) => {
        const own = rows.get(index) ?? [];
        const { seen } = at(slow, i);
        for (const row of own) {
          const [from, to] = [at(lines.along, row * 2), at(lines.along, row * 2 + 1)];
          const length = Math.hypot(
            at(lines.picture, row * 4 + 2) - at(lines.picture, row * 4),
            at(lines.picture, row * 4 + 3) - at(lines.picture, row * 4 + 1),
          );
          const covered = seen.reduce((sum, [x, y]) => sum + Math.max(0, Math.min(y, to) - Math.max(x, from)), 0);
          const share = covered / (to - from);
          // A part that is seen is covered wholly by what the slow check sees, a hidden one not at all.
          const off = (lines.seen[row] === 1 ? 1 - share : share) * length;
          expect(off, `${lines.edgeIds[index] ?? ''} from ${from} to ${to}, ${lines.seen[row]}`).toBeLessThan(0.001);
          uncovered += off;
        }
        if (own.length > 1) partly += 1;
      });
      expect(uncovered).toBeLessThan(0.001);
      expect(partly).toBeGreaterThan(20);
    },
    EDGES === Infinity ? 3_600_000 : 120_000,
  );
});
