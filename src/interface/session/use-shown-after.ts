'use client';
import { useEffect, useRef, useState } from 'react';

const atOnce = (show: () => void): void => show();

/**
 * Follows what it is given at once, or, where it may wait, once that has been on the screen: two frames later, and as `show` has it, as in a transition.
 */
export function useShownAfter<T>(now: T, waits: boolean, show: (set: () => void) => void = atOnce): T {
  const [shown, setShown] = useState(now);
  const latest = useRef(now);
  const frame = useRef(0);
  useEffect(() => {
    latest.current = now;
    if (!waits || frame.current !== 0) return;
    // Not begun anew with each change: a figure that is nudged without a pause would never be followed.
    frame.current = requestAnimationFrame(() => {
      frame.current = requestAnimationFrame(() => {
        frame.current = 0;
        show(() => setShown(latest.current));
      });
    });
  }, [now, waits, show]);
  useEffect(
    () => () => {
      cancelAnimationFrame(frame.current);
      frame.current = 0;
    },
    [],
  );
  return waits ? shown : now;
}
