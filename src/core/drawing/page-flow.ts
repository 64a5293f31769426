import type { PaperMillimetres } from '@/core/units';
import { layerOf, type Drawing, type Stroke, type Word } from './drawing';
import type { PageSize } from './table-pages';
import { brokenText, fittingText, textWidth } from './word-box';

/** From one line of text to the next, over its letters' height. */
export const LEADING = 1.35;
const MARGIN = 15;
/** What is written of a page in its foot, mm. */
const FOOT_MM = 2.6;

/** A column of a table: from the left margin, and how it is set. */
export interface FlowColumn {
  readonly x: PaperMillimetres;
  readonly head: string;
  readonly anchor: Word['anchor'];
  /** As wide as text may be in it; broken there. */
  readonly width: PaperMillimetres;
}

/** Lines and tables one under another, page after page; every page begins with the same head. */
export class PageFlow {
  private readonly pages: { readonly strokes: Stroke[]; readonly words: Word[] }[] = [];
  private y = 0;
  /** Height of the letters, mm. */
  readonly letterMm: PaperMillimetres = 3;

  /** @param head of every page, its first line larger than the others. */
  constructor(
    private readonly page: PageSize,
    private readonly title: string,
    private readonly head: readonly string[],
  ) {
    this.turn();
  }

  get width(): PaperMillimetres {
    return this.page.width - 2 * MARGIN;
  }

  /** A heading that does not stand alone at the foot of a page. */
  heading(text: string): void {
    this.need(4 * this.letterMm * LEADING + 3);
    this.y -= 2;
    this.put(fittingText(text, 3.6, this.width), 0, 'start', 3.6);
    this.y -= 3.6 * LEADING;
  }

  text(text: string, indent = 0): void {
    for (const line of brokenText(text, this.letterMm, this.width - indent)) {
      this.need(this.letterMm * LEADING);
      this.put(line, indent, 'start');
      this.y -= this.letterMm * LEADING;
    }
  }

  /** A table; its head stands again on each page it runs on to. */
  table(columns: readonly FlowColumn[], rows: readonly (readonly string[])[]): void {
    const heads = (): void => {
      for (const { x, head, anchor } of columns) this.put(head, x, anchor, 2.6);
      this.rule();
      this.y -= this.letterMm * LEADING + 0.6;
    };
    this.need(3 * this.letterMm * LEADING);
    heads();
    for (const row of rows) {
      const cells = row.map((text, i) => brokenText(text, this.letterMm, columns[i]?.width ?? this.width));
      const lines = Math.max(1, ...cells.map((cell) => cell.length));
      if (this.need((lines + 0.2) * this.letterMm * LEADING)) heads();
      for (let line = 0; line < lines; line += 1) {
        cells.forEach((cell, i) => {
          const column = columns[i];
          const text = cell[line];
          if (column && text) this.put(text, column.x, column.anchor);
        });
        if (line + 1 < lines) this.y -= this.letterMm * LEADING;
      }
      this.rule();
      this.y -= this.letterMm * LEADING + 0.6;
    }
    this.y -= 1;
  }

  done(): readonly Drawing[] {
    const { page, title } = this;
    return this.pages.map(({ strokes, words }, i) => ({
      title: `${title}, page ${i + 1} of ${this.pages.length}`,
      ...{ width: page.width, height: page.height },
      layers: [
        layerOf({ layer: 'table' }, 'Table', {
          strokes,
          words: [
            ...words,
            {
              ...{ x: page.width - MARGIN, y: MARGIN - 6, heightMm: FOOT_MM, anchor: 'end' },
              text: `page ${i + 1} of ${this.pages.length}`,
            },
          ],
        }),
      ],
    }));
  }

  /** Turns the page where so much does not go on it. @returns whether it was turned. */
  private need(mm: PaperMillimetres): boolean {
    if (this.y - mm >= MARGIN) return false;
    this.turn();
    return true;
  }

  private turn(): void {
    this.pages.push({ strokes: [], words: [] });
    this.y = this.page.height - MARGIN;
    this.head.forEach((text, i) => {
      const high = i === 0 ? 4.2 : this.letterMm;
      for (const line of i === 0 ? [fittingText(text, high, this.width)] : brokenText(text, high, this.width)) {
        this.put(line, 0, 'start', high);
        this.y -= i === 0 ? 6 : high * LEADING;
      }
    });
    this.y -= 2;
  }

  private put(text: string, x: PaperMillimetres, anchor: Word['anchor'], heightMm = this.letterMm): void {
    this.pages.at(-1)?.words.push({ x: MARGIN + x, y: this.y, text, heightMm, anchor });
  }

  private rule(): void {
    this.pages.at(-1)?.strokes.push({
      ...{ x0: MARGIN, y0: this.y - 1.2, x1: this.page.width - MARGIN, y1: this.y - 1.2 },
      ...{ family: 'sheet', weight: 'hairline', role: { is: 'ruling' }, of: 'rule' },
    });
  }
}

/** Columns side by side from shares of a width; the last is set to the right where it is told to. */
export const sharedColumns = (
  width: PaperMillimetres,
  given: readonly { readonly head: string; readonly share: number; readonly anchor?: 'start' | 'end' }[],
): readonly FlowColumn[] => {
  const all = given.reduce((sum, { share }) => sum + share, 0);
  let x = 0;
  return given.map(({ head, share, anchor = 'start' }) => {
    const wide = (width * share) / all;
    const column = { head, anchor, x: anchor === 'end' ? x + wide - 1 : x, width: wide - 2 };
    x += wide;
    return column;
  });
};

/** As wide as the widest of some texts, mm. */
export const widest = (texts: readonly string[], heightMm: PaperMillimetres): PaperMillimetres =>
  Math.max(0, ...texts.map((text) => textWidth(text) * heightMm));
