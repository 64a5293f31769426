import { insideLoops } from '@/core/geometry';
import { outlineOf, type Project, type View } from '@/core/record';
import { pencilOnFloor, type SetUp } from '@/core/view';

/** Cells of the map each way. */
export const CELLS = 24;

/** Depth error of a pencil's line over the floor of the rooms on the viewer's level, cell by cell, turned as the plan on the board is. */
export function pencilMap(project: Project, view: View, setUp: SetUp, pencil: number) {
  const loops = project.spaces
    .filter((space) => space.levelId === view.levelId)
    .map((space) => outlineOf(space).corners.map((corner) => corner.at));
  const eye = (p: { readonly x: number; readonly y: number }) => ({
    a: (p.x - setUp.station.x) * setUp.right.x + (p.y - setUp.station.y) * setUp.right.y,
    t: (p.x - setUp.station.x) * setUp.forward.x + (p.y - setUp.station.y) * setUp.forward.y,
  });
  const corners = loops.flat().map(eye);
  const [a0, a1] = [Math.min(...corners.map((p) => p.a)), Math.max(...corners.map((p) => p.a))];
  const [t0, t1] = [Math.min(...corners.map((p) => p.t)), Math.max(...corners.map((p) => p.t))];
  const cells: (readonly [number, number, number])[] = [];
  for (let i = 0; i < CELLS; i += 1)
    for (let j = 0; j < CELLS; j += 1) {
      const a = a0 + ((i + 0.5) / CELLS) * (a1 - a0);
      const t = t0 + ((j + 0.5) / CELLS) * (t1 - t0);
      const point = {
        x: setUp.station.x + setUp.right.x * a + setUp.forward.x * t,
        y: setUp.station.y + setUp.right.y * a + setUp.forward.y * t,
      };
      if (!loops.some((loop) => insideLoops([loop], point.x, point.y))) continue;
      const means = pencilOnFloor(setUp, point, pencil);
      if (means) cells.push([i, j, means.depth]);
    }
  const values = cells.map((cell) => cell[2]);
  return { cells, least: values.length ? Math.min(...values) : 0, most: values.length ? Math.max(...values) : 0 };
}
