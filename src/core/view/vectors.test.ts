import { describe, expect, it } from 'vitest';
import { worldPoint } from '@/core/space';
import { expectNear } from '@/testing';
import directions from '@/testing/vectors/directions.json';
import points from '@/testing/vectors/points.json';
import segments from '@/testing/vectors/segments.json';
import setouts from '@/testing/vectors/setouts.json';
import {
  directionPair,
  groundLineV,
  projectPoint,
  projectSegment,
  projectSegments,
  setUp,
  vanishingPoint,
} from './index';
import type { SetUpGiven } from './index';

type Triple = [number, number, number];
const given = (one: { setup: { station: number[] } & Omit<SetUpGiven, 'station'> }) =>
  setUp({ ...one.setup, station: { x: one.setup.station[0] as number, y: one.setup.station[1] as number } });
const world = (p: readonly number[]) => worldPoint(...(p as Triple));

describe('independent vectors', () => {
  it('points: u and v of every point, none behind the eye', () => {
    let compared = 0;
    for (const one of points) {
      const set = given(one);
      one.points.forEach((point, i) => {
        const expected = one.picture[i];
        const actual = projectPoint(set, world(point));
        if (!expected) expect(actual).toBeNull();
        else {
          expectNear(actual?.u ?? NaN, expected[0] as number, 'u');
          expectNear(actual?.v ?? NaN, expected[1] as number, 'v');
        }
        compared += 1;
      });
    }
    expect(compared).toBe(points.reduce((sum, one) => sum + one.points.length, 0));
  });

  it('segments: cut to the frame, one by one and in bulk', () => {
    for (const one of segments) {
      const set = given(one);
      const [U, V] = one.frame as [number, number];
      const frame = { left: -U, right: U, bottom: -V, top: V };
      const actual = projectSegment(set, world(one.a), world(one.b), frame);
      const out = new Float64Array(4);
      const rows = projectSegments(set, Float64Array.from([...one.a, ...one.b]), frame, out, new Int32Array(1));
      expect(rows).toBe(one.picture ? 1 : 0);
      if (!one.picture) {
        expect(actual).toBeNull();
        continue;
      }
      const expected = one.picture.flat();
      [actual?.start.u, actual?.start.v, actual?.end.u, actual?.end.v].forEach((value, i) => {
        expectNear(value ?? NaN, expected[i] as number, 'segment end');
        expectNear(out[i] as number, expected[i] as number, 'segment end in bulk');
      });
    }
    expect(segments.length).toBe(60);
  });

  it('setouts: vanishing, measuring, distance, diagonal and fractional points', () => {
    const kinds = new Set<string>();
    for (const one of setouts) {
      const set = given(one);
      const pair = directionPair(set, one.objectTurnDeg);
      expect(pair.kind).toBe(one.kind);
      kinds.add(pair.kind);
      expectNear(-groundLineV(set), one.horizonAboveGroundLine, 'horizon above ground line');
      if (pair.kind === 'two-point') {
        expectNear(pair.vpRight, one.vpRight?.[0] as number, 'vpRight');
        expectNear(pair.vpLeft, one.vpLeft?.[0] as number, 'vpLeft');
        for (const key of ['mpOfRight', 'mpOfLeft', 'halfMpOfRight', 'halfMpOfLeft', 'vpSpread'] as const)
          expectNear(pair[key], one[key] as number, key);
        expectNear(pair.diagonalVp, one.diagonalVp?.[0] as number, 'diagonalVp');
      } else {
        expectNear(pair.vp, one.vp?.[0] as number, 'vp');
        for (const key of ['distancePoints', 'halfDistancePoints', 'thirdDistancePoints'] as const)
          pair[key].forEach((u, i) => expectNear(u, one[key]?.[i] as number, key));
      }
    }
    expect([...kinds].sort()).toEqual(['one-point', 'two-point']);
  });

  it('directions: vanishing point, sense and distance from the station', () => {
    for (const one of directions) {
      const [x, y, z] = one.direction as Triple;
      const vanishing = vanishingPoint(given(one), { x, y, z });
      expect(vanishing.kind).toBe('point');
      if (vanishing.kind !== 'point') continue;
      expectNear(vanishing.at.u, one.vp[0] as number, 'u');
      expectNear(vanishing.at.v, one.vp[1] as number, 'v');
      expect(vanishing.recedesAlong).toBe(one.recedesAlong);
      expectNear(vanishing.fromStation, one.vpToStation, 'distance from station');
    }
    expect(directions.length).toBe(40);
  });
});
