import { sceneOf, sheetOf } from '@/core/pipeline';
import { describe, expect, it } from 'vitest';
import { DEMOS } from '@/app/demo';
import { at, seededRandom } from '@/core/base';
import { worldPoint } from '@/core/space';
import { projectPoint, standOf } from '@/core/view';
import { drain, visibleLinesExact } from '@/core/visibility';
import { measuredOn, onPlane, readLine, StrokeIndex, strokePoints, tapePlanes } from './index';

function worked(i: number) {
  const project = at(DEMOS, i);
  const view = at(project.views, 0);
  const scene = sceneOf(project);
  const stand = standOf(project, view);
  if (!stand.ok) throw new Error(stand.error.message);
  const { setUp } = stand.value;
  const lines = drain(visibleLinesExact(scene.prepared, setUp, view.frame));
  return { project, view, scene, setUp, drawing: sheetOf(project, view, scene, stand.value, lines, null) };
}

describe('reading the picture', () => {
  it('pointing at a stroke’s middle names it, or one that lies there too (all demos)', () => {
    for (const i of DEMOS.keys()) {
      const { drawing } = worked(i);
      const index = new StrokeIndex(drawing);
      const strokes = drawing.layers
        .filter((layer) => layer.group === 'furniture' || layer.id === 'room')
        .flatMap((layer) => layer.strokes)
        .filter((one) => Math.hypot(one.x1 - one.x0, one.y1 - one.y0) > 3 && !one.curve);
      expect(strokes.length).toBeGreaterThan(100);
      for (const stroke of strokes.filter((_, k) => k % 7 === 0)) {
        const [x, y] = [(stroke.x0 + stroke.x1) / 2, (stroke.y0 + stroke.y1) / 2];
        const found = index.nearest(x, y, 1);
        expect(found).not.toBeNull();
        // At a crossing it may be the other: then that one passes through the point as well.
        const points = strokePoints(found ?? stroke, 0.05);
        const off = Math.min(
          ...points.slice(1).map((q, k) => {
            const p = at(points, k);
            const [dx, dy] = [q.x - p.x, q.y - p.y];
            const s = Math.min(1, Math.max(0, ((x - p.x) * dx + (y - p.y) * dy) / (dx * dx + dy * dy || 1)));
            return Math.hypot(p.x + s * dx - x, p.y + s * dy - y);
          }),
        );
        expect(off).toBeLessThan(1e-6);
      }
      expect(index.nearest(-500, -500, 2)).toBeNull();
    }
  });
  it('a line’s real length, paper length, distance and vanishing point', () => {
    const { project, view, scene, setUp } = worked(0);
    const edge = at(
      scene.prepared.edges.filter((one) => one.body === 'yarn-chest'),
      0,
    );
    const reading = readLine(project, view, scene.prepared, setUp, edge.id);
    const parts = scene.prepared.edges.filter((one) => one.id === edge.id);
    const real = parts.reduce((sum, { from, to }) => sum + Math.hypot(to.x - from.x, to.y - from.y, to.z - from.z), 0);
    expect(reading?.real).toBeCloseTo(real, 9);
    const paperMm = parts.reduce((sum, { from, to }) => {
      const [p, q] = [projectPoint(setUp, from), projectPoint(setUp, to)];
      return sum + Math.hypot((q?.u ?? NaN) - (p?.u ?? NaN), (q?.v ?? NaN) - (p?.v ?? NaN));
    }, 0);
    expect(reading?.paperMm).toBeCloseTo(paperMm, 6);
    expect(reading?.nearest).toBeGreaterThan(500);
    expect(reading?.farthest).toBeGreaterThanOrEqual(reading?.nearest ?? 0);
    expect(reading?.body).toBe('yarn-chest');
    expect(readLine(project, view, scene.prepared, setUp, 'nothing/there')).toBeNull();
  });
  it('a round line is as long as its circle', () => {
    const { project, view, scene, setUp } = worked(2);
    for (const curve of scene.prepared.curves.filter((one) => one.id.endsWith('circle-1')).slice(0, 12)) {
      const reading = readLine(project, view, scene.prepared, setUp, curve.id);
      const radius = Math.hypot(curve.conic[4] ?? 0, curve.conic[5] ?? 0, curve.conic[6] ?? 0);
      expect(reading?.real).toBeCloseTo(radius * (curve.to - curve.from), 4);
      expect(reading?.parallels).toBeNull();
    }
  });
  it('two points of a plane, told in the picture, are as far apart as they are: floor, walls, tops, picture plane (seed 71)', () => {
    const random = seededRandom(71);
    let measured = 0;
    for (const i of DEMOS.keys()) {
      const { project, view, scene, setUp } = worked(i);
      const planes = tapePlanes(project, view, setUp, at(project.pieces, 0).id, scene.prepared);
      expect(planes.map((plane) => plane.name)).toContain('the floor');
      expect(planes.length).toBeGreaterThan(5);
      for (const plane of planes)
        for (let k = 0; k < 20; k += 1) {
          const n = plane.normal;
          const [s, t] = [random() * 4000 - 2000, random() * 3000 - 1500];
          const along = Math.abs(n.z) > 0.9 ? { x: 1, y: 0, z: 0 } : { x: -n.y, y: n.x, z: 0 };
          const across = Math.abs(n.z) > 0.9 ? { x: 0, y: 1, z: 0 } : { x: 0, y: 0, z: 1 };
          const point = (a: number, b: number) =>
            worldPoint(
              plane.point.x + along.x * a + across.x * b,
              plane.point.y + along.y * a + across.y * b,
              plane.point.z + along.z * a + across.z * b,
            );
          const [p, q] = [point(s, t), point(s + 900, t + 400)];
          const [a, b] = [projectPoint(setUp, p), projectPoint(setUp, q)];
          if (!a || !b) continue;
          const found = measuredOn(setUp, plane, a, b);
          // Nearly edge-on nothing can be read.
          if (!found) continue;
          expect(found.length).toBeCloseTo(Math.hypot(900, 400), 3);
          expect(Math.hypot(found.level, found.across)).toBeCloseTo(found.length, 6);
          measured += 1;
        }
    }
    expect(measured).toBeGreaterThan(150);
    const { setUp } = worked(0);
    expect(
      onPlane(setUp, { id: 'f', name: 'f', point: { x: 0, y: 0, z: 0 }, normal: { x: 0, y: 0, z: 1 } }, {
        u: 0,
        v: 5,
      } as never),
    ).toBeNull();
  });
});
