/** The station finder on each demonstration room: 5,000 candidate views, the best forty drawn exactly. */
import { findStations, sceneOf } from '@/core/pipeline';
import type { Project } from '@/core/record';

const REPS = 3;

export function benchFinder(demos: readonly Project[]): void {
  for (const demo of demos) {
    const scene = sceneOf(demo);
    const { edges, curves, faces } = scene.prepared;
    const marked = demo.pieces.slice(0, 2).map((piece) => piece.id);
    const times: number[] = [];
    let best = '';
    for (let i = 0; i < REPS; i += 1) {
      const began = performance.now();
      const steps = findStations(demo, scene, { viewId: demo.views[0]?.id ?? '', marked, seed: 1 });
      let step = steps.next();
      while (!step.done) step = steps.next();
      times.push(performance.now() - began);
      const [first] = step.value.found;
      const now = `${first?.score.toFixed(6)} at ${first?.change.station?.x}, ${first?.change.station?.y}`;
      if (best !== '' && best !== now) throw new Error(`${demo.id}: the same seed found something else`);
      best = now;
    }
    times.sort((a, b) => a - b);
    console.log(
      `${demo.id} (${edges.length} edges, ${curves.length} curves, ${faces.length} faces): station finder, 5000 candidates, median ${times[1]?.toFixed(0)} ms (aim below 5000 ms); the same answer ${REPS} times`,
    );
  }
}
