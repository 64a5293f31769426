/** A broken invariant is a bug of ours, never a person's mistake: it throws. */
export function invariant(condition: unknown, what: string): asserts condition {
  if (!condition) throw new Error(`Invariant broken: ${what}`);
}

/** The element at an index known to exist. Throws when it does not. */
export function at<T>(list: ArrayLike<T>, index: number): T {
  const value = list[index];
  invariant(value !== undefined, `index ${index} of ${list.length}`);
  return value;
}
