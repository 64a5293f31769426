import type { MarkId, Operation } from './operation';
import { CV } from './set-out-operations';

/** Letters that no pencil makes look like a figure. */
export const ALPHABET = 'abcdefghjkmnpqrstuvwxyz';

/** a … z, a2 … z2, a3 …: for the n-th, from 0. Two letters would make words: at, of, to. */
export function letters(n: number): string {
  const letter = ALPHABET.charAt(n % ALPHABET.length);
  const round = Math.floor(n / ALPHABET.length) + 1;
  return round === 1 ? letter : `${letter}${round}`;
}

/**
 * Short names to write beside the marks, each once on the paper: points of the set-out by their own, what is laid off by numbers, what is found by crossing by
 * letters, in the order of the work. @param points of the set-out: their own names are theirs, however they are found.
 */
export function labelsOf(
  operations: readonly Operation[],
  points: ReadonlySet<MarkId> = new Set(),
): ReadonlyMap<MarkId, string> {
  const labels = new Map<MarkId, string>();
  let [numbers, crossed] = [0, 0];
  for (const one of operations) {
    if (one.op === 'lay-off' && points.has(one.mark)) labels.set(one.mark, one.mark);
    else if (one.op === 'take') labels.set(one.mark, one.mark === CV ? 'CV' : one.mark);
    else if (one.op === 'cross') labels.set(one.mark, letters(crossed++));
    else if (one.op === 'lay-off' || one.op === 'transfer') labels.set(one.mark, String((numbers += 1)));
    else if (one.op === 'strip') for (const [mark] of one.marks) labels.set(mark, String((numbers += 1)));
  }
  return labels;
}
