import { makes, type MarkId } from '@/core/construction';
import type { View } from '@/core/record';
import { projectPoint, type SetUp } from '@/core/view';
import { clipStroke } from './clip-drawing';
import { marksAtHand, stepStrokes, type Constructed } from './construction-layer';
import type { Bounds, Stroke, Word } from './drawing';
import { crossAt, rectangleStrokes } from './picture-layers';
import { placeLabels } from './place-labels';
import { placedStroke } from './strokes';

export interface FiguresGiven {
  readonly view: View;
  readonly setUp: SetUp;
  readonly constructed: Constructed;
  /** The plan that lies above the picture, as strokes of the sheet; none where nothing comes from a plan. */
  readonly plan: readonly Stroke[];
}

/** Of the sheet's width a figure shows at least so much, however small what is new in it. */
const LEAST_SHARE = 0.3;
/** Air about what is new, over its size. */
const AIR = 1.15;
/** More names than this would cover the figure: those of the marks that are made come first. */
const MOST_NAMED = 40;
const LETTER_MM = 2.1;
const CROSS_MM = 0.8;
/** Shorter than this in a figure nothing is drawn of what was there before, mm. */
const LEAST_MM = 0.15;

/** Figures of a plan's steps: what lies on the paper by then faint, the new strokes strong, with the names of the marks at hand. */
export class StepFigures {
  private readonly strokes: readonly (readonly Stroke[])[];

  constructor(private readonly given: FiguresGiven) {
    const { view, constructed } = given;
    this.strokes = constructed.plan.steps.map((step) => [
      ...stepStrokes(view, constructed, step),
      ...this.byEye(step.id),
    ]);
  }

  /** The figure of a step, 1 and up, in a box of a page. */
  figure(number: number, box: Bounds): { readonly strokes: readonly Stroke[]; readonly words: readonly Word[] } {
    const { view, constructed } = this.given;
    const step = constructed.plan.steps[number - 1];
    if (!step) return { strokes: [], words: [] };
    const now = this.strokes[number - 1] ?? [];
    const marks = [...marksAtHand(step, constructed)].flatMap((mark) => {
      const at = this.placeOf(mark);
      return at ? [{ mark, ...at }] : [];
    });
    // A vanishing point a metre off would make all that is new small: it is named where it comes into sight.
    const made = new Set(step.operations.flatMap((one) => makes(one).marks));
    const about = marks.filter(({ mark }) => made.has(mark) || !constructed.paper.roles.has(mark));
    const crop = this.cropAbout(
      [...now.flatMap((one) => [one.x0, one.x1]), ...about.map(({ x }) => x)],
      [...now.flatMap((one) => [one.y0, one.y1]), ...about.map(({ y }) => y)],
      box,
    );
    const scale = (box.right - box.left) / (crop.right - crop.left);
    const placing = { scale, x: box.left - crop.left * scale, y: box.bottom - crop.bottom * scale };
    const placed = (
      strokes: readonly Stroke[],
      weight: (one: Stroke) => Stroke['weight'],
      least: number,
    ): readonly Stroke[] =>
      strokes.flatMap((stroke) =>
        clipStroke(stroke, crop).flatMap((one) => {
          const drawn = placedStroke(one, placing);
          return Math.hypot(drawn.x1 - drawn.x0, drawn.y1 - drawn.y0) < least
            ? []
            : [{ ...drawn, weight: weight(one) }];
        }),
      );
    const before = this.strokes.slice(0, number - 1).flat();
    const { width, height } = view.sheet;
    const on = (x: number, y: number) => ({ x: x * scale + placing.x, y: y * scale + placing.y });
    const named = marks
      .map(({ mark, x, y }) => ({ mark, ...on(x, y), text: constructed.plan.labels.get(mark) ?? '' }))
      .filter(({ text, x, y }) => text !== '' && x >= box.left && x <= box.right && y >= box.bottom && y <= box.top);
    const labels = placeLabels(named.slice(0, MOST_NAMED), {
      ...{ high: LETTER_MM, wide: LETTER_MM * 0.55, clear: CROSS_MM + 0.3, rings: 8 },
      within: { left: box.left, right: box.right, low: box.bottom, high: box.top },
    });
    return {
      strokes: [
        ...placed(
          [...rectangleStrokes({ left: 0, bottom: 0, right: width, top: height }, 'sheet'), ...this.given.plan],
          () => 'hairline',
          LEAST_MM,
        ),
        ...placed(before, ({ weight }) => (weight === 'firm' ? 'faint' : 'hairline'), LEAST_MM),
        ...placed(now, () => 'firm', 0).map((one) => ({ ...one, edge: 'inner' as const })),
        ...rectangleStrokes(box, 'sheet'),
        ...named.flatMap(({ mark, x, y }) => crossAt(x, y, CROSS_MM, mark, { is: 'construction' })),
        ...labels.flatMap(({ leader }): Stroke[] =>
          leader ? [{ ...leader, family: 'sheet', weight: 'hairline', role: { is: 'leader' }, of: 'leader' }] : [],
        ),
      ],
      words: labels.map(({ text, x, y }) => ({ x, y, text, heightMm: LETTER_MM, anchor: 'start' })),
    };
  }

  private placeOf(mark: MarkId): { readonly x: number; readonly y: number } | null {
    const { view, constructed } = this.given;
    const at = constructed.paper.marks.get(mark)?.at;
    const { x, y } = view.centreOfVisionOnSheet;
    return at ? { x: x + at.u, y: y + at.v } : null;
  }

  /** The part of the table a figure shows: all that is new, in the shape of its box. */
  private cropAbout(xs: readonly number[], ys: readonly number[], box: Bounds): Bounds {
    const { width, height } = this.given.view.sheet;
    const [left, right] = xs.length > 0 ? [Math.min(...xs), Math.max(...xs)] : [0, width];
    const [bottom, top] = ys.length > 0 ? [Math.min(...ys), Math.max(...ys)] : [0, height];
    const shape = (box.right - box.left) / (box.top - box.bottom);
    const wide = Math.max(AIR * (right - left), AIR * (top - bottom) * shape, LEAST_SHARE * width);
    const [x, y] = [(left + right) / 2, (bottom + top) / 2];
    return { left: x - wide / 2, right: x + wide / 2, bottom: y - wide / shape / 2, top: y + wide / shape / 2 };
  }

  /** What a step leaves to the eye. */
  private byEye(step: string): readonly Stroke[] {
    const { view, setUp, constructed } = this.given;
    const { x, y } = view.centreOfVisionOnSheet;
    return constructed.plan.byEye.flatMap(({ step: own, seen, edge }): readonly Stroke[] =>
      own !== step
        ? []
        : seen.flatMap((part) => {
            const on = part.map((p) => projectPoint(setUp, p));
            return on.slice(1).flatMap((q, i): readonly Stroke[] => {
              const p = on[i];
              if (!p || !q) return [];
              return [
                {
                  ...{ x0: x + p.u, y0: y + p.v, x1: x + q.u, y1: y + q.v },
                  ...{ family: 'sheet', weight: 'firm', role: { is: 'construction' }, of: edge },
                },
              ];
            });
          }),
    );
  }
}
