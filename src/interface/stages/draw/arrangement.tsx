import type { LayersLaid } from '@/core/drawing';
import { fitPose, pictureLayout, type Arrangement } from '@/interface/board';
import { DrawWords } from './DrawWords';
import { drawPainters } from './painters';
import { PointedMark } from './PointedMark';
import { OutOfSight } from './OutOfSight';
import { Tools } from './Tools';
import type { Drawn, DrawnStep } from './use-drawing';

/** The picture alone, pale beneath what is constructed, with the tool of the step laid on. */
export const arrangement = (desk: Drawn, layers: LayersLaid | undefined): Omit<Arrangement, 'pointer'> => {
  const { drawn } = desk;
  return {
    layout: drawn?.laid.paper.planAt ? underThePlan : pictureLayout,
    fits: drawn?.laid.paper.planAt
      ? [inSight(drawn, 'with-the-plan'), inSight(drawn, 'picture')]
      : [inSight(drawn, 'picture')],
    lies: 'the-centre-of-vision',
    painters: drawPainters(desk, layers),
    places: () => ({}),
    words: (overlaid) => <DrawWords {...overlaid} named={drawn ? 'by-the-steps' : 'here'} />,
    over: (overlaid) =>
      drawn ? (
        <>
          <Tools drawn={drawn} {...overlaid} />
          <OutOfSight drawn={drawn} {...overlaid} />
          <PointedMark drawn={drawn} {...overlaid} />
        </>
      ) : null,
  };
};

/** The picture with the plan it is drawn from above it: fitted by itself, and kept apart from how the picture alone lies. */
const underThePlan: Arrangement['layout'] = (width, height) => pictureLayout(width, height);

const inSight =
  (drawn: DrawnStep | null, what: 'picture' | 'with-the-plan'): Arrangement['fits'][0] =>
  ({ layout, view, setUp, scene }) =>
    fitPose(layout, view, setUp, scene.bodies, drawn ? marksMade(drawn, what) : []);

/** Marks that are made, not the points on the horizon: those may lie a metre away and have arrows at the edge. */
const marksMade = ({ laid: { plan, paper } }: DrawnStep, what: 'picture' | 'with-the-plan') =>
  plan.steps
    .filter((one) => one.does.pass !== 'points')
    .flatMap((one) =>
      one.operations.flatMap((op) => {
        const mark = 'mark' in op ? paper.marks.get(op.mark) : undefined;
        return mark && (what === 'with-the-plan' || mark.paper === 'picture') ? [mark.at] : [];
      }),
    );
