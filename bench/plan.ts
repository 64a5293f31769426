/** Whole plans: how long they take from the record alone, and how often the ruler is moved. */
import { movesOf } from '@/core/construction';
import { planningView, sceneOf, wholeDraftOf } from '@/core/pipeline';
import type { Project } from '@/core/record';
import { resolveSetUp } from '@/core/view';
import { drain, visibleLinesExact } from '@/core/visibility';
import { fullRoom } from './full-room';

const median = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? NaN;

/** Both orders, told, of the first view: median of so many runs after a first, ms; and the first by itself, as in a worker just started. */
function timed(project: Project, runs: number): { readonly first: number; readonly median: number } {
  const view = project.views[0];
  if (!view) throw new Error('a project has a view');
  const times = Array.from({ length: runs + 1 }, () => {
    const began = performance.now();
    if (!drain(planningView(project, view)).ok) throw new Error(`${project.id} can be planned`);
    return performance.now() - began;
  });
  return { first: times[0] ?? NaN, median: median(times.slice(1)) };
}

const share = (less: number, more: number): string => `${Math.round(100 * (1 - less / more))} % fewer`;

export function benchPlan(demos: readonly Project[]): void {
  for (const project of demos) {
    const { first, median: again } = timed(project, 5);
    const view = project.views[0];
    const setUp = view && resolveSetUp(project, view);
    if (!view || !setUp?.ok) throw new Error(`${project.id} stands`);
    const scene = sceneOf(project);
    const lines = drain(visibleLinesExact(scene.prepared, setUp.value, view.frame));
    const { whole } = wholeDraftOf(project, view, scene, setUp.value, lines);
    const moves = movesOf(whole);
    console.log(
      `${project.id}: whole plan in both orders ${again.toFixed(0)} ms, the first ${first.toFixed(0)} ms (aim below 1000); ruler moves ${moves['by-corner']} each corner by itself, ${moves['by-piece']} by piece, ${moves['by-pass']} by pass: ${share(moves['by-pass'], moves['by-corner'])} than by corner (aim 40), ${share(moves['by-pass'], moves['by-piece'])} than by piece (aim 25)`,
    );
    const [pieces, passes] = [moves['by-piece'], moves['by-pass']];
    if (passes > 0.75 * pieces || passes > 0.6 * moves['by-corner'])
      console.log(`${project.id}: AIM MISSED for ruler moves`);
  }
  const { first, median: again } = timed(fullRoom(300), 1);
  console.log(
    `300 pieces: whole plan in both orders ${again.toFixed(0)} ms, the first ${first.toFixed(0)} ms (aim below 6000)`,
  );
}
