import type { AxisFrame } from './frame';
import type { PairAtHand } from './frame-points';

export const NO_AIDS: PairAtHand['aids'] = new Map();

/** The points of each frame as the set-out has them; those it does not have are told apart by the next number that is free. */
export function pairsOf(
  list: readonly AxisFrame[],
  pairOf: (frame: AxisFrame) => PairAtHand | null,
): ReadonlyMap<AxisFrame, PairAtHand> {
  const taken = new Set(list.flatMap((frame) => pairOf(frame)?.suffix ?? []));
  const given = new Set<string>();
  let number = 2;
  return new Map(
    list.map((frame) => {
      const own = pairOf(frame);
      if (own && !given.has(own.suffix)) {
        given.add(own.suffix);
        return [frame, own];
      }
      while (taken.has(String(number))) number += 1;
      taken.add(String(number));
      return [frame, { suffix: String(number), aids: own?.aids ?? NO_AIDS }];
    }),
  );
}
