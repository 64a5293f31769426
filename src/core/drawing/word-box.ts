import type { Word } from './drawing';
import widths from './letter-widths.json';
import type { Box } from './taken';

/** Of a letter that is not known: wider than most. */
const UNKNOWN = 600;
/** How far letters reach above their line and below it, over their height. */
const [ABOVE, BELOW] = [0.76, 0.24];

const widthOf: ReadonlyMap<string, number> = new Map(Object.entries(widths));

/** Width of a text over its letters' height, in the application's text face; measured from the face (scripts/make-pdf-face.mjs). */
export const textWidth = (text: string): number =>
  [...text].reduce((sum, letter) => sum + (widthOf.get(letter) ?? UNKNOWN), 0) / 1000;

/** The box a word fills on its sheet, mm. */
export function wordBox({ x, y, text, heightMm, anchor }: Pick<Word, 'x' | 'y' | 'text' | 'heightMm' | 'anchor'>): Box {
  const width = textWidth(text) * heightMm;
  const left = anchor === 'start' ? x : anchor === 'end' ? x - width : x - width / 2;
  return { left, right: left + width, low: y - BELOW * heightMm, high: y + ABOVE * heightMm };
}

/** A text in lines no wider than so many mm; a single word is never broken. */
export function brokenText(text: string, heightMm: number, mm: number): readonly string[] {
  const lines: string[] = [];
  for (const word of text.split(' ')) {
    const line = lines.at(-1);
    if (line !== undefined && textWidth(`${line} ${word}`) * heightMm <= mm)
      lines[lines.length - 1] = `${line} ${word}`;
    else lines.push(word);
  }
  return lines;
}

/** A text that is cut where it would be wider. */
export function fittingText(text: string, heightMm: number, mm: number): string {
  if (textWidth(text) * heightMm <= mm) return text;
  let cut = text;
  while (cut.length > 1 && textWidth(`${cut}…`) * heightMm > mm) cut = cut.slice(0, -1);
  return `${cut.trimEnd()}…`;
}
