import { list, number, record } from './raw';

/**
 * Marks of version 3, `vp-left` or `vp-left-3`, told what they serve. There the number was the place of a right-angled pair in a list: the room's
 * first, then one for each new turn of a piece, in the order of the record. That list is made again here as it was made then, so that each remedy
 * stays with the things it was taken for. Frozen with the version.
 */
const ROLES: Readonly<Record<string, { readonly role: string; readonly side: string | null }>> = {
  'centre-of-vision': { role: 'centre', side: null },
  'vp-left': { role: 'vanishing', side: 'left' },
  'vp-right': { role: 'vanishing', side: 'right' },
  'mp-left': { role: 'measuring', side: 'left' },
  'mp-right': { role: 'measuring', side: 'right' },
  'distance-left': { role: 'distance', side: 'left' },
  'distance-right': { role: 'distance', side: 'right' },
  diagonal: { role: 'diagonal', side: null },
};

/** Turns nearer to each other than this shared their points in version 3, degrees. */
const SAME_DEG = 1e-3;

type Served = { readonly thing: 'space' | 'piece'; readonly id: unknown };

/** What the pairs of version 3 served, in their order. */
function pairsInThree(project: Readonly<Record<string, unknown>>): readonly (readonly Served[])[] {
  const spaces = list(project.spaces).map(record);
  const bearings = new Map<unknown, number>();
  for (const space of spaces)
    for (const wall of list(space.walls).map(record)) bearings.set(wall.id, number(wall.bearingDeg));
  const [home] = spaces;
  const first = number(record(list(home?.walls)[0]).bearingDeg);
  const quarter = (deg: number): number => ((deg % 90) + 90) % 90;
  const pairs: { turn: number; serves: Served[] }[] = [
    { turn: quarter(first), serves: home ? [{ thing: 'space', id: home.id }] : [] },
  ];
  for (const piece of list(project.pieces).map(record)) {
    const place = record(piece.place);
    const wall = record(list(place.from)[0]).wallId;
    const turn = quarter((bearings.get(wall) ?? NaN) + number(place.turnDeg));
    if (!Number.isFinite(turn)) continue;
    const known = pairs.find((one) => {
      const apart = Math.abs(one.turn - turn);
      return Math.min(apart, 90 - apart) < SAME_DEG;
    });
    if (known) known.serves.push({ thing: 'piece', id: piece.id });
    else pairs.push({ turn, serves: [{ thing: 'piece', id: piece.id }] });
  }
  return pairs.map((one) => one.serves);
}

/** The aids of a view with their marks named as version 4 names them. One for a pair that is no longer there helped nothing and goes. */
export function aidsInFour(project: Readonly<Record<string, unknown>>, aids: unknown): unknown {
  if (!Array.isArray(aids)) return aids;
  const pairs = pairsInThree(project);
  return aids.flatMap((one: unknown): unknown[] => {
    const aid = record(one);
    if (typeof aid.mark !== 'string') return [one];
    const [, plain = '', place] = /^(.*?)(?:-(\d+))?$/.exec(aid.mark) ?? [];
    const role = ROLES[plain];
    const serves = pairs[place === undefined ? 0 : Number(place) - 1];
    return role && serves ? [{ ...aid, mark: { serves, ...role } }] : [];
  });
}
