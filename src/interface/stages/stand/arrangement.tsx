import type { UnitSystem } from '@/core/units';
import type { AtBoard } from '@/interface/at-board';
import { type Arrangement, type ViewName } from '@/interface/board';
import { standPainters } from './painters';
import { standTransforms } from './places';
import { StandHandles } from './StandHandles';
import { StandWords } from './StandWords';
import { SHARED, TAKES } from './whole';
import { WholeButtons } from './WholeButtons';

/** What Stand's keys and screen are given: the board, and which view has the whole paper. */
export interface AtStand extends AtBoard {
  readonly whole: ViewName | null;
  /** Gives a view the whole paper, or takes it back. */
  readonly take: (view: ViewName) => void;
}

/** The linked board: one upright through the centre of vision serves plan and picture; or one of its views over the whole paper. */
export const arrangement = (at: AtStand, units: UnitSystem): Omit<Arrangement, 'pointer'> => ({
  ...(at.whole === null ? SHARED : { layout: TAKES[at.whole].layout, fits: TAKES[at.whole].fits }),
  lies: 'the-centre-of-vision',
  painters: standPainters(units),
  places: standTransforms,
  words: (overlaid) => <StandWords {...overlaid} rings={at.rings} />,
  over: (handled) => (
    <>
      <WholeButtons {...handled} whole={at.whole} take={at.take} />
      <StandHandles {...handled} />
    </>
  ),
});
