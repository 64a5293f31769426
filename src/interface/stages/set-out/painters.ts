import type { Layer } from '@/core/drawing';
import { paintConeInPicture, type Painters } from '@/interface/board';
import { paintAids, paintBoardGround, paintGrid, paintSheetDress } from './paint-set-out';

/** Board, tape, grid and aids; the drawing to come is pale. */
export const setOutPainters = (grid: Layer | null): Painters => ({
  beneath: [paintBoardGround],
  onSheet: [paintSheetDress, ...(grid ? [paintGrid(grid)] : []), paintConeInPicture],
  over: [paintAids],
  inSide: [],
  strength: { seen: 0.4, hidden: 0 },
});
