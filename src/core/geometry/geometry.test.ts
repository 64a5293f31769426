import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { sideOfLine } from '@/core/numeric';
import { runs } from '@/testing';
import { bearingVector, clipParameter, insideLoops, isSimple, lineThrough, meet, rightOf, signedArea } from './index';

describe('handedness, stated once and tested once', () => {
  it('bearings run clockwise from +y; right is a quarter turn clockwise', () => {
    expect(bearingVector(90)).toEqual({ x: 1, y: 0 });
    expect(bearingVector(-90)).toEqual({ x: -1, y: 0 });
    expect(bearingVector(450)).toEqual({ x: 1, y: 0 });
    expect(rightOf(bearingVector(0))).toEqual({ x: 1, y: -0 });
    expect(bearingVector(30).x).toBeCloseTo(0.5, 12);
  });
  it('left of a line is positive, exactly', () => {
    expect(sideOfLine(0, 0, 1, 0, 0.5, 1)).toBe(1);
    expect(sideOfLine(0, 0, 1, 0, 0.5, -1)).toBe(-1);
    expect(sideOfLine(0, 0, 3, 3, 1e300, 1e300)).toBe(0);
    // Naive arithmetic calls this 0 or wrong: the point is one unit in the last place off the line.
    expect(sideOfLine(12, 12, 24, 24, 0.5, 0.5 + 2 ** -53)).toBe(1);
  });
});

describe('lines', () => {
  it('meet in a point, nowhere, or everywhere', () => {
    const level = lineThrough({ x: 0, y: 1 }, { x: 5, y: 1 });
    const upright = lineThrough({ x: 2, y: 0 }, { x: 2, y: 9 });
    const other = lineThrough({ x: 7, y: 3 }, { x: -1, y: 3 });
    const again = lineThrough({ x: 9, y: 1 }, { x: 4, y: 1 });
    if (
      level === 'points-coincide' ||
      upright === 'points-coincide' ||
      other === 'points-coincide' ||
      again === 'points-coincide'
    )
      throw new Error('lines');
    expect(meet(level, upright)).toMatchObject({ kind: 'point', x: 2, y: 1, angleDeg: 90 });
    expect(meet(level, other).kind).toBe('parallel');
    expect(meet(level, again).kind).toBe('coincident');
    expect(lineThrough({ x: 1, y: 1 }, { x: 1, y: 1 })).toBe('points-coincide');
  });
});

describe('polygons', () => {
  const square = [
    { x: 0, y: 0 },
    { x: 4, y: 0 },
    { x: 4, y: 4 },
    { x: 0, y: 4 },
  ];
  const hole = [
    { x: 1, y: 1 },
    { x: 3, y: 1 },
    { x: 3, y: 3 },
    { x: 1, y: 3 },
  ];
  it('area is positive anticlockwise; holes are outside', () => {
    expect(signedArea(square)).toBe(16);
    expect(signedArea([...square].reverse())).toBe(-16);
    expect([
      insideLoops([square, hole], 2, 2),
      insideLoops([square, hole], 0.5, 2),
      insideLoops([square, hole], 5, 2),
    ]).toEqual([false, true, false]);
  });
  it('knows outlines that cross, touch or fold back', () => {
    expect(isSimple(square)).toBe(true);
    expect(
      isSimple([
        { x: 0, y: 0 },
        { x: 4, y: 4 },
        { x: 4, y: 0 },
        { x: 0, y: 4 },
      ]),
    ).toBe(false);
    expect(
      isSimple([
        { x: 0, y: 0 },
        { x: 4, y: 0 },
        { x: 2, y: 0 },
        { x: 2, y: 3 },
      ]),
    ).toBe(false);
    expect(isSimple([...square, { x: 0, y: 4 }])).toBe(false);
    expect(
      isSimple([
        { x: 0, y: 0 },
        { x: 4, y: 0 },
      ]),
    ).toBe(false);
  });
  it('a point inside a star-shaped outline is found inside it (seed 21)', () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: 1, max: 9, noNaN: true }), { minLength: 3, maxLength: 14 }), (radii) => {
        const outline = radii.map((radius, i) => ({
          x: radius * Math.cos((2 * Math.PI * i) / radii.length),
          y: radius * Math.sin((2 * Math.PI * i) / radii.length),
        }));
        expect(insideLoops([outline], 0, 0)).toBe(true);
        expect(insideLoops([outline], 20, 0.1)).toBe(false);
        expect(signedArea(outline)).toBeGreaterThan(0);
      }),
      { numRuns: runs(), seed: 21 },
    );
  });
});

describe('cutting', () => {
  it('keeps exactly the part that satisfies every condition', () => {
    expect(clipParameter([[1, 1]])).toEqual([0, 1]);
    expect(clipParameter([[-1, 3]])).toEqual([0.25, 1]);
    expect(
      clipParameter([
        [-1, 3],
        [1, -1],
      ]),
    ).toEqual([0.25, 0.5]);
    expect(clipParameter([[-1, -0.1]])).toBeNull();
    expect(
      clipParameter([
        [-3, 1],
        [1, -3],
      ]),
    ).toBeNull();
  });
});
