'use client';
import { createContext, use, useState } from 'react';

/** Whether the words a field stands in are still those from before the last edit: they follow it a moment later. */
export const WordsBehind = createContext<() => boolean>(() => false);

/**
 * A value that is seen at once where it was changed, whatever follows it later: what it was changed to holds until the words about it have caught up,
 * with that or with what became of it. `goAhead` is called after the change itself, or a refusal would hold too.
 */
export function useAhead<T>(said: T): readonly [now: T, goAhead: (to: T) => void] {
  const behind = use(WordsBehind)();
  const [ahead, setAhead] = useState<{ readonly to: T } | null>(null);
  if (ahead && !behind) setAhead(null);
  return [ahead && behind ? ahead.to : said, (to) => setAhead({ to })];
}
