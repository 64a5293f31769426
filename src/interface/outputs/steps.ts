import { writeSteps } from '@/core/formats/tables';
import { lengthStyleOf } from '@/core/record';
import { NO_STAND, refused, type Output } from './output';

export const steps: Output = {
  id: 'steps',
  words: 'the steps (CSV)',
  wants: 'a-stand',
  make: async ({ project, view, perspective, planned, order }) => {
    if (!perspective) return NO_STAND;
    const made = await planned();
    if (made === null) return refused('The plan was given up for a newer one. Take the steps away again.');
    if (made.kind === 'refused') return refused(made.message);
    if (made.kind !== 'planned')
      return refused(`The steps could not be planned: ${made.kind === 'failed' ? made.detail : ''}`);
    const content = writeSteps(made.planned.plans[order], view.scaleDenominator, lengthStyleOf(project));
    return { kind: 'file', name: [project.id, view.id, order], ending: '.csv', type: 'text/csv', content };
  },
};
