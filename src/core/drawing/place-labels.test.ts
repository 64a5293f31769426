import { describe, expect, it } from 'vitest';
import { seededRandom } from '@/core/base';
import { runs, holds } from '@/testing';
import { placeLabels } from './place-labels';

const SIZES = { high: 12, wide: 7, clear: 4 };

describe('names beside marks', () => {
  it('cover neither each other nor a mark, however crowded (seeds 1…)', () => {
    let leaders = 0;
    for (let seed = 1; seed <= runs(); seed += 1) {
      const random = seededRandom(seed);
      const marks = Array.from({ length: 40 }, (_, i) => ({ x: random() * 400, y: random() * 160, text: `m${i}` }));
      const placed = placeLabels(marks, SIZES);
      expect(new Set(placed.map((one) => one.text)).size).toBe(placed.length);
      // So much room there is.
      expect(placed.length).toBe(marks.length);
      const boxes = placed.map(({ x, y, text }) => ({ x, y, right: x + 7 * text.length, top: y + 12 }));
      boxes.forEach((a, i) => {
        for (const b of boxes.slice(i + 1))
          holds(a.right <= b.x || b.right <= a.x || a.top <= b.y || b.top <= a.y, () => `seed ${seed}`);
        for (const m of marks)
          holds(a.right <= m.x - 4 || m.x + 4 <= a.x || a.top <= m.y - 4 || m.y + 4 <= a.y, () => `seed ${seed}`);
      });
      for (const { leader, text } of placed) {
        if (!leader) continue;
        leaders += 1;
        const own = marks.find((one) => one.text === text);
        expect([leader.x0, leader.y0]).toEqual([own?.x, own?.y]);
      }
    }
    expect(leaders).toBeGreaterThan(0);
  });
  it('none covers what stands there, and none runs off the paper, at three magnifications (seeds 1…)', () => {
    for (let seed = 1; seed <= 20; seed += 1)
      for (const magnified of [0.4, 1, 3]) {
        const random = seededRandom(seed);
        const marks = Array.from({ length: 12 }, (_, i) => ({
          x: random() * 900 * magnified,
          y: 0,
          text: `m${i}: 123.5`,
        }));
        const arrow = { left: 0, right: 110, low: 5, high: 20 };
        const within = { left: 0, right: 900 * magnified, low: -150, high: 150 };
        const placed = placeLabels(marks, { ...SIZES, standing: [arrow], within });
        expect(placed.length).toBeGreaterThan(8);
        for (const { x, y, text } of placed) {
          const right = x + 7 * text.length;
          holds(x >= 0 && right <= within.right && y >= -150 && y + 12 <= 150, () => `seed ${seed}: off the paper`);
          holds(right <= 0 || x >= 110 || y >= 20 || y + 12 <= 5, () => `seed ${seed}: over what stands there`);
        }
      }
  });
  it('a mark by itself has its name to the upper right, without a leader', () => {
    const [only] = placeLabels([{ x: 10, y: 20, text: 'a' }], SIZES);
    expect(only?.leader).toBeNull();
    expect(only?.x).toBeGreaterThan(14);
    expect(only?.y).toBeGreaterThan(24);
  });
});
