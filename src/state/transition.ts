import { FURNITURE, laidOf, pieceLayer, type LayerLaid, type LayersLaid } from '@/core/drawing';
import type { Order } from '@/core/construction';
import type { FrozenPlan } from '@/core/formats/frozen';
import { changedFault } from '@/core/formats/project';
import { applyChange, type Change, type Id, type Project } from '@/core/record';
import { record, redo, startHistory, undo, type History } from './history';

/** What lies on the desk: where one was, kept over a reload but never undone. */
export interface Desk {
  readonly viewId: Id;
  /** Steps of the construction done, per view. */
  readonly steps: Readonly<Record<Id, number>>;
  /** How the layers lie: as little history as the step one is at. */
  readonly layers?: LayersLaid;
  /** In which order one draws. */
  readonly order?: Order;
  /** Strokes that are drawn on the paper, by view and name: they are ticked off in either order. */
  readonly done?: Readonly<Record<Id, readonly string[]>>;
  /** Plans that were taken to the board, by view, the newest last: the ticks are on its strokes. */
  readonly frozen?: Readonly<Record<Id, readonly FrozenPlan[]>>;
}

/** So many frozen plans of a view are kept to be read. */
const MOST_FROZEN = 3;

/** All of an open project that is kept. */
export interface Work {
  readonly history: History<Project>;
  readonly desk: Desk;
}

/** An open project: what is kept, and what is in hand. */
export interface Open extends Work {
  /** While a handle is dragged, the project as it would be; the history gets one entry when it is let go. */
  readonly dragged: Project | null;
  /** What the drag does, for the history. */
  readonly dragChange: Change | null;
  /** Why the drag goes no farther, while it does not; said when the handle is let go. */
  readonly stopped: string | null;
}

/** What one does at the desk, as a plain value. */
export type Action =
  /** Changes the record; one entry in the history, or one with the run of nudges it belongs to. */
  | { readonly kind: 'change'; readonly label: string; readonly change: Change; readonly run?: string }
  /** The record as it would be with a change, while a handle is held. */
  | { readonly kind: 'drag'; readonly change: Change }
  | { readonly kind: 'drop'; readonly label: string }
  | { readonly kind: 'cancel-drag' }
  /** A state that was kept becomes the present; what was there since stays in the history. */
  | { readonly kind: 'go-back-to'; readonly label: string; readonly project: Project }
  | { readonly kind: 'undo' }
  | { readonly kind: 'redo' }
  | { readonly kind: 'choose-view'; readonly viewId: Id }
  | { readonly kind: 'go-to-step'; readonly step: number }
  | { readonly kind: 'lay-layer'; readonly layer: string; readonly laid: LayerLaid }
  | { readonly kind: 'choose-order'; readonly order: Order }
  /** The plan of the view at hand is taken to the board, with what of it is drawn. */
  | { readonly kind: 'freeze'; readonly plan: FrozenPlan; readonly drawn: readonly string[] }
  /** Strokes of the view at hand are drawn, or are not after all, or are all that is. */
  | { readonly kind: 'tick'; readonly strokes: readonly string[]; readonly drawn: boolean | 'just-these' };

/** What is to be done besides, by whoever holds the state: said to the person, or kept. */
export type Effect =
  /** What was asked for is not done. */
  | { readonly kind: 'refuse'; readonly message: string }
  /** It is done otherwise than one may think. */
  | { readonly kind: 'notice'; readonly message: string }
  | { readonly kind: 'save' };

export interface Transition {
  readonly state: Open;
  readonly effects: readonly Effect[];
}

export const newWork = (project: Project): Work => ({
  history: startHistory(project),
  desk: { viewId: project.views[0]?.id ?? '', steps: {} },
});

const NOTHING_IN_HAND = { dragged: null, dragChange: null, stopped: null } as const;

export const opened = (work: Work): Open => ({
  ...work,
  desk: soundDesk(work.history.present, work.desk),
  ...NOTHING_IN_HAND,
});

/** A desk that points at something gone points at the first view instead. */
export function soundDesk(project: Project, desk: Desk): Desk {
  return project.views.some((view) => view.id === desk.viewId) ? desk : { ...desk, viewId: project.views[0]?.id ?? '' };
}

