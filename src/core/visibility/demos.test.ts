import { describe, expect, it } from 'vitest';
import { DEMOS } from '@/app/demo';
import { at, seededRandom } from '@/core/base';
import { bodiesOf } from '@/core/solids';
import { worldPoint } from '@/core/space';
import { resolveSetUp } from '@/core/view';
import { heldAgainst, linePartsOf, slowRounds, type LinePart } from '@/testing';
import { drain, prepareScene, visibleLinesExact } from './index';

/** Lines of each demonstration room held to the slow check; all of them in the long runs. */
const LINES = process.env.BATHYSKOP_LONG ? Infinity : 90;

describe.each(DEMOS.map((demo) => [demo.id, demo] as const))('the whole of a demonstration room, %s', (_, demo) => {
  it(
    'is seen as a slow check written apart sees it',
    () => {
      const view = at(demo.views, 0);
      const resolved = resolveSetUp(demo, view);
      if (!resolved.ok) throw new Error(resolved.error.message);
      const setUp = resolved.value;
      const bodies = bodiesOf(demo);
      const scene = prepareScene(bodies);
      const lines = drain(visibleLinesExact(scene, setUp, view.frame));
      const byLine = new Map<string, LinePart[]>();
      for (const part of linePartsOf(scene, lines)) {
        const list = byLine.get(part.line);
        if (list) list.push(part);
        else byLine.set(part.line, [part]);
      }
      const all = [...byLine.values()];
      // A third of them lines that are partly seen, a third round ones: there is most to go wrong.
      const groups = [
        all,
        all.filter((parts) => parts.length > 1),
        all.filter((parts) => parts[0]?.line.startsWith('c')),
      ];
      const random = seededRandom(42);
      const chosen =
        LINES === Infinity
          ? all
          : Array.from({ length: LINES }, (_line, i) => {
              const from = at(groups, i % 3);
              return at(from, Math.floor(random() * from.length));
            });
      const hidden = slowRounds(bodies, worldPoint(setUp.station.x, setUp.station.y, setUp.eyeZ));
      const held = heldAgainst(chosen.flat(), setUp, hidden, { near: 0.001, spacing: LINES === Infinity ? 0.5 : 1 });
      expect(held.wrong).toEqual([]);
      expect(Math.abs(held.seenMm - held.slowMm) / held.seenMm).toBeLessThan(1e-6);
      expect(held.partly).toBeGreaterThan(40);
      expect(chosen.flat().filter((part) => part.line.startsWith('c')).length).toBeGreaterThan(15);
    },
    LINES === Infinity ? 3_600_000 : 120_000,
  );
});
