import type { Stage } from '@/interface/frame';
import { KEYS, SHEETS } from './declared';
import { carriesPieces } from './measure-motion';
import { MeasureScreen } from './MeasureScreen';
import { projectOf } from '@/state';

/** The record: plan and elevations, with every size that was measured. */
export const measure: Stage = {
  id: 'measure',
  name: 'Measure',
  key: { keys: 'm', shown: 'M', does: 'go to Measure' },
  order: 'in-the-work',
  // A piece is carried about by its own motion; what makes the room another is shown as it is dragged.
  shows: (state) => (carriesPieces(state.dragChange) ? state.history.present : projectOf(state)),
  invites: () => 'Measure the room',
  lacks: () => null,
  keys: KEYS,
  sheets: SHEETS,
  Screen: MeasureScreen,
};
