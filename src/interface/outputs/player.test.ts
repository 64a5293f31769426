import { describe, expect, it } from 'vitest';
import { DEMOS } from '@/app/demo';
import { at, drain } from '@/core/base';
import { makes, ORDERS, say, strokesOf } from '@/core/construction';
import { planningView } from '@/core/pipeline';
import { choosePlanWay, lengthStyleOf, type SchoolName } from '@/core/record';
import { playerData, type PlayerData } from '@/core/formats/player';
import { playerPage } from './player-page';

const MOST_BYTES = 1_000_000;
/** As long as the player's own. */
const SCRIPT = `function () {}${' '.repeat(20_000)}`;
/** The school with most strokes in the room with most, and others. */
const BY: Readonly<Record<string, SchoolName>> = {
  'weaving-loft': 'diagonals',
  'tea-room': 'plan-projection',
  'seed-shop': 'measured-grid',
};

function played(demo: (typeof DEMOS)[number], order: (typeof ORDERS)[number]) {
  const view = at(demo.views, 0);
  const project = choosePlanWay(demo, view.id, { school: BY[demo.id] ?? 'measuring-points' });
  const made = drain(planningView(project, view));
  if (!made.ok) throw new Error(made.error.message);
  const { plans, paper } = made.value;
  const style = lengthStyleOf(project);
  const constructed = { plan: plans[order], paper };
  const data = playerData({
    projectId: project.id,
    view,
    title: 'A <plan> & more',
    digest: 'this-plan',
    constructed,
    plan: [],
    style,
    drawn: [],
  });
  return { view, data, constructed, style };
}

describe('a plan as one page', () => {
  it.each(DEMOS.map((demo, i) => [demo.id, at(ORDERS, i % 2), demo] as const))(
    '%s, %s: every step with all it says, its strokes by name, its marks where they lie; below 1 MB, and nothing to fetch',
    (_, order, demo) => {
      const { view, data, constructed, style } = played(demo, order);
      const { plan, paper } = constructed;
      expect(data.steps).toHaveLength(plan.steps.length);
      plan.steps.forEach((step, i) => {
        const own = at(data.steps, i);
        expect(own.says).toEqual(step.says.map((one) => say(one, style)));
        expect(own.rows).toHaveLength(step.measures.length + step.crossings.length + step.parts.length);
        expect(own.strokes).toEqual(strokesOf(plan, step));
        for (const mark of step.operations.flatMap((one) => makes(one).marks)) {
          const placed = paper.marks.get(mark)?.at;
          const shown = own.makes.map((n) => at(data.marks, n)).find(([label]) => label === plan.labels.get(mark));
          expect(Math.abs((shown?.[1] ?? NaN) - view.centreOfVisionOnSheet.x - (placed?.u ?? NaN))).toBeLessThan(0.006);
          expect(Math.abs((shown?.[2] ?? NaN) - view.centreOfVisionOnSheet.y - (placed?.v ?? NaN))).toBeLessThan(0.006);
        }
      });
      const page = playerPage(data, SCRIPT);
      expect(new TextEncoder().encode(page).length).toBeLessThan(MOST_BYTES);
      expect(page).not.toMatch(/https?:|src=|@import|url\(/);
      expect(page).toContain(`<title>A &#60;plan&#62; &#38; more</title>`);
    },
  );
  it('nothing a person has typed becomes markup', () => {
    const { data } = played(at(DEMOS, 1), 'by-piece');
    const bad: PlayerData = { ...data, title: '</script><b>x', steps: data.steps.slice(0, 1), drawn: ['</script>'] };
    const page = playerPage(bad, SCRIPT);
    expect(page.match(/<\/script>/g)).toHaveLength(2);
    expect(page).not.toContain('<b>x');
    const [, json = ''] = /id="plan">(.+)<\/script>\n<script>/.exec(page) ?? [];
    expect(JSON.parse(json)).toEqual(bad);
  });
});
