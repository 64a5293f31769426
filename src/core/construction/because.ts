import { makes, type MarkId, type Operation } from './operation';
import { STATION } from './plan-sheet';
import type { WholeDraft } from './whole';
import type { StepWork } from './pass';

const BECAUSE: Readonly<Record<StepWork['pass'], string>> = {
  plan: 'The plan is the measured record, at the scale of the picture plane.',
  squares: 'What runs square to the picture plane meets it straight ahead.',
  points: 'Lines of one direction run to its vanishing point; its measuring point carries true lengths onto them.',
  scale: 'One laying of the rule: lengths measured from one zero do not add up their errors.',
  'to-a-point': 'Lines that are parallel in the room run to one point.',
  levels: 'What runs level and square to the line of sight stays level in the picture.',
  uprights: 'Uprights stay upright in the picture.',
  parallels: 'What is parallel to the picture stays parallel to itself.',
  'one-line': 'Both its ends are known.',
  dividers: 'Equal lengths side by side stay equal.',
  strip: 'Both papers have one scale.',
  drop: 'The plan lies straight above: what is found on its picture plane stands straight below in the picture.',
  'by-hand': 'A curve is as good as the marks it runs through.',
  crossings: 'Both lines are there already.',
  firm: 'What is seen stays. Construction may be rubbed out where no later step rests on it.',
  'by-eye': 'They lie too near to one another to be measured; between marks that are right the eye is surer.',
};

/** Why a step of a grid, or one within its squares, is done; null for any other. */
function becauseOfSquares(
  does: StepWork,
  operations: readonly Operation[],
  { squares, parted: { divided, diagonals, repeats } }: Pick<WholeDraft, 'squares' | 'parted'>,
): string | null {
  if (does.pass === 'to-a-point' && divided.has(does.point))
    return 'Inside a square nothing is in proportion on the paper; lines to one point of the horizon divide its edge as the rule is divided.';
  if (operations.some((one) => one.op === 'cross' && divided.has(one.mark)))
    return 'Laid off whole beside it, the edge is divided from that point of the horizon as the rule is divided: the line through both far ends finds it.';
  const lines = operations.flatMap((one) => makes(one).line ?? []);
  if (lines.some((line) => repeats.has(line)))
    return 'A diagonal through the middle of an interval’s far end leads just as far beyond it.';
  if (lines.some((line) => diagonals.has(line)))
    return 'The diagonals of a square cross in its middle, however it is seen.';
  return squares && lines.some((line) => squares.calls.has(line))
    ? 'The grid: numbers count its squares along, letters away, a plus above the floor, as on the printed one.'
    : null;
}

/** Why a step is done, for somebody who learns it. */
export const becauseOf = (
  { does, operations }: { readonly does: StepWork; readonly operations: readonly Operation[] },
  whole: Pick<WholeDraft, 'squares' | 'parted' | 'ownLevels' | 'atBackWall' | 'stepsJudged'>,
  heights: ReadonlySet<MarkId>,
): string => {
  const wall = whole.atBackWall;
  if (wall && operations.some((one) => one.op === 'lay-off' && one.mark === wall.mark))
    return 'Seen from this station the frame shrinks so toward the centre of vision; drawn larger or smaller the same wall would stand nearer or farther.';
  if (wall && operations.some((one) => one.op === 'cross' && wall.corners.includes(one.mark)))
    return 'Lines from the frame’s corners to the centre of vision hold the corners of every section of the room that fills it.';
  if (operations.some((one) => makes(one).marks.some((mark) => whole.stepsJudged.has(mark))))
    return 'A judged step: the nearest half, quarter or eighth stands for another part of the interval. What is drawn from it stands outside the exactness of this plan.';
  const ofSquares = becauseOfSquares(does, operations, whole);
  if (ofSquares !== null) return ofSquares;
  if (does.pass === 'scale' && whole.ownLevels.has(does.on))
    return 'The floor under it lies beyond the board: a level plane at its own height is measured as the floor is, from where it meets the picture plane.';
  if (does.pass === 'plan' && operations.some((one) => one.op === 'take' && heights.has(one.mark)))
    return 'Plan and elevation are the measured record, at the scale of the picture plane: nothing is measured anew, all is carried.';
  if (does.pass === 'to-a-point' && does.point === STATION)
    return 'A corner is seen where the ray from it to the eye crosses the picture plane.';
  if (operations.some((one) => one.op === 'parallel' && one.through === STATION))
    return 'Lines of one direction vanish where the parallel to them through the eye meets the picture plane.';
  return does.pass === 'points' &&
    operations.length > 0 &&
    operations.every((one) => one.op === 'take' && one.slides !== 'u')
    ? 'It lies opposite your eye: all that is square to the picture runs to it, and everything is measured from it.'
    : BECAUSE[does.pass];
};
