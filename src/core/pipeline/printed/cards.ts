import { stepCards } from '@/core/drawing';
import { planStrokes } from '../plan-sheet-drawing';
import { headedByOrder, lacksNothing, type Printed } from './printed';
import { cardPaper } from './papers';

/** Planning takes about so much of the time. */
const PLANNED_SHARE = 0.6;

export const cards: Printed = {
  part: 'cards',
  words: 'step cards',
  size: 'the-paper',
  lacks: lacksNothing,
  *pages(given) {
    const { view, stand, style, scene, planned, ways } = given;
    const planning = planned();
    let step = planning.next();
    for (; !step.done; step = planning.next()) yield PLANNED_SHARE * step.value;
    const { plans, paper } = step.value;
    const making = stepCards(
      {
        ...{ view, setUp: stand.setUp, style, title: headedByOrder(given) },
        constructed: { plan: plans[ways.order], paper },
        plan: planStrokes(view, stand.setUp, scene(), paper),
      },
      cardPaper(ways.cards.paper),
      ways.cards.perPage,
    );
    let made = making.next();
    for (; !made.done; made = making.next()) yield PLANNED_SHARE + (1 - PLANNED_SHARE) * made.value;
    return made.value;
  },
};
