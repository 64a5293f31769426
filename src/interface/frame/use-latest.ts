import { useCallback, useEffect, useRef } from 'react';

/** A function that stays the same and gives what was rendered last. */
export function useLatest<T>(value: T): () => T {
  const latest = useRef(value);
  useEffect(() => {
    latest.current = value;
  });
  return useCallback(() => latest.current, []);
}
