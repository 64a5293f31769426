import { at } from '@/core/base';
import {
  pieceCornerAt,
  claimOf,
  distanceFromWall,
  footprintOf,
  levelOf,
  mmOf,
  settledSize,
  wallRunOf,
  type Change,
  type Division,
  type Piece,
  type Size,
} from '@/core/record';
import { divisionParts, eachOf, refusalOf, valuesOf, type DivisionRule, type Values } from './kind';
import { kindOf } from './kinds';
import { newPiece } from './new-piece';
import { LEAST_REACH_MM, type Contradiction, type Reading } from './contradiction';

export function refused(piece: Piece, { show, print }: Reading): Contradiction[] {
  const kind = kindOf(piece.kind);
  const message = kind ? refusalOf(kind, piece, show) : `the catalogue has no kind called “${piece.kind}”`;
  if (message === null) return [];
  const usual =
    kind &&
    newPiece(
      kind.id,
      {
        id: piece.id,
        name: piece.name,
        levelId: piece.levelId,
        from: [
          { wallId: '', mm: 0 },
          { wallId: '', mm: 0 },
        ],
      },
      print,
    );
  const back = (now: Size, then: Size): Size => settledSize(now, mmOf(then), print);
  return [
    {
      kind: 'kind-refused',
      about: piece.id,
      of: [],
      message: `${piece.name} cannot be made: ${message}. It is drawn as a bare box until that is settled.`,
      remedies: usual
        ? [
            {
              label: 'Take the usual sizes again',
              change: {
                kind: 'change-piece',
                pieceId: piece.id,
                fields: {
                  width: back(piece.width, usual.width),
                  depth: back(piece.depth, usual.depth),
                  height: back(piece.height, usual.height),
                  sizes: Object.fromEntries(
                    Object.entries(usual.sizes).map(([name, size]) => {
                      const own = piece.sizes[name];
                      return [name, own ? back(own, size) : size];
                    }),
                  ),
                  counts: usual.counts,
                  divisions: usual.divisions,
                  divisionsEach: {},
                  outlines: [],
                },
              },
            },
          ]
        : [],
    },
  ];
}

export function divisions(piece: Piece, reading: Reading): Contradiction[] {
  const kind = kindOf(piece.kind);
  if (!kind) return [];
  const values = valuesOf(kind, piece);
  return Object.entries(kind.divisions ?? {}).flatMap(([name, rule]): Contradiction[] => {
    const each = eachOf(kind, values, name);
    const other = each ? kind.divisions?.[each.of] : undefined;
    return [
      ...notFilling(piece, { name, of: name, part: null, words: '', rule }, values, reading),
      ...Array.from({ length: each?.count ?? 0 }, (_, part) => ({
        ...{ name, of: `${name} of ${part + 1}`, part, words: ` in ${other?.one ?? ''} ${part + 1}`, rule },
      })).flatMap((one) => notFilling(piece, one, values, reading)),
    ];
  });
}

/** A division as measured whose parts do not add up to what there is. `part` null: the one that holds wherever nothing else is said. */
function notFilling(
  piece: Piece,
  at: {
    readonly name: string;
    readonly of: string;
    readonly part: number | null;
    readonly words: string;
    readonly rule: DivisionRule;
  },
  values: Values,
  { show, print }: Reading,
): Contradiction[] {
  const { name, part, rule } = at;
  const division = part === null ? piece.divisions[name] : piece.divisionsEach[name]?.[part];
  if (division?.by !== 'sizes') return [];
  const { sizes } = division;
  const whole = rule.whole(values, sizes.length);
  const sum = sizes.reduce((total, size) => total + mmOf(size), 0);
  const allowed = sizes.reduce((total, size) => total + claimOf(size).uncertaintyMm, 0) + 0.5;
  if (Math.abs(sum - whole) <= Math.min(allowed, 2)) return [];
  const last = lastOf(sizes);
  const rest = mmOf(last) + whole - sum;
  const set = (to: Division): Change =>
    part === null
      ? { kind: 'set-division', pieceId: piece.id, name, division: to }
      : { kind: 'set-division-of', pieceId: piece.id, name, part, division: to };
  const clear = rule.clearOf === undefined ? '' : `, clear of ${rule.clearOf}`;
  return [
    {
      kind: 'divisions',
      about: piece.id,
      of: [at.of, sum - whole],
      message: `The ${name} of ${piece.name}${at.words} add up to ${show(sum)}, but there is ${show(whole)} to fill${clear}. They are drawn in proportion until that is settled.`,
      remedies: [
        { label: 'Share out in proportion', change: set({ by: 'ratio', parts: divisionParts(division, 1) }) },
        { label: 'Make all equal', change: set({ by: 'equal', count: sizes.length }) },
        ...(rest > 20
          ? [
              {
                label: `Let the last take ${show(rest)}`,
                change: set({ by: 'sizes', sizes: [...sizes.slice(0, -1), settledSize(last, rest, print)] }),
              },
            ]
          : []),
      ],
    },
  ];
}

