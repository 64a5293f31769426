import { sheetIn } from './whole-draft';
import { describe, expect, it } from 'vitest';
import { DEMOS } from '@/app/demo';
import { at } from '@/core/base';
import { ORDERS } from '@/core/construction';
import type { Project, View } from '@/core/record';
import { resolveSetUp } from '@/core/view';
import { drain, visibleLinesExact } from '@/core/visibility';
import { readBack } from '@/testing';
import { sceneOf, wholePlanOf } from './index';

function planned(project: Project, view: View, order: (typeof ORDERS)[number]) {
  const setUp = resolveSetUp(project, view);
  if (!setUp.ok) return null;
  const scene = sceneOf(project);
  const lines = drain(visibleLinesExact(scene.prepared, setUp.value, view.frame));
  return { ...wholePlanOf(project, view, scene, setUp.value, lines, { order }), setUp: setUp.value };
}

describe('a whole plan in words', () => {
  it.each(DEMOS.flatMap((demo) => ORDERS.map((order) => [demo.id, order, demo] as const)))(
    '%s, %s: every direction, side and length is true as it stands; every label is there by then',
    (_, order, demo) => {
      const made = planned(demo, at(demo.views, 0), order);
      if (!made) throw new Error('it stands');
      expect(
        readBack(made.plan, made.whole, {
          setUp: made.setUp,
          ...sheetIn(at(demo.views, 0)),
        }).directions,
      ).toBeGreaterThan(300);
      // Each thing is finished once, and everything that is seen is in one of the steps.
      const { plan, whole, targets } = made;
      expect(plan.keeps).toHaveLength(whole.edges.length);
      expect(plan.byEye).toHaveLength(targets.byEye.length);
      const titles = plan.steps.filter((step) => step.does.pass === 'firm').map((step) => step.title);
      expect(new Set(titles).size).toBe(titles.length);
      expect(plan.checks.length).toBeGreaterThan(2);
      for (const { step, allowMm } of plan.checks) {
        expect(plan.steps.some((one) => one.id === step)).toBe(true);
        expect(allowMm).toBeGreaterThan(0.05);
      }
    },
  );
});
