import { fitPose, pictureLayout, type Arrangement } from '@/interface/board';
import { DrawWords } from './DrawWords';
import { drawPainters } from './painters';
import { Straightedge } from './Straightedge';
import type { Drawn, DrawnStep } from './use-drawing';

/** The picture alone, pale beneath what is constructed, with the straightedge laid on. */
export const arrangement = ({ drawn }: Drawn): Omit<Arrangement, 'pointer'> => ({
  layout: pictureLayout,
  fits: [({ layout, view, setUp, scene }) => fitPose(layout, view, setUp, scene.bodies, drawn ? marksMade(drawn) : [])],
  lies: 'the-centre-of-vision',
  painters: drawPainters(drawn),
  places: () => ({}),
  words: (overlaid) => <DrawWords {...overlaid} named={drawn ? 'by-the-steps' : 'here'} />,
  over: ({ pose, look }) =>
    drawn ? <Straightedge construction={drawn.construction} index={drawn.step - 1} pose={pose} look={look} /> : null,
});

/** Marks that are made, not the points on the horizon: those may lie a metre away and have arrows at the edge. */
const marksMade = ({ plan, construction }: DrawnStep) =>
  plan.steps
    .filter((one) => one.part !== 'set-out')
    .flatMap((one) =>
      one.operations.flatMap((op) => ('mark' in op ? (construction.drafted.marks.get(op.mark) ?? []) : [])),
    );
