import { ok } from '@/core/base';
import type { Vector2 } from '@/core/geometry';
import type { Degrees } from '@/core/units';
import { addOpening, insertCorner, moveOrigin, type InsertedCorner } from '../edits';
import { addSurface, changeOpening, changeSurface, moveOpening, removeOpening, removeSurface } from '../opening-edits';
import type { Opening, Space, Surface, Wall } from '../project';
import {
  addLevel,
  addSpace,
  changeSpace,
  changeWall,
  closeIntoLastWall,
  layFirstRoom,
  moveCorner,
  pushWall,
  removeCorner,
  removeSpace,
  shareClosingError,
  type PushedWall,
} from '../room-edits';
import type { Id, Size } from '../size';
import type { Handlers } from './handlers';

/** Changes of rooms, their walls and levels, and of what is in and on the walls. */
export interface RoomChanges {
  readonly 'lay-first-room': { readonly space: Space };
  readonly 'add-space': { readonly space: Space };
  readonly 'change-space': { readonly spaceId: Id; readonly fields: Partial<Omit<Space, 'id' | 'walls'>> };
  readonly 'remove-space': { readonly spaceId: Id };
  readonly 'move-space': { readonly spaceId: Id; readonly bearingDeg: Degrees; readonly mm: number };
  readonly 'add-level': { readonly id: Id; readonly name: string; readonly elevation: Size };
  readonly 'change-wall': { readonly wallId: Id; readonly fields: Partial<Pick<Wall, 'bearingDeg' | 'name'>> };
  readonly 'push-wall': PushedWall;
  readonly 'move-corner': { readonly spaceId: Id; readonly cornerId: Id; readonly to: Vector2 };
  readonly 'insert-corner': InsertedCorner;
  readonly 'remove-corner': { readonly spaceId: Id; readonly cornerId: Id };
  readonly 'share-closing-error': { readonly spaceId: Id };
  readonly 'close-into-last-wall': { readonly spaceId: Id };
  readonly 'add-opening': { readonly opening: Opening };
  readonly 'change-opening': { readonly openingId: Id; readonly fields: Partial<Omit<Opening, 'id'>> };
  readonly 'move-opening': { readonly openingId: Id; readonly along: number; readonly up: number };
  readonly 'remove-opening': { readonly openingId: Id };
  readonly 'add-surface': { readonly surface: Surface };
  readonly 'change-surface': { readonly surfaceId: Id; readonly fields: Partial<Omit<Surface, 'id'>> };
  readonly 'remove-surface': { readonly surfaceId: Id };
}

export const ROOM_CHANGES: Handlers<RoomChanges> = {
  'lay-first-room': (project, { space }) => layFirstRoom(project, space),
  'add-space': (project, { space }) => addSpace(project, space),
  'change-space': (project, { spaceId, fields }) => changeSpace(project, spaceId, fields),
  'remove-space': (project, { spaceId }) => removeSpace(project, spaceId),
  'move-space': (project, { spaceId, bearingDeg, mm }) => ok(moveOrigin(project, spaceId, bearingDeg, mm)),
  'add-level': (project, { id, name, elevation }) => addLevel(project, id, name, elevation),
  'change-wall': (project, { wallId, fields }) => changeWall(project, wallId, fields),
  'push-wall': (project, pushed, print) => pushWall(project, pushed, print),
  'move-corner': (project, { spaceId, cornerId, to }, print) => moveCorner(project, spaceId, cornerId, to, print),
  'insert-corner': (project, inserted) => insertCorner(project, inserted),
  'remove-corner': (project, { spaceId, cornerId }, print) => removeCorner(project, spaceId, cornerId, print),
  'share-closing-error': (project, { spaceId }, print) => shareClosingError(project, spaceId, print),
  'close-into-last-wall': (project, { spaceId }, print) => closeIntoLastWall(project, spaceId, print),
  'add-opening': (project, { opening }) => addOpening(project, opening),
  'change-opening': (project, { openingId, fields }) => changeOpening(project, openingId, fields),
  'move-opening': (project, { openingId, along, up }, print) => moveOpening(project, openingId, { along, up }, print),
  'remove-opening': (project, { openingId }) => ok(removeOpening(project, openingId)),
  'add-surface': (project, { surface }) => addSurface(project, surface),
  'change-surface': (project, { surfaceId, fields }) => changeSurface(project, surfaceId, fields),
  'remove-surface': (project, { surfaceId }) => ok(removeSurface(project, surfaceId)),
};
