import { describe, expect, it } from 'vitest';
import { at, seededRandom } from '@/core/base';
import { conicPoint } from '@/core/geometry';
import { ball, cone, drum, partsBody, ring } from '@/core/solids';
import { worldPoint } from '@/core/space';
import { setUpFrom } from '@/core/view';
import { heldAgainst, linePartsOf, ROUND_SCENES, roundScene, slowRounds } from '@/testing';
import { conicOfRow, drain, prepareScene, spaceConicPoint, visibleLinesExact } from './index';
import { WITHIN_MM } from './rounds-crossing';

const FRAME = { left: -150, right: 150, bottom: -120, top: 120 };
const SCENES = process.env.BATHYSKOP_LONG ? 150 : 12;

describe.each(ROUND_SCENES)('%s (seed 61)', (name) => {
  it(
    `every line is seen and hidden as dense sampling by another method tells, ${SCENES} scenes`,
    () => {
      const random = seededRandom(61 + ROUND_SCENES.indexOf(name));
      let [curves, partly, seen, slow] = [0, 0, 0, 0];
      for (let i = 0; i < SCENES; i += 1) {
        const { bodies, setUp } = roundScene(name, random);
        const scene = prepareScene(bodies);
        const lines = drain(visibleLinesExact(scene, setUp, FRAME));
        const eye = worldPoint(setUp.station.x, setUp.station.y, setUp.eyeZ);
        const held = heldAgainst(linePartsOf(scene, lines), setUp, slowRounds(bodies, eye), {
          near: 0.01,
          spacing: 0.5,
        });
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
          const [p, q] = [conicOfRow(scene, setUp, lines, row - 1), conicOfRow(scene, setUp, lines, row)];
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

describe('round things in the way of the eye', () => {
  const WORLD = {
    origin: { x: 0, y: 0, z: 0 },
    x: { x: 1, y: 0, z: 0 },
    y: { x: 0, y: 1, z: 0 },
    z: { x: 0, y: 0, z: 1 },
  };
  const things = [
    partsBody('drum', [drum('it', [0, 0, 0], 300, 900)], WORLD),
    partsBody('ball', [ball('it', [0, 900, 1200], 250)], WORLD),
    partsBody('cone', [cone('it', [700, 300, 0], 200, 0, 800)], WORLD),
    // Touching the drum, and a thousandth of a millimetre from it.
    partsBody('touching', [drum('it', [600, 0, 0], 300, 900)], WORLD),
    partsBody('gap', [ring('it', [0, 0, 900.001], 100, 300, 20)], WORLD),
    partsBody('thin', [drum('it', [0, 0, 500], 1e-3, 700)], WORLD),
  ];
  it.each([
    ['inside a drum', { x: 10, y: 20 }, 450],
    ['on the axis of a drum, above it', { x: 0, y: 0 }, 1500],
    ['in the plane of a rim', { x: -900, y: -900 }, 900],
    ['at a rim', { x: 300, y: 0 }, 900],
    ['on a surface', { x: -300, y: 0 }, 400],
    ['inside a ball', { x: 0, y: 900 }, 1210],
    ['at a cone’s tip', { x: 700, y: 300 }, 800],
    ['in the tangent plane of two drums', { x: 300, y: -1500 }, 450],
    ['across the plane of the eye', { x: 0, y: -100 }, 450],
  ] as const)('%s: every figure is finite and the parts follow one another', (_, station, eyeHeight) => {
    for (const bearingDeg of [0, 90, 217]) {
      const setUp = setUpFrom({ station, eyeHeight, bearingDeg, floor: 0, pictureDistance: 1000, scaleDenominator: 5 });
      const scene = prepareScene(things);
      const lines = drain(visibleLinesExact(scene, setUp, FRAME));
      expect([...lines.picture, ...lines.along, ...lines.curves.range].every(Number.isFinite)).toBe(true);
      for (let row = 0; row < lines.curves.curve.length; row += 1) {
        const arc = conicOfRow(scene, setUp, lines, row);
        expect(arc.to).toBeGreaterThan(arc.from);
        for (const angle of [arc.from, (arc.from + arc.to) / 2, arc.to]) {
          const { x, y } = conicPoint(arc, angle);
          // Cut to the frame before anything was divided.
          expect(Math.max(Math.abs(x) - 150, Math.abs(y) - 120)).toBeLessThan(1e-6);
        }
      }
    }
  });
  it('runs through one another: the line lies on both, an exact circle where they share an axis', () => {
    const rod = partsBody('rod', [drum('it', [-600, 0, 450], 120, 1200, 'x')], WORLD);
    const scene = prepareScene([...things.slice(0, 1), rod]);
    const crossing = scene.curves.filter((one) => one.id.includes('×'));
    expect(crossing.length).toBeGreaterThan(8);
    for (const { conic, from, to } of crossing)
      for (const share of [0, 0.2, 0.5, 0.9]) {
        const p = spaceConicPoint(conic, from + (to - from) * share);
        expect(Math.abs(Math.hypot(p.x, p.y) - 300)).toBeLessThan(WITHIN_MM);
        expect(Math.abs(Math.hypot(p.y, p.z - 450) - 120)).toBeLessThan(WITHIN_MM);
      }
    const stuck = partsBody('stuck', [ball('it', [0, 0, 900], 400)], WORLD);
    const circle = prepareScene([...things.slice(0, 1), stuck]).curves.filter(
      (one) => one.id.includes('×') && one.id.includes('side-1'),
    );
    expect(circle).toHaveLength(1);
    for (const angle of [0, 1, 4]) {
      const p = spaceConicPoint(at(circle, 0).conic, angle);
      expect(Math.hypot(p.x, p.y)).toBeCloseTo(300, 9);
      expect(p.z).toBeCloseTo(900 - Math.sqrt(400 * 400 - 300 * 300), 9);
    }
  });
});
