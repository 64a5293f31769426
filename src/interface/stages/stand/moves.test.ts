import { describe, expect, it } from 'vitest';
import { at } from '@/core/base';
import { changeView, type Project, type View } from '@/core/record';
import { bodiesOf } from '@/core/solids';
import { eyeFromWorld, resolveSetUp, type SetUp } from '@/core/view';
import { cornersOf, fitPose, keepStill, linkedLayout, planScreen } from '@/interface/board';
import { boxPiece, boxView, smallRoom } from '@/testing';
import { dragEye, dragPlane, dragStation, dragTurn, turningPoint, turnOfRoom } from './moves';

const layout = linkedLayout(1048, 708);
function scene(view: View = boxView()) {
  const project = smallRoom([boxPiece({ turnDeg: 20 })], view);
  const resolved = resolveSetUp(project, view);
  if (!resolved.ok) throw new Error(resolved.error.message);
  const bodies = bodiesOf(project);
  return { project, view, setUp: resolved.value, bodies, pose: fitPose(layout, view, resolved.value, bodies) };
}
const applied = (
  project: Project,
  change: Parameters<typeof changeView>[2],
): { setUp: SetUp; view: View; project: Project } => {
  const next = changeView(project, 'view', change);
  const resolved = resolveSetUp(next, at(next.views, 0));
  if (!resolved.ok) throw new Error(resolved.error.message);
  return { setUp: resolved.value, view: at(next.views, 0), project: next };
};

describe('handles', () => {
  it('the station follows the pointer and the plan stays still under it', () => {
    const { project, view, setUp, pose, bodies } = scene();
    const change = dragStation(view, setUp, pose, 30, 20, 'metric');
    const after = applied(project, change);
    const moved = keepStill(pose, setUp, after.setUp, layout);
    const before = planScreen(pose, setUp, 0, 0);
    const now = planScreen(moved, after.setUp, 0, 0);
    expect(now.x - before.x).toBeCloseTo(30, 0);
    expect(now.y - before.y).toBeCloseTo(20, 0);
    for (const corner of cornersOf(bodies).slice(0, 8)) {
      const [a, b] = [eyeFromWorld(setUp, corner.at), eyeFromWorld(after.setUp, corner.at)];
      const [p, q] = [planScreen(pose, setUp, a.lateral, a.depth), planScreen(moved, after.setUp, b.lateral, b.depth)];
      expect(Math.hypot(p.x - q.x, p.y - q.y)).toBeLessThan(1e-6);
    }
    expect(moved.pictureScale).toBe(pose.pictureScale);
    expect(Number.isInteger(after.view.station.x)).toBe(true);
  });
  it('the picture plane catches at a wall or corner it comes near, else stays bound to a point of the room', () => {
    const { project, view, setUp, pose } = scene(boxView({ picturePlane: { through: 'point', x: 0, y: 1500 } }));
    const perPixel = setUp.scaleDenominator / pose.planScale;
    expect(dragPlane(project, view, setUp, pose, (1500 - 20) / perPixel).picturePlane).toEqual({
      through: 'wall',
      wallId: 'south',
    });
    expect(dragPlane(project, view, setUp, pose, -(1500 - 20) / perPixel).picturePlane).toMatchObject({
      through: 'wall',
      wallId: 'north',
    });
    expect(dragPlane(project, view, setUp, pose, -500 / perPixel).picturePlane?.through).toBe('point');
    const apart = boxView({ picturePlane: { through: 'distance', mm: 2000 } });
    expect(dragPlane(project, apart, applied(project, apart).setUp, pose, -500 / perPixel).picturePlane).toMatchObject({
      through: 'distance',
    });
    expect(applied(project, dragPlane(project, view, setUp, pose, 1e5)).setUp.pictureDistance).toBeGreaterThanOrEqual(
      100 - 1e-6,
    );
  });
  it('the plan sheet turns to the pointer and catches at set-square angles', () => {
    const { project, view, setUp, pose } = scene(boxView({ picturePlane: { through: 'point', x: 2000, y: 1500 } }));
    const pivot = turningPoint(project, view, setUp, pose);
    const to = (degrees: number) =>
      dragTurn(project, view, pivot, {
        x: pivot.x + 100 * Math.sin((degrees * Math.PI) / 180),
        y: pivot.y - 100 * Math.cos((degrees * Math.PI) / 180),
      });
    expect(turnOfRoom(project, applied(project, to(30.9)).view)).toBeCloseTo(30, 6);
    expect(turnOfRoom(project, applied(project, to(37)).view)).toBeCloseTo(37, 6);
    expect(turnOfRoom(project, applied(project, to(0.5)).view)).toBe(0);
  });
  it('the eye rises with the pointer, rounds to what one would write, and stays above the floor', () => {
    const { view, setUp, pose } = scene();
    const print = (mm: number): string => String(mm);
    const up = dragEye(view, setUp, pose, -10, 'metric', print).eyeHeight;
    expect(up?.mm).toBe(Math.round(1600 + (10 * setUp.scaleDenominator) / pose.sideScale));
    expect(up?.asTyped).toBe(String(up?.mm));
    expect(dragEye(view, setUp, pose, 1e5, 'metric', print).eyeHeight?.mm).toBe(300);
    const imperial = dragEye(view, setUp, pose, -7, 'imperial', print).eyeHeight?.mm ?? 0;
    expect((imperial / 25.4) * 8).toBeCloseTo(Math.round((imperial / 25.4) * 8), 6);
  });
});
