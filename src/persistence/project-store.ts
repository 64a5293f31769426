import { ORDERS } from '@/core/construction';
import type { LayerLaid, LayersLaid } from '@/core/drawing';
import { err, ok, type Result } from '@/core/base';
import { soundChanges } from '@/core/formats/changes';
import { readProjectValue } from '@/core/formats/project';
import type { Id } from '@/core/record';
import { soundDesk, startHistory, type Desk, type Work } from '@/state';
import type { KeyValue } from './key-value';

/** The one small value that says which snapshot holds: flipped last. */
interface Pointer {
  readonly current: number;
  readonly kept: readonly number[];
  readonly name: string;
  readonly savedAt: string;
}

export interface ProjectCard {
  readonly id: Id;
  readonly name: string;
  /** ISO date and time. */
  readonly savedAt: string;
}

export type LoadError = { readonly reason: 'missing' | 'damaged'; readonly message: string };
export interface Loaded {
  readonly work: Work;
  /** Said to the user when the newest snapshot could not be read and an earlier one was taken. */
  readonly notice: string | null;
}

const KEPT_SNAPSHOTS = 3;
const pointerKey = (id: Id): string => `project/${id}/pointer`;
/** The project whose pointer lies at an address of the database; null for another address. An id may hold anything, slashes too. */
const projectAt = (address: string): Id | null => /^project\/(.+)\/pointer$/s.exec(address)?.[1] ?? null;
const snapshotKey = (id: Id, number: number): string => `project/${id}/snapshot/${number}`;

function readPointer(value: unknown): Pointer | null {
  if (typeof value !== 'object' || value === null) return null;
  const { current, kept, name, savedAt } = value as Partial<Pointer>;
  if (typeof current !== 'number' || !Array.isArray(kept) || typeof name !== 'string' || typeof savedAt !== 'string')
    return null;
  return { current, kept: kept.filter((one): one is number => typeof one === 'number'), name, savedAt };
}

/** The entries of a kept history, each state brought up to date as a file is; null when one of them cannot be read. */
function entriesOf(entries: unknown): Work['history']['past'] | null {
  if (!Array.isArray(entries)) return null;
  const read = entries.map((one: Work['history']['past'][number]) => {
    const state = readProjectValue(one?.state);
    return state.ok ? { ...one, state: state.value, changes: soundChanges(one.changes) } : null;
  });
  return read.every((one) => one !== null) ? read : null;
}

const soundLayers = (layers: object): LayersLaid =>
  Object.fromEntries(
    Object.entries(layers as Record<string, Partial<LayerLaid> | null>).flatMap(([id, laid]) =>
      laid && ['on', 'dimmed', 'off'].includes(laid.show ?? '')
        ? [[id, { show: laid.show ?? 'on', locked: laid.locked === true }]]
        : [],
    ),
  );

/** Ticks of each view that are lists of names. */
const soundTicks = (done: object): NonNullable<Desk['done']> =>
  Object.fromEntries(
    Object.entries(done).map(([viewId, strokes]): [string, readonly string[]] => [
      viewId,
      Array.isArray(strokes) ? strokes.filter((one) => typeof one === 'string') : [],
    ]),
  );

/** A snapshot is trusted only after its project has been read as a file is; a history that cannot be read is dropped, the project not. */
function readSnapshot(value: unknown): Work | null {
  if (typeof value !== 'object' || value === null || !('history' in value)) return null;
  const { history, desk } = value as { history?: Partial<Work['history']>; desk?: Partial<Desk> };
  const project = readProjectValue(history?.present);
  if (!project.ok) return null;
  const past = entriesOf(history?.past);
  const future = entriesOf(history?.future);
  const steps = typeof desk?.steps === 'object' && desk.steps !== null ? desk.steps : {};
  return {
    history: past && future ? { past, present: project.value, future } : startHistory(project.value),
    desk: soundDesk(project.value, {
      viewId: typeof desk?.viewId === 'string' ? desk.viewId : '',
      steps,
      ...(typeof desk?.layers === 'object' && desk.layers !== null ? { layers: soundLayers(desk.layers) } : {}),
      ...ORDERS.filter((one) => one === desk?.order).reduce((_, order) => ({ order }), {}),
      ...(typeof desk?.done === 'object' && desk.done !== null ? { done: soundTicks(desk.done) } : {}),
    }),
  };
}

/**
 * Projects in the browser. A save writes a new snapshot under a new key, then flips one pointer: whatever stops it in between, the
 * pointer leads to a whole snapshot. The last three are kept.
 */
export class ProjectStore {
  constructor(
    private readonly database: KeyValue,
    private readonly now: () => Date,
  ) {}

  async list(): Promise<readonly ProjectCard[]> {
    const ids = (await this.database.keys()).map(projectAt).filter((id) => id !== null);
    const cards = await Promise.all(
      ids.map(async (id): Promise<ProjectCard | null> => {
        const pointer = readPointer(await this.database.get(pointerKey(id)));
        return (
          pointer && {
            id,
            name: pointer.name,
            savedAt: pointer.savedAt,
          }
        );
      }),
    );
    return cards.filter((card) => card !== null).sort((a, b) => b.savedAt.localeCompare(a.savedAt));
  }

  /** Resolves only after the pointer is flipped. Rejects when the database refuses; the last save then still stands. */
  async save(id: Id, work: Work): Promise<void> {
    const before = readPointer(await this.database.get(pointerKey(id)));
    const current = Math.max(0, ...(before?.kept ?? [])) + 1;
    await this.database.set(snapshotKey(id, current), work);
    const kept = [...(before?.kept ?? []), current];
    const pointer: Pointer = {
      current,
      kept: kept.slice(-KEPT_SNAPSHOTS),
      name: work.history.present.name,
      savedAt: this.now().toISOString(),
    };
    await this.database.set(pointerKey(id), pointer);
    for (const old of kept.slice(0, -KEPT_SNAPSHOTS)) await this.database.remove(snapshotKey(id, old));
  }

  async load(id: Id): Promise<Result<Loaded, LoadError>> {
    const pointer = readPointer(await this.database.get(pointerKey(id)));
    if (!pointer)
      return err({
        reason: 'missing',
        message: 'There is no such project in this browser. It may have been removed, or kept in another browser.',
      });
    for (const number of [...pointer.kept].reverse()) {
      const work = readSnapshot(await this.database.get(snapshotKey(id, number)));
      if (work)
        return ok({
          work,
          notice: number === pointer.current ? null : 'The last save could not be read; the one before it was opened.',
        });
    }
    return err({
      reason: 'damaged',
      message:
        'None of the three kept saves of this project can be read. They were left where they are. Import an exported copy.',
    });
  }

  async remove(id: Id): Promise<void> {
    const pointer = readPointer(await this.database.get(pointerKey(id)));
    await this.database.remove(pointerKey(id));
    for (const number of pointer?.kept ?? []) await this.database.remove(snapshotKey(id, number));
  }
}
