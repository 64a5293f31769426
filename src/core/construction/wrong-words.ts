import { PENCIL_LINE_MM, type CameOutWrong, type LikelyStep, type OffMark } from './came-out-wrong';
import { lists } from './lists';
import type { ListedMark } from './marks-list';
import type { Saying } from './say';
import { timeWords } from './time-words';
import type { WholePlan } from './whole-plan';

/** How a mark is set anew. */
function setAnew({ made, label }: ListedMark): Saying {
  switch (made.by) {
    case 'laid-off':
    case 'stepped-off':
      return [`Set ${label} anew on ${made.on}: `, { paperMm: made.paperMm }, ` ${made.toward} of ${made.zero}.`];
    case 'crossed':
      return [`Set ${label} anew where ${made.lines[0]} crosses ${made.lines[1]}.`];
    case 'carried':
      return [`Carry ${label} anew by strip from ${made.of} to ${made.on}, its zero at ${made.zero}.`];
    case 'dropped':
      return [`Drop ${label} anew from ${made.of} straight down to ${made.on}.`];
    case 'taken':
      return [`Set ${label} anew by its distances on the sheet of the set-out.`];
  }
}

const percent = (share: number): string => `${Math.round(share * 100)} %`;

const count = (n: number, one: string): string => `${n} ${one}${n === 1 ? '' : 's'}`;

/** "2 marks and 1 line". */
const drawnAgain = ({ marks, lines, firm }: CameOutWrong['again']): string =>
  [
    ...lists([
      ...(marks.length > 0 ? [count(marks.length, 'mark')] : []),
      ...(lines.length > 0 ? [count(lines.length, 'line')] : []),
      ...(firm.length > 0 ? [count(firm.length, 'firm line')] : []),
    ]),
  ].join('; ');

/** What to look at, whether it matters, and the shortest way to put it right. @param listed the mark as the lists have it. */
export function wrongWords(
  found: CameOutWrong,
  plan: WholePlan,
  { mark, offMm }: OffMark,
  listed: ListedMark | null,
): readonly Saying[] {
  const label = (id: string): string => plan.labels.get(id) ?? '';
  const likely = ({ step, share, at }: LikelyStep): string =>
    `step ${step}, “${plan.steps[step - 1]?.title ?? ''}”, at ${label(at)} (${percent(share)})`;
  const { again, farthest } = found;
  const asked = offMm === null;
  return [
    found.likely.length === 0
      ? [`${label(mark)} rests on nothing that could have gone wrong before it: it was set wrong itself.`]
      : [`Look first at ${found.likely.map(likely).join('; then ')}.`],
    farthest === null
      ? [`Nothing that stays rests on ${label(mark)}: it may be left as it is.`]
      : asked
        ? [
            `${count(found.resting, 'mark')} rest${found.resting === 1 ? 's' : ''} on it; each millimetre moves ${label(farthest.mark)} by `,
            { paperMm: farthest.mm },
            '.',
          ]
        : found.matters
          ? [
              `It matters: ${label(farthest.mark)} comes to lie off by `,
              { paperMm: farthest.mm },
              ', more than a pencil’s line.',
            ]
          : [
              'It does not matter: nothing that stays is off by more than ',
              { paperMm: farthest.mm },
              `, and a pencil’s line is ${PENCIL_LINE_MM} mm broad.`,
            ],
    ...(found.matters && listed ? [setAnew(listed)] : []),
    ...(found.matters && !asked
      ? again.marks.length + again.lines.length + again.firm.length === 0
        ? [['Nothing that rests on it is drawn yet: there is nothing else to be put right.'] as Saying]
        : [
            [
              `Then draw again ${drawnAgain(again)}, about ${timeWords(again.minutes)}; all else may stay as it is.`,
            ] as Saying,
            ...[...lists(again.steps.map(String))].map((steps): Saying => [
              `They are of step${again.steps.length === 1 ? '' : 's'} ${steps}.`,
            ]),
          ]
      : []),
  ];
}
