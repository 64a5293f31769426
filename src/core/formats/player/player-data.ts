import { makes, say, strokesOf } from '@/core/construction';
import { marksAtHand, stepRows, stepStrokes, type Constructed, type Stroke } from '@/core/drawing';
import type { Id, View } from '@/core/record';
import type { LengthStyle } from '@/core/units';
import { finite } from '@/core/numeric';

/** A step as the player shows it; lengths are sheet mm, rounded to a hundredth. */
export interface PlayedStep {
  readonly title: string;
  readonly says: readonly string[];
  readonly because: string;
  /** Rows of its tables, cell by cell. */
  readonly rows: readonly (readonly string[])[];
  /** What it draws, four numbers a stroke; what stays apart. */
  readonly light: readonly number[];
  readonly firm: readonly number[];
  /** Marks it is about, by their places in the list of all. */
  readonly marks: readonly number[];
  /** Of these the marks it makes. */
  readonly makes: readonly number[];
  /** Names of its strokes, by which it is ticked off. */
  readonly strokes: readonly string[];
}

/** A plan as plain data: all that a page without the application shows of it. */
export interface PlayerData {
  readonly projectId: Id;
  readonly viewId: Id;
  readonly order: string;
  readonly title: string;
  /** Which plan it is: given back with the ticks. */
  readonly digest: string;
  readonly sheet: readonly [width: number, height: number];
  readonly frame: readonly [left: number, bottom: number, right: number, top: number];
  /** The plan above the sheet, where all comes from one; four numbers a line. */
  readonly plan: readonly number[];
  readonly marks: readonly (readonly [label: string, x: number, y: number])[];
  readonly steps: readonly PlayedStep[];
  /** Names of strokes that are drawn already. */
  readonly drawn: readonly string[];
}

export interface PlayerGiven {
  readonly projectId: Id;
  readonly view: View;
  readonly title: string;
  readonly digest: string;
  readonly constructed: Constructed;
  readonly plan: readonly Stroke[];
  readonly style: LengthStyle;
  readonly drawn: readonly string[];
}

const rounded = (mm: number): number => Math.round(finite(mm, 'place') * 100) / 100;
const flat = (strokes: readonly Stroke[]): readonly number[] =>
  strokes.flatMap(({ x0, y0, x1, y1 }) => [x0, y0, x1, y1].map(rounded));

export function playerData({
  projectId,
  view,
  title,
  digest,
  constructed,
  plan,
  style,
  drawn,
}: PlayerGiven): PlayerData {
  const { x, y } = view.centreOfVisionOnSheet;
  const { labels, steps, order } = constructed.plan;
  const numbers = new Map<string, number>();
  const marks: (readonly [string, number, number])[] = [];
  const numberOf = (mark: string): readonly number[] => {
    const known = numbers.get(mark);
    if (known !== undefined) return [known];
    const at = constructed.paper.marks.get(mark)?.at;
    if (!at) return [];
    numbers.set(mark, marks.length);
    marks.push([labels.get(mark) ?? '', rounded(x + at.u), rounded(y + at.v)]);
    return [marks.length - 1];
  };
  const { left, bottom, right, top } = view.frame;
  return {
    ...{ projectId, viewId: view.id, order, title, digest, drawn, plan: flat(plan) },
    sheet: [view.sheet.width, view.sheet.height],
    frame: [rounded(x + left), rounded(y + bottom), rounded(x + right), rounded(y + top)],
    steps: steps.map((step): PlayedStep => {
      const strokes = stepStrokes(view, constructed, step);
      return {
        title: step.title,
        says: step.says.map((one) => say(one, style)),
        because: step.because,
        rows: stepRows(step, style).map(({ cells }) => cells),
        light: flat(strokes.filter(({ weight }) => weight !== 'firm')),
        firm: flat(strokes.filter(({ weight }) => weight === 'firm')),
        marks: [...marksAtHand(step, constructed)].flatMap(numberOf),
        makes: step.operations.flatMap((one) => makes(one).marks).flatMap(numberOf),
        strokes: strokesOf(constructed.plan, step),
      };
    }),
    marks,
  };
}
