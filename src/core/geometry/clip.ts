/**
 * The part of a segment that satisfies several linear conditions f(λ) = (1−λ)·atStart + λ·atEnd ≥ 0, as [from, to] in
 * parameter. One routine serves homogeneous cutting against the frame and the eye plane: nothing is divided before it is cut.
 * @returns null when nothing is left.
 */
export function clipParameter(
  conditions: readonly (readonly [atStart: number, atEnd: number])[],
): readonly [number, number] | null {
  let from = 0;
  let to = 1;
  for (const [start, end] of conditions) {
    if (start < 0 && end < 0) return null;
    if (start >= 0 && end >= 0) continue;
    const crossing = start / (start - end);
    if (start < 0) from = Math.max(from, crossing);
    else to = Math.min(to, crossing);
    if (from > to) return null;
  }
  return [from, to];
}
