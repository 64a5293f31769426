import type { MeasuredRoom, Moulding, Piece, Space } from './project';
import type { Id, Size } from './size';

/** What a size may be: more than zero, zero too where the thing may have none of it, or on either side of where it is measured from. */
export type SizeBounds = 'positive' | 'zero-too' | 'signed';

/** One size with what it is the size of, for tables and messages. */
export interface NamedSize {
  readonly size: Size;
  readonly ownerId: Id;
  readonly owner: string;
  readonly what: string;
  readonly bounds: SizeBounds;
}

type Listed = readonly (readonly [what: string, size: Size, bounds: SizeBounds])[];

/** Sizes that a kind declares: it may have none of that part, and its own bounds say so. */
const own = (sizes: Readonly<Record<string, Size>>): Listed =>
  Object.entries(sizes).map(([what, size]) => [what, size, 'zero-too']);

const ceilingSizes = ({ ceiling }: Space): Listed => [
  ...own(ceiling.sizes),
  ...ceiling.zones.flatMap((zone, i): Listed => [
    [`depth of ceiling zone ${i + 1}`, zone.depth, 'zero-too'],
    [`height of ceiling zone ${i + 1}`, zone.height, 'zero-too'],
  ]),
];

const mouldingSizes = (what: string, moulding: Moulding | null): Listed =>
  moulding
    ? [
        [`${what} height`, moulding.height, 'zero-too'],
        [`${what} thickness`, moulding.thickness, 'zero-too'],
      ]
    : [];

const divisionSizes = (piece: Piece): Listed =>
  [
    ...Object.entries(piece.divisions),
    ...Object.entries(piece.divisionsEach).flatMap(([what, list]) =>
      list.flatMap((one, part) => (one ? [[`${what} of ${part + 1}`, one] as const] : [])),
    ),
  ].flatMap(([what, division]) =>
    division.by === 'sizes' ? division.sizes.map((size, i) => [`${what} ${i + 1}`, size, 'zero-too'] as const) : [],
  );

/** Every size of the record, in the order of the record. */
export function allSizes(project: MeasuredRoom): readonly NamedSize[] {
  const list: NamedSize[] = [];
  const add = (ownerId: Id, owner: string, sizes: Listed): void => {
    for (const [what, size, bounds] of sizes) list.push({ size, ownerId, owner, what, bounds });
  };
  for (const level of project.levels) add(level.id, level.name, [['elevation', level.elevation, 'signed']]);
  for (const space of project.spaces) {
    add(space.id, space.name, [
      ['ceiling height', space.ceilingHeight, 'positive'],
      ...ceilingSizes(space),
      ...mouldingSizes('skirting', space.skirting),
      ...mouldingSizes('cornice', space.cornice),
    ]);
    for (const wall of space.walls) add(wall.id, wall.name, [['length', wall.length, 'positive']]);
  }
  for (const opening of project.openings) {
    add(opening.id, opening.name, [
      ['offset', opening.offset, 'signed'],
      ['width', opening.width, 'positive'],
      ['sill', opening.sill, 'zero-too'],
      ['height', opening.height, 'positive'],
      ['reveal', opening.reveal, 'zero-too'],
      ...own(opening.sizes),
    ]);
  }
  for (const piece of project.pieces) {
    const [first, second] = piece.place.from;
    add(piece.id, piece.name, [
      ['width', piece.width, 'positive'],
      ['depth', piece.depth, 'positive'],
      ['height', piece.height, 'positive'],
      ['lift', piece.lift, 'zero-too'],
      ['first offset', first.distance, 'signed'],
      ['second offset', second.distance, 'signed'],
      ...own(piece.sizes),
      ...divisionSizes(piece),
      ...piece.checks.map((check, i) => [`check offset ${i + 1}`, check.distance, 'signed'] as const),
    ]);
  }
  for (const { id, name, length, breadth, joint, start, lights } of project.surfaces)
    add(id, name, [
      ['length', length, 'positive'],
      ['breadth', breadth, 'positive'],
      ['joint', joint, 'zero-too'],
      ['start', start, 'signed'],
      ...(lights
        ? ([
            ['length of a light', lights.length, 'positive'],
            ['first row from the wall', lights.fromWall, 'signed'],
            ['from row to row', lights.rowDistance, 'positive'],
          ] as const)
        : []),
    ]);
  return list;
}
