import { array, mixed, number, object, string, ValidationError, type Schema } from 'yup';
import { err, ok, type Result } from '@/core/base';
import {
  applyChange,
  CHANGE_KINDS,
  PIECE_CORNERS,
  SOURCES,
  type Change,
  type ChangeKind,
  type ChangeKinds,
  type Project,
} from '@/core/record';
import { readProjectValue } from '../project';

export interface ChangesError {
  readonly reason: 'not-json' | 'not-changes' | 'shape' | 'refused';
  /** Which change, from 1; null for the whole file. */
  readonly change: number | null;
  readonly message: string;
}

const text = string().strict().defined();
const id = text.min(1);
const figure = number().strict().required().test('finite', '${path} must be a number', Number.isFinite);
const whole = figure.integer();
const ids = array(id).strict().required();
const vector = object({ x: figure, y: figure }).noUnknown().strict().required();
/** Records of pieces, openings, views and the like: what they make of the project is read as a project file is. */
const value = mixed()
  .required()
  .test('an-object', '${path} must be an object', (one) => typeof one === 'object' && one !== null);
const values = array(value).strict().required();

/** The fields of each kind, as a file has them. */
const FIELDS: { readonly [K in ChangeKind]: Readonly<Record<keyof ChangeKinds[K], Schema>> } = {
  'rename-project': { name: text },
  'change-units': { units: text.oneOf(['metric', 'imperial']) },
  'rename-thing': { id, name: text },
  'remove-things': { ids },
  'lay-aside': { ring: value, reason: text },
  'ring-again': { id },
  'correct-size': { sizeId: id, mm: figure, asTyped: text },
  'claim-size': { sizeId: id, claim: value },
  'put-in-force': { sizeId: id, claimId: id },
  'withdraw-claim': { sizeId: id, claimId: id },
  'source-size': { sizeId: id, source: text.oneOf(SOURCES), uncertaintyMm: number().strict() },
  'settle-size': { sizeId: id, mm: figure },
  'move-size': { sizeId: id, mm: figure },
  'add-piece': { piece: value },
  'change-piece': { pieceId: id, fields: value },
  'turn-piece': { pieceId: id, turnDeg: figure },
  'turn-piece-about-middle': { pieceId: id, turnDeg: figure },
  'move-pieces': { pieceIds: ids, by: vector },
  'settle-piece': { pieceId: id, by: vector },
  'remove-piece': { pieceId: id },
  'duplicate-piece': { pieceId: id },
  'repeat-piece': { pieceId: id, count: whole, spacing: figure, along: text.oneOf(['width', 'depth']) },
  'mirror-piece': { pieceId: id },
  'align-pieces': { pieceIds: ids, wallId: id, what: text.oneOf(['near', 'middle', 'far']) },
  'paste-pieces': { pieces: values },
  'set-count': { pieceId: id, name: text, count: whole },
  'set-choice': { pieceId: id, name: text, choice: text },
  'set-division': { pieceId: id, name: text, division: value },
  'set-division-of': { pieceId: id, name: text, part: whole, division: value.nullable() },
  'set-outlines': { pieceId: id, outlines: values },
  'place-by-corner': { pieceId: id, pieceCorner: text.oneOf(PIECE_CORNERS) },
  'add-check': { pieceId: id, wallId: id },
  'remove-check': { pieceId: id, checkId: id },
  'measure-check': { pieceId: id, checkId: id, mm: figure, asTyped: text },
  'lay-first-room': { space: value },
  'add-space': { space: value },
  'change-space': { spaceId: id, fields: value },
  'remove-space': { spaceId: id },
  'move-space': { spaceId: id, bearingDeg: figure, mm: figure },
  'add-level': { id, name: text, elevation: value },
  'change-wall': { wallId: id, fields: value },
  'push-wall': { wallId: id, from: figure, to: figure, by: figure },
  'move-corner': { spaceId: id, cornerId: id, to: vector },
  'insert-corner': { wallId: id, at: figure, cornerId: id, newWallId: id },
  'remove-corner': { spaceId: id, cornerId: id },
  'share-closing-error': { spaceId: id },
  'close-into-last-wall': { spaceId: id },
  'add-opening': { opening: value },
  'change-opening': { openingId: id, fields: value },
  'move-opening': { openingId: id, along: figure, up: figure },
  'remove-opening': { openingId: id },
  'add-surface': { surface: value },
  'change-surface': { surfaceId: id, fields: value },
  'remove-surface': { surfaceId: id },
  'change-view': { viewId: id, fields: value },
  'add-view': { view: value },
  'copy-view': { viewId: id, id, name: text },
  'rename-view': { viewId: id, name: text },
  'move-view': { viewId: id, to: whole },
  'remove-view': { viewId: id },
  'choose-piece': { viewId: id, pieceId: id },
  'choose-plan-way': { viewId: id, way: value },
  'choose-piece-way': { viewId: id, pieceId: id, way: value.nullable() },
  several: { changes: values },
};

