import { describe, expect, it } from 'vitest';
import { worldPoint } from '@/core/space';
import { expectNear } from '@/testing';
import cone from '@/testing/vectors/cone.json';
import depthReading from '@/testing/vectors/depth_reading.json';
import directions from '@/testing/vectors/directions.json';
import divisions from '@/testing/vectors/divisions.json';
import inclined from '@/testing/vectors/inclined.json';
import points from '@/testing/vectors/points.json';
import segments from '@/testing/vectors/segments.json';
import slopedDivisions from '@/testing/vectors/sloped_divisions.json';
import setouts from '@/testing/vectors/setouts.json';
import {
  angleOffSight,
  coneRadius,
  depthAtV,
  depthPerPaperMm,
  directionPair,
  eyeFromWorld,
  groundLineV,
  paperFraction,
  projectPoint,
  projectSegment,
  projectSegments,
  setUpFrom,
  stepMeans,
  vanishingPoint,
  vAtDepth,
  widthPerPaperMm,
} from './index';
import type { SetUpGiven } from './index';

type Triple = [number, number, number];
const given = (one: { setup: { station: number[] } & Omit<SetUpGiven, 'station'> }) =>
  setUpFrom({ ...one.setup, station: { x: one.setup.station[0] as number, y: one.setup.station[1] as number } });
const world = (p: readonly number[]) => worldPoint(...(p as Triple));

describe('independent vectors', () => {
  it('points: u and v of every point, none behind the eye', () => {
    let compared = 0;
    for (const one of points) {
      const setUp = given(one);
      one.points.forEach((point, i) => {
        const expected = one.picture[i];
        const actual = projectPoint(setUp, world(point));
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
      const setUp = given(one);
      const [U, V] = one.frame as [number, number];
      const frame = { left: -U, right: U, bottom: -V, top: V };
      const actual = projectSegment(setUp, world(one.a), world(one.b), frame);
      const out = new Float64Array(4);
      const rows = projectSegments(setUp, Float64Array.from([...one.a, ...one.b]), frame, out, new Int32Array(1));
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
      const setUp = given(one);
      const pair = directionPair(setUp, one.objectTurnDeg);
      expect(pair.kind).toBe(one.kind);
      kinds.add(pair.kind);
      expectNear(-groundLineV(setUp), one.horizonAboveGroundLine, 'horizon above ground line');
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

  it('inclined: lines of a stair rise and fall to points above and below the horizon, signed', () => {
    for (const one of inclined) {
      const setUp = given(one);
      const bearing = (one.bearingDeg * Math.PI) / 180;
      for (const [sign, expected] of [
        [1, one.upwardVp],
        [-1, one.downwardVp],
      ] as const) {
        const vanishing = vanishingPoint(setUp, {
          x: Math.sin(bearing) * one.going,
          y: Math.cos(bearing) * one.going,
          z: sign * one.riser,
        });
        if (vanishing.kind !== 'point') throw new Error('a slope that recedes vanishes in a point');
        expectNear(vanishing.at.u, expected[0] as number, 'u of the slope');
        expectNear(vanishing.at.v, expected[1] as number, 'v of the slope');
      }
    }
    expect(inclined.length).toBe(30);
  });

  it('divisions, level and sloped: equal parts of a receding segment by the closed form and one by one', () => {
    for (const one of [...divisions, ...slopedDivisions]) {
      const setUp = given(one);
      const [a, b] = [world(one.a), world(one.b)];
      const [from, to] = [projectPoint(setUp, a), projectPoint(setUp, b)];
      if (!from || !to) throw new Error('both ends are in front of the eye');
      const [depthA, depthB] = [eyeFromWorld(setUp, a).depth, eyeFromWorld(setUp, b).depth];
      one.marks.forEach((mark, i) => {
        const share = i / one.parts;
        const f = paperFraction(share, depthA, depthB);
        expectNear(from.u + (to.u - from.u) * f, mark[0] as number, 'u of a division');
        expectNear(from.v + (to.v - from.v) * f, mark[1] as number, 'v of a division');
        const point = worldPoint(a.x + (b.x - a.x) * share, a.y + (b.y - a.y) * share, a.z + (b.z - a.z) * share);
        expectNear(projectPoint(setUp, point)?.u ?? NaN, mark[0] as number, 'u of the point itself');
      });
      expect(one.marks.length).toBe(one.parts + 1);
    }
    expect(divisions.length + slopedDivisions.length).toBe(50);
  });

  it('depth_reading: height under the horizon to depth and back, and what a paper millimetre means there', () => {
    for (const one of depthReading) {
      const setUp = given(one);
      expectNear(vAtDepth(setUp, one.depthFromStation), one.v, 'v');
      expectNear(depthAtV(setUp, one.v), one.depthFromStation, 'depth');
      expectNear(depthPerPaperMm(setUp, one.depthFromStation), one.realDepthPerSheetMm, 'depth of one millimetre');
      expectNear(widthPerPaperMm(setUp, one.depthFromStation), one.realWidthPerSheetMm, 'width of one millimetre');
      // A finite step differs to both sides, and comes to the first-order figure as it shrinks.
      const whole = stepMeans(setUp, one.depthFromStation, 1);
      expect(whole.nearer).toBeLessThan(one.realDepthPerSheetMm);
      expect(whole.farther).toBeGreaterThan(one.realDepthPerSheetMm);
      const small = stepMeans(setUp, one.depthFromStation, 1e-4);
      expect(small.farther / 1e-4 / one.realDepthPerSheetMm).toBeCloseTo(1, 3);
      expectNear(depthAtV(setUp, one.v - 1), one.depthFromStation - whole.nearer, 'a whole millimetre down');
    }
    expect(depthReading.length).toBe(20);
  });

  it('cone: angles off the line of sight and the radius of the 60° circle', () => {
    for (const one of cone) {
      const setUp = given(one);
      one.points.forEach((point, i) =>
        expectNear(angleOffSight(setUp, world(point)), one.angleFromLineOfSightDeg[i] as number, 'angle'),
      );
      expectNear(coneRadius(setUp, 60), one.coneRadius60, 'radius');
    }
    expect(cone.length).toBe(20);
  });
});
