import { marksByPass } from '@/core/construction';
import { writeMarks } from '@/core/formats/tables';
import { lengthStyleOf } from '@/core/record';
import { NO_STAND, plannedFor, refused, type Output } from './output';

export const marks: Output = {
  id: 'marks',
  words: 'the marks, pass by pass (CSV)',
  wants: 'a-stand',
  make: async ({ project, view, perspective, planned, order }) => {
    if (!perspective) return NO_STAND;
    const made = await plannedFor({ planned });
    if (made.kind === 'refused') return refused(made.message);
    const passes = marksByPass(made.planned.plans[order], made.planned.paper);
    const content = writeMarks(passes, view.scaleDenominator, lengthStyleOf(project));
    return { kind: 'file', name: [project.id, view.id, order, 'marks'], ending: '.csv', type: 'text/csv', content };
  },
};
