import { marksByPass } from '@/core/construction';
import { marksPages } from '@/core/drawing';
import { formatScale } from '@/core/units';
import { headedByOrder, lacksNothing, type Printed } from './printed';

export const marks: Printed = {
  part: 'marks',
  words: 'lists of all marks, pass by pass',
  size: 'the-paper',
  lacks: lacksNothing,
  *pages(given) {
    const { project, view, style, planned, ways, page } = given;
    const { plans, paper } = yield* planned();
    return marksPages(
      {
        ...{ title: headedByOrder(given), passes: marksByPass(plans[ways.order], paper), style },
        scaleDenominator: view.scaleDenominator,
        scale: `${formatScale(view.scaleDenominator, project.units)} at the picture plane, ${view.sheet.name} sheet`,
      },
      page,
    );
  },
};