/** A piece on a locked layer that a change would move or take out, by name; null where there is none. */
function lockedPiece(before: Project, after: Project, layers: LayersLaid | undefined): string | null {
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

const fastened = (name: string): string => `${name} is fastened. Loosen it under layers (L, at the board) to move it.`;

const stays = (state: Open): Transition => ({ state, effects: [] });
const refused = (state: Open, message: string): Transition => ({ state, effects: [{ kind: 'refuse', message }] });
const kept = (state: Open): Transition => ({ state, effects: [{ kind: 'save' }] });

function settled(state: Open, history: History<Project>): Transition {
  const next = { ...state, history, ...NOTHING_IN_HAND, desk: soundDesk(history.present, state.desk) };
  return history === state.history ? stays(next) : kept(next);
}

/** The next state of an open project. Pure: the same state, action and time always give the same; effects come back as values. */
export function transition(state: Open, action: Action, nowMs: number): Transition {
  const { history, desk } = state;
  switch (action.kind) {
    case 'change': {
      const { label, change, run } = action;
      const edit = applyChange(history.present, change);
      if (!edit.ok) return refused(state, edit.error.message);
      const fault = changedFault(history.present, edit.value);
      if (fault !== null) return refused(state, fault);
      const held = lockedPiece(history.present, edit.value, desk.layers);
      if (held !== null) return refused(state, fastened(held));
      const step = { label, state: edit.value, changes: [change], atMs: nowMs, ...(run === undefined ? {} : { run }) };
      return settled(state, record(history, step));
    }
    case 'drag': {
      // Where a drag would lead to nothing that can stand, things stay where they last could.
      const edit = applyChange(history.present, action.change);
      const held = edit.ok ? lockedPiece(history.present, edit.value, desk.layers) : null;
      const stopped = !edit.ok ? edit.error.message : held === null ? null : fastened(held);
      if (stopped !== null || !edit.ok) return stays(state.stopped === stopped ? state : { ...state, stopped });
      return stays({ ...state, dragged: edit.value, dragChange: action.change, stopped: null });
    }
    case 'drop': {
      const { dragged, dragChange, stopped } = state;
      const said: readonly Effect[] = stopped === null ? [] : [{ kind: 'notice', message: stopped }];
      if (!dragged || !dragChange) return { state: { ...state, ...NOTHING_IN_HAND }, effects: said };
      // Looked at once, where it is to be kept: at every move it would cost a part of the frame.
      const fault = changedFault(history.present, dragged);
      if (fault !== null) return refused({ ...state, ...NOTHING_IN_HAND }, fault);
      const step = { label: action.label, state: dragged, changes: [dragChange], atMs: nowMs };
      const dropped = settled(state, record(history, step));
      return { ...dropped, effects: [...dropped.effects, ...said] };
    }
    case 'cancel-drag':
      return stays({ ...state, ...NOTHING_IN_HAND });
    case 'go-back-to':
      return settled(state, record(history, { label: action.label, state: action.project, atMs: nowMs }));
    case 'undo':
      return state.dragged ? stays({ ...state, ...NOTHING_IN_HAND }) : settled(state, undo(history));
    case 'redo':
      return settled(state, redo(history));
    case 'choose-view':
      return kept({ ...state, desk: soundDesk(history.present, { ...desk, viewId: action.viewId }) });
    case 'go-to-step':
      return kept({
        ...state,
        desk: { ...desk, steps: { ...desk.steps, [desk.viewId]: Math.max(0, Math.floor(action.step)) } },
      });
    case 'choose-order':
      return kept({ ...state, desk: { ...desk, order: action.order } });
    case 'tick': {
      const before = action.drawn === 'just-these' ? [] : (desk.done?.[desk.viewId] ?? []);
      const strokes = new Set(action.strokes);
      const left = before.filter((one) => !strokes.has(one));
      const done = { ...desk.done, [desk.viewId]: action.drawn ? [...left, ...strokes] : left };
      return kept({ ...state, desk: { ...desk, done } });
    }
    case 'freeze': {
      const { viewId } = desk;
      const before = (desk.frozen?.[viewId] ?? []).filter(({ digest }) => digest !== action.plan.digest);
      const frozen = { ...desk.frozen, [viewId]: [...before.slice(1 - MOST_FROZEN), action.plan] };
      return kept({ ...state, desk: { ...desk, frozen, done: { ...desk.done, [viewId]: action.drawn } } });
    }
    case 'lay-layer':
      return kept({ ...state, desk: { ...desk, layers: { ...desk.layers, [action.layer]: action.laid } } });
  }
}
