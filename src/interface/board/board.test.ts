import { describe, expect, it } from 'vitest';
import { at } from '@/core/base';
import { changeView, type Project, type View } from '@/core/record';
import { bodiesOf } from '@/core/solids';
import { eyeFromWorld, resolveSetUp, type SetUp } from '@/core/view';
import { boxPiece, boxView, smallRoom } from '@/testing';
import { contains, drawingLayout, linkedLayout } from './layout';
import { cornerScreen, cornersOf, lightCorner, pickCorner, viewAt } from './lit';
import { dragEye, dragPlane, dragStation, dragTurn, turningPoint, turnOfRoom } from './moves';
import {
  equalPose,
  eyeFromPlanScreen,
  fitPose,
  keepStill,
  magnify,
  pictureScreen,
  planScreen,
  sheetScreen,
} from './pose';
import { picturePoint } from '@/core/space';

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

describe('the paper surface', () => {
  it('shares 1048 by 708 without gaps: plan above, side view and picture below, strips between', () => {
    const { plan, side, picture, uStrip, vStrip } = layout;
    expect(plan.height + uStrip.height + picture.height).toBe(708);
    expect(side.width + vStrip.width + picture.width).toBe(1048);
    expect([
      viewAt(layout, 500, 10),
      viewAt(layout, 10, 600),
      viewAt(layout, 900, 600),
      viewAt(layout, vStrip.x + 3, 600),
    ]).toEqual(['plan', 'side', 'picture', null]);
    expect(contains(drawingLayout(800, 400).picture, 799, 399)).toBe(true);
  });
  it('fits the whole room into each view, on one axis and one horizon', () => {
    const { setUp, bodies, pose, view } = scene();
    for (const corner of cornersOf(bodies)) {
      for (const which of ['plan', 'side'] as const) {
        const p = cornerScreen(which, pose, setUp, corner);
        expect(p && contains(layout[which], p.x, p.y), `${which} ${corner.id}`).toBe(true);
      }
    }
    const corner = pictureScreen(pose, picturePoint(view.frame.left, view.frame.top));
    expect(contains(layout.picture, corner.x, corner.y)).toBe(true);
    expect(planScreen(pose, setUp, 0, setUp.pictureDistance)).toEqual({ x: pose.axisX, y: pose.planeY });
    expect(sheetScreen(pose, view, view.centreOfVisionOnSheet.x, view.centreOfVisionOnSheet.y)).toEqual({
      x: pose.axisX,
      y: pose.horizonY,
    });
  });
  it('fits what else must be in sight, such as the marks of a construction', () => {
    const { setUp, bodies, view } = scene();
    const far = picturePoint(view.frame.right + 90, view.frame.bottom - 30);
    const at = pictureScreen(fitPose(layout, view, setUp, bodies, [far]), far);
    expect(contains(layout.picture, at.x, at.y)).toBe(true);
  });
  it('a screen point of the plan goes back to where it came from', () => {
    const { setUp, pose } = scene();
    const p = planScreen(pose, setUp, 731, 2876);
    const back = eyeFromPlanScreen(pose, setUp, p.x, p.y);
    expect(back.lateral).toBeCloseTo(731, 6);
    expect(back.depth).toBeCloseTo(2876, 6);
  });
  it('at equal magnification drops and levels run straight; magnifying one view leaves axis and horizon', () => {
    const { setUp, bodies, pose } = scene();
    const equal = equalPose(pose, layout, setUp, bodies);
    const lit = lightCorner(at(cornersOf(bodies), 0), equal, setUp, layout, 0);
    expect(lit?.strips.uAbove.x).toBe(lit?.strips.uBelow.x);
    expect(lit?.strips.vLeft.y).toBe(lit?.strips.vRight.y);
    const larger = magnify(pose, 'plan', 2, 500, 100);
    expect([larger.planScale / pose.planScale, larger.axisX, larger.horizonY, larger.pictureScale]).toEqual([
      2,
      pose.axisX,
      pose.horizonY,
      pose.pictureScale,
    ]);
  });
});

describe('pointing at a corner', () => {
  it('finds it in each view, and each view’s own figure is the picture’s', () => {
    const { setUp, bodies, pose } = scene();
    const corners = cornersOf(bodies).filter((corner) => corner.id.startsWith('box/'));
    for (const corner of corners) {
      const lit = lightCorner(corner, pose, setUp, layout, 0);
      if (!lit) throw new Error('in front');
      expect(lit.figures.planU).toBeCloseTo(lit.figures.pictureU, 9);
      expect(lit.figures.sideV).toBeCloseTo(lit.figures.pictureV, 9);
      const inPicture = cornerScreen('picture', pose, setUp, corner);
      expect(inPicture && pickCorner(corners, 'picture', pose, setUp, inPicture.x + 2, inPicture.y - 2)?.id).toBe(
        corner.id,
      );
      const inPlan = cornerScreen('plan', pose, setUp, corner);
      expect(
        inPlan && pickCorner(corners, 'plan', pose, setUp, inPlan.x, inPlan.y)?.id.replace(/-(top|bottom)$/, ''),
      ).toBe(corner.id.replace(/-(top|bottom)$/, ''));
      // The ray, the tick on the picture plane and the corner lie on one line in plan.
      const { station, onPlane, corner: p } = lit.plan;
      expect((onPlane.x - station.x) * (p.y - station.y) - (onPlane.y - station.y) * (p.x - station.x)).toBeCloseTo(
        0,
        4,
      );
    }
    expect(pickCorner(corners, 'picture', pose, setUp, layout.picture.x + 1, layout.picture.y + 1)).toBeNull();
  });
});

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
