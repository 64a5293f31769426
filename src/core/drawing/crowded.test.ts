import { describe, expect, it } from 'vitest';
import { DEMOS } from '@/app/demo';
import { at, seededRandom } from '@/core/base';
import { sceneOf } from '@/core/pipeline';
import { standOf } from '@/core/view';
import { drain, visibleLinesExact } from '@/core/visibility';
import { lighterWhereCrowded } from './crowded';
import type { Stroke } from './drawing';
import { widthMm } from './pens';
import { pictureLayers } from './picture-layers';

const line = (x0: number, y0: number, x1: number, y1: number, edge: Stroke['edge'] = 'inner'): Stroke => ({
  ...{ x0, y0, x1, y1, edge, of: `${x0} ${y0} ${x1} ${y1}`, family: 'left', weight: 'firm' },
  role: { is: 'footprint', pieceId: 'any' },
});
const lengthOf = ({ x0, y0, x1, y1 }: Stroke): number => Math.hypot(x1 - x0, y1 - y0);
const drawnWith = (strokes: readonly Stroke[]): readonly Stroke[] => {
  const parts = lighterWhereCrowded(strokes);
  return strokes.flatMap((one) => parts.get(one) ?? one);
};
/** How much of an upright cut across the drawing is black, of its length: what the pens cover, each place once. */
function blackAt(strokes: readonly Stroke[], x: number, low: number, high: number): number {
  const covered = strokes
    .filter((one) => Math.min(one.x0, one.x1) <= x && x <= Math.max(one.x0, one.x1) && one.x0 !== one.x1)
    .map((one) => {
      const y = one.y0 + ((one.y1 - one.y0) * (x - one.x0)) / (one.x1 - one.x0);
      return [Math.max(low, y - widthMm(one) / 2), Math.min(high, y + widthMm(one) / 2)] as const;
    })
    .filter(([a, b]) => b > a)
    .sort((p, q) => p[0] - q[0]);
  let [sum, to] = [0, low];
  for (const [a, b] of covered) {
    sum += Math.max(0, b - Math.max(a, to));
    to = Math.max(to, b);
  }
  return sum / (high - low);
}

describe('lines nearer to each other than their pen is wide', () => {
  /** Thirty lines that run together: 1 mm apart at one end, a tenth at the other. */
  const fan = Array.from({ length: 30 }, (_, i) => line(0, i, 200, 13.5 + i * 0.1));
  it('are drawn lighter: thirty lines that run together do not end in a black wedge', () => {
    const drawn = drawnWith(fan);
    expect(blackAt(fan, 195, 14, 16)).toBeGreaterThan(0.99);
    expect(blackAt(drawn, 195, 14, 16)).toBeLessThan(0.85);
    // Where there is room nothing changes, and the outermost lines never do.
    expect(drawn.filter((one) => one.x0 === 0).every((one) => one.edge === 'inner')).toBe(true);
    for (const outer of [0, 29]) expect(drawn).toContain(at(fan, outer));
    // By hand: 1 − 0.9·x/200 is the gap; it comes below 0.35 at 144 mm and below 0.18 at 182.
    const middle = drawn.filter((one) => one.of === at(fan, 15).of);
    expect(middle.map((one) => one.edge)).toEqual(['inner', 'crowded', 'dense']);
    expect(at(middle, 1).x0).toBeGreaterThan(143);
    expect(at(middle, 1).x0).toBeLessThan(147);
    expect(at(middle, 2).x0).toBeGreaterThan(181);
    expect(at(middle, 2).x0).toBeLessThan(185);
  });
  it('two alone, lines that cross, curves, hidden and far ones stay as they are; a pen is not changed for less than 2 mm', () => {
    const crossing = Array.from({ length: 20 }, (_, i) => line(0, i, 20, 20 - i));
    for (const left of [
      [line(0, 0, 100, 0), line(0, 0.2, 100, 0.2)],
      crossing.filter((_, i) => i % 5 === 0),
      [line(0, 0, 100, 0), line(0, 0.4, 100, 0.4), line(0, 0.8, 100, 0.8)],
      [line(0, 0, 100, 0), line(50.1, 0.2, 50.9, 0.2), line(50.1, -0.2, 50.9, -0.2)],
      fan.map((one): Stroke => ({ ...one, weight: 'hidden' })),
    ])
      expect(drawnWith(left)).toEqual(left);
  });
  it('a crowd of patterns is drawn at half its pen, one of profiles as patterns are', () => {
    const rows = (edge: Stroke['edge'], gap: number) => [0, 1, 2, 3].map((i) => line(0, i * gap, 100, i * gap, edge));
    expect(drawnWith(rows('pattern', 0.15)).map((one) => one.edge)).toEqual(['pattern', 'dense', 'dense', 'pattern']);
    expect(drawnWith(rows('pattern', 0.25)).map((one) => one.edge)).toEqual(Array(4).fill('pattern'));
    expect(drawnWith(rows('profile', 0.45)).map((one) => one.edge)).toEqual([
      'profile',
      'crowded',
      'crowded',
      'profile',
    ]);
  });
  it('parts of a line keep its name and lie on it, end to end (seed 20)', () => {
    const next = seededRandom(20);
    for (let i = 0; i < 40; i += 1) {
      const strokes = Array.from({ length: 60 }, () => {
        const [x, y] = [next() * 20, next() * 20];
        return line(x, y, x + next() * 60, y + next() * 6);
      });
      for (const [stroke, parts] of lighterWhereCrowded(strokes)) {
        expect(at(parts, 0)).toMatchObject({ x0: stroke.x0, y0: stroke.y0, of: stroke.of });
        expect(parts.at(-1)?.x1).toBeCloseTo(stroke.x1, 9);
        parts.slice(1).forEach((part, k) => {
          expect([part.x0, part.y0]).toEqual([at(parts, k).x1, at(parts, k).y1]);
          expect(part.edge).not.toBe(at(parts, k).edge);
        });
        expect(parts.reduce((sum, part) => sum + lengthOf(part), 0)).toBeCloseTo(lengthOf(stroke), 9);
        if (parts.length > 1)
          for (const part of parts) expect(lengthOf(part)).toBeGreaterThanOrEqual(Math.min(1.49, lengthOf(stroke) / 2));
      }
    }
  });
  it('of the demonstration rooms no line is lost or lengthened by it, and most is drawn as before', () => {
    for (const demo of DEMOS) {
      const view = at(demo.views, 0);
      const stand = standOf(demo, view);
      if (!stand.ok) throw new Error(stand.error.message);
      const scene = sceneOf(demo).prepared;
      const { setUp } = stand.value;
      const lines = drain(visibleLinesExact(scene, setUp, view.frame));
      const { layers } = pictureLayers({ project: demo, view, setUp, scene, lines });
      const firm = layers.flatMap((layer) => layer.strokes).filter((one) => one.weight === 'firm' && !one.curve);
      const light = firm.filter((one) => one.edge === 'crowded' || one.edge === 'dense');
      const total = (list: readonly Stroke[]) => list.reduce((sum, one) => sum + lengthOf(one), 0);
      expect(total(light) / total(firm)).toBeLessThan(0.2);
      expect(light.length).toBeGreaterThan(0);
    }
  });
});
