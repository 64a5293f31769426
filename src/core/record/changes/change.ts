import { formatBareLength } from '@/core/units';
import type { Edit } from '../edits';
import { lengthStyleOf } from '../lookup';
import type { Project } from '../project';
import { followRooms } from '../stand-by-rule';
import { withoutGone } from '../without-gone';
import { eachOf, PIECE_CHANGES, type PieceChanges } from './piece-changes';
import { PROJECT_CHANGES, type ProjectChanges } from './project-changes';
import { ROOM_CHANGES, type RoomChanges } from './room-changes';
import { SIZE_CHANGES, type SizeChanges } from './size-changes';
import { VIEW_CHANGES, type ViewChanges } from './view-changes';
import type { Handlers } from './handlers';

/** Several changes that are one to the person: all of them, or none. */
interface Several {
  readonly several: { readonly changes: readonly Change[] };
}

/** Every kind of change with its fields. */
export type ChangeKinds = ProjectChanges & SizeChanges & PieceChanges & RoomChanges & ViewChanges & Several;
export type ChangeKind = keyof ChangeKinds;

/** A change of the record as a plain value: it can be kept, sent to a worker, written to a file, and applied again. */
export type Change = { [K in ChangeKind]: { readonly kind: K } & ChangeKinds[K] }[ChangeKind];

const HANDLERS: Handlers<ChangeKinds> = {
  ...PROJECT_CHANGES,
  ...SIZE_CHANGES,
  ...PIECE_CHANGES,
  ...ROOM_CHANGES,
  ...VIEW_CHANGES,
  several: (project, { changes }) => eachOf(project, changes, applyChange),
};

export const CHANGE_KINDS = Object.keys(HANDLERS) as readonly ChangeKind[];

/** The project after a change; refused with a reason, and then nothing of it is done. Lengths it estimates are written as the project writes its own. */
export function applyChange(project: Project, change: Change): Edit {
  const style = lengthStyleOf(project);
  const print = (mm: number): string => formatBareLength(mm, style);
  const handler = HANDLERS[change.kind] as (project: Project, fields: Change, print: (mm: number) => string) => Edit;
  const edited = handler(project, change, print);
  return edited.ok ? { ok: true, value: followRooms(project, withoutGone(project, edited.value)) } : edited;
}

/** Several changes as one; a single one stays what it is. */
export const several = (changes: readonly Change[]): Change => {
  const [only, ...rest] = changes;
  return only && rest.length === 0 ? only : { kind: 'several', changes };
};
