import { describe, expect, it } from 'vitest';
import { at, seededRandom } from '@/core/base';
import { conicPoint } from '@/core/geometry';
import { worldPoint } from '@/core/space';
import { heldAgainst, linePartsOf, ROUND_SCENES, roundScene, slowRounds } from '@/testing';
import { conicOfRow, drain, prepareScene, visibleLinesExact } from './index';

const FRAME = { left: -150, right: 150, bottom: -120, top: 120 };
const SCENES = process.env.BATHYSKOP_LONG ? 150 : 12;

describe.each(ROUND_SCENES)('%s (seed 61)', (name) => {
  it(
    `every line is seen and hidden as dense sampling by another method tells, ${SCENES} scenes`,
    () => {
      const random = seededRandom(61 + ROUND_SCENES.indexOf(name));
      let [curves, partly, seen, slow] = [0, 0, 0, 0];
      for (let i = 0; i < SCENES; i += 1) {
        const { bodies, set } = roundScene(name, random);
        const scene = prepareScene(bodies);
        const lines = drain(visibleLinesExact(scene, set, FRAME));
        const eye = worldPoint(set.station.x, set.station.y, set.eyeZ);
        const held = heldAgainst(linePartsOf(scene, lines), set, slowRounds(bodies, eye), { near: 0.01, spacing: 0.5 });
        expect(held.wrong, `scene ${i}`).toEqual([]);
        curves += lines.curves.curve.length;
        partly += held.partly;
        seen += held.seenMm;
        slow += held.slowMm;
        // Parts of a curve follow one another, and their pictures' ends meet.
        for (let row = 1; row < lines.curves.curve.length; row += 1) {
          if (lines.curves.curve[row] !== lines.curves.curve[row - 1]) continue;
          const [end, start] = [at(lines.curves.range, row * 2 - 1), at(lines.curves.range, row * 2)];
          if (Math.abs(end - start) > 1e-9) continue;
          const [p, q] = [conicOfRow(scene, set, lines, row - 1), conicOfRow(scene, set, lines, row)];
          const [a, b] = [conicPoint(p, p.to), conicPoint(q, q.from)];
          expect(Math.hypot(a.x - b.x, a.y - b.y)).toBeLessThan(1e-9);
        }
      }
      expect(curves).toBeGreaterThan(30);
      expect(partly).toBeGreaterThan(20);
      expect(Math.abs(seen - slow) / seen).toBeLessThan(1e-5);
    },
    SCENES > 12 ? 3_600_000 : 60_000,
  );
});
