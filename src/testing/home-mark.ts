import type { MarkName, MarkRole } from '@/core/record';

const ROLES: Readonly<Record<string, MarkRole>> = { vp: 'vanishing', mp: 'measuring', distance: 'distance' };

/** The name of a point of a room's own pair, by the short word tests use for it: `vp-left`. */
export function homeMark(word: string, spaceId = 'room'): MarkName {
  const serves = [{ thing: 'space', id: spaceId }] as const;
  if (word === 'centre-of-vision') return { serves: [], role: 'centre', side: null };
  if (word === 'diagonal') return { serves, role: 'diagonal', side: null };
  const [role, side] = word.split('-');
  const known = ROLES[role ?? ''];
  if (!known || (side !== 'left' && side !== 'right')) throw new Error(`no mark ${word}`);
  return { serves, role: known, side };
}
