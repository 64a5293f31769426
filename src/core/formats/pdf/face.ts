import { at } from '@/core/base';
import { bytesFromBase64 } from './base64';
import face from './face.json';

/** Subsets of the application's text face, by the characters they hold: the same that the browser loads; and the signs it lacks, from another. */
const SUBSETS = ['latin', 'latin-ext', 'greek', 'cyrillic', 'signs'] as const;
export type Subset = (typeof SUBSETS)[number];

export const faceBytes = (subset: Subset): ArrayBuffer => bytesFromBase64(face.subsets[subset]).buffer;

/** Unicode ranges of the subsets, as the font's own style sheets give them; latin first, being asked most. */
const RANGES: Readonly<Record<Subset, readonly (readonly [number, number])[]>> = {
  latin: [
    [0x0020, 0x007e],
    [0x00a0, 0x00ff],
    [0x0131, 0x0131],
    [0x0152, 0x0153],
    [0x02bb, 0x02bc],
    [0x02c6, 0x02c6],
    [0x02da, 0x02da],
    [0x02dc, 0x02dc],
    [0x2013, 0x2014],
    [0x2018, 0x201a],
    [0x201c, 0x201e],
    [0x2022, 0x2022],
    [0x2026, 0x2026],
    [0x2039, 0x203a],
    [0x2044, 0x2044],
    [0x20ac, 0x20ac],
    [0x2122, 0x2122],
    [0x2212, 0x2212],
    [0x2215, 0x2215],
  ],
  'latin-ext': [
    [0x0100, 0x0130],
    [0x0132, 0x0151],
    [0x0154, 0x017f],
    [0x0218, 0x021b],
    [0x1e80, 0x1e85],
    [0x1e9e, 0x1e9e],
    [0x1ef2, 0x1ef3],
  ],
  greek: [
    [0x0384, 0x038a],
    [0x038c, 0x038c],
    [0x038e, 0x03a1],
    [0x03a3, 0x03ce],
  ],
  cyrillic: [
    [0x0401, 0x045f],
    [0x0490, 0x0491],
  ],
  signs: [...face.signs].map((sign) => [sign.codePointAt(0) ?? 0, sign.codePointAt(0) ?? 0] as const),
};

const subsetOf = (code: number): Subset | null =>
  SUBSETS.find((name) => RANGES[name].some(([from, to]) => code >= from && code <= to)) ?? null;

/** Spaces of other widths, and the hyphen that does not break, for what the face does not hold. Anything else becomes a question mark. */
const OTHERWISE: Readonly<Record<string, string>> = { '\u202f': '\u00a0', '\u2009': ' ', '\u2011': '-' };

const SMALLS = [...'0123456789+−'];

/** How a run stands on the line: figures set small below it or above it are the face's own, made small. */
export type Stands = 'on-the-line' | 'below' | 'above';

/** A letter small and low, or small and high, by the letter it is made of. */
const SMALL: ReadonlyMap<string, { readonly letter: string; readonly stands: Stands }> = new Map<
  string,
  { readonly letter: string; readonly stands: Stands }
>([
  ...[...'₀₁₂₃₄₅₆₇₈₉₊₋'].map((sign, i) => [sign, { letter: at(SMALLS, i), stands: 'below' }] as const),
  // One, two and three above the line the face has itself.
  ...[...'⁰⁴⁵⁶⁷⁸⁹⁺⁻'].map((sign, i) => [sign, { letter: at(SMALLS, i === 0 ? 0 : i + 3), stands: 'above' }] as const),
]);

/** What a letter is set as: itself, or where the face lacks it what it is made of, ⅛ as one over eight. */
function setAs(letter: string): readonly string[] {
  if (subsetOf(letter.codePointAt(0) ?? 0) || SMALL.has(letter)) return [letter];
  const parts = [...letter.normalize('NFKD')];
  return parts.every((one) => subsetOf(one.codePointAt(0) ?? 0)) ? parts : [letter];
}

/** A part of a text that is set in one subset, on one line. */
export interface Run {
  readonly subset: Subset;
  readonly stands: Stands;
  readonly text: string;
}

/** A text as runs. */
export function runsOf(text: string): readonly Run[] {
  const runs: { subset: Subset; stands: Stands; text: string }[] = [];
  for (const letter of [...text.normalize('NFC')].flatMap(setAs)) {
    const small = SMALL.get(letter);
    const stands = small?.stands ?? 'on-the-line';
    const asked = small?.letter ?? letter;
    const written = subsetOf(asked.codePointAt(0) ?? 0) ? asked : (OTHERWISE[asked] ?? '?');
    const subset = subsetOf(written.codePointAt(0) ?? 0) ?? 'latin';
    const last = runs.at(-1);
    if (last?.subset === subset && last.stands === stands) last.text += written;
    else runs.push({ subset, stands, text: written });
  }
  return runs;
}
