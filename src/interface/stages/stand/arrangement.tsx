import type { UnitSystem } from '@/core/units';
import type { AtBoard } from '@/interface/at-board';
import { fitPose, linkedLayout, type Arrangement } from '@/interface/board';
import { standPainters } from './painters';
import { standTransforms } from './places';
import { StandHandles } from './StandHandles';
import { StandWords } from './StandWords';

/** The linked board: one upright through the centre of vision serves plan and picture. */
export const arrangement = (at: AtBoard, units: UnitSystem): Omit<Arrangement, 'pointer'> => ({
  layout: linkedLayout,
  fits: [({ layout, view, setUp, scene }) => fitPose(layout, view, setUp, scene.bodies)],
  lies: 'the-centre-of-vision',
  painters: standPainters(units),
  places: standTransforms,
  words: (overlaid) => <StandWords {...overlaid} rings={at.rings} />,
  over: (handled) => <StandHandles {...handled} />,
});
