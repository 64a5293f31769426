import type { Painters } from '@/interface/board';
import { laidOf, type LayersLaid } from '@/core/drawing';
import type { SinceFrozen } from '@/core/formats/frozen';
import { paintErrors } from './paint-errors';
import { paintPaper, paintPlanLaid } from './paint-paper';
import { paintWrong } from './paint-wrong';
import type { Drawn } from './use-drawing';

/** What is asked of the desk. */
type DrawPainted = Pick<Drawn, 'drawn' | 'beneath' | 'errors'> & {
  readonly atBoard: { readonly since: Pick<SinceFrozen, 'change'> };
};

/** The paper as it is by the step at hand, over the finished picture, which lies pale beneath or aside. */
export function drawPainters(
  { drawn, beneath, errors, atBoard }: DrawPainted,
  layers: LayersLaid | undefined,
): Painters {
  const none = { beneath: [], onSheet: [], inSide: [] };
  if (!drawn) return { ...none, over: [], strength: { seen: 1, hidden: 0.55 } };
  const { show } = laidOf(layers, { id: 'construction' });
  return {
    ...none,
    over: [
      ...(show === 'off' ? [] : [paintPlanLaid(drawn), paintPaper(drawn, show)]),
      paintWrong(atBoard.since.change, (stroke) => drawn.laid.paper.marks.get(stroke)?.paper === 'plan'),
      ...(errors ? [paintErrors(drawn)] : []),
    ],
    strength: { seen: beneath ? 0.2 : 0, hidden: 0 },
  };
}
