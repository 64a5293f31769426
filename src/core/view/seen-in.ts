import { plansOf, type Id, type MeasuredRoom, type PlanChoice, type Project, type View } from '@/core/record';
import { roomMeant } from './room-meant';

/** The measured record, and the plans where there are any. */
type Recorded = MeasuredRoom & { readonly plans?: readonly PlanChoice[] };
type Lists = Pick<Project, 'spaces' | 'openings' | 'pieces' | 'surfaces' | 'plans'>;

/** What was left of a record, by its list of rooms: the same lists again while nothing of it changes, so that nothing is worked out anew. */
const kept = new WeakMap<Project['spaces'], { readonly from: Lists; readonly aside: string; readonly left: Lists }>();

const NONE: readonly Id[] = [];

/**
 * The rooms that a view leaves out: those that were put aside, and those that no opening joins to the room the view is of, however many rooms one goes through: one
 * could not see into them, and they would lie bare beside it. Never the room the view is of.
 */
export function spacesAsideOf(project: MeasuredRoom, view: View): readonly Id[] {
  if (project.spaces.length < 2) return NONE;
  const own = roomMeant(project, view)?.id;
  if (own === undefined) return NONE;
  const joined = joinedTo(project, own);
  return project.spaces
    .map(({ id }) => id)
    .filter((id) => id !== own && (view.spacesAside.includes(id) || !joined.has(id)));
}

/** The rooms that openings join to a room, it among them. */
export function joinedTo({ spaces, openings }: Pick<Project, 'spaces' | 'openings'>, spaceId: Id): ReadonlySet<Id> {
  const home = new Map(spaces.flatMap((space) => space.walls.map((wall) => [wall.id, space.id] as const)));
  const joined = new Set([spaceId]);
  // Walked on until no opening leads any farther.
  for (let before = 0; before !== joined.size;) {
    before = joined.size;
    for (const { wallId, throughWallId } of openings) {
      const [near, far] = [home.get(wallId), throughWallId === null ? undefined : home.get(throughWallId)];
      if (near === undefined || far === undefined) continue;
      if (joined.has(near)) joined.add(far);
      else if (joined.has(far)) joined.add(near);
    }
  }
  return joined;
}

/** The record as a view has it: without the rooms that are left out of it, and without what stands in them, opens into them or is laid on them. */
export function seenIn<R extends Recorded>(project: R, view: View): R {
  const aside = new Set(spacesAsideOf(project, view));
  const bare = view.walls === 'left-out';
  if (aside.size === 0 && !bare) return project;
  const { spaces, openings, pieces, surfaces, plans = NO_PLANS } = project;
  const from = { spaces, openings, pieces, surfaces, plans };
  const names = `${bare ? 'bare ' : ''}${[...aside].join('/')}`;
  const known = kept.get(spaces);
  const same = known?.aside === names && LISTS.every((list) => known.from[list] === from[list]);
  const left = same ? known.left : withoutWalls(withoutSpaces(from, aside), bare);
  if (!same) kept.set(spaces, { from, aside: names, left });
  const { plans: plansLeft, ...measured } = left;
  return { ...project, ...measured, ...(project.plans ? { plans: plansLeft } : {}) };
}

const NO_PLANS: readonly PlanChoice[] = [];
const LISTS = ['spaces', 'openings', 'pieces', 'surfaces', 'plans'] as const;

/** The same without walls, floors and ceilings, what opens in them and what is laid on them: what stands there is still placed by them. */
const withoutWalls = (lists: Lists, bare: boolean): Lists =>
  bare
    ? {
        ...lists,
        spaces: lists.spaces.map((space) => ({ ...space, bare })),
        openings: NO_OPENINGS,
        surfaces: NO_SURFACES,
      }
    : lists;
const NO_OPENINGS: Lists['openings'] = [];
const NO_SURFACES: Lists['surfaces'] = [];

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
