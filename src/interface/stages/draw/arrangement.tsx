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
    layout: pictureLayout,
    fits: [
      ({ layout, view, setUp, scene }) => fitPose(layout, view, setUp, scene.bodies, drawn ? marksMade(drawn) : []),
    ],
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

/** Marks that are made, not the points on the horizon: those may lie a metre away and have arrows at the edge. */
const marksMade = ({ laid: { plan, paper } }: DrawnStep) =>
  plan.steps
    .filter((one) => one.does.pass !== 'points')
    .flatMap((one) => one.operations.flatMap((op) => ('mark' in op ? (paper.marks.get(op.mark)?.at ?? []) : [])));