const lastOf = (sizes: readonly Size[]): Size => at(sizes, sizes.length - 1);

/** A third offset measured to the same piece must agree with the place that the first two give. */
export function checks(piece: Piece, { project, show }: Reading): Contradiction[] {
  const footprint = footprintOf(project, piece);
  if (!footprint.ok) return [];
  return piece.checks.flatMap((check): Contradiction[] => {
    const run = wallRunOf(project, check.wallId);
    if (!run) return [];
    const stands = distanceFromWall(run, footprint.value.corners[check.pieceCorner]);
    const said = claimOf(check.distance);
    const allowed =
      said.uncertaintyMm + Math.max(...piece.place.from.map((offset) => claimOf(offset.distance).uncertaintyMm));
    const off = stands - said.mm;
    if (Math.abs(off) <= allowed) return [];
    return [
      {
        kind: 'offsets-disagree',
        about: piece.id,
        of: [check.id, off],
        message: `By its two offsets the ${pieceCornerAt(check.pieceCorner).words} corner of ${piece.name} stands ${show(stands)} from ${run.wall.name}, but ${show(said.mm)} was measured there.`,
        remedies: [
          {
            label: `Move the piece by ${show(Math.abs(off))}`,
            change: {
              kind: 'settle-piece',
              pieceId: piece.id,
              by: { x: -run.intoRoom.x * off, y: -run.intoRoom.y * off },
            },
          },
          {
            label: 'Strike out the check',
            change: { kind: 'remove-check', pieceId: piece.id, checkId: check.id },
          },
        ],
      },
    ];
  });
}

/** A stair ends on a level: the next one above its foot, if the project has one. */
export function stair(piece: Piece, { project, show, print }: Reading): Contradiction[] {
  const kind = kindOf(piece.kind);
  if (kind?.group !== 'stairs' || kind.counts?.risers === undefined) return [];
  const floor = mmOf(levelOf(project, piece.levelId).elevation) + mmOf(piece.lift);
  const top = floor + mmOf(piece.height);
  const above = project.levels
    .map((level) => ({
      elevationId: level.elevation.id,
      name: level.name,
      z: mmOf(level.elevation),
      spread: claimOf(level.elevation).uncertaintyMm,
    }))
    .filter((level) => level.z > floor + 300);
  const [next] = [...above].sort((a, b) => Math.abs(a.z - top) - Math.abs(b.z - top));
  if (!next) return [];
  const gap = next.z - top;
  if (Math.abs(gap) <= LEAST_REACH_MM) return [];
  const height = next.z - floor;
  return [
    {
      kind: 'stair-short',
      about: piece.id,
      of: [gap],
      message: `${piece.name} ends ${show(Math.abs(gap))} ${gap > 0 ? 'below' : 'above'} ${next.name}: it climbs ${show(mmOf(piece.height))}, but the floors are ${show(height)} apart.`,
      remedies: [
        {
          label: `Make it climb ${show(height)}`,
          change: { kind: 'settle-size', sizeId: piece.height.id, mm: height },
        },
        {
          label: `Correct the elevation of ${next.name}`,
          change: { kind: 'correct-size', sizeId: next.elevationId, mm: top, asTyped: print(top) },
        },
      ],
    },
  ];
}
