import { drawsFromPlan } from '@/core/construction';
import { wayOf } from '@/core/record';
import { formatScale } from '@/core/units';
import { planSheetDrawing } from '../plan-sheet-drawing';
import { headedByOrder, type Printed } from './printed';

export const plan: Printed = {
  part: 'plan',
  words: 'the plan sheet, its corners lettered',
  size: 'true',
  lacks: (project, view) =>
    [null, ...project.pieces.map(({ id }) => id)].some((thing) =>
      drawsFromPlan(wayOf(project, view.id, thing ?? '').school),
    )
      ? null
      : {
          reason: 'no-plan',
          message: `Nothing in ${view.name} is drawn from the plan. Choose “by the plan and its rays” in Draw first.`,
        },
  *pages(given) {
    const { project, view, stand, scene, planned, ways } = given;
    const { plans, paper } = yield* planned();
    const made = planSheetDrawing(
      ...([view, stand.setUp, scene(), { plan: plans[ways.order], paper }, `Plan of ${headedByOrder(given)}`] as const),
      `${headedByOrder(given)} · plan, picture plane level · ${formatScale(view.scaleDenominator, project.units)}`,
    );
    return made ? [made] : [];
  },
};
