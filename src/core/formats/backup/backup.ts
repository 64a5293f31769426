import { err, ok, type Result } from '@/core/base';
import { readProjectValue } from '@/core/formats/project';
import type { Project } from '@/core/record';

const BACKUP_KIND = 'bathyskop-backup';
const BACKUP_VERSION = 1;

/** A project with what is kept beside it. Its undo history is no part of a backup. */
export interface BackupEntry {
  readonly project: Project;
  /** How the desk lies: views, steps, ticks; read by who knows desks. */
  readonly desk: unknown;
  /** States kept by hand and the last of each day, eldest first; `keptAt` is an ISO date and time. */
  readonly states: readonly {
    readonly by: 'hand' | 'day';
    readonly name: string;
    readonly keptAt: string;
    readonly project: Project;
  }[];
}

export interface BackupError {
  readonly reason: 'not-a-backup' | 'newer-version';
  readonly message: string;
}

export interface BackupRead {
  readonly entries: readonly BackupEntry[];
  /** What could not be read, each by itself: it hides no other. */
  readonly faults: readonly { readonly name: string; readonly message: string }[];
}

/** All projects as one file, JSON; see docs/format.md. `madeAt` is an ISO date and time. */
export const writeBackup = (entries: readonly BackupEntry[], madeAt: string): string =>
  `${JSON.stringify({ kind: BACKUP_KIND, version: BACKUP_VERSION, madeAt, projects: entries })}\n`;

const fieldsOf = (value: unknown): Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null ? (value as Readonly<Record<string, unknown>>) : {};

/** Whether what a file says is a backup, readable or not. */
export const isBackup = (value: unknown): boolean => fieldsOf(value).kind === BACKUP_KIND;

function statesOf(value: unknown): BackupEntry['states'] {
  return (Array.isArray(value) ? value : []).flatMap((one: unknown) => {
    const { by, name, keptAt, project } = fieldsOf(one);
    const read = readProjectValue(project);
    if (!read.ok || (by !== 'hand' && by !== 'day') || typeof name !== 'string' || typeof keptAt !== 'string')
      return [];
    return [{ by, name, keptAt, project: read.value }];
  });
}

/** A backup from what a file says: what can be read of it, and what cannot. */
export function readBackup(value: unknown): Result<BackupRead, BackupError> {
  const { version, projects } = fieldsOf(value);
  if (!isBackup(value) || !Array.isArray(projects))
    return err({ reason: 'not-a-backup', message: 'The file is not a backup of Bathyskop projects.' });
  if (typeof version !== 'number' || version > BACKUP_VERSION)
    return err({
      reason: 'newer-version',
      message: 'The backup was made by a newer version. Update, then bring it in again.',
    });
  const entries: BackupEntry[] = [];
  const faults: { name: string; message: string }[] = [];
  projects.forEach((one: unknown, index) => {
    const { project, desk, states } = fieldsOf(one);
    const read = readProjectValue(project);
    if (read.ok) return void entries.push({ project: read.value, desk: desk ?? null, states: statesOf(states) });
    const { name } = fieldsOf(project);
    faults.push({
      name: typeof name === 'string' && name !== '' ? name.slice(0, 100) : `project ${index + 1}`,
      message: read.error.message,
    });
  });
  return ok({ entries, faults });
}
