import { describe, expect, it } from 'vitest';
import { at } from '@/core/base';
import { bodiesOf } from '@/core/solids';
import { boxPiece, boxView, smallRoom } from '@/testing';
import spheres from '@/testing/vectors/spheres.json';
import { worldPoint } from '@/core/space';
import {
  depthCurve,
  eyeFromWorld,
  frameOffSight,
  pencilOnFloor,
  projectPoint,
  reachReport,
  resolveSetUp,
  setUpFrom,
  stepMeans,
  stretchAt,
} from './index';

const project = smallRoom(
  [boxPiece({ id: 'near', fromNorth: 1500, fromWest: 300 }), boxPiece({ id: 'far', fromNorth: 100, fromWest: 1400 })],
  boxView({ station: { x: 2000, y: -3000 } }),
);
const view = at(project.views, 0);
const resolved = resolveSetUp(project, view);
if (!resolved.ok) throw new Error(resolved.error.message);
const setUp = resolved.value;
const bodies = bodiesOf(project);

describe('reach and stretch of every piece', () => {
  it('gives its angle, stretch and size on paper as its corners say', () => {
    const readings = reachReport(setUp, view, bodies);
    expect(readings.map((one) => one.id)).toEqual(['near', 'far']);
    for (const reading of readings) {
      const body = bodies.find((one) => one.id === reading.id);
      const points = (body?.vertices ?? []).map((vertex) => projectPoint(setUp, vertex.at));
      const us = points.map((p) => p?.u ?? NaN);
      const vs = points.map((p) => p?.v ?? NaN);
      expect(reading.width).toBeCloseTo(Math.max(...us) - Math.min(...us), 9);
      expect(reading.height).toBeCloseTo(Math.max(...vs) - Math.min(...vs), 9);
      const angles = (body?.vertices ?? []).map((vertex) => {
        const eye = eyeFromWorld(setUp, vertex.at);
        return (Math.atan(Math.hypot(eye.lateral, eye.rise) / eye.depth) * 180) / Math.PI;
      });
      expect(reading.farthestDeg).toBeCloseTo(Math.max(...angles), 9);
      expect(reading.stretch).toBeCloseTo(1 / Math.cos((Math.max(...angles) * Math.PI) / 180), 9);
    }
    const [near, far] = [at(readings, 0), at(readings, 1)];
    expect(far.oneMm.sideways).toBeGreaterThan(near.oneMm.sideways);
    expect(far.pencil.farther / far.pencil.nearer).toBeGreaterThan(1);
    expect(near.cut).toBe(false);
    expect(reachReport(setUp, { frame: { ...view.frame, left: -50 } }, bodies)[0]?.cut).toBe(true);
  });
  it('leaves out what stands behind the viewer', () => {
    const inside = resolveSetUp(project, {
      ...view,
      station: { x: 2000, y: 2400 },
      picturePlane: { through: 'distance', mm: 500 },
    });
    if (!inside.ok) throw new Error('stands');
    expect(reachReport(inside.value, view, bodies).map((one) => one.id)).toEqual(['far']);
  });
  it('stretch 1/cos θ is that of a small ball, as the independent ellipses of balls have it', () => {
    for (const one of spheres) {
      const centre = one.centre as [number, number, number];
      const seen = setUpFrom({
        ...one.setup,
        station: { x: one.setup.station[0] as number, y: one.setup.station[1] as number },
      });
      const eye = eyeFromWorld(seen, worldPoint(...centre));
      const theta = Math.atan(Math.hypot(eye.lateral, eye.rise) / eye.depth);
      // From the same sphere's formulas with its radius gone to zero: along over across is 1/cos θ.
      const beta = 1e-6;
      const k = seen.viewingDistance;
      const along = (k * Math.sin(beta) * Math.cos(beta)) / (Math.cos(theta) ** 2 - Math.sin(beta) ** 2);
      const across = (k * Math.sin(beta)) / Math.sqrt(Math.cos(theta) ** 2 - Math.sin(beta) ** 2);
      expect(stretchAt((theta * 180) / Math.PI)).toBeCloseTo(along / across, 6);
    }
  });
});

describe('what paper means on the floor', () => {
  it('paper against real depth along a line grows slower the farther it goes, and ends where the points project', () => {
    const curve = depthCurve(setUp, { x: 2600, y: 0 }, { x: 2600, y: 3000 }, 30);
    expect(curve).toHaveLength(31);
    const steps = curve.slice(1).map((point, i) => point.paperMm - at(curve, i).paperMm);
    for (let i = 1; i < steps.length; i += 1) expect(at(steps, i)).toBeLessThan(at(steps, i - 1));
    const [a, b] = [projectPoint(setUp, worldPoint(2600, 0, 0)), projectPoint(setUp, worldPoint(2600, 3000, 0))];
    expect(curve.at(-1)?.paperMm).toBeCloseTo(Math.hypot((b?.u ?? 0) - (a?.u ?? 0), (b?.v ?? 0) - (a?.v ?? 0)), 9);
    expect(curve.at(-1)?.real).toBeCloseTo(3000, 9);
    // A line that begins behind the viewer begins on paper where it comes in sight.
    expect(depthCurve(setUp, { x: 2000, y: -9000 }, { x: 2000, y: 3000 }, 60).length).toBeLessThan(61);
  });
  it('a pencil’s line on the floor: t²/(k·e) and t/k of it, nothing behind the eye', () => {
    const t = 4500;
    const means = pencilOnFloor(setUp, { x: 100, y: 1500 }, 0.5);
    expect(means?.depth).toBeCloseTo(((t * t) / (150 * 1600)) * 0.5, 9);
    expect(means?.width).toBeCloseTo((t / 150) * 0.5, 9);
    expect(pencilOnFloor(setUp, { x: 2000, y: -3100 }, 0.5)).toBeNull();
    expect(stepMeans(setUp, 500_000, 1).farther).toBe(Infinity);
  });
  it('the frame’s own angles', () => {
    const off = frameOffSight(setUp, {
      frame: { left: -150, right: 75, bottom: -10, top: 150 * Math.tan(Math.PI / 6) },
    });
    expect(off.left).toBeCloseTo(45, 9);
    expect(off.up).toBeCloseTo(30, 9);
    expect(off.corner).toBeGreaterThan(45);
  });
});
