import { sharedRings } from './shared-rings';
import { describe, expect, it } from 'vitest';
import { at } from '@/core/base';
import { type View } from '@/core/record';
import { bodiesOf } from '@/core/solids';
import { resolveSetUp } from '@/core/view';
import { boxPiece, boxView, smallRoom } from '@/testing';
import { contains, pictureLayout, linkedLayout } from './layout';
import { cornerScreen, cornersOf, lightCorner, pickCorner, viewAt } from './lit';
import { equalPose, eyeFromPlanScreen, fitPose, magnify, pictureScreen, planScreen, sheetScreen } from './pose';
import { picturePoint } from '@/core/space';

const layout = linkedLayout(1048, 708);
function scene(view: View = boxView()) {
  const project = smallRoom([boxPiece({ turnDeg: 20 })], view);
  const resolved = resolveSetUp(project, view);
  if (!resolved.ok) throw new Error(resolved.error.message);
  const bodies = bodiesOf(project);
  return { project, view, setUp: resolved.value, bodies, pose: fitPose(layout, view, resolved.value, bodies) };
}
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
    expect(contains(pictureLayout(800, 400).picture, 799, 399)).toBe(true);
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

describe('pencil rings', () => {
  const box = (id: string, left: number, top: number, size = 20) => ({
    id,
    left,
    right: left + size,
    top,
    bottom: top + size,
  });
  const ids = (...boxes: ReturnType<typeof box>[]) => sharedRings(boxes, 10).map((ring) => ring.ids.join('+'));
  it('that would run into one another are one, by chains too; those apart, and one within another, are not', () => {
    expect(ids(box('a', 0, 0), box('b', 35, 0), box('c', 200, 0))).toEqual(['a+b', 'c']);
    expect(ids(box('a', 0, 0), box('c', 70, 0), box('b', 35, 0))).toEqual(['a+b+c']);
    expect(ids(box('room', 0, 0, 300), box('chair', 100, 100))).toEqual(['room', 'chair']);
    expect(ids(box('a', 0, 0), box('b', 41, 0))).toEqual(['a', 'b']);
    const [ring] = sharedRings([box('a', 0, 0), box('b', 30, 10)], 10);
    expect(ring).toEqual({ ids: ['a', 'b'], left: -10, right: 60, top: -10, bottom: 40 });
  });
});
