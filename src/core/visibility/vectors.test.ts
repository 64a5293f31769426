import { describe, expect, it } from 'vitest';
import { at } from '@/core/base';
import { wholeEllipse } from '@/core/geometry';
import { ball, drum, limbsOf, partsBody } from '@/core/solids';
import { setUp, type SetUpGiven } from '@/core/view';
import { worldPoint } from '@/core/space';
import { expectNear } from '@/testing';
import circles from '@/testing/vectors/circles.json';
import spheres from '@/testing/vectors/spheres.json';
import { conicOfCircle, pictureConic } from './index';

const WORLD = {
  origin: { x: 0, y: 0, z: 0 },
  x: { x: 1, y: 0, z: 0 },
  y: { x: 0, y: 1, z: 0 },
  z: { x: 0, y: 0, z: 1 },
};
const given = (one: { setup: { station: number[] } & Omit<SetUpGiven, 'station'> }) =>
  setUp({ ...one.setup, station: { x: one.setup.station[0] as number, y: one.setup.station[1] as number } });
/** An axis has no sense: it is told by an angle from −90 to 90. */
const axis = (degrees: number): number => degrees - Math.round(degrees / 180) * 180;

describe('independent vectors', () => {
  it('circles: centre and axes of the picture’s ellipse, and the picture of the centre beside it', () => {
    for (const one of circles) {
      const set = given(one);
      const [x, y, z] = one.centre as [number, number, number];
      const bearing = ((one.planeBearingDeg ?? 0) * Math.PI) / 180;
      const upright = one.plane === 'vertical';
      const conic = conicOfCircle({
        centre: worldPoint(x, y, z),
        radius: one.radius,
        first: upright ? { x: Math.sin(bearing), y: Math.cos(bearing), z: 0 } : { x: 1, y: 0, z: 0 },
        second: upright ? { x: 0, y: 0, z: 1 } : { x: 0, y: 1, z: 0 },
      });
      const ellipse = wholeEllipse(pictureConic(set, conic, 0, 2 * Math.PI));
      if (!ellipse) throw new Error('no ellipse');
      expectNear(ellipse.centre.x, at(one.ellipseCentre, 0), 'centre u');
      expectNear(ellipse.centre.y, at(one.ellipseCentre, 1), 'centre v');
      expectNear(ellipse.major, one.semiMajor, 'semi-major');
      expectNear(ellipse.minor, one.semiMinor, 'semi-minor');
      // Of what is nearly a circle the axis is told the less exactly, by as much.
      const turn = (axis((ellipse.turn * 180) / Math.PI - one.majorAxisDeg) * Math.PI) / 180;
      expect(Math.abs(turn) * (1 - one.semiMinor / one.semiMajor)).toBeLessThan(1e-9);
    }
    expect(circles.length).toBe(30);
  });

  it('spheres: centre and axes of the limb’s ellipse', () => {
    for (const one of spheres) {
      const set = given(one);
      const [x, y, z] = one.centre as [number, number, number];
      const body = partsBody('it', [ball('ball', [x, y, z], one.radius)], WORLD);
      const [limb] = limbsOf(at(body.rounds, 0), { x: set.station.x, y: set.station.y, z: set.eyeZ });
      if (limb?.kind !== 'arc') throw new Error('no limb');
      const ellipse = wholeEllipse(pictureConic(set, conicOfCircle(limb.circle), limb.from, limb.to));
      if (!ellipse) throw new Error('no ellipse');
      expectNear(ellipse.centre.x, at(one.outlineCentre, 0), 'centre u');
      expectNear(ellipse.centre.y, at(one.outlineCentre, 1), 'centre v');
      expectNear(ellipse.major, one.semiMajor, 'semi-major');
      expectNear(ellipse.minor, one.semiMinor, 'semi-minor');
      const turn = (axis((ellipse.turn * 180) / Math.PI - one.majorAxisDeg) * Math.PI) / 180;
      expect(Math.abs(turn) * (1 - one.semiMinor / one.semiMajor)).toBeLessThan(1e-9);
    }
    expect(spheres.length).toBe(25);
  });
  it('the limb of a zone of a ball is what lies in it', () => {
    const cut = partsBody('it', [drum('d', [0, 0, 0], 100, 300)], WORLD).rounds[0];
    if (!cut) throw new Error('no round');
    const zone = { ...cut, surface: 'sphere' as const, from: { along: -20, radius: 0 }, to: { along: 60, radius: 0 } };
    const limbs = limbsOf(zone, { x: 900, y: -300, z: 20 });
    expect(limbs).toHaveLength(2);
    for (const limb of limbs) {
      if (limb.kind !== 'arc') throw new Error('a line');
      for (const angle of [limb.from, (limb.from + limb.to) / 2, limb.to]) {
        const z =
          limb.circle.centre.z +
          limb.circle.radius * (Math.cos(angle) * limb.circle.first.z + Math.sin(angle) * limb.circle.second.z);
        expect(z).toBeGreaterThan(-20 - 1e-9);
        expect(z).toBeLessThan(60 + 1e-9);
      }
    }
  });
});
