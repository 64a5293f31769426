import { choosePiece, choosePieceWay, choosePlanWay, changeView } from '../edits';
import { ok } from '@/core/base';
import type { PlanWay } from '../plan-way';
import type { View } from '../project';
import type { Id } from '../size';
import { addView, copyView, moveView, removeView, renameView } from '../view-edits';
import type { Handlers } from './handlers';

/** Changes of views: where one stands, the paper, and what is drawn from it. */
export interface ViewChanges {
  readonly 'change-view': { readonly viewId: Id; readonly fields: Partial<Omit<View, 'id'>> };
  readonly 'add-view': { readonly view: View };
  readonly 'copy-view': { readonly viewId: Id; readonly id: Id; readonly name: string };
  readonly 'rename-view': { readonly viewId: Id; readonly name: string };
  /** Puts a view at another place of the list, from 0. */
  readonly 'move-view': { readonly viewId: Id; readonly to: number };
  readonly 'remove-view': { readonly viewId: Id };
  readonly 'choose-piece': { readonly viewId: Id; readonly pieceId: Id };
  readonly 'choose-plan-way': { readonly viewId: Id; readonly way: Partial<PlanWay> };
  /** A way of its own for a piece; null: as the view is drawn. */
  readonly 'choose-piece-way': { readonly viewId: Id; readonly pieceId: Id; readonly way: PlanWay | null };
}

export const VIEW_CHANGES: Handlers<ViewChanges> = {
  'change-view': (project, { viewId, fields }) => ok(changeView(project, viewId, fields)),
  'add-view': (project, { view }) => addView(project, view),
  'copy-view': (project, { viewId, id, name }) => copyView(project, viewId, id, name),
  'rename-view': (project, { viewId, name }) => renameView(project, viewId, name),
  'move-view': (project, { viewId, to }) => moveView(project, viewId, to),
  'remove-view': (project, { viewId }) => removeView(project, viewId),
  'choose-piece': (project, { viewId, pieceId }) => ok(choosePiece(project, viewId, pieceId)),
  'choose-plan-way': (project, { viewId, way }) => ok(choosePlanWay(project, viewId, way)),
  'choose-piece-way': (project, { viewId, pieceId, way }) => ok(choosePieceWay(project, viewId, pieceId, way)),
};
