import { createStore, type StoreApi } from 'zustand/vanilla';
import type { Order } from '@/core/construction';
import type { LayerLaid } from '@/core/drawing';
import type { FrozenPlan } from '@/core/formats/frozen';
import type { Change, Id, Project, View } from '@/core/record';
import { opened, transition, type Action, type Desk, type Effect, type Open, type Work } from './transition';

export interface WorkState extends Open {
  /** The last refusal or notice, for the interface to show. */
  readonly said: Exclude<Effect, { readonly kind: 'save' }> | null;
}

export interface Commands {
  /** Changes the record, view or plan; one entry in the history. */
  readonly change: (label: string, change: Change, run?: string) => void;
  /** The record as it would be, from where it stood when the handle was taken. */
  readonly drag: (change: Change) => void;
  readonly drop: (label: string) => void;
  readonly cancelDrag: () => void;
  /** A state that was kept becomes the present, in one step that can be undone. */
  readonly goBackTo: (project: Project, label: string) => void;
  readonly undo: () => void;
  readonly redo: () => void;
  readonly chooseView: (viewId: Id) => void;
  readonly goToStep: (step: number) => void;
  readonly layLayer: (layer: string, laid: LayerLaid) => void;
  readonly chooseOrder: (order: Order) => void;
  readonly tick: (strokes: readonly string[], drawn: boolean) => void;
  /** Just these strokes are drawn. */
  readonly setTicks: (strokes: readonly string[]) => void;
  /** The plan of the view at hand is taken to the board, with what of it is drawn. */
  readonly freeze: (plan: FrozenPlan, drawn: readonly string[]) => void;
  readonly forgetSaid: () => void;
  /** The record as it is kept, without the drag in hand. */
  readonly present: () => Project;
}

export type WorkStore = StoreApi<WorkState> & {
  readonly commands: Commands;
  /** Hears every call to keep the work. */
  readonly onSave: (heard: (work: Work) => void) => () => void;
};

/** The store of one open project: it holds the state, passes actions through the transition, and does what comes back. Time is passed in. */
export function createWork(initial: Work, now: () => number): WorkStore {
  const store = createStore<WorkState>(() => ({ ...opened(initial), said: null }));
  const { getState: get, setState: set } = store;
  const savers = new Set<(work: Work) => void>();
  const run = (effect: Effect): void => {
    switch (effect.kind) {
      case 'refuse':
      case 'notice':
        return set({ said: effect });
      case 'save': {
        const { history, desk } = get();
        for (const heard of savers) heard({ history, desk });
      }
    }
  };
  const dispatch = (action: Action): void => {
    const { state, effects } = transition(get(), action, now());
    if (state !== get()) set(state);
    effects.forEach(run);
  };
  const commands: Commands = {
    change: (label, change, run) => dispatch({ kind: 'change', label, change, ...(run === undefined ? {} : { run }) }),
    drag: (change) => dispatch({ kind: 'drag', change }),
    drop: (label) => dispatch({ kind: 'drop', label }),
    cancelDrag: () => dispatch({ kind: 'cancel-drag' }),
    goBackTo: (project, label) => dispatch({ kind: 'go-back-to', label, project }),
    undo: () => dispatch({ kind: 'undo' }),
    redo: () => dispatch({ kind: 'redo' }),
    chooseView: (viewId) => dispatch({ kind: 'choose-view', viewId }),
    goToStep: (step) => dispatch({ kind: 'go-to-step', step }),
    layLayer: (layer, laid) => dispatch({ kind: 'lay-layer', layer, laid }),
    chooseOrder: (order) => dispatch({ kind: 'choose-order', order }),
    tick: (strokes, drawn) => dispatch({ kind: 'tick', strokes, drawn }),
    setTicks: (strokes) => dispatch({ kind: 'tick', strokes, drawn: 'just-these' }),
    freeze: (plan, drawn) => dispatch({ kind: 'freeze', plan, drawn }),
    forgetSaid: () => set({ said: null }),
    present: () => get().history.present,
  };
  const onSave = (heard: (work: Work) => void): (() => void) => {
    savers.add(heard);
    return () => void savers.delete(heard);
  };
  return Object.assign(store, { commands, onSave });
}

/** The project as it is seen: the dragged one while dragging. */
export const projectOf = (state: WorkState): Project => state.dragged ?? state.history.present;

export const currentView = (project: Project, desk: Desk): View => {
  const view = project.views.find((one) => one.id === desk.viewId) ?? project.views[0];
  if (!view) throw new Error('A project has a view');
  return view;
};
