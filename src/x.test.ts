import { it } from 'vitest';
import { DEMOS } from '@/app/demo';
import { at } from '@/core/base';
import { findStations, sceneOf } from '@/core/drawing';
it('x', () => {
  for (const demo of DEMOS) {
    const scene = sceneOf(demo);
    void scene.prepared;
    const marked = demo.pieces.slice(0, 2).map((p) => p.id);
    for (let rep = 0; rep < 2; rep++) {
    (globalThis as never as {W: number}).W = 0; const t = performance.now();
    const g = findStations(demo, scene, { viewId: at(demo.views, 0).id, marked, seed: 1 });
    let s = g.next(); let mid = 0;
    while (!s.done) { if (s.value < 0.5) mid = performance.now(); s = g.next(); }
    console.log('warn', (globalThis as never as {W: number}).W.toFixed(0), demo.id, marked, 'coarse', (mid - t).toFixed(0), 'total', (performance.now() - t).toFixed(0), s.value.exact, s.value.found.map((f) => f.score.toFixed(1) + ' ' + JSON.stringify(f.change.station) + f.warnings.length));
    if (rep) console.log(s.value.found[0]?.reasons);
    }
  }
}, 200000);
