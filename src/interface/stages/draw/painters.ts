import type { Painters } from '@/interface/board';
import { paintStep } from './paint-step';
import type { DrawnStep } from './use-drawing';

/** The step at hand over the picture, which is pale beneath it. */
export const drawPainters = (drawn: DrawnStep | null): Painters => ({
  ...{ beneath: [], onSheet: [], over: drawn ? [paintStep(drawn)] : [], inSide: [] },
  strength: drawn ? { seen: 0.22, hidden: 0 } : { seen: 1, hidden: 0.55 },
});
