import type { BlockOutline, Division, Piece, Size } from '@/core/record';
import { mmOf } from '@/core/record';
import { invariant } from '@/core/base';
import type { Part } from './parts';

/** A size of a kind, mm: what it usually is, and between what bounds it still means something. */
export interface SizeRule {
  readonly usual: number;
  readonly least: number;
  readonly most: number;
}
/** A number of things. */
export type CountRule = SizeRule;

/** A front or a case that may be shared out equally, by ratio or by measured sizes. */
export interface DivisionRule {
  /** One of its parts, in words. */
  readonly one: string;
  readonly usual: number;
  readonly most: number;
  /** What `n` parts add up to, mm: they are clear of the boards, frames and gaps about and between them. */
  readonly whole: (values: Values, n: number) => number;
  /** What the parts are clear of, in words; without it they lie against each other. */
  readonly clearOf?: string;
  /** The division for each of whose parts this one may be given otherwise, as shelves bay by bay; null: not as the piece is made. */
  readonly each?: (values: Values) => string | null;
}

export type KindGroup =
  'seats' | 'tables' | 'beds' | 'storage' | 'kitchen' | 'stairs' | 'on the wall' | 'lights' | 'things' | 'blocks';

/** A line that climbs: a stair's pitch, a roof's slope. */
export interface KindSlope {
  readonly words: string;
  readonly along: readonly [x: number, y: number];
  readonly rise: number;
}

/** Values as a refusal reads them: it tells lengths in the units one works in. */
export interface Refusing extends Values {
  readonly show: (mm: number) => string;
}

/** One kind of the catalogue, declared in one file: what it is called, what it measures, what it is made of. */
export interface Kind {
  readonly id: string;
  readonly name: string;
  readonly group: KindGroup;
  /** Width, depth and height in every kind; further sizes by name. */
  readonly sizes: { readonly width: SizeRule; readonly depth: SizeRule; readonly height: SizeRule } & Readonly<
    Record<string, SizeRule>
  >;
  /** It hangs on a wall, its back to it, though it is not of the group that does. */
  readonly hangs?: true;
  /** It usually stands with its back to a wall, as cupboards do. */
  readonly backed?: true;
  /** Usual height of its underside above the floor; zero where it stands. */
  readonly lift?: number;
  readonly counts?: Readonly<Record<string, CountRule>>;
  /** The first of each is the usual one. */
  readonly choices?: Readonly<Record<string, readonly string[]>>;
  readonly divisions?: Readonly<Record<string, DivisionRule>>;
  /** Why these values cannot be made, in words, or null. Asked after every size lies within its bounds. */
  readonly refuse?: (values: Refusing) => string | null;
  readonly parts: (values: Values) => readonly Part[];
  /** Lines that climb, in the piece's own axes: their plan direction, and how much they rise for each mm along it. */
  readonly slopes?: (values: Values) => readonly KindSlope[];
  /** What to keep in mind where it can hurt someone. */
  readonly caution?: string;
}

/** The values of one piece as its kind reads them. */
export interface Values {
  readonly width: number;
  readonly depth: number;
  readonly height: number;
  readonly size: (name: string) => number;
  readonly count: (name: string) => number;
  readonly choice: (name: string) => string;
  /**
   * Lengths of a division's parts, adding up to what its rule gives them; measured sizes that do not are drawn in proportion until they are
   * settled. `part`: of which part of the other division, where it may differ from one to the next.
   */
  readonly share: (name: string, part?: number) => readonly number[];
  readonly outlines: readonly BlockOutline[];
}

export const rule = (usual: number, least = usual / 2, most = usual * 2): SizeRule => ({ usual, least, most });

/** The parts of a division, as given, not yet made to fit. */
export function divisionParts(division: Division | undefined, usual: number): readonly number[] {
  if (!division) return Array.from({ length: usual }, () => 1);
  if (division.by === 'equal') return Array.from({ length: division.count }, () => 1);
  return division.by === 'ratio' ? division.parts : division.sizes.map(mmOf);
}

export type PieceGiven = Pick<
  Piece,
  'width' | 'depth' | 'height' | 'sizes' | 'counts' | 'choices' | 'divisions' | 'divisionsEach' | 'outlines'
>;

