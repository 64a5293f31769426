import type { UnitSystem } from '@/core/units';
import { paintConeInPicture, type Painters } from '@/interface/board';
import { paintFigure } from './paint-figure';

/** The cone of vision on the sheet, and the figure beside the eye. */
export const standPainters = (units: UnitSystem): Painters => ({
  ...{ beneath: [], onSheet: [paintConeInPicture], over: [], inSide: [paintFigure(units)] },
  strength: { seen: 1, hidden: 0.55 },
});
