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
  it('a mark by itself has its name to the upper right, without a leader', () => {
    const [only] = placeLabels([{ x: 10, y: 20, text: 'a' }], SIZES);
    expect(only?.leader).toBeNull();
    expect(only?.x).toBeGreaterThan(14);
    expect(only?.y).toBeGreaterThan(24);
  });
});
