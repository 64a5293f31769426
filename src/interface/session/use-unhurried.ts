'use client';
import { startTransition, useEffect, useState } from 'react';
import { Paced } from '@/interface/pace';
import type { WorkState, WorkStore } from '@/state';

/** The state for words: every change at once, but at most eight a second, and between the frames, while a handle is dragged. */
export function useUnhurried(store: WorkStore): WorkState {
  const [shown, setShown] = useState(() => store.getState());
  useEffect(() => {
    const words = new Paced<WorkState>((state) => startTransition(() => setShown(state)));
    const heard = (state: WorkState): void => {
      if (state.dragged) return words.put(state);
      words.drop();
      setShown(state);
    };
    heard(store.getState());
    const unsubscribe = store.subscribe(heard);
    return () => {
      words.drop();
      unsubscribe();
    };
  }, [store]);
  return shown;
}
