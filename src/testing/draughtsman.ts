import { seededRandom } from '@/core/base';
import { actsOf, draft, type Drafted, type HandPrecision, type Operation } from '@/core/construction';

/** A draughtsman who misses by chance, as much as his hand does: one whole drawing for each number of the seed. Null where it could not be drawn. */
export function drawnByHand(operations: readonly Operation[], hand: HandPrecision, seed: number): Drafted | null {
  const random = seededRandom(seed);
  /** Two uniform numbers make a normal one. */
  const normal = (): number => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
  const misses = operations.map((one, i) => actsOf(one, i, hand).map(({ sigma }) => sigma * normal()));
  const drawn = draft(operations, { misses: (operation, act) => misses[operation]?.[act] ?? 0 });
  return drawn.ok ? drawn.value : null;
}

/** The radius about a point within which so many of some marks fall, in the share of 1. */
export function radiusOf(distances: readonly number[], share: number): number {
  const sorted = [...distances].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))] ?? NaN;
}
