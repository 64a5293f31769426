import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { at } from '@/core/base';
import { picturePoint, worldPoint } from '@/core/space';
import { boxPiece, boxView, randomBoxScene, runs, smallRoom } from '@/testing';
import type { View } from '@/core/record';
import {
  boundPoint,
  catchSetSquare,
  directionPair,
  familyOf,
  paperFraction,
  planRayU,
  projectPoint,
  projectSegment,
  projectSegments,
  realFraction,
  resolveSetUp,
  setOutOf,
  setUpFrom,
  sideRayV,
  turnOfPair,
  turnPlan,
  vanishingPoint,
  worldFromPicture,
} from './index';

const set = (view: View, project = smallRoom()) => {
  const resolved = resolveSetUp(project, view);
  if (!resolved.ok) throw new Error(resolved.error.reason);
  return resolved.value;
};

describe('the picture plane is bound to what is named', () => {
  it.each<[string, View['picturePlane'], number]>([
    ['through a wall', { through: 'wall', wallId: 'south' }, 2500],
    ['through the back wall', { through: 'wall', wallId: 'north' }, 5500],
    ['through a corner', { through: 'corner', cornerId: 'ne' }, 5500],
    ['through a point', { through: 'point', x: 100, y: 500 }, 3000],
    ['at a distance', { through: 'distance', mm: 1234 }, 1234],
  ])('%s', (_, picturePlane, expected) =>
    expect(set(boxView({ picturePlane })).pictureDistance).toBeCloseTo(expected, 9),
  );

  it('moving the station leaves a bound plane where it is; a plane at a distance comes along', () => {
    const near = set(boxView({ station: { x: 2600, y: -3000 }, picturePlane: { through: 'corner', cornerId: 'ne' } }));
    expect(near.pictureDistance).toBeCloseTo(6000, 9);
    expect(
      set(boxView({ station: { x: 2600, y: -3000 }, picturePlane: { through: 'distance', mm: 900 } })).pictureDistance,
    ).toBe(900);
  });

  it('turning the line of sight turns the plane about its bound point', () => {
    for (const lineOfSightBearingDeg of [0, 10, 25, 340]) {
      const turned = set(boxView({ lineOfSightBearingDeg, picturePlane: { through: 'corner', cornerId: 'ne' } }));
      const away = { x: 4000 - turned.station.x, y: 3000 - turned.station.y };
      expect(away.x * turned.forward.x + away.y * turned.forward.y).toBeCloseTo(turned.pictureDistance, 9);
    }
  });

  it('refuses a plane behind the eye and names that are gone', () => {
    const reason = (change: Partial<View>) => {
      const view = boxView(change);
      const resolved = resolveSetUp(smallRoom([], view), view);
      return resolved.ok ? 'stands' : resolved.error.reason;
    };
    expect(reason({ station: { x: 2000, y: 1000 } })).toBe('plane-behind-eye');
    expect(reason({ picturePlane: { through: 'wall', wallId: 'gone' } })).toBe('unknown-wall');
    expect(reason({ picturePlane: { through: 'corner', cornerId: 'gone' } })).toBe('unknown-corner');
    expect(reason({ eyeHeight: { mm: 0, asTyped: '0' } })).toBe('eye-below-floor');
  });
});

describe('turning the plan sheet', () => {
  it('reaches the turn asked for; bound point, distance and its place on paper stay (seed 41)', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 359 }),
        fc.double({ min: 0, max: 89.99, noNaN: true }),
        fc.boolean(),
        (bearing, turn, bound) => {
          const view = boxView({
            station: {
              x: 2000 - 4000 * Math.sin((bearing * Math.PI) / 180),
              y: 1500 - 4000 * Math.cos((bearing * Math.PI) / 180),
            },
            lineOfSightBearingDeg: bearing,
            picturePlane: bound ? { through: 'point', x: 2100, y: 1400 } : { through: 'distance', mm: 2500 },
          });
          const project = smallRoom([], view);
          const before = set(view);
          const turned = { ...view, ...turnPlan(project, view, turn) };
          const after = set(turned);
          const got = turnOfPair(after, 0);
          expect(Math.min(Math.abs(got - turn), 90 - Math.abs(got - turn))).toBeLessThan(1e-6);
          expect(after.pictureDistance).toBeCloseTo(before.pictureDistance, 6);
          const pivot = boundPoint(project, view);
          if (pivot.ok && pivot.value) {
            const point = worldPoint(pivot.value.x, pivot.value.y, 500);
            expect(projectPoint(after, point)?.u).toBeCloseTo(projectPoint(before, point)?.u ?? NaN, 6);
          }
        },
      ),
      { numRuns: 2 * runs(), seed: 41 },
    );
  });
  it('catches at set-square angles and nowhere else', () => {
    expect([31.2, 28.6, 37, 89.2, 0.9, 46.5].map((angle) => catchSetSquare(angle))).toEqual([30, 30, 37, 0, 0, 45]);
  });
});

