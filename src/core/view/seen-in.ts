import { plansOf, type Id, type Project, type View } from '@/core/record';
import { roomMeant } from './room-meant';

type Lists = Pick<Project, 'spaces' | 'openings' | 'pieces' | 'surfaces' | 'plans'>;

/** What was left of a record, by its list of rooms: the same lists again while nothing of it changes, so that nothing is worked out anew. */
const kept = new WeakMap<Project['spaces'], { readonly from: Lists; readonly aside: string; readonly left: Lists }>();

/** The rooms that a view leaves out: those that were put aside, but never the room the view is of. */
export function spacesAsideOf(project: Project, view: View): readonly Id[] {
  if (view.spacesAside.length === 0) return view.spacesAside;
  const own = roomMeant(project, view)?.id;
  return view.spacesAside.filter((id) => id !== own);
}

/** The record as a view has it: without the rooms that are left out of it, and without what stands in them, opens into them or is laid on them. */
export function seenIn(project: Project, view: View): Project {
  const aside = new Set(spacesAsideOf(project, view));
  if (aside.size === 0) return project;
  const { spaces, openings, pieces, surfaces, plans } = project;
  const from = { spaces, openings, pieces, surfaces, plans };
  const names = [...aside].join('/');
  const known = kept.get(spaces);
  const same = known?.aside === names && LISTS.every((list) => known.from[list] === from[list]);
  const left = same ? known.left : withoutSpaces(from, aside);
  if (!same) kept.set(spaces, { from, aside: names, left });
  return { ...project, ...left };
}

const LISTS = ['spaces', 'openings', 'pieces', 'surfaces', 'plans'] as const;

function withoutSpaces({ spaces, openings, pieces, surfaces, plans }: Lists, aside: ReadonlySet<Id>): Lists {
  const left = spaces.filter((space) => !aside.has(space.id));
  const walls = new Set(left.flatMap((space) => space.walls.map((wall) => wall.id)));
  const standing = pieces.filter((piece) => piece.place.from.every(({ wallId }) => walls.has(wallId)));
  const stands = new Set(standing.map((piece) => piece.id));
  return {
    spaces: left,
    // A door from a room that is left out is left out; one into it stays, and opens on nothing.
    openings: openings
      .filter((opening) => walls.has(opening.wallId))
      .map((opening) =>
        opening.throughWallId === null || walls.has(opening.throughWallId)
          ? opening
          : { ...opening, throughWallId: null },
      ),
    pieces: standing,
    surfaces: surfaces.filter((surface) => !aside.has(surface.spaceId)),
    plans: plansOf(plans, (id) => stands.has(id)),
  };
}
