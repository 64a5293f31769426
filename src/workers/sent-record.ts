import { at } from '@/core/base';
import type { MeasuredRoom } from '@/core/record';

/** A list as it crosses to a worker: whole, or as places in the list sent before, −1 for the next of the others. */
type ListSent<T> = { readonly whole: readonly T[] } | { readonly places: Int32Array; readonly others: readonly T[] };

/** A record as it crosses to a worker that holds the one before: what an edit left alone is only named. */
export type RecordSent = { readonly [K in keyof MeasuredRoom]: ListSent<MeasuredRoom[K][number]> };

function sendList<T>(before: readonly T[] | undefined, now: readonly T[]): ListSent<T> {
  if (!before) return { whole: now };
  const known = new Map(before.map((one, i) => [one, i]));
  const places = Int32Array.from(now, (one) => known.get(one) ?? -1);
  return { places, others: now.filter((_, i) => at(places, i) < 0) };
}

function receiveList<T>(before: readonly T[], sent: ListSent<T>): readonly T[] {
  if ('whole' in sent) return sent.whole;
  const { places, others } = sent;
  if (others.length === 0 && places.length === before.length && places.every((place, i) => place === i)) return before;
  let next = 0;
  return Array.from(places, (place) => (place < 0 ? at(others, next++) : at(before, place)));
}

export const sendRecord = (before: MeasuredRoom | null, now: MeasuredRoom): RecordSent => ({
  levels: sendList(before?.levels, now.levels),
  spaces: sendList(before?.spaces, now.spaces),
  openings: sendList(before?.openings, now.openings),
  pieces: sendList(before?.pieces, now.pieces),
  surfaces: sendList(before?.surfaces, now.surfaces),
});

/** The record that was sent: what an edit left alone is the very same as before, for what is made of it goes by identity. */
export const receiveRecord = (before: MeasuredRoom | null, sent: RecordSent): MeasuredRoom => ({
  levels: receiveList(before?.levels ?? [], sent.levels),
  spaces: receiveList(before?.spaces ?? [], sent.spaces),
  openings: receiveList(before?.openings ?? [], sent.openings),
  pieces: receiveList(before?.pieces ?? [], sent.pieces),
  surfaces: receiveList(before?.surfaces ?? [], sent.surfaces),
});
