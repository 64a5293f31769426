import { MM_PER_INCH, type UnitSystem } from '@/core/units';

/** What a figure of the record is counted in. */
type In = 'mm of the room' | 'mm on paper' | 'times';

/** The least and the most a figure of the record may be, both allowed: beyond them is nothing one measures or draws, or more than can be worked out. */
export interface Bounds {
  readonly least: number;
  readonly most: number;
  readonly in: In;
}

/** One kilometre, mm: farther no room is measured, and to a thousandth of a millimetre no farther can be reckoned with. */
const KILOMETRE = 1_000_000;

const room = (least: number, most: number): Bounds => ({ least, most, in: 'mm of the room' });
const paper = (least: number, most: number): Bounds => ({ least, most, in: 'mm on paper' });
const times = (least: number, most: number): Bounds => ({ least, most, in: 'times' });

/** Every figure of the record, in one place: reader, published schema, fields and edits all keep these. */
export const BOUNDS = {
  /** What is said of a size, whatever it is the size of. */
  claim: room(-KILOMETRE, KILOMETRE),
  uncertainty: room(0, KILOMETRE),
  /** A size of something that is there: walls, openings, pieces, boards and tiles. */
  extent: room(1, KILOMETRE),
  /** A size of what there may be none of, where there is some of it. */
  some: room(0.01, KILOMETRE),
  /** A place in plan, along either axis. */
  coordinate: room(-KILOMETRE, KILOMETRE),
  eyeHeight: room(1, 100_000),
  planeDistance: room(1, KILOMETRE),
  gridUnit: room(10, 100_000),
  interval: room(1, KILOMETRE),
  outline: room(-KILOMETRE, KILOMETRE),
  /** Tangent of a quarter of the angle an arc turns through, either way: half a turn and a little more. */
  bulge: times(-2, 2),
  ratio: times(0.001, 1000),
  count: times(0, 1000),
  equalParts: times(1, 200),
  lightRows: times(1, 200),
  lightsInARow: times(0, 1000),
  innerLines: times(0, 20),
  scale: times(1, 1000),
  fraction: times(2, 1000),
  tickStep: paper(1, 1000),
  frame: paper(-20_000, 20_000),
  sheetSide: paper(10, 5000),
  boardSide: paper(10, 10_000),
  straightedge: paper(10, 10_000),
  margin: paper(0, 5000),
  placeOnPaper: paper(-20_000, 20_000),
  /** A figure that a ring is told of. */
  toldOf: room(-100 * KILOMETRE, 100 * KILOMETRE),
  /** Where a guessed interval stands in the picture. */
  guess: paper(-100_000, 100_000),
} as const satisfies Readonly<Record<string, Bounds>>;

export type BoundName = keyof typeof BOUNDS;

/** The most entries of each list: what a house has, many times over. */
export const MOST_OF = {
  levels: 100,
  spaces: 500,
  walls: 200,
  zones: 50,
  openings: 2000,
  pieces: 10_000,
  surfaces: 1000,
  views: 200,
  plans: 500,
  claims: 1000,
  checks: 100,
  outlines: 50,
  holes: 50,
  corners: 500,
  parts: 200,
  aids: 200,
  guesses: 200,
  marksServed: 100,
  laidAside: 2000,
  toldOf: 200,
  named: 200,
} as const;

/** The longest name, id or typed text, in characters. */
export const LONGEST_TEXT = 200;

export const isWithin = (value: number, { least, most }: Bounds): boolean =>
  Number.isFinite(value) && value >= least && value <= most;

/** Thousands apart, as figures are written everywhere. */
const plain = (value: number): string =>
  (value < 0 ? '−' : '') +
  Math.abs(value)
    .toString()
    .replace(/\B(?=(\d{3})+(?!\d))/g, '\u00a0');

/** Inches to a hundredth, taken inward: what keeps to them keeps to the bounds. */
const inches = (mm: number, inward: (value: number) => number): number => inward((mm / MM_PER_INCH) * 100) / 100;

/** "must be from 1 to 1 000 mm"; in inches where those are what is typed. */
export function boundsWords({ least, most, in: of }: Bounds, units: UnitSystem = 'metric'): string {
  if (of === 'times') return `must be from ${plain(least)} to ${plain(most)}`;
  return units === 'metric'
    ? `must be from ${plain(least)} to ${plain(most)} mm`
    : `must be from ${plain(inches(least, Math.ceil))}" to ${plain(inches(most, Math.floor))}"`;
}

/** A name with words after it, no longer than a name may be. */
export const nameWith = (name: string, words: string): string =>
  `${name.slice(0, LONGEST_TEXT - words.length)}${words}`;

/** A name that none of the others has: itself, or numbered. */
export function nameApart(name: string, others: ReadonlySet<string>): string {
  let apart = name;
  for (let number = 2; others.has(apart); number += 1) apart = nameWith(name, `, ${number}`);
  return apart;
}
