import { standOf } from '@/core/view';
import { describe, expect, it } from 'vitest';
import { DEMOS } from '@/app/demo';
import { at } from '@/core/base';
import { changeView, lengthStyleOf, type Project } from '@/core/record';
import { drain, visibleLinesExact } from '@/core/visibility';
import { sceneOf, standWarnings } from './index';

function warningsOf(project: Project, scene = sceneOf(project)) {
  const view = at(project.views, 0);
  const stand = standOf(project, view);
  if (!stand.ok) throw new Error(stand.error.message);
  const lines = drain(visibleLinesExact(scene.prepared, stand.value.setUp, view.frame));
  return standWarnings(project, view, scene, stand.value, lines, lengthStyleOf(project));
}

describe.each(DEMOS.map((demo) => [demo.id, demo] as const))('warnings where one stands, %s', (_, demo) => {
  const scene = sceneOf(demo);
  it('each has a figure, and what it offers makes it go', () => {
    const found = warningsOf(demo, scene);
    for (const warning of found) {
      expect(warning.message).toMatch(/\d/);
      for (const remedy of warning.remedies) {
        const after = warningsOf(changeView(demo, at(demo.views, 0).id, remedy.change), scene);
        expect(
          after.filter(
            (one) => one.kind === warning.kind && one.about === warning.about && one.message === warning.message,
          ),
          `${remedy.label}: ${warning.message}`,
        ).toEqual([]);
      }
    }
  });
  it('standing as near as one can brings the cone, the frame and the viewing distance up; stepping far back takes them away', () => {
    const view = at(demo.views, 0);
    const kinds = (mm: number): ReadonlySet<string> => {
      const moved = changeView(demo, view.id, { picturePlane: { through: 'distance', mm } });
      return new Set(warningsOf(moved, scene).map((one) => one.kind));
    };
    expect([...kinds(1500)]).toEqual(expect.arrayContaining(['viewing-distance', 'frame-outside-cone']));
    expect(kinds(view.scaleDenominator * 700).has('viewing-distance')).toBe(false);
    expect(kinds(view.scaleDenominator * 700).has('frame-outside-cone')).toBe(false);
  });
});
