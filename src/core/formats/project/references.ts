import { allSizes, footprintOf, type Id, type NamedSize, type Project } from '@/core/record';
import { sizeFault } from './size-fault';

/** The list in which a thing that a point serves is found. */
const SERVED_BY = {
  space: 'space',
  ceiling: 'space',
  wall: 'wall',
  opening: 'opening',
  piece: 'piece',
  slope: 'piece',
} as const;

export interface ReferenceFault {
  readonly path: string;
  readonly message: string;
}

function claimFault(named: NamedSize): ReferenceFault | null {
  const { size, what, owner } = named;
  const path = `size ${size.id}`;
  if (!size.claims.some((claim) => claim.id === size.inForce))
    return { path, message: `The ${what} of ${owner} has no claim ${size.inForce} to be in force.` };
  if (new Set(size.claims.map((claim) => claim.id)).size !== size.claims.length)
    return { path, message: `Two claims for the ${what} of ${owner} have the same id.` };
  const message = sizeFault(named);
  return message === null ? null : { path, message };
}

/** The first id of a list that stands in it before already. */
function firstTwice(list: readonly Id[]): Id | undefined {
  const known = new Set<Id>();
  return list.find((id) => known.size === known.add(id).size);
}

/** What a shape cannot say: ids are unique, references lead somewhere, sizes are possible, places can be found. */
export function referenceFault(project: Project): ReferenceFault | null {
  const ids = (list: readonly { readonly id: Id }[]): Id[] => list.map((one) => one.id);
  const walls = project.spaces.flatMap((space) => space.walls);
  const corners = new Set(walls.map((wall) => wall.startCorner));
  const sizes = allSizes(project);
  const named: readonly (readonly [string, readonly Id[]])[] = [
    ['levels', ids(project.levels)],
    [
      'things',
      [
        ...ids(project.spaces),
        ...ids(walls),
        ...ids(project.openings),
        ...ids(project.pieces),
        ...ids(project.surfaces),
      ],
    ],
    ['corners', walls.map((wall) => wall.startCorner)],
    ['views', ids(project.views)],
    ['plans', ids(project.plans)],
    ['sizes', sizes.map(({ size }) => size.id)],
  ];
  for (const [what, list] of named) {
    const twice = firstTwice(list);
    if (twice !== undefined) return { path: what, message: `Two ${what} have the id “${twice}”.` };
  }
  const has = {
    level: new Set(ids(project.levels)),
    space: new Set(ids(project.spaces)),
    wall: new Set(ids(walls)),
    corner: corners,
    view: new Set(ids(project.views)),
    opening: new Set(ids(project.openings)),
    piece: new Set(ids(project.pieces)),
  };
  const missing = (path: string, kind: keyof typeof has, id: Id): ReferenceFault | null =>
    has[kind].has(id) ? null : { path, message: `${path} names the ${kind} “${id}”, which is not in the file.` };
  for (const one of sizes) {
    const fault = claimFault(one);
    if (fault) return fault;
  }
  const faults = [
    ...project.spaces.map((space) => missing(`spaces ${space.id}`, 'level', space.levelId)),
    ...project.openings.flatMap((one) => [
      missing(`openings ${one.id}`, 'wall', one.wallId),
      missing(`openings ${one.id}`, 'corner', one.fromCorner),
      one.throughWallId === null ? null : missing(`openings ${one.id}`, 'wall', one.throughWallId),
    ]),
    ...project.pieces.flatMap((one) => [
      missing(`pieces ${one.id}`, 'level', one.levelId),
      ...one.place.from.map((offset) => missing(`pieces ${one.id}`, 'wall', offset.wallId)),
    ]),
    ...project.pieces.flatMap((one) => one.checks.map((check) => missing(`pieces ${one.id}`, 'wall', check.wallId))),
    ...project.surfaces.flatMap((one) => [
      missing(`surfaces ${one.id}`, 'space', one.spaceId),
      missing(`surfaces ${one.id}`, 'wall', one.wallId),
    ]),
    ...project.spaces.flatMap(({ id, ceiling }) => [
      ...ceiling.zones.map((zone) => missing(`spaces ${id}`, 'wall', zone.wallId)),
      ceiling.wallId === null ? null : missing(`spaces ${id}`, 'wall', ceiling.wallId),
    ]),
    ...project.views.flatMap((one) => [
      missing(`views ${one.id}`, 'level', one.levelId),
      one.picturePlane.through === 'wall' ? missing(`views ${one.id}`, 'wall', one.picturePlane.wallId) : null,
      one.picturePlane.through === 'corner' ? missing(`views ${one.id}`, 'corner', one.picturePlane.cornerId) : null,
      ...one.guesses.map((guess) => missing(`views ${one.id}`, 'wall', guess.wallId)),
      ...one.spacesAside.map((id) => missing(`views ${one.id}`, 'space', id)),
      one.grid?.from ? missing(`views ${one.id}`, 'corner', one.grid.from) : null,
      ...(one.grid?.on ?? []).map((id) => missing(`views ${one.id}`, 'wall', id)),
      ...one.aids.flatMap(({ mark }) =>
        mark.serves.map(({ thing, id }) => missing(`views ${one.id}`, SERVED_BY[thing], id)),
      ),
      one.frame.left < one.frame.right && one.frame.bottom < one.frame.top
        ? null
        : { path: `views ${one.id}`, message: `The frame of ${one.name} encloses nothing.` },
    ]),
    ...project.plans.flatMap((one) => [
      missing(`plans ${one.id}`, 'view', one.viewId),
      one.pieceId === null ? null : missing(`plans ${one.id}`, 'piece', one.pieceId),
      ...one.pieces.map(({ pieceId }) => missing(`plans ${one.id}`, 'piece', pieceId)),
    ]),
  ];
  const first = faults.find((fault) => fault !== null);
  if (first) return first;
  for (const piece of project.pieces) {
    const place = footprintOf(project, piece);
    if (!place.ok) return { path: `pieces ${piece.id}`, message: place.error.message };
  }
  return null;
}
