'use client';
import { useMemo, useSyncExternalStore } from 'react';
import type { WorkState, WorkStore } from '@/state';

/** Words are drawn anew this often while something is dragged, ms: the paper comes first. */
const UNHURRIED_MS = 120;

/** The state for words: every change at once, but at most eight a second, and after the paper, while a handle is dragged. */
export function useUnhurried(store: WorkStore): WorkState {
  const { subscribe, read } = useMemo(() => unhurried(store), [store]);
  return useSyncExternalStore(subscribe, read, read);
}

function unhurried(store: WorkStore) {
  let shown = store.getState();
  return {
    read: () => shown,
    subscribe: (changed: () => void) => {
      let waiting: ReturnType<typeof setTimeout> | null = null;
      const show = (): void => {
        waiting = null;
        shown = store.getState();
        changed();
      };
      const heard = (state: WorkState): void => {
        if (state.dragged) {
          waiting ??= setTimeout(show, UNHURRIED_MS);
          return;
        }
        if (waiting !== null) clearTimeout(waiting);
        show();
      };
      if (shown !== store.getState()) show();
      const unsubscribe = store.subscribe(heard);
      return () => {
        if (waiting !== null) clearTimeout(waiting);
        unsubscribe();
      };
    },
  };
}
