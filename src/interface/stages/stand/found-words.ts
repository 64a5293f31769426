import type { FoundStation } from '@/core/pipeline';

/** The words of one found place: what is seen of it, how far to the side, which kind of view. */
export const inShort = (one: FoundStation): string => {
  const least = Math.min(...one.shown.map((shown) => shown.share), 1);
  return `${Math.floor(least * 100 + 1e-6)} % seen · ${Math.round(one.offSightDeg)}° off · ${one.turnDeg === 0 ? 'one-point' : `turned ${Math.round(one.turnDeg)}°`}`;
};
