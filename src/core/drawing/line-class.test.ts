import { describe, expect, it } from 'vitest';
import { at } from '@/core/base';
import { bodiesOf } from '@/core/solids';
import { worldPoint } from '@/core/space';
import { projectPoint, resolveSetUp } from '@/core/view';
import { prepareScene } from '@/core/visibility';
import { boxPiece, randomBoxScene, runs, smallRoom } from '@/testing';
import { LineClasses } from './line-class';

interface P {
  readonly u: number;
  readonly v: number;
}
const turn = (a: P, b: P, c: P): number => (b.u - a.u) * (c.v - a.v) - (b.v - a.v) * (c.u - a.u);
/** Whether all points lie on one side of the line through two of them: it is then part of the outline. */
const bounds = (points: readonly P[], a: P, b: P): boolean => {
  const sides = points.map((p) => turn(a, b, p)).filter((side) => Math.abs(side) > 1e-6);
  return sides.every((side) => side > 0) || sides.every((side) => side < 0);
};

describe('of what kind a line is to the eye', () => {
  it('the outline of a box is its profile, the edges within it are inner ones (seeds 1…)', () => {
    let [profiles, inner] = [0, 0];
    for (let seed = 1; seed <= runs(); seed += 1) {
      const { project } = randomBoxScene(seed);
      const setUp = resolveSetUp(project, at(project.views, 0));
      if (!setUp.ok) continue;
      const scene = prepareScene(bodiesOf(project));
      const eye = worldPoint(setUp.value.station.x, setUp.value.station.y, setUp.value.eyeZ);
      const classes = new LineClasses(scene, eye, new Set());
      const box = bodiesOf(project).find((body) => body.kind === 'piece');
      const shown = box?.vertices.map((vertex) => projectPoint(setUp.value, vertex.at));
      if (!shown || shown.some((one) => one === null)) continue;
      for (const edge of scene.edges.filter((one) => one.body === box?.id)) {
        const [a, b] = [projectPoint(setUp.value, edge.from), projectPoint(setUp.value, edge.to)];
        if (!a || !b || Math.hypot(a.u - b.u, a.v - b.v) < 1e-3) continue;
        const outline = bounds(shown as P[], a, b);
        expect(classes.ofEdge(edge), `seed ${seed}, ${edge.id}`).toBe(outline ? 'profile' : 'inner');
        if (outline) profiles += 1;
        else inner += 1;
      }
    }
    expect(Math.min(profiles, inner)).toBeGreaterThan(runs());
  });
  it('what lies on a surface is its pattern, whatever its sides', () => {
    const project = smallRoom([boxPiece({ turnDeg: 20 })]);
    const scene = prepareScene(bodiesOf(project));
    const classes = new LineClasses(scene, worldPoint(2000, -2500, 1600), new Set(['box']));
    const own = scene.edges.filter((one) => one.body === 'box');
    expect(own.length).toBeGreaterThan(8);
    for (const edge of own) expect(classes.ofEdge(edge)).toBe('pattern');
  });
});
