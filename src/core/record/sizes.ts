import type { MeasuredRoom, Moulding, Piece, Space } from './project';
import type { Id, Size } from './size';

/** One size with what it is the size of, for tables and messages. */
export interface NamedSize {
  readonly size: Size;
  readonly ownerId: Id;
  readonly owner: string;
  readonly what: string;
}

function ceilingSizes(space: Space): Readonly<Record<string, Size>> {
  const { ceiling } = space;
  switch (ceiling.shape) {
    case 'flat':
      return {};
    case 'stepped':
      return Object.fromEntries(
        ceiling.zones.flatMap((zone, i) => [
          [`depth of ceiling zone ${i + 1}`, zone.depth],
          [`height of ceiling zone ${i + 1}`, zone.height],
        ]),
      );
    case 'sloped':
      return { 'height at the high side': ceiling.highHeight };
    case 'gabled':
      return { 'ridge from the wall': ceiling.ridgeFrom, 'ridge height': ceiling.ridgeHeight };
    case 'barrel':
      return { 'rise of the vault': ceiling.rise };
  }
}

const mouldingSizes = (what: string, moulding: Moulding | null): Readonly<Record<string, Size>> =>
  moulding ? { [`${what} height`]: moulding.height, [`${what} thickness`]: moulding.thickness } : {};

const divisionSizes = (piece: Piece): Readonly<Record<string, Size>> =>
  Object.fromEntries(
    Object.entries(piece.divisions).flatMap(([what, division]) =>
      division.by === 'sizes' ? division.sizes.map((size, i) => [`${what} ${i + 1}`, size] as const) : [],
    ),
  );

/** Every size of the record, in the order of the record. */
export function allSizes(project: MeasuredRoom): readonly NamedSize[] {
  const list: NamedSize[] = [];
  const add = (ownerId: Id, owner: string, sizes: Readonly<Record<string, Size>>): void => {
    for (const [what, size] of Object.entries(sizes)) list.push({ size, ownerId, owner, what });
  };
  for (const level of project.levels) add(level.id, level.name, { elevation: level.elevation });
  for (const space of project.spaces) {
    add(space.id, space.name, {
      'ceiling height': space.ceilingHeight,
      ...ceilingSizes(space),
      ...mouldingSizes('skirting', space.skirting),
      ...mouldingSizes('cornice', space.cornice),
    });
    for (const wall of space.walls) add(wall.id, wall.name, { length: wall.length });
  }
  for (const opening of project.openings) {
    add(opening.id, opening.name, {
      offset: opening.offset,
      width: opening.width,
      sill: opening.sill,
      height: opening.height,
      reveal: opening.reveal,
      ...opening.sizes,
    });
  }
  for (const piece of project.pieces) {
    const [first, second] = piece.place.from;
    add(piece.id, piece.name, {
      width: piece.width,
      depth: piece.depth,
      height: piece.height,
      lift: piece.lift,
      'first offset': first.distance,
      'second offset': second.distance,
      ...piece.sizes,
      ...divisionSizes(piece),
      ...Object.fromEntries(piece.checks.map((check, i) => [`check offset ${i + 1}`, check.distance])),
    });
  }
  for (const { id, name, length, breadth, joint, start } of project.surfaces)
    add(id, name, { length, breadth, joint, start });
  return list;
}
