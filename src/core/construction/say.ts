import { formatLength, formatPaper, type LengthStyle, type Millimetres, type PaperMillimetres } from '@/core/units';

/** A sentence with its figures still figures, so that each reader prints them in its own units. */
export type Saying = readonly (string | { readonly paperMm: PaperMillimetres } | { readonly real: Millimetres })[];

/**
 * A sentence in the user's units: the real size first, as the scale rule reads it, then the same distance on paper for a plain
 * ruler. A paper distance says so only where it follows a real one and could be mistaken for it.
 */
export function say(saying: Saying, style: LengthStyle): string {
  let afterReal = false;
  const words = saying.map((part) => {
    if (typeof part === 'string') return part;
    if ('real' in part) {
      afterReal = true;
      return formatLength(part.real, style);
    }
    const suffix = afterReal ? ' on paper' : '';
    afterReal = false;
    return `${formatPaper(part.paperMm, style)}${suffix}`;
  });
  return words.join('').trim();
}
