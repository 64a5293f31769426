import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { runs } from '@/testing';
import { FrameCells } from './frame-cells';

const frame = { left: -120, right: 80, bottom: -60, top: 90 };
const within = (low: number, high: number) => fc.double({ min: low, max: high, noNaN: true });
const point = fc.tuple(within(-300, 300), within(-300, 300));

describe('cells that lines run through', () => {
  it('a part of the picture that a line runs through has one of its cells in it (seed 21)', () => {
    fc.assert(
      fc.property(
        point,
        point,
        fc.double({ min: 0, max: 1, noNaN: true }),
        within(0, 40),
        ([u0, v0], [u1, v1], share, size) => {
          const cells = new FrameCells(frame);
          cells.markLine(u0, v0, u1, v1);
          const [u, v] = [u0 + (u1 - u0) * share, v0 + (v1 - v0) * share];
          const inside = u >= frame.left && u <= frame.right && v >= frame.bottom && v <= frame.top;
          if (inside)
            expect(cells.touches({ left: u - size, right: u + size, bottom: v - size, top: v + size })).toBe(true);
        },
      ),
      { numRuns: 4 * runs(), seed: 21 },
    );
  });
  it('a part clear of all lines, and one outside the frame, has none', () => {
    const cells = new FrameCells(frame);
    cells.markLine(-100, -50, 60, -50);
    expect(cells.touches({ left: -100, right: 60, bottom: 0, top: 80 })).toBe(false);
    expect(cells.touches({ left: 90, right: 200, bottom: -60, top: 90 })).toBe(false);
    expect(cells.touches({ left: -300, right: 300, bottom: -300, top: 300 })).toBe(true);
    const parts = new FrameCells(frame);
    parts.markRect({ left: 10, right: 20, bottom: 10, top: 20 });
    expect(parts.touches({ left: 12, right: 14, bottom: 12, top: 14 })).toBe(true);
    expect(parts.touches({ left: 40, right: 60, bottom: 12, top: 14 })).toBe(false);
    // A line outside the frame marks nothing in it but its rim.
    const beside = new FrameCells(frame);
    beside.markLine(200, -300, 200, 300);
    expect(beside.touches({ left: -100, right: 60, bottom: -50, top: 80 })).toBe(false);
  });
});
