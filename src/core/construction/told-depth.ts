import { stepWords } from './judged-steps';
import { makes, type MarkId, type Operation } from './operation';
import type { Saying } from './say';
import type { Telling } from './telling';

const label = ({ labels }: Telling, mark: MarkId): string => labels.get(mark) ?? '';

/** Where the mark that is laid off at the back wall lies, and why there. */
export const backWallSaid = (operations: readonly Operation[], telling: Telling): readonly Saying[] => {
  const { atBackWall: wall } = telling;
  return wall && operations.some((one) => one.op === 'lay-off' && one.mark === wall.mark)
    ? [
        [
          'At the back wall, ',
          { real: wall.depth },
          ` behind the picture plane, the frame is drawn ${wall.share.toFixed(SHARE_DIGITS)} of its size: ${label(telling, wall.mark)} lies on its ${wall.side} side.`,
        ],
      ]
    : [];
};
/** Digits of a part of the frame: a thousandth of it is some tenths of a millimetre. */
const SHARE_DIGITS = 3;

/** Marks that are judged: which step stands for which part of the interval, and how far off that is. */
export const judgedSaid = (operations: readonly Operation[], telling: Telling): readonly Saying[] =>
  operations
    .flatMap((one) => makes(one).marks)
    .flatMap((mark): Saying[] => {
      const judged = telling.judged.get(mark);
      return judged
        ? [
            [
              `Judged: ${label(telling, mark)} stands at ${stepWords(judged.drawnAt)} of an interval in place of ${judged.ratio.toFixed(PART_DIGITS)}, `,
              { real: judged.offMm },
              ' off in the room.',
            ],
          ]
        : [];
    });
const PART_DIGITS = 3;
