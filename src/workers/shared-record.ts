import type { MeasuredRoom } from '@/core/record';

/** The same things as before where nothing in them changed: a record that crossed to a worker is all copies, and what is made of it goes by identity. */
function sharedList<T extends { readonly id: string }>(before: readonly T[], now: readonly T[]): readonly T[] {
  const known = new Map(before.map((one) => [one.id, one]));
  const list = now.map((one) => {
    const old = known.get(one.id);
    return old && JSON.stringify(old) === JSON.stringify(one) ? old : one;
  });
  return list.length === before.length && list.every((one, i) => one === before[i]) ? before : list;
}

/** A record with everything in it that an edit left alone taken from the record before. */
export const sharedRecord = (before: MeasuredRoom, now: MeasuredRoom): MeasuredRoom => ({
  levels: sharedList(before.levels, now.levels),
  spaces: sharedList(before.spaces, now.spaces),
  openings: sharedList(before.openings, now.openings),
  pieces: sharedList(before.pieces, now.pieces),
  surfaces: sharedList(before.surfaces, now.surfaces),
});
