import { timeWords, type StillToDraw } from '@/core/construction';
import type { LaidStroke, PlanChange } from '@/core/drawing';
import type { Id } from '@/core/record';
import { formatPaper, type LengthStyle } from '@/core/units';

/** "1 204", set apart by a space that does not break. */
export const countWords = (count: number): string => String(count).replace(/(\d)(?=(\d{3})+$)/g, '$1\u00a0');

export const counted = (count: number, one: string, more: string): string =>
  `${countWords(count)} ${count === 1 ? one : more}`;

/** What stays of a line that is wanted no more is rubbed out; construction may lie. */
const isLineThatStays = ({ is }: LaidStroke): boolean => is === 'stays';

/** Strokes of one thing that lie elsewhere by now. */
export interface WrongPart {
  readonly name: string;
  readonly count: number;
  /** How far the farthest of them is off. */
  readonly byMm: number;
  /** Marks by their names on the paper; empty for lines that stay. */
  readonly marks: readonly { readonly label: string; readonly byMm: number }[];
}

/** What is wrong, part by part: lines that stay by their things, the farthest off first; then marks; then construction lines. */
export function wrongParts({ wrong }: PlanChange, nameOf: (thing: Id) => string): readonly WrongPart[] {
  const things = new Map<string, { count: number; byMm: number }>();
  const marks: { label: string; byMm: number }[] = [];
  let [lines, byMm] = [0, 0];
  for (const { stroke, byMm: off } of wrong) {
    if (stroke.is === 'mark') marks.push({ label: stroke.called, byMm: off });
    else if (stroke.is === 'line') [lines, byMm] = [lines + 1, Math.max(byMm, off)];
    else {
      const own = things.get(stroke.called) ?? { count: 0, byMm: 0 };
      things.set(stroke.called, { count: own.count + 1, byMm: Math.max(own.byMm, off) });
    }
  }
  return [
    ...[...things].map(([id, own]): WrongPart => ({ ...own, name: nameOf(id), marks: [] })),
    ...(marks.length > 0 ? [{ name: 'marks', count: marks.length, byMm: marks[0]?.byMm ?? 0, marks }] : []),
    ...(lines > 0 ? [{ name: 'construction lines', count: lines, byMm, marks: [] }] : []),
  ];
}

/** What a change has made of the paper, in a few sentences. */
export function sinceWords(
  { wrong, unwanted, kept }: PlanChange,
  { strokes, steps, minutes }: StillToDraw,
  drawnBefore: number,
  style: LengthStyle,
): readonly string[] {
  const rubbed = unwanted.filter(isLineThatStays).length;
  const left = unwanted.length - rubbed;
  const [first] = wrong;
  return [
    first
      ? `Of ${counted(drawnBefore, 'drawn stroke', 'drawn strokes')} ${counted(wrong.length, 'is', 'are')} wrong by now, by up to ${formatPaper(first.byMm, style)} on paper; ${counted(kept.size, 'is', 'are')} right and ${kept.size === 1 ? 'keeps its tick' : 'keep their ticks'}.`
      : `${counted(kept.size, 'drawn stroke is', 'drawn strokes are')} right as ${kept.size === 1 ? 'it lies' : 'they lie'}.`,
    ...(rubbed > 0
      ? [`${counted(rubbed, 'line is', 'lines are')} wanted no more: rub ${rubbed === 1 ? 'it' : 'them'} out.`]
      : []),
    ...(left > 0
      ? [
          `${counted(left, 'stroke of construction leads', 'strokes of construction lead')} to nothing any more and may lie.`,
        ]
      : []),
    strokes.size === 0
      ? 'Nothing is to be drawn.'
      : `The least still to be drawn is ${counted(strokes.size, 'stroke', 'strokes')} in ${counted(steps.length, 'step', 'steps')}, about ${timeWords(minutes)}.`,
  ];
}
