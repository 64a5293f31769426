import { overviewPages } from '@/core/drawing';
import { formatScale } from '@/core/units';
import { namesIn } from '../whole-draft';
import { headedByOrder, lacksNothing, type Printed } from './printed';

export const overview: Printed = {
  part: 'overview',
  words: 'an overview: tools, points, passes',
  size: 'the-paper',
  lacks: lacksNothing,
  *pages(given) {
    const { project, view, style, planned, ways, page } = given;
    const { plans } = yield* planned();
    const { sheet, board, straightedge, scaleDenominator } = view;
    return overviewPages(
      {
        ...{ title: headedByOrder(given), plan: plans[ways.order], pace: ways.pace, nameOf: namesIn(project) },
        ...{ sheet, board, straightedge, scaleDenominator, style },
        scale: formatScale(scaleDenominator, project.units),
      },
      page,
    );
  },
};
