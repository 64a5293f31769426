import { say, type WholeStep } from '@/core/construction';
import type { LengthStyle } from '@/core/units';
import { layerOf, type Bounds, type Drawing, type Stroke, type Word } from './drawing';
import { LEADING, widest } from './page-flow';
import { StepFigures, type FiguresGiven } from './step-figure';
import { stepRows, type StepRow } from './step-rows';
import type { PageSize } from './table-pages';
import { brokenText, fittingText } from './word-box';

/** So many cards go on one page. */
export type CardsPerPage = 1 | 2 | 4;
export const CARDS_PER_PAGE: readonly CardsPerPage[] = [1, 2, 4];

export interface CardsGiven extends FiguresGiven {
  /** Project and view, in the foot of each card. */
  readonly title: string;
  readonly style: LengthStyle;
}

/** From a card's edge to what is on it, mm. */
const MARGIN = 7;
/** Letters in proportion to the card's shorter side, within what can be read at the board, mm. */
const LETTERS = { of: 40, least: 2.2, most: 3.8 } as const;
/** Of a card's height its text takes so much at most, where a figure stands under it. */
const TEXT_SHARE = 0.5;
/** Less height than this is no figure, mm. */
const LEAST_FIGURE = 22;
/** Between two columns of a table, in letters. */
const GAP = 2;

/** A line of a card: the same letters throughout, but for its title. */
interface Line {
  readonly cells: readonly { readonly x: number; readonly text: string }[];
}

/** What is on one card, from its lower left corner, mm. */
interface Card {
  readonly strokes: readonly Stroke[];
  readonly words: readonly Word[];
}

/** A row of a table on one line. */
const ROW_WORDS: Readonly<Record<StepRow['tells'], (cells: readonly string[]) => string>> = {
  measure: ([label = '', real = '', paper = '', toward = '']) => `${label}: ${real}, ${paper} ${toward}`,
  crossing: ([label = '', first = '', second = '', counted]) =>
    `${label}: ${first} × ${second}${counted === undefined ? '' : `, at ${counted}`}`,
  part: ([line = '', from = '', to = '']) => `${line}: ${from} to ${to}`,
};

/** A table as lines of several columns, read downward. */
function inColumns(rows: readonly string[], width: number, letterMm: number): readonly Line[] {
  if (rows.length === 0) return [];
  const whole = rows.flatMap((row) => brokenText(row, letterMm, width));
  const wide = widest(whole, letterMm) + GAP * letterMm;
  const columns = Math.max(1, Math.min(whole.length, Math.floor((width + GAP * letterMm) / wide)));
  const down = Math.ceil(whole.length / columns);
  return Array.from({ length: down }, (_, i) => ({
    cells: Array.from({ length: columns }, (__, c) => ({ x: c * wide, text: whole[c * down + i] ?? '' })).filter(
      ({ text }) => text !== '',
    ),
  }));
}

/** Cards of all steps of a plan: each its sentence, its figures in both readings, and a figure of what lies on the paper by then. */
export function* stepCards(
  given: CardsGiven,
  page: PageSize,
  perPage: CardsPerPage,
): Generator<number, readonly Drawing[]> {
  const { constructed, title, style } = given;
  const { steps } = constructed.plan;
  const figures = new StepFigures(given);
  const [across, down] = perPage === 4 ? [2, 2] : perPage === 2 ? [1, 2] : [1, 1];
  const [width, height] = [page.width / across, page.height / down];
  const cards: Card[] = [];
  for (const [i, step] of steps.entries()) {
    cards.push(...cardsOf(step, i + 1, steps.length, { figures, title, style, width, height }));
    yield i / steps.length;
  }
  const pages: Drawing[] = [];
  const count = Math.ceil(cards.length / perPage);
  for (let first = 0; first < cards.length; first += perPage) {
    const own = cards.slice(first, first + perPage).map((drawing, i) => {
      const [x, y] = [(i % across) * width, page.height - (Math.floor(i / across) + 1) * height];
      return {
        strokes: drawing.strokes.map((one) => ({
          ...one,
          x0: one.x0 + x,
          x1: one.x1 + x,
          y0: one.y0 + y,
          y1: one.y1 + y,
        })),
        words: drawing.words.map((one) => ({ ...one, x: one.x + x, y: one.y + y })),
      };
    });
    pages.push({
      title: `Step cards of ${title}, page ${pages.length + 1} of ${count}`,
      ...{ width: page.width, height: page.height },
      layers: [
        layerOf({ layer: 'table' }, 'Cards', {
          strokes: [...own.flatMap(({ strokes }) => strokes), ...cuts(page, across, down)],
          words: own.flatMap(({ words }) => words),
        }),
      ],
    });
  }
  return pages;
}

