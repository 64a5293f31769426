'use client';
import { startTransition, useEffect, useState } from 'react';
import type { WorkState, WorkStore } from '@/state';

/** Words are written anew this often while something is dragged, ms: eight times a second; the paper comes first. */
const UNHURRIED_MS = 125;

/** The state for words: every change at once, but at most eight a second, and between the frames, while a handle is dragged. */
export function useUnhurried(store: WorkStore): WorkState {
  const [shown, setShown] = useState(() => store.getState());
  useEffect(() => {
    let waiting: ReturnType<typeof setTimeout> | null = null;
    const stop = (): void => {
      if (waiting !== null) clearTimeout(waiting);
      waiting = null;
    };
    const heard = (state: WorkState): void => {
      if (!state.dragged) {
        stop();
        setShown(state);
        return;
      }
      waiting ??= setTimeout(() => {
        waiting = null;
        startTransition(() => setShown(store.getState()));
      }, UNHURRIED_MS);
    };
    heard(store.getState());
    const unsubscribe = store.subscribe(heard);
    return () => {
      stop();
      unsubscribe();
    };
  }, [store]);
  return shown;
}
