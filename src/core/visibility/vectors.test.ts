import { describe, expect, it } from 'vitest';
import { at } from '@/core/base';
import { wholeEllipse } from '@/core/geometry';
import { ball, drum, silhouettesOf, partsBody } from '@/core/solids';
import { setUpFrom, type SetUpGiven } from '@/core/view';
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
  setUpFrom({ ...one.setup, station: { x: one.setup.station[0] as number, y: one.setup.station[1] as number } });
/** An axis has no sense: it is told by an angle from −90 to 90. */
const axis = (degrees: number): number => degrees - Math.round(degrees / 180) * 180;

describe('independent vectors', () => {
  it('circles: centre and axes of the picture’s ellipse, and the picture of the centre beside it', () => {
    for (const one of circles) {
      const setUp = given(one);
      const [x, y, z] = one.centre as [number, number, number];
      const bearing = ((one.planeBearingDeg ?? 0) * Math.PI) / 180;
      const upright = one.plane === 'vertical';
      const conic = conicOfCircle({
        centre: worldPoint(x, y, z),
        radius: one.radius,
        first: upright ? { x: Math.sin(bearing), y: Math.cos(bearing), z: 0 } : { x: 1, y: 0, z: 0 },
        second: upright ? { x: 0, y: 0, z: 1 } : { x: 0, y: 1, z: 0 },
      });
      const ellipse = wholeEllipse(pictureConic(setUp, conic, 0, 2 * Math.PI));
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

  it('spheres: centre and axes of the silhouette’s ellipse', () => {
    for (const one of spheres) {
      const setUp = given(one);
      const [x, y, z] = one.centre as [number, number, number];
      const body = partsBody('it', [ball('ball', [x, y, z], one.radius)], WORLD);
      const [silhouette] = silhouettesOf(at(body.rounds, 0), { x: setUp.station.x, y: setUp.station.y, z: setUp.eyeZ });
      if (silhouette?.kind !== 'arc') throw new Error('no silhouette');
      const ellipse = wholeEllipse(
        pictureConic(setUp, conicOfCircle(silhouette.circle), silhouette.from, silhouette.to),
      );
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
  it('the silhouette of a zone of a ball is what lies in it', () => {
    const cut = partsBody('it', [drum('d', [0, 0, 0], 100, 300)], WORLD).rounds[0];
    if (!cut) throw new Error('no round');
    const zone = { ...cut, surface: 'sphere' as const, from: { along: -20, radius: 0 }, to: { along: 60, radius: 0 } };
    const silhouettes = silhouettesOf(zone, { x: 900, y: -300, z: 20 });
    expect(silhouettes).toHaveLength(2);
    for (const silhouette of silhouettes) {
      if (silhouette.kind !== 'arc') throw new Error('a line');
      for (const angle of [silhouette.from, (silhouette.from + silhouette.to) / 2, silhouette.to]) {
        const z =
          silhouette.circle.centre.z +
          silhouette.circle.radius *
            (Math.cos(angle) * silhouette.circle.first.z + Math.sin(angle) * silhouette.circle.second.z);
        expect(z).toBeGreaterThan(-20 - 1e-9);
        expect(z).toBeLessThan(60 + 1e-9);
      }
    }
  });
});
