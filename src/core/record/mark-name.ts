import type { Id } from './size';

/**
 * A thing whose lines have points of their own on the horizon or off it: a room by its first wall, a wall that is askew to its room, a leaf
 * that stands open, a piece; and of what climbs, a slope of a ceiling, a pitch of a stair or a roof, counted within its owner.
 */
export type Served =
  | { readonly thing: 'space' | 'wall' | 'opening' | 'piece'; readonly id: Id }
  | { readonly thing: 'ceiling' | 'slope'; readonly id: Id; readonly number: number };

export const SERVED_THINGS = ['space', 'wall', 'opening', 'piece', 'ceiling', 'slope'] as const;

/** What a point of the set-out is for. `inclined` is the vanishing point of lines that climb. */
export type MarkRole = 'centre' | 'vanishing' | 'measuring' | 'distance' | 'diagonal' | 'inclined';
export const MARK_ROLES: readonly MarkRole[] = ['centre', 'vanishing', 'measuring', 'distance', 'diagonal', 'inclined'];
export type MarkSide = 'left' | 'right';

/**
 * The name of a point of the set-out: what it serves and its role, never its place in a list. Things of one direction share a point; it is the
 * point of each of them.
 */
export interface MarkName {
  readonly serves: readonly Served[];
  readonly role: MarkRole;
  /** Of a pair, which; null where there is only one. */
  readonly side: MarkSide | null;
}

export const sameServed = (a: Served, b: Served): boolean =>
  a.thing === b.thing && a.id === b.id && ('number' in a ? a.number : 0) === ('number' in b ? b.number : 0);

/** Whether two names name one point: the same role, and a thing in common. The centre of vision serves all. */
export const sameMark = (a: MarkName, b: MarkName): boolean =>
  a.role === b.role &&
  a.side === b.side &&
  (a.role === 'centre' || a.serves.some((one) => b.serves.some((other) => sameServed(one, other))));

const ROLE_KEYS: Readonly<Record<MarkRole, string>> = {
  centre: 'centre-of-vision',
  vanishing: 'vp',
  measuring: 'mp',
  distance: 'distance',
  diagonal: 'diagonal',
  inclined: 'inclined',
};

/**
 * A name as one word, for lists, files and tests. Only ever written: whoever wants to know what a mark is asks its name. The first room's
 * points have the plain words.
 */
export function markKey(name: MarkName, home: Id | null): string {
  const own = `${ROLE_KEYS[name.role]}${name.side === null ? '' : `-${name.side}`}`;
  const [first] = name.serves;
  if (!first || (first.thing === 'space' && first.id === home)) return own;
  return `${own} of ${first.thing} ${first.id}${'number' in first ? ` ${first.number + 1}` : ''}`;
}
