import type { Painters } from '@/interface/board';
import { laidOf, type LayersLaid } from '@/core/drawing';
import { paintErrors } from './paint-errors';
import { paintPaper, paintPlanLaid } from './paint-paper';
import type { Drawn } from './use-drawing';

/** The paper as it is by the step at hand, over the finished picture, which lies pale beneath or aside. */
export function drawPainters(
  { drawn, beneath, errors }: Pick<Drawn, 'drawn' | 'beneath' | 'errors'>,
  layers: LayersLaid | undefined,
): Painters {
  const none = { beneath: [], onSheet: [], inSide: [] };
  if (!drawn) return { ...none, over: [], strength: { seen: 1, hidden: 0.55 } };
  const { show } = laidOf(layers, { id: 'construction' });
  return {
    ...none,
    over: [
      ...(show === 'off' ? [] : [paintPlanLaid(drawn), paintPaper(drawn, show)]),
      ...(errors ? [paintErrors(drawn)] : []),
    ],
    strength: { seen: beneath ? 0.2 : 0, hidden: 0 },
  };
}
