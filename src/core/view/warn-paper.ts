import type { Project, View } from '@/core/record';
import { formatPaper, formatScale, type LengthStyle } from '@/core/units';
import { centredDrawing, overMargins, proposeScale, rescaled } from './place-on-paper';
import { outOfReach } from './reach';
import { firstRemedies } from './reach-remedies';
import type { SetOut } from './set-out-marks';
import type { SetUp } from './set-up';
import type { ViewChange } from './view-change';
import type { ViewWarning } from './view-warning';

/** Less than this over a margin nobody sees, mm: a tenth of a pencil's line. */
export const OVER_MARGIN_MM = 0.05;

const over = (view: View) =>
  (['left', 'right', 'bottom', 'top'] as const)
    .map((side) => ({ side, mm: overMargins(view)[side] }))
    .filter(({ mm }) => mm > OVER_MARGIN_MM);

const SIDE_WORDS = { left: 'left', right: 'right', bottom: 'lower', top: 'upper' } as const;

/** The frame reaches over the sheet's margins: centred where that is enough, else at the scale that fits. */
export function warnMargins(view: View, style: LengthStyle): readonly ViewWarning[] {
  const sides = over(view);
  if (sides.length === 0) return [];
  const centred = centredDrawing(view);
  const proposal = proposeScale(view, style.units);
  const smaller: ViewChange | null = proposal && rescaled(view, proposal.denominator);
  const remedies =
    over({ ...view, ...centred }).length === 0
      ? [{ label: 'Centre the drawing', change: centred }]
      : smaller && proposal
        ? [
            {
              label: `Draw at ${formatScale(proposal.denominator, style.units)}, centred`,
              change: { ...smaller, ...centredDrawing({ ...view, ...smaller }) },
            },
          ]
        : [];
  return [
    {
      kind: 'over-margins',
      about: null,
      message: `The frame reaches ${sides
        .map(({ side, mm }) => `${formatPaper(mm, { ...style, rulerStepMm: 0.1 })} over the ${SIDE_WORDS[side]} margin`)
        .join(' and ')} of the ${view.sheet.name} sheet.`,
      remedies,
    },
  ];
}

/** How many remedies a ring offers; Set out has them all, with what each costs. */
const MOST_REMEDIES = 3;

/** Points of the room that neither board nor ruler reach, and that nothing has been done about. */
export function warnReach(
  project: Project,
  view: View,
  setUp: SetUp,
  setOut: SetOut,
  style: LengthStyle,
): readonly ViewWarning[] {
  return outOfReach(view, setOut).map(({ mark, rulerNeeds }): ViewWarning => {
    const { lies } = mark;
    const where =
      lies.where === 'off-board'
        ? `lies ${formatPaper(lies.beyondBoard, style)} off the board on the ${lies.side}`
        : `asks for a straightedge of ${formatPaper(rulerNeeds, style)}; yours is ${formatPaper(view.straightedge, style)} long`;
    return {
      kind: 'out-of-reach',
      about: null,
      message: `${mark.label}, the ${mark.words}, ${where}. Set out tells what each way to bring it back costs.`,
      remedies: firstRemedies({ project, view, setUp, setOut, mark, style }, MOST_REMEDIES),
    };
  });
}
