'use client';
import { useCallback, useMemo } from 'react';
import { useStore } from 'zustand';
import type { Order, Pace, WholePlan } from '@/core/construction';
import { laidStrokes, type LaidStroke } from '@/core/drawing';
import { frozenPlan, sinceFrozen, type FrozenPlan, type SinceFrozen } from '@/core/formats/frozen';
import type { PlannedView } from '@/core/pipeline';
import type { View } from '@/core/record';
import { useSession, useWorkedOut, type Perspective } from '@/interface/session';

/** What lies on the board by now, of the plan as it is at hand. */
export interface AtTheBoard {
  /** Plans that were taken to the board, the newest last. */
  readonly frozen: readonly FrozenPlan[];
  readonly since: SinceFrozen;
  /** Names of strokes that are drawn or need not be. */
  readonly done: ReadonlySet<string>;
  /** Strokes of the plan at hand as they lie on the paper. */
  readonly strokes: () => readonly LaidStroke[];
  /** Takes the plan at hand to the board, if it is not there: with what of it is drawn. */
  readonly takeUp: () => void;
}

const known = new WeakMap<WholePlan, { readonly view: View; readonly strokes: readonly LaidStroke[] }>();

/** Strokes of a plan, laid out once. */
function strokesIn(planned: PlannedView, order: Order, view: View, { stand }: Perspective): readonly LaidStroke[] {
  const plan = planned.plans[order];
  const before = known.get(plan);
  if (before?.view === view) return before.strokes;
  const strokes = laidStrokes(view, stand.setUp, { plan, paper: planned.paper });
  known.set(plan, { view, strokes });
  return strokes;
}

const NO_PLANS: readonly FrozenPlan[] = [];
const NO_TICKS: readonly string[] = [];
const NOTHING: SinceFrozen = { change: null, still: null, drawn: new Set(), spare: new Set() };

/** Holds the plan at hand against the one that was taken to the board. */
export function useFrozen(planned: PlannedView | null, order: Order, pace: Pace): AtTheBoard {
  const { store, commands, settled, view } = useSession();
  const { perspective, scene } = useWorkedOut();
  const frozen = useStore(store, (state) => state.desk.frozen?.[view.id]) ?? NO_PLANS;
  const ticks = useStore(store, (state) => state.desk.done?.[view.id]) ?? NO_TICKS;
  const newest = frozen.at(-1) ?? null;
  const at = perspective.ok ? perspective.value : null;
  const strokes = useCallback(
    (): readonly LaidStroke[] => (planned && at ? strokesIn(planned, order, view, at) : []),
    [planned, at, order, view],
  );
  const since = useMemo((): SinceFrozen => {
    if (!planned || !at) return NOTHING;
    // Without a frozen plan there is nothing to compare with, and strokes need not be laid out.
    return sinceFrozen(newest, ticks, planned.plans[order], newest ? strokes() : [], pace);
  }, [planned, at, newest, ticks, order, strokes, pace]);
  const done = useMemo(() => new Set([...since.drawn, ...since.spare]), [since]);
  const takeUp = useCallback((): void => {
    if (!planned || !at || (newest && !since.change)) return;
    const made = frozenPlan({
      ...{ project: settled, view, scene, planned, order, at: new Date(), strokes: strokes() },
      ...{ setUp: at.stand.setUp, spare: [...since.spare] },
    });
    commands.freeze(made, [...since.drawn]);
  }, [planned, at, newest, since, settled, view, scene, order, strokes, commands]);
  return useMemo(() => ({ frozen, since, done, strokes, takeUp }), [frozen, since, done, strokes, takeUp]);
}
