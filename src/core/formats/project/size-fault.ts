import { BOUNDS, boundsWords, isWithin, mmOf, type Bounds, type NamedSize, type SizeBounds } from '@/core/record';
import type { UnitSystem } from '@/core/units';

/** What a size may be by what it measures; zero too where there may be none of it. */
const BY_KIND: Readonly<Record<SizeBounds, Bounds>> = {
  positive: BOUNDS.extent,
  'zero-too': BOUNDS.some,
  signed: BOUNDS.claim,
};

/** What is wrong with a size in force, told of it; null where it can be. */
export function sizeFault({ size, what, owner, bounds }: NamedSize, units: UnitSystem = 'metric'): string | null {
  const mm = mmOf(size);
  if (bounds === 'zero-too' && mm === 0) return null;
  if (isWithin(mm, BY_KIND[bounds])) return null;
  // What is nought or less is no fine point of bounds.
  if (mm <= 0 && bounds !== 'signed') return `The ${what} of ${owner} must be more than nought.`;
  return `The ${what} of ${owner} ${boundsWords(BY_KIND[bounds], units)}.`;
}
