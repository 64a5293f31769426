import { writeSteps } from '@/core/formats/tables';
import { constructionOf } from '@/core/pipeline';
import { lengthStyleOf } from '@/core/record';
import { refused, type Output } from './output';

export const steps: Output = {
  id: 'steps',
  words: 'the steps (CSV)',
  wants: 'a-stand',
  make: ({ project, view, chosen, perspective }) => {
    if (!perspective || chosen === null) return refused('There is no piece to construct.');
    const { scene, stand, lines } = perspective;
    const construction = constructionOf(project, view, chosen, scene, stand, lines);
    if (!construction.ok) return refused(construction.error.message);
    const content = writeSteps(construction.value.plan, lengthStyleOf(project));
    return { kind: 'file', name: [project.id, view.id, chosen], ending: '.csv', type: 'text/csv', content };
  },
};
