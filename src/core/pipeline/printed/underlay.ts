import { constructionLayer, controlLayer, paperLayer, setOutLayer, settleWords } from '@/core/drawing';
import { formatScale } from '@/core/units';
import { headedByOrder, lacksNothing, type Printed } from './printed';

/** The set-out and the first so many steps at true size, so that a class can begin in the middle. */
export const underlay: Printed = {
  part: 'underlay',
  words: 'an underlay with the first steps drawn',
  size: 'true',
  lacks: lacksNothing,
  *pages(given) {
    const { project, view, stand, planned, ways } = given;
    const { plans, paper } = yield* planned();
    const plan = plans[ways.order];
    const steps = Math.min(ways.underlay, plan.steps.length);
    const setOut = setOutLayer(view, stand.setOut, null);
    const marked = setOut.words.flatMap(({ free }) => (free?.where === 'beside' ? [free.mark] : []));
    const next = plan.steps[steps];
    return [
      settleWords({
        title: `Underlay of ${headedByOrder(given)}`,
        ...{ width: view.sheet.width, height: view.sheet.height },
        layers: [
          paperLayer(view),
          setOut,
          constructionLayer(view, { plan, paper }, steps, marked, 'all-marks'),
          controlLayer(
            view,
            `${headedByOrder(given)} · ${formatScale(view.scaleDenominator, project.units)} · drawn up to step ${steps} of ${plan.steps.length}${next ? `; go on with ${steps + 1}, ${next.title}` : ''}`,
          ),
        ],
      }),
    ];
  },
};
