import { bytesFromBase64 } from './base64';
import face from './face.json';

/** Subsets of the application's text face, by the characters they hold: the same that the browser loads. */
const SUBSETS = ['latin', 'latin-ext', 'greek', 'cyrillic'] as const;
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
};

const subsetOf = (code: number): Subset | null =>
  SUBSETS.find((name) => RANGES[name].some(([from, to]) => code >= from && code <= to)) ?? null;

/** Characters written otherwise, for what the face does not hold: typographic primes and arrows. Anything else becomes a question mark. */
const OTHERWISE: Readonly<Record<string, string>> = {
  '″': '"',
  '′': "'",
  '→': '>',
  '←': '<',
  '\u202f': '\u00a0',
  '\u2009': ' ',
};

/** A text as runs, each set in one subset. */
export function runsOf(text: string): readonly { readonly subset: Subset; readonly text: string }[] {
  const runs: { subset: Subset; text: string }[] = [];
  for (const letter of text.normalize('NFC')) {
    const written = subsetOf(letter.codePointAt(0) ?? 0) ? letter : (OTHERWISE[letter] ?? '?');
    const subset = subsetOf(written.codePointAt(0) ?? 0) ?? 'latin';
    const last = runs.at(-1);
    if (last?.subset === subset) last.text += written;
    else runs.push({ subset, text: written });
  }
  return runs;
}
