import { it } from 'vitest';
import { DEMOS } from '@/app/demo';
import { at } from '@/core/base';
import { sceneOf, standOf } from '@/core/drawing';
import { drain, visibleLinesExact, sceneFrom } from '@/core/visibility';
it('x', () => {
  for (const demo of DEMOS) {
    const scene = sceneOf(demo);
    const view = at(demo.views, 0);
    const s = standOf(demo, view); if (!s.ok) throw 0;
    const t = (name: string, f: () => unknown) => { f(); f(); const a = performance.now(); for (let i = 0; i < 10; i++) f(); console.log(demo.id, name, ((performance.now() - a) / 10).toFixed(1)); };
    console.log(scene.prepared.edges.length, scene.prepared.curves.length, scene.prepared.faces.length, scene.prepared.rounds.length);
    t('exact', () => drain(visibleLinesExact(scene.prepared, s.value.set, view.frame)));
    const e0 = { ...scene.prepared, curves: [] as never[], rounds: [] as never[] };
    t('no curves', () => drain(visibleLinesExact(e0, s.value.set, view.frame)));
    for (const b of scene.bodies.filter((b) => ['drawer-case', 'lockers', 'counter', 'loom-bench'].includes(b.id))) {
      const own = sceneFrom(new Map([[b, scene.kept.prepared.get(b)!]]));
      t('alone ' + b.id, () => drain(visibleLinesExact(own, s.value.set, { left: -5000, right: 5000, bottom: -5000, top: 5000 })));
      t('alone framed ' + b.id, () => drain(visibleLinesExact(own, s.value.set, view.frame)));
    }
  }
}, 200000);