/** Where a page is cut into its cards. */
function cuts(page: PageSize, across: number, down: number): readonly Stroke[] {
  const cut = (x0: number, y0: number, x1: number, y1: number): Stroke => ({
    ...{ x0, y0, x1, y1, family: 'sheet', weight: 'hairline', role: { is: 'ruling' }, of: 'cut' },
  });
  return [
    ...(across > 1 ? [cut(page.width / 2, 0, page.width / 2, page.height)] : []),
    ...(down > 1 ? [cut(0, page.height / 2, page.width, page.height / 2)] : []),
  ];
}

function cardsOf(
  step: WholeStep,
  number: number,
  count: number,
  {
    figures,
    title,
    style,
    width,
    height,
  }: {
    readonly figures: StepFigures;
    readonly title: string;
    readonly style: LengthStyle;
    readonly width: number;
    readonly height: number;
  },
): readonly Card[] {
  const letterMm = Math.min(LETTERS.most, Math.max(LETTERS.least, Math.min(width, height) / LETTERS.of));
  const leading = letterMm * LEADING;
  const inner = width - 2 * MARGIN;
  const single = (text: string): readonly Line[] =>
    brokenText(text, letterMm, inner).map((line) => ({ cells: [{ x: 0, text: line }] }));
  const lines: readonly Line[] = [
    ...step.says.flatMap((one) => single(say(one, style))),
    ...inColumns(
      stepRows(step, style).map(({ tells, cells }) => ROW_WORDS[tells](cells)),
      inner,
      letterMm,
    ),
    ...single(step.because),
  ];
  const top = height - MARGIN - letterMm;
  const foot = MARGIN + leading;
  const most = (share: number): number => Math.max(1, Math.floor((share * (top - foot)) / leading) - 2);
  const made: Card[] = [];
  let rest = lines;
  do {
    const continued = made.length > 0;
    // All of it where it goes on one card without a figure's place being too small; else half a card, and the rest on the next.
    const fit = most(continued ? 1 : TEXT_SHARE);
    const [now, later] = [rest.slice(0, fit), rest.slice(fit)];
    const words: Word[] = [
      {
        ...{ x: MARGIN, y: top, heightMm: letterMm * 1.1, anchor: 'start' },
        text: fittingText(`${number}/${count}  ${step.title}${continued ? ', continued' : ''}`, letterMm * 1.1, inner),
      },
    ];
    let y = top - leading * 1.4;
    for (const { cells } of now) {
      for (const { x, text } of cells) words.push({ x: MARGIN + x, y, text, heightMm: letterMm, anchor: 'start' });
      y -= leading;
    }
    words.push({
      ...{ x: MARGIN, y: MARGIN - 1, heightMm: letterMm * 0.8, anchor: 'start' },
      text: fittingText(later.length > 0 ? `${title} · continued on the next card` : title, letterMm * 0.8, inner),
    });
    const box: Bounds = { left: MARGIN, right: width - MARGIN, bottom: foot, top: y + leading * 0.2 };
    const drawn = box.top - box.bottom >= LEAST_FIGURE ? figures.figure(number, box) : { strokes: [], words: [] };
    made.push({ strokes: drawn.strokes, words: [...words, ...drawn.words] });
    rest = later;
  } while (rest.length > 0);
  return made;
}