export function valuesOf(kind: Kind, piece: PieceGiven): Values {
  const own: Readonly<Record<string, Size>> = {
    ...piece.sizes,
    width: piece.width,
    depth: piece.depth,
    height: piece.height,
  };
  const size = (name: string): number => {
    const given = own[name];
    // Less than a twentieth of a millimetre is zero: no board is cut so thin.
    if (given) return mmOf(given) < 0.05 ? 0 : mmOf(given);
    const known = kind.sizes[name];
    invariant(known, `${kind.id} has a size ${name}`);
    return known.usual;
  };
  const values: Values = {
    width: size('width'),
    depth: size('depth'),
    height: size('height'),
    size,
    count: (name) => {
      const known = kind.counts?.[name];
      invariant(known, `${kind.id} has a count ${name}`);
      return piece.counts[name] ?? known.usual;
    },
    choice: (name) => {
      const known = kind.choices?.[name];
      invariant(known, `${kind.id} has a choice ${name}`);
      const given = piece.choices[name];
      return given !== undefined && known.includes(given) ? given : (known[0] ?? '');
    },
    share: (name, part) => {
      const known = kind.divisions?.[name];
      invariant(known, `${kind.id} has a division ${name}`);
      const differs = (known.each?.(values) ?? null) !== null;
      const parts = divisionParts(divisionOf(piece, name, differs ? (part ?? null) : null), known.usual);
      const sum = parts.reduce((a, b) => a + b, 0);
      const whole = known.whole(values, parts.length);
      return parts.map((one) => (whole * one) / sum);
    },
    outlines: piece.outlines,
  };
  return values;
}

/** A piece's division: of one part of another where that was given otherwise, else as it is throughout. */
export const divisionOf = (
  { divisions, divisionsEach }: Pick<Piece, 'divisions' | 'divisionsEach'>,
  name: string,
  part: number | null,
): Division | undefined => (part === null ? null : divisionsEach[name]?.[part]) ?? divisions[name];

/** The parts of the other division that this one may be given otherwise for; null where it is the same throughout. */
export function eachOf(
  kind: Kind,
  values: Values,
  name: string,
): { readonly of: string; readonly count: number } | null {
  const of = kind.divisions?.[name]?.each?.(values) ?? null;
  return of === null ? null : { of, count: values.share(of).length };
}

/** All that the values of a piece can come to, as one text: pieces of one text have the same values. */
export const likenessOf = (kind: Kind, piece: PieceGiven): string =>
  JSON.stringify([
    kind.id,
    [piece.width, piece.depth, piece.height].map(mmOf),
    Object.entries(piece.sizes).map(([name, size]) => [name, mmOf(size)]),
    piece.counts,
    piece.choices,
    Object.entries(piece.divisions).map(([name, division]) => [name, divisionParts(division, 1)]),
    Object.entries(piece.divisionsEach).map(([name, list]) => [name, list.map((one) => one && divisionParts(one, 1))]),
    piece.outlines,
  ]);

/** Why a piece of this kind cannot be made with these values, or null. `print` shows a length in the user's units. */
export function refusalOf(kind: Kind, piece: PieceGiven, print: (mm: number) => string): string | null {
  const values = valuesOf(kind, piece);
  for (const [name, { least, most }] of Object.entries(kind.sizes)) {
    const mm = values.size(name);
    if (mm < least || mm > most)
      return `its ${name} is ${print(mm)}, but must lie between ${print(least)} and ${print(most)}`;
  }
  for (const [name, { least, most }] of Object.entries(kind.counts ?? {})) {
    const count = values.count(name);
    if (!Number.isInteger(count) || count < least || count > most)
      return `its number of ${name} is ${count}, but must be from ${least} to ${most}`;
  }
  for (const [name, { most }] of Object.entries(kind.divisions ?? {})) {
    const own = (piece.divisionsEach[name] ?? []).filter((one) => one !== null);
    for (const division of [piece.divisions[name], ...own]) {
      const parts = divisionParts(division, 1);
      if (parts.length > most || parts.length < 1 || parts.some((part) => !(part > 0)))
        return `its ${name} must be from 1 to ${most}, each more than nought`;
    }
  }
  return kind.refuse?.({ ...values, show: print }) ?? null;
}
