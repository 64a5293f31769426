import type { Project } from './project';
import type { Id, Size } from './size';

/** One size with what it is the size of, for tables and messages. */
export interface NamedSize {
  readonly size: Size;
  readonly ownerId: Id;
  readonly owner: string;
  readonly what: string;
}

/** Every size of the record, in the order of the record. */
export function allSizes(project: Project): readonly NamedSize[] {
  const list: NamedSize[] = [];
  const add = (ownerId: Id, owner: string, sizes: Readonly<Record<string, Size>>): void => {
    for (const [what, size] of Object.entries(sizes)) list.push({ size, ownerId, owner, what });
  };
  for (const level of project.levels) add(level.id, level.name, { elevation: level.elevation });
  for (const space of project.spaces) {
    add(space.id, space.name, { 'ceiling height': space.ceilingHeight });
    for (const wall of space.walls) add(wall.id, wall.name, { length: wall.length });
  }
  for (const opening of project.openings) {
    add(opening.id, opening.name, {
      offset: opening.offset,
      width: opening.width,
      sill: opening.sill,
      height: opening.height,
      reveal: opening.reveal,
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
    });
  }
  return list;
}