const isKind = (kind: unknown): kind is ChangeKind => CHANGE_KINDS.some((one) => one === kind);

/** Why a value is no change, or null. Several are read one by one. */
function fault(one: unknown): string | null {
  const kind = typeof one === 'object' && one !== null && 'kind' in one ? one.kind : undefined;
  if (!isKind(kind)) return `there is no change of kind “${String(kind)}”`;
  try {
    object({ kind: string().required(), ...FIELDS[kind] })
      .noUnknown()
      .strict()
      .validateSync(one, { abortEarly: true });
  } catch (error) {
    if (error instanceof ValidationError) return error.errors[0] ?? 'it is not as it should be';
    throw error;
  }
  if (kind !== 'several') return null;
  const parts = (one as { readonly changes: readonly unknown[] }).changes.map(fault);
  return parts.find((part) => part !== null) ?? null;
}

/** Changes from the text of a file: `{ "kind": "bathyskop-changes", "version": 1, "changes": [ … ] }`. */
export function readChanges(file: string): Result<readonly Change[], ChangesError> {
  let read: unknown;
  try {
    read = JSON.parse(file);
  } catch {
    return err({ reason: 'not-json', change: null, message: 'The file of changes is not JSON, or it was cut short.' });
  }
  const head = read as { readonly kind?: unknown; readonly version?: unknown; readonly changes?: unknown } | null;
  if (
    typeof head !== 'object' ||
    head?.kind !== 'bathyskop-changes' ||
    head.version !== 1 ||
    !Array.isArray(head.changes)
  )
    return err({
      reason: 'not-changes',
      change: null,
      message: 'The file holds no changes: it must be { "kind": "bathyskop-changes", "version": 1, "changes": [ … ] }.',
    });
  for (const [i, one] of head.changes.entries()) {
    const why = fault(one);
    if (why !== null) return err({ reason: 'shape', change: i + 1, message: `Change ${i + 1}: ${why}.` });
  }
  return ok(head.changes as readonly Change[]);
}

/** Changes as they were kept beside a project: those, if each of them can be read, else none. The project does not hang on them. */
export const soundChanges = (kept: unknown): readonly Change[] =>
  Array.isArray(kept) && kept.every((one) => fault(one) === null) ? (kept as readonly Change[]) : [];

/**
 * The project after all the changes, in order: all of them or none. What they make of it is read as a project file is, so that no change
 * brings in what a file could not.
 */
export function applyChanges(project: Project, changes: readonly Change[]): Result<Project, ChangesError> {
  let now = project;
  for (const [i, change] of changes.entries()) {
    const refused = (message: string): Result<never, ChangesError> =>
      err({ reason: 'refused', change: i + 1, message: `Change ${i + 1} (${change.kind}): ${message}` });
    try {
      const edit = applyChange(now, change);
      if (!edit.ok) return refused(edit.error.message);
      const read = readProjectValue(JSON.parse(JSON.stringify(edit.value)) as unknown);
      if (!read.ok) return refused(read.error.message);
      now = read.value;
    } catch (error) {
      return refused(`it cannot be done: ${error instanceof Error ? error.message : 'unknown reason'}`);
    }
  }
  return ok(now);
}