describe('there and back', () => {
  it('a picture point on a known plane returns to its world point (seed 42)', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 5000 }),
        fc.double({ min: 0.05, max: 0.95, noNaN: true }),
        fc.double({ min: 0.05, max: 0.95, noNaN: true }),
        (seed, s, t) => {
          const { project } = randomBoxScene(seed);
          const here = set(at(project.views, 0), project);
          const point = worldPoint(4000 * s, 3000 * t, 0);
          const picture = projectPoint(here, point);
          if (!picture) return;
          const back = worldFromPicture(here, picture, worldPoint(0, 0, 0), { x: 0, y: 0, z: 1 });
          expect(Math.hypot((back?.x ?? NaN) - point.x, (back?.y ?? NaN) - point.y)).toBeLessThan(1e-5);
        },
      ),
      { numRuns: 2 * runs(), seed: 42 },
    );
    expect(worldFromPicture(set(boxView()), picturePoint(0, 0), worldPoint(0, 0, 0), { x: 0, y: 0, z: 1 })).toBeNull();
    // Above the horizon the line of sight rises: it meets the floor behind the eye, which is no place in the picture.
    const floor = (v: number) =>
      worldFromPicture(set(boxView()), picturePoint(0, v), worldPoint(0, 0, 0), { x: 0, y: 0, z: 1 });
    expect(floor(20)).toBeNull();
    expect(floor(-20)?.z).toBeCloseTo(0, 9);
  });
  it('plan ray and side ray, worked apart, give the projection’s u and v', () => {
    const here = set(boxView({ lineOfSightBearingDeg: 20 }));
    const point = worldPoint(2500, 1700, 900);
    const picture = projectPoint(here, point);
    expect(planRayU(here, point)).toBeCloseTo(picture?.u ?? NaN, 9);
    expect(sideRayV(here, point)).toBeCloseTo(picture?.v ?? NaN, 9);
    expect(planRayU(here, worldPoint(2000, -4000, 0))).toBeNull();
  });
  it('fractions on paper and in the room turn into each other, the near half longer', () => {
    expect(paperFraction(0.5, 1000, 3000)).toBeCloseTo(0.75, 12);
    for (const s of [0, 0.2, 0.9, 1]) expect(realFraction(paperFraction(s, 1000, 3700), 1000, 3700)).toBeCloseTo(s, 12);
  });
});

describe('set-out and warnings', () => {
  it('groups things by their turn, the room first, and says where each mark lies', () => {
    const project = smallRoom([
      boxPiece({ id: 'square' }),
      boxPiece({ id: 'askew', turnDeg: 20 }),
      boxPiece({ id: 'also', turnDeg: 110 }),
    ]);
    const out = setOutOf(project, at(project.views, 0), set(at(project.views, 0)));
    expect(out.groups.map((group) => group.serves.map((one) => one.id))).toEqual([
      ['room', 'square'],
      ['askew', 'also'],
    ]);
    expect(out.groups.map((group) => group.marks.map((mark) => mark.label))).toEqual([
      ['DL', 'DR'],
      ['VL2', 'VR2', 'ML2', 'MR2', 'DV2'],
    ]);
    const marks = new Map(out.groups.flatMap((group) => group.marks).map((mark) => [mark.id, mark.lies.where]));
    expect(marks.get('distance-left')).toBe('on-sheet');
    expect(marks.get('vp-left of piece askew')).toBe('on-board');
    expect(out.groundLineOnSheetY).toBeCloseTo(70, 9);
  });
  it('families follow the eye: right, left, centre, level, vertical, elsewhere', () => {
    const turned = setUpFrom({
      station: { x: 0, y: 0 },
      eyeHeight: 1600,
      floor: 0,
      bearingDeg: 330,
      pictureDistance: 3000,
      scaleDenominator: 20,
    });
    const turn = turnOfPair(turned, 0);
    expect(turn).toBe(30);
    expect(familyOf(turned, turn, { x: 0, y: 1, z: 0 })).toBe('right');
    expect(familyOf(turned, turn, { x: 1, y: 0, z: 0 })).toBe('left');
    expect(familyOf(turned, turn, { x: 0, y: 0, z: 2 })).toBe('vertical');
    expect(familyOf(turned, turn, { x: 1, y: 1, z: 0 })).toBe('elsewhere');
    const square = setUpFrom({ ...turned, bearingDeg: 0 });
    expect([familyOf(square, 0, { x: 0, y: 1, z: 0 }), familyOf(square, 0, { x: 1, y: 0, z: 0 })]).toEqual([
      'centre',
      'level',
    ]);
    expect(vanishingPoint(square, { x: 1, y: 0, z: 0 })).toEqual({ kind: 'parallel', du: 1, dv: 0 });
    expect(directionPair(square, 0).kind).toBe('one-point');
  });
});

