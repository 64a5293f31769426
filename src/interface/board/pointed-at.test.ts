import { describe, expect, it } from 'vitest';
import { DEMOS } from '@/app/demo';
import { at } from '@/core/base';
import { sceneOf, sheetOf } from '@/core/pipeline';
import { projectPoint, standOf } from '@/core/view';
import { drain, visibleLinesExact } from '@/core/visibility';
import { linkedLayout } from './layout';
import { cornersOf } from './lit';
import { pointedAt } from './pointed-at';
import { fitPose, pictureScreen, planScreen, sheetScreen } from './pose';
import { nextFit } from './use-pose';

function desk() {
  const project = at(DEMOS, 1);
  const view = at(project.views, 0);
  const scene = sceneOf(project);
  const stand = standOf(project, view);
  if (!stand.ok) throw new Error(stand.error.message);
  const { setUp } = stand.value;
  const lines = drain(visibleLinesExact(scene.prepared, setUp, view.frame));
  const layout = linkedLayout(1048, 708);
  const perspective = {
    ...{ scene, stand: stand.value, lines, quick: false },
    drawing: sheetOf(project, view, scene, stand.value, lines, null),
  };
  const pose = fitPose(layout, view, setUp, scene.bodies);
  return { layout, pose, view, perspective, corners: cornersOf(scene.bodies), dragging: false, setUp };
}
const given = desk();

describe('what lies under the pointer', () => {
  it('in the picture: a corner before a line, with the place hooked onto it', () => {
    const corner = at(
      given.corners.filter(({ at: point }) => {
        const p = projectPoint(given.setUp, point);
        return p !== null && Math.abs(p.u) < 60 && Math.abs(p.v) < 40;
      }),
      0,
    );
    const where = projectPoint(given.setUp, corner.at);
    if (!where) throw new Error('behind the eye');
    const screen = pictureScreen(given.pose, where);
    const found = pointedAt(given, { x: screen.x + 2, y: screen.y });
    expect(found.inView).toBe('picture');
    expect(found.line).toBeNull();
    const hooked = found.corner && projectPoint(given.setUp, found.corner.at);
    expect(found.place).toEqual(hooked);
  });
  it('away from corners the line of the picture, by its name; none while something is dragged or the picture is quick', () => {
    const strokes = given.perspective.drawing.layers
      .filter((layer) => layer.role.layer === 'room')
      .flatMap((layer) => layer.strokes)
      .filter((one) => !one.curve)
      .sort((a, b) => Math.hypot(b.x1 - b.x0, b.y1 - b.y0) - Math.hypot(a.x1 - a.x0, a.y1 - a.y0));
    const named = strokes.flatMap((one) => {
      const p = sheetScreen(given.pose, given.view, (one.x0 + one.x1) / 2, (one.y0 + one.y1) / 2);
      const found = pointedAt(given, p);
      return found.line === null ? [] : [{ p, found, one }];
    });
    expect(named.length).toBeGreaterThan(3);
    const { p, found } = at(named, 0);
    expect(found.corner).toBeNull();
    expect(given.perspective.drawing.layers.some((l) => l.strokes.some((s) => s.of === found.line))).toBe(true);
    expect(pointedAt({ ...given, dragging: true }, p).line).toBeNull();
    expect(pointedAt({ ...given, perspective: { ...given.perspective, quick: true } }, p).line).toBeNull();
  });
  it('in the plan corners only, on the strips nothing', () => {
    const corner = at(given.corners, 0);
    const { forward, right, station } = given.setUp;
    const [dx, dy] = [corner.at.x - station.x, corner.at.y - station.y];
    const screen = planScreen(given.pose, given.setUp, dx * right.x + dy * right.y, dx * forward.x + dy * forward.y);
    expect(pointedAt(given, screen)).toMatchObject({ inView: 'plan', line: null, place: null });
    expect(pointedAt(given, screen).corner).not.toBeNull();
    const { uStrip } = given.layout;
    expect(pointedAt(given, { x: uStrip.x + 4, y: uStrip.y + 4 })).toEqual({
      ...{ inView: null, corner: null, line: null, place: null, bare: null },
    });
  });
});

describe('the fit command', () => {
  it('goes from one fit to the next and round again, and from anywhere else to the first', () => {
    const [board, sheet, near] = [1, 2, 3].map((pictureScale) => ({ ...given.pose, pictureScale }));
    if (!board || !sheet || !near) throw new Error('three poses');
    expect(nextFit([board, sheet], board)).toBe(sheet);
    expect(nextFit([board, sheet], sheet)).toBe(board);
    expect(nextFit([board, sheet], near)).toBe(board);
    expect(nextFit([board], board)).toBe(board);
  });
});
