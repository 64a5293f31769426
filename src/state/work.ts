import { FURNITURE, laidOf, pieceLayer, type LayerLaid, type LayersLaid } from '@/core/drawing';
import { createStore, type StoreApi } from 'zustand/vanilla';
import { type Edit, type Id, type Project, type View } from '@/core/record';
import { record, redo, startHistory, undo, type History } from './history';

/** What lies on the desk: where one was, kept over a reload but never undone. */
export interface Desk {
  readonly viewId: Id;
  /** Steps of the construction done, per view. */
  readonly steps: Readonly<Record<Id, number>>;
  /** How the layers lie: as little history as the step one is at. */
  readonly layers?: LayersLaid;
}

/** All of an open project that is kept. */
export interface Work {
  readonly history: History<Project>;
  readonly desk: Desk;
}

export interface WorkState extends Work {
  /** While a handle is dragged, the project as it would be; the history gets one entry when it is let go. */
  readonly dragged: Project | null;
  /** The last refusal, for the interface to show. */
  readonly refusal: string | null;
}

export interface Commands {
  /** Changes the record, view or plan; one entry in the history. */
  readonly change: (label: string, edit: (project: Project) => Project | Edit, run?: string) => void;
  readonly drag: (edit: (project: Project) => Project) => void;
  readonly drop: (label: string) => void;
  readonly cancelDrag: () => void;
  readonly undo: () => void;
  readonly redo: () => void;
  readonly chooseView: (viewId: Id) => void;
  readonly goToStep: (step: number) => void;
  readonly layLayer: (layer: string, laid: LayerLaid) => void;
  readonly forgetRefusal: () => void;
}

export type WorkStore = StoreApi<WorkState> & { readonly commands: Commands };

const isEdit = (value: Project | Edit): value is Edit => 'ok' in value;

export const newWork = (project: Project): Work => ({
  history: startHistory(project),
  desk: { viewId: project.views[0]?.id ?? '', steps: {} },
});

/** A desk that points at something gone points at the first view instead. */
export function soundDesk(project: Project, desk: Desk): Desk {
  return project.views.some((view) => view.id === desk.viewId) ? desk : { ...desk, viewId: project.views[0]?.id ?? '' };
}

/** A piece on a fastened layer that an edit would move or take out, by name; null where there is none. */
function fastened(before: Project, after: Project, layers: LayersLaid | undefined): string | null {
  if (!layers || before.pieces === after.pieces) return null;
  for (const piece of before.pieces) {
    if (!laidOf(layers, { id: pieceLayer(piece.id), group: FURNITURE }).locked) continue;
    const now = after.pieces.find((one) => one.id === piece.id);
    if (now === piece) continue;
    if (!now || now.levelId !== piece.levelId || JSON.stringify(now.place) !== JSON.stringify(piece.place))
      return piece.name;
  }
  return null;
}

/** The store of one open project. Time is passed in. */
export function createWork(initial: Work, now: () => number): WorkStore {
  const store = createStore<WorkState>(() => ({
    ...initial,
    desk: soundDesk(initial.history.present, initial.desk),
    dragged: null,
    refusal: null,
  }));
  const { getState: get, setState: set } = store;
  const settle = (history: History<Project>): void =>
    set({ history, dragged: null, desk: soundDesk(history.present, get().desk) });
  const commands: Commands = {
    change: (label, edit, run) => {
      const { history, desk } = get();
      const result = edit(history.present);
      if (isEdit(result) && !result.ok) return set({ refusal: result.error.message });
      const state = isEdit(result) ? (result as { value: Project }).value : result;
      const held = fastened(history.present, state, desk.layers);
      if (held !== null) return set({ refusal: `${held} is fastened. Loosen it under layers (L) to move it.` });
      settle(record(history, { label, state, atMs: now(), ...(run === undefined ? {} : { run }) }));
    },
    drag: (edit) => {
      const { history, desk } = get();
      const dragged = edit(history.present);
      if (fastened(history.present, dragged, desk.layers) === null) set({ dragged });
    },
    drop: (label) => {
      const { dragged, history } = get();
      if (dragged) settle(record(history, { label, state: dragged, atMs: now() }));
    },
    cancelDrag: () => set({ dragged: null }),
    undo: () => (get().dragged ? set({ dragged: null }) : settle(undo(get().history))),
    redo: () => settle(redo(get().history)),
    chooseView: (viewId) => set({ desk: soundDesk(get().history.present, { ...get().desk, viewId }) }),
    goToStep: (step) => {
      const { desk } = get();
      set({ desk: { ...desk, steps: { ...desk.steps, [desk.viewId]: Math.max(0, Math.floor(step)) } } });
    },
    layLayer: (layer, laid) => {
      const { desk } = get();
      set({ desk: { ...desk, layers: { ...desk.layers, [layer]: laid } } });
    },
    forgetRefusal: () => set({ refusal: null }),
  };
  return Object.assign(store, { commands });
}

/** The project as it is seen: the dragged one while dragging. */
export const projectOf = (state: WorkState): Project => state.dragged ?? state.history.present;

export const currentView = (project: Project, desk: Desk): View => {
  const view = project.views.find((one) => one.id === desk.viewId) ?? project.views[0];
  if (!view) throw new Error('A project has a view');
  return view;
};