describe('a room that is all but square to the picture plane', () => {
  const setUp = setUpFrom({
    ...{ station: { x: 0, y: 0 }, eyeHeight: 1600, floor: 0, bearingDeg: 0 },
    ...{ pictureDistance: 2500, scaleDenominator: 20 },
  });
  const k = setUp.viewingDistance;
  it.each([1e-6, 1e-5, 1e-3, 0.05, 1])('keeps every digit of its far point at %d°', (off) => {
    // tan φ of a small angle by its series: three terms are exact to the last digit below a degree.
    const x = (off * Math.PI) / 180;
    const far = k / (x + x ** 3 / 3 + (2 * x ** 5) / 15 + (17 * x ** 7) / 315);
    const near = directionPair(setUp, off);
    const steep = directionPair(setUp, 90 - off);
    if (near.kind !== 'two-point' || steep.kind !== 'two-point') throw new Error('two-point');
    expect(near.vpLeft / -far).toBeCloseTo(1, 14);
    // 90° less so little is itself rounded, and the far point by as much.
    const rounded = 2 ** -47 / off;
    expect(Math.abs(steep.vpRight / far - 1)).toBeLessThanOrEqual(rounded + 1e-14);
    for (const pair of [near, steep]) expect((pair.vpLeft * pair.vpRight) / (-k * k)).toBeCloseTo(1, 13);
  });
  it('is drawn in one-point below a ten-millionth of a degree, and not above it', () => {
    expect(turnOfPair(setUp, 0.9e-7)).toBe(0);
    expect(turnOfPair(setUp, 90 - 0.9e-7)).toBe(0);
    expect(turnOfPair(setUp, 1.1e-7)).toBeCloseTo(1.1e-7, 12);
  });
});

describe('what only touches the frame', () => {
  it('from outside is nothing, one by one and in bulk; what goes in from there is a line (seeds 1…)', () => {
    const view = boxView();
    const setUp = set(view);
    const { frame } = view;
    const inWorld = (u: number, v: number, depth: number) => {
      const share = depth / setUp.viewingDistance;
      return worldPoint(
        setUp.station.x + setUp.forward.x * depth + setUp.right.x * u * share,
        setUp.station.y + setUp.forward.y * depth + setUp.right.y * u * share,
        setUp.eyeZ + v * share,
      );
    };
    fc.assert(
      fc.property(
        fc.double({ min: -100, max: 100, noNaN: true }),
        fc.double({ min: 500, max: 9000, noNaN: true }),
        fc.double({ min: 500, max: 9000, noNaN: true }),
        fc.double({ min: 1, max: 300, noNaN: true }),
        (v, depth, other, far) => {
          const touching = inWorld(frame.right, v, depth);
          const [out, into] = [
            inWorld(frame.right + far, v + far / 3, other),
            inWorld(frame.right - far, v / 2, other),
          ];
          const bulk = (a: typeof out, b: typeof out): number =>
            projectSegments(
              setUp,
              Float64Array.from([a.x, a.y, a.z, b.x, b.y, b.z]),
              frame,
              new Float64Array(4),
              new Int32Array(1),
            );
          for (const [a, b] of [
            [touching, out],
            [out, touching],
          ] as const) {
            expect(projectSegment(setUp, a, b, frame)).toBeNull();
            expect(bulk(a, b)).toBe(0);
          }
          expect(projectSegment(setUp, touching, into, frame)).not.toBeNull();
          expect(bulk(into, touching)).toBe(1);
        },
      ),
      { numRuns: runs() },
    );
  });
});
