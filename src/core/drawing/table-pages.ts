import type { Project, View } from '@/core/record';
import { formatLength, formatPaper, formatScale, type LengthStyle } from '@/core/units';
import { bothReadings, setOutTable, type SetOutRow, type SetOutSection, type Stand } from '@/core/view';
import { layerOf, type Drawing, type Layer, type Stroke, type Word } from './drawing';
import { boardLayer } from './set-out-drawing';
import { settleWords } from './settle-words';
import { brokenText, fittingText } from './word-box';

export interface PageSize {
  readonly name: string;
  readonly width: number;
  readonly height: number;
}

const MARGIN = 15;
const ROW_MM = 5;
const WORD_MM = 3;
/** From one line of a row to the next. */
const LINE_MM = 3.8;

/** Columns: label, words, across on the ruler and on the scale rule, up likewise, note; mm from the left margin, and how they are set. */
const columns = (width: number) =>
  [
    { x: 0, anchor: 'start', head: 'mark' },
    { x: 14, anchor: 'start', head: 'what it is' },
    { x: width * 0.6, anchor: 'end', head: 'across' },
    { x: width * 0.73, anchor: 'end', head: 'at scale' },
    { x: width * 0.86, anchor: 'end', head: 'up' },
    { x: width, anchor: 'end', head: 'at scale' },
  ] as const;

/** Over a true height: where it is from the sheet's edge, and how high it is. */
const HEIGHT_HEADS: Readonly<Record<number, string>> = { 2: 'from the edge', 3: '', 4: 'above GL' };

/** Room kept left of the first column of figures for the longest of them, mm. */
const FIGURE_MM = 20;
/**
 * The set-out table on pages of the printer's paper, the board drawn small on the first. Every page says what zero its figures are measured
 * from, at which scale, and for which sheet.
 */
export function tablePages(
  project: Project,
  view: View,
  stand: Stand,
  style: LengthStyle,
  page: PageSize,
): readonly Drawing[] {
  const table = setOutTable(project, view, stand.setUp, stand.setOut, style);
  const inner = page.width - 2 * MARGIN;
  const set = columns(inner);
  const word = (x: number, y: number, text: string, heightMm = WORD_MM, anchor: Word['anchor'] = 'start'): Word => ({
    x: MARGIN + x,
    y,
    text,
    heightMm,
    anchor,
  });
  const rule = (y: number): Stroke => ({
    x0: MARGIN,
    y0: y,
    x1: page.width - MARGIN,
    y1: y,
    family: 'sheet',
    weight: 'hairline',
    role: { is: 'ruling' },
    of: 'rule',
  });
  const pages: { strokes: Stroke[]; words: Word[]; extra: Layer[] }[] = [];
  let y = 0;
  const turnPage = (): void => {
    const now = { strokes: [] as Stroke[], words: [] as Word[], extra: [] as Layer[] };
    pages.push(now);
    y = page.height - MARGIN;
    now.words.push(word(0, y, fittingText(`${project.name}: set-out of ${view.name}`, 4.2, inner), 4.2));
    y -= 6;
    now.words.push(
      word(
        0,
        y,
        `${view.sheet.name} sheet, ${formatScale(view.scaleDenominator, project.units)} at the picture plane; look at it from ${formatPaper(stand.setUp.viewingDistance, style)}.`,
      ),
    );
    y -= ROW_MM;
    now.words.push(
      word(0, y, `${table.zero} Marks are counted up from the sheet’s lower edge, true heights from the ground line.`),
    );
    y -= ROW_MM;
    now.words.push(
      word(
        0,
        y,
        `The plain ruler’s reading first, then the scale rule’s. Eye ${formatLength(stand.setUp.eyeHeight, style)} above the floor, ${formatLength(stand.setUp.pictureDistance, style)} before the picture plane.`,
      ),
    );
    y -= ROW_MM + 2;
  };
  const heads = (section: SetOutSection): void => {
    const now = pages.at(-1);
    const heights = section.rows.some((row) => row.overGround !== null);
    set.forEach(({ x, head, anchor }, i) => {
      const text = heights ? (HEIGHT_HEADS[i] ?? head) : head;
      if (text) now?.words.push(word(x, y, text, 2.6, anchor));
    });
    now?.strokes.push(rule(y - 1.4));
    y -= ROW_MM;
  };
  const linesOf = (row: SetOutRow): readonly string[] =>
    brokenText(row.note ? `${row.words} (${row.note})` : row.words, WORD_MM, set[2].x - set[1].x - FIGURE_MM);
  const printRow = (row: SetOutRow): void => {
    const now = pages.at(-1);
    const both = (mm: number | null) => (mm === null ? null : bothReadings(mm, view.scaleDenominator, style));
    // Of a true height the scale rule tells the height itself, from the ground line; from the sheet's edge only the ruler tells anything.
    const height = row.overGround !== null;
    const across = height ? { paper: formatPaper(row.up ?? 0, style), real: '' } : both(row.across);
    const up = height ? both(row.overGround) : both(row.up);
    const [words = '', ...more] = linesOf(row);
    const cells = [row.label, words, across?.paper ?? '', across?.real ?? '', up?.paper ?? '', up?.real ?? ''];
    cells.forEach((text, i) => {
      const column = set[i];
      if (column && text) now?.words.push(word(column.x, y, text, WORD_MM, column.anchor));
    });
    for (const line of more) {
      y -= LINE_MM;
      now?.words.push(word(set[1].x, y, line));
    }
    now?.strokes.push(rule(y - 1.4));
    y -= ROW_MM;
  };

  turnPage();
  const boardHeight = Math.min(70, page.height * 0.28);
  pages.at(-1)?.extra.push(boardLayer(view, stand, style, { left: MARGIN, top: y, width: inner, height: boardHeight }));
  y -= boardHeight + 4;
  for (const section of table.sections) {
    if (y < MARGIN + 4 * ROW_MM) turnPage();
    pages.at(-1)?.words.push(word(0, y, fittingText(section.title, 3.2, inner), 3.2));
    y -= ROW_MM;
    heads(section);
    for (const row of section.rows) {
      if (y < MARGIN + ROW_MM + (linesOf(row).length - 1) * LINE_MM) {
        turnPage();
        heads(section);
      }
      printRow(row);
    }
    y -= 2;
  }
  return pages.map(({ strokes, words, extra }, index): Drawing =>
    settleWords({
      title: `Set-out table, page ${index + 1} of ${pages.length}`,
      width: page.width,
      height: page.height,
      layers: [
        ...extra,
        layerOf({ layer: 'table' }, 'Table', {
          strokes,
          words: [...words, word(inner, MARGIN - 6, `page ${index + 1} of ${pages.length}`, 2.6, 'end')],
        }),
      ],
    }),
  );
}
