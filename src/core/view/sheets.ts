import { MM_PER_INCH, type PaperMillimetres, type UnitSystem } from '@/core/units';

/** A sheet of paper, upright: mm. */
export interface SheetSize {
  readonly name: string;
  readonly short: PaperMillimetres;
  readonly long: PaperMillimetres;
}

export interface SheetFamily {
  readonly name: string;
  readonly sheets: readonly SheetSize[];
}

const inches = (name: string, short: number, long: number): SheetSize => ({
  name,
  short: short * MM_PER_INCH,
  long: long * MM_PER_INCH,
});
const mm = (name: string, short: number, long: number): SheetSize => ({ name, short, long });

/** ISO 216 A and B, the architectural sizes in inches, and the letter family. */
export const SHEET_FAMILIES: readonly SheetFamily[] = [
  {
    name: 'ISO A',
    sheets: [mm('A4', 210, 297), mm('A3', 297, 420), mm('A2', 420, 594), mm('A1', 594, 841), mm('A0', 841, 1189)],
  },
  {
    name: 'ISO B',
    sheets: [mm('B4', 250, 353), mm('B3', 353, 500), mm('B2', 500, 707), mm('B1', 707, 1000)],
  },
  {
    name: 'architectural',
    sheets: [
      inches('9 x 12 in', 9, 12),
      inches('12 x 18 in', 12, 18),
      inches('18 x 24 in', 18, 24),
      inches('24 x 36 in', 24, 36),
      inches('30 x 42 in', 30, 42),
      inches('36 x 48 in', 36, 48),
    ],
  },
  {
    name: 'letter',
    sheets: [
      inches('letter', 8.5, 11),
      inches('legal', 8.5, 14),
      inches('double letter', 11, 17),
      inches('17 x 22 in', 17, 22),
      inches('22 x 34 in', 22, 34),
    ],
  },
];

export const SHEET_SIZES: readonly SheetSize[] = SHEET_FAMILIES.flatMap((family) => family.sheets);

/** The sheet of that name, lying on its long side unless it is to stand. */
export function namedSheet(name: string, stands = false): { name: string; width: number; height: number } | null {
  const size = SHEET_SIZES.find((one) => one.name === name);
  if (!size) return null;
  return stands ? { name, width: size.short, height: size.long } : { name, width: size.long, height: size.short };
}

/** Paper a household or office printer takes: what a larger sheet is tiled over. */
export const usualPrinterPaper = (units: UnitSystem): 'A4' | 'letter' => (units === 'imperial' ? 'letter' : 'A4');

/** Drawing boards by size, mm and inches. */
export const USUAL_BOARDS: readonly { readonly name: string; readonly width: number; readonly height: number }[] = [
  { name: 'board for A3', width: 510, height: 365 },
  { name: 'board for A2', width: 650, height: 470 },
  { name: 'board for A1', width: 920, height: 650 },
  { name: 'board for A0', width: 1270, height: 920 },
  { name: '24 x 18 in board', width: 24 * MM_PER_INCH, height: 18 * MM_PER_INCH },
  { name: '31 x 23 in board', width: 31 * MM_PER_INCH, height: 23 * MM_PER_INCH },
  { name: '42 x 31 in board', width: 42 * MM_PER_INCH, height: 31 * MM_PER_INCH },
];
