import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { runs } from '@/testing';
import {
  convexOverlap,
  insideLoops,
  isConvex,
  lineInside,
  signedArea,
  splitOutline,
  triangles,
  type Vector2,
} from './index';

const square: readonly Vector2[] = [
  { x: 0, y: 0 },
  { x: 0, y: 100 },
  { x: 100, y: 100 },
  { x: 100, y: 0 },
];
/** A comb: three teeth on a back, so that one line cuts it into several parts. */
const comb: readonly Vector2[] = [
  { x: 0, y: 0 },
  { x: 0, y: 100 },
  { x: 20, y: 100 },
  { x: 20, y: 40 },
  { x: 40, y: 40 },
  { x: 40, y: 100 },
  { x: 60, y: 100 },
  { x: 60, y: 40 },
  { x: 80, y: 40 },
  { x: 80, y: 100 },
  { x: 100, y: 100 },
  { x: 100, y: 0 },
];
const area = (parts: readonly (readonly Vector2[])[]): number =>
  parts.reduce((sum, part) => sum + Math.abs(signedArea(part)), 0);

describe('an outline cut along a line', () => {
  it('falls into parts that cover it, whichever line it is (seed 91)', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: Math.PI, noNaN: true }),
        fc.integer({ min: -20, max: 120 }),
        fc.constantFrom(square, comb),
        (angle, away, outline) => {
          const n = { x: Math.cos(angle), y: Math.sin(angle) };
          const distance = (p: Vector2): number => p.x * n.x + p.y * n.y - away;
          const { near, far } = splitOutline(outline, distance, (p) => -p.x * n.y + p.y * n.x);
          expect(area(near) + area(far)).toBeCloseTo(area([outline]), 3);
          for (const p of near.flat()) expect(distance(p)).toBeLessThan(1e-4);
          for (const p of far.flat()) expect(distance(p)).toBeGreaterThan(-1e-4);
          // Every part keeps the outline's sense of turning.
          for (const part of [...near, ...far]) expect(Math.sign(signedArea(part))).toBe(-1);
        },
      ),
      { numRuns: 3 * runs(), seed: 91 },
    );
  });
  it('cuts a comb through its teeth into four, and leaves what it does not meet', () => {
    const cut = splitOutline(
      comb,
      (p) => p.y - 70,
      (p) => p.x,
    );
    expect([cut.near.length, cut.far.length]).toEqual([1, 3]);
    expect(
      splitOutline(
        square,
        (p) => p.y - 200,
        (p) => p.x,
      ),
    ).toEqual({ near: [square], far: [] });
    // Along a side nothing is cut off.
    expect(
      splitOutline(
        square,
        (p) => p.y - 100,
        (p) => p.x,
      ).far.length,
    ).toBe(0);
  });
  it('a line runs inside where it does, holes left out', () => {
    expect(lineInside([comb], { x: -50, y: 70 }, { x: 1, y: 0 })).toEqual([
      [50, 70],
      [90, 110],
      [130, 150],
    ]);
    const hole = [
      { x: 30, y: 30 },
      { x: 30, y: 60 },
      { x: 60, y: 60 },
      { x: 60, y: 30 },
    ];
    expect(lineInside([square, hole], { x: 0, y: 50 }, { x: 2, y: 0 })).toEqual([
      [0, 15],
      [30, 50],
    ]);
    expect(lineInside([square], { x: 0, y: 500 }, { x: 1, y: 0 })).toEqual([]);
  });
});

describe('outlines that overlap', () => {
  const box = (x: number, y: number, w: number, h: number): Vector2[] => [
    { x, y },
    { x: x + w, y },
    { x: x + w, y: y + h },
    { x, y: y + h },
  ];
  it('tells how deep and which way is out; touching is not overlapping (seed 92)', () => {
    fc.assert(
      fc.property(fc.integer({ min: -120, max: 120 }), fc.integer({ min: -120, max: 120 }), (x, y) => {
        const found = convexOverlap(box(x, y, 100, 60), box(0, 0, 100, 60));
        const [across, along] = [100 - Math.abs(x), 60 - Math.abs(y)];
        if (across <= 0 || along <= 0) {
          expect(found).toBeNull();
          return;
        }
        expect(found?.depth).toBeCloseTo(Math.min(across, along), 9);
        const { away, depth } = found ?? { away: { x: 0, y: 0 }, depth: 0 };
        // Moved out by so much, and a hair, nothing overlaps any more.
        const moved = box(x + away.x * (depth + 1e-6), y + away.y * (depth + 1e-6), 100, 60);
        expect(convexOverlap(moved, box(0, 0, 100, 60))).toBeNull();
      }),
      { numRuns: 2 * runs(), seed: 92 },
    );
  });
  it('an outline is filled by its triangles, once', () => {
    for (const outline of [square, comb]) {
      const parts = triangles(outline);
      expect(parts.length).toBe(outline.length - 2);
      expect(area(parts)).toBeCloseTo(area([outline]), 9);
      for (let x = 3; x < 100; x += 13)
        for (let y = 5; y < 100; y += 17) {
          const within = parts.filter((part) => insideLoops([part], x, y)).length;
          expect(within).toBe(insideLoops([outline], x, y) ? 1 : 0);
        }
    }
    expect([isConvex(square), isConvex(comb)]).toEqual([true, false]);
  });
});
