import { useCallback } from 'react';
import { useStore } from 'zustand';
import { createStore, type StoreApi } from 'zustand/vanilla';

/** Something at the desk that outlasts a change of stage, with what it is before anybody touched it: what is pointed at, the tape, the open sheet. */
export interface KeptState<T> {
  readonly before: T;
}
export const keptState = <T>(before: T): KeptState<T> => ({ before });

export type KeptStates = StoreApi<ReadonlyMap<KeptState<unknown>, unknown>>;
export const createKeptStates = (): KeptStates => createStore(() => new Map());

export const valueOf = <T>(states: ReadonlyMap<KeptState<unknown>, unknown>, which: KeptState<T>): T =>
  // Only `set` below writes, with the value of the same state.
  states.has(which) ? (states.get(which) as T) : which.before;

/** Sets a state of the desk. The map is put in place of the one before: the same value leaves it as it is, and nobody hears of it. */
export function setKept<T>(kept: KeptStates, which: KeptState<T>, next: T | ((now: T) => T)): void {
  kept.setState((states) => {
    const now = valueOf(states, which);
    const to = typeof next === 'function' ? (next as (now: T) => T)(now) : next;
    return to === now ? states : new Map(states).set(which, to);
  }, true);
}

/** A state of the desk, and how it is changed. */
export function useKept<T>(kept: KeptStates, which: KeptState<T>): readonly [T, (next: T | ((now: T) => T)) => void] {
  const value = useStore(kept, (states) => valueOf(states, which));
  const set = useCallback((next: T | ((now: T) => T)): void => setKept(kept, which, next), [kept, which]);
  return [value, set];
}
