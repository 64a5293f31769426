'use client';
import { useSyncExternalStore } from 'react';

/** The browser's device pixels for each CSS pixel, followed as zoom or the screen changes. */
export const usePixelRatio = (): number =>
  useSyncExternalStore(
    (changed) => {
      window.addEventListener('resize', changed);
      return () => window.removeEventListener('resize', changed);
    },
    () => window.devicePixelRatio,
    () => 1,
  );
