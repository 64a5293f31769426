import { writeSteps } from '@/core/formats/tables';
import { lengthStyleOf } from '@/core/record';
import { NO_STAND, plannedFor, refused, type Output } from './output';

export const steps: Output = {
  id: 'steps',
  words: 'the steps (CSV)',
  wants: 'a-stand',
  make: async ({ project, view, perspective, planned, order }) => {
    if (!perspective) return NO_STAND;
    const made = await plannedFor({ planned });
    if (made.kind === 'refused') return refused(made.message);
    const content = writeSteps(made.planned.plans[order], view.scaleDenominator, lengthStyleOf(project));
    return { kind: 'file', name: [project.id, view.id, order], ending: '.csv', type: 'text/csv', content };
  },
};
