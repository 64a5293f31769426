import {
  newSize,
  USUAL_UNCERTAINTY_MM,
  type Id,
  type Piece,
  type Size,
  type WallOffset,
  estimatedSize,
} from '@/core/record';
import { kindOf } from './kinds';
import { divisionParts } from './kind';

export interface PieceAt {
  readonly id: Id;
  readonly name: string;
  readonly levelId: Id;
  /** Two walls that are not parallel, with the distances of its back left corner from them, mm. */
  readonly from: readonly [{ readonly wallId: Id; readonly mm: number }, { readonly wallId: Id; readonly mm: number }];
}

/** A piece of a kind with usual sizes, each marked as usual, and its place as estimated. */
export function newPiece(
  kindId: string,
  at: PieceAt,
  print: (mm: number) => string,
  /** To what a person would write: whole eighths of an inch where feet and inches are used. */
  rounded: (mm: number) => number = (mm) => mm,
): Piece | null {
  const kind = kindOf(kindId);
  if (!kind) return null;
  const usual = (name: string, mm: number): Size =>
    newSize(`${at.id}/${name}`, {
      mm: rounded(mm),
      asTyped: print(rounded(mm)),
      source: 'usual',
      uncertaintyMm: USUAL_UNCERTAINTY_MM.usual,
    });
  const offset = (name: string, { wallId, mm }: { readonly wallId: Id; readonly mm: number }): WallOffset => ({
    wallId,
    distance: estimatedSize(`${at.id}/${name}`, mm, print),
  });
  const { width, depth, height, ...others } = kind.sizes;
  return {
    id: at.id,
    name: at.name,
    kind: kindId,
    levelId: at.levelId,
    width: usual('width', width.usual),
    depth: usual('depth', depth.usual),
    height: usual('height', height.usual),
    lift: usual('lift', kind.lift ?? 0),
    place: { pieceCorner: 'back-left', from: [offset('first', at.from[0]), offset('second', at.from[1])], turnDeg: 0 },
    checks: [],
    mirrored: false,
    sizes: Object.fromEntries(Object.entries(others).map(([name, { usual: mm }]) => [name, usual(name, mm)])),
    counts: Object.fromEntries(Object.entries(kind.counts ?? {}).map(([name, one]) => [name, one.usual])),
    choices: Object.fromEntries(Object.entries(kind.choices ?? {}).map(([name, list]) => [name, list[0] ?? ''])),
    divisions: Object.fromEntries(
      Object.entries(kind.divisions ?? {}).map(([name, { usual: count }]) => [
        name,
        { by: 'equal', count: divisionParts(undefined, count).length },
      ]),
    ),
    divisionsEach: {},
    seams: 'hidden',
    outlines: [],
  };
}
