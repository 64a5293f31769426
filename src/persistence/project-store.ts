import { ORDERS } from '@/core/construction';
import type { LayerLaid, LayersLaid } from '@/core/drawing';
import { err, ok, type Result } from '@/core/base';
import { soundChanges } from '@/core/formats/changes';
import { readProjectValue } from '@/core/formats/project';
import { PROJECT_VERSION, type Id, type Project } from '@/core/record';
import { soundDesk, startHistory, type Desk, type Work } from '@/state';
import type { KeyValue, Writes } from './key-value';

/** The one small value that says which snapshot holds: flipped last. */
interface Pointer {
  readonly current: number;
  readonly kept: readonly number[];
  readonly name: string;
  readonly savedAt: string;
  /** Counts up whenever a tab takes the right to write: whose number is less has lost it, and flips nothing any more. */
  readonly writer: number;
}

/** Why a save was not made: nothing of it is kept, and what was there stands. */
export class SaveRefused extends Error {
  constructor(readonly reason: 'superseded' | 'removed' | 'exists' | 'newer') {
    super(reason);
  }
}

export interface ProjectCard {
  readonly id: Id;
  readonly name: string;
  /** ISO date and time; null where what says so cannot be read. */
  readonly savedAt: string | null;
  /** Number of the save that holds. */
  readonly current: number;
}

export type LoadError = { readonly reason: 'missing' | 'damaged' | 'newer'; readonly message: string };
export interface Loaded {
  readonly work: Work;
  /** Said to the user when the newest snapshot could not be read and an earlier one was taken. */
  readonly notice: string | null;
}

const NEWER =
  'This project was saved by a newer build of the application than the one in use here. It was left as it is: close all tabs of this page and open it again, or reload, so that the newer build is used.';

const KEPT_SNAPSHOTS = 3;
const NOTHING: Writes = { put: [], remove: [] };
const pointerKey = (id: Id): string => `project/${id}/pointer`;
/** The project whose pointer lies at an address of the database; null for another address. An id may hold anything, slashes too. */
const projectAt = (address: string): Id | null => /^project\/(.+)\/pointer$/s.exec(address)?.[1] ?? null;
const pictureKey = (id: Id): string => `project/${id}/picture`;
const snapshotKey = (id: Id, number: number): string => `project/${id}/snapshot/${number}`;

/** The number of a project's snapshot that lies at an address of the database; null for another address, another project's too. */
function snapshotAt(id: Id, address: string): number | null {
  const found = /^project\/(.+)\/snapshot\/(\d+)$/s.exec(address);
  return found?.[1] === id ? Number(found[2]) : null;
}

function readPointer(value: unknown): Pointer | null {
  if (typeof value !== 'object' || value === null) return null;
  const { current, kept, name, savedAt, writer } = value as Partial<Pointer>;
  if (typeof current !== 'number' || !Array.isArray(kept) || typeof name !== 'string' || typeof savedAt !== 'string')
    return null;
  return {
    ...{ current, name, savedAt },
    kept: kept.filter((one): one is number => typeof one === 'number'),
    writer: typeof writer === 'number' ? writer : 0,
  };
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
 * Projects in the browser. A save writes a new snapshot under a new key and flips one pointer, in one transaction: whatever stops it, the pointer
 * leads to a whole snapshot. The last three are kept. A writer has a number, taken by `claim`; the pointer is flipped only by the newest.
 */
export class ProjectStore {
  constructor(
    private readonly database: KeyValue,
    private readonly now: () => Date,
  ) {}

  /** All projects, each by itself: one of which nothing can be read is listed too, by its id. */
  async list(): Promise<readonly ProjectCard[]> {
    const ids = (await this.database.keys()).map(projectAt).filter((id) => id !== null);
    const cards = await Promise.all(
      ids.map(async (id): Promise<ProjectCard> => {
        const pointer = readPointer(await this.database.get(pointerKey(id)).catch(() => null));
        return pointer
          ? { id, name: pointer.name, savedAt: pointer.savedAt, current: pointer.current }
          : { id, name: id, savedAt: null, current: 0 };
      }),
    );
    return cards.sort((a, b) => (b.savedAt ?? '').localeCompare(a.savedAt ?? ''));
  }

  /** The small picture of a save, if it was kept: null within it where there was none to be made. */
  async picture(id: Id, current: number): Promise<{ readonly picture: unknown } | null> {
    const kept = (await this.database.get(pictureKey(id))) as { current?: unknown; picture?: unknown } | null;
    return kept?.current === current ? { picture: kept.picture ?? null } : null;
  }

  async keepPicture(id: Id, current: number, picture: unknown): Promise<void> {
    await this.database.set(pictureKey(id), { current, picture });
  }

  /** Whether the newest save was made by a newer build, which this one cannot read: nothing of it is touched then. */
  private async isNewer(id: Id, kept: readonly number[]): Promise<boolean> {
    const newest = (await this.database.get(snapshotKey(id, Math.max(0, ...kept)))) as Partial<Work> | null;
    const { version } = (newest?.history?.present ?? {}) as { readonly version?: unknown };
    return typeof version === 'number' && version > PROJECT_VERSION;
  }

  /**
   * Takes the right to write: from here on saves under any number before it are refused. Snapshots that a broken-off save left behind are swept.
   * @throws SaveRefused where a newer build has saved it.
   */
  async claim(id: Id): Promise<number> {
    let writer = 0;
    const snapshots = await this.numbers(id);
    if (await this.isNewer(id, snapshots)) throw new SaveRefused('newer');
    await this.database.transact(pointerKey(id), (value) => {
      const pointer = readPointer(value) ?? this.rebuilt(id, snapshots);
      if (!pointer) return NOTHING;
      writer = pointer.writer + 1;
      const left = snapshots
        .filter((number) => !pointer.kept.includes(number))
        .map((number) => snapshotKey(id, number));
      return { put: [[pointerKey(id), { ...pointer, writer }]], remove: left };
    });
    return writer;
  }

  /**
   * Keeps a project under an id that nothing has.
   * @throws SaveRefused where something has it; whatever the database refuses with.
   */
  async create(id: Id, work: Work): Promise<void> {
    await this.database.transact(pointerKey(id), (value) => {
      if (readPointer(value)) throw new SaveRefused('exists');
      return this.writesOf(id, work, { current: 0, kept: [], name: '', savedAt: '', writer: 0 });
    });
  }

  /**
   * Resolves only after the pointer is flipped; the last save stands until then.
   * @throws SaveRefused where another tab has taken the right to write, or removed the project; whatever the database refuses with.
   */
  async save(id: Id, work: Work, writer: number): Promise<void> {
    await this.database.transact(pointerKey(id), (value) => {
      const pointer = readPointer(value);
      if (!pointer) throw new SaveRefused('removed');
      if (pointer.writer !== writer) throw new SaveRefused('superseded');
      return this.writesOf(id, work, pointer);
    });
  }

  /** A pointer to the saves that lie there, where the one that led to them cannot be read. */
  private rebuilt(id: Id, kept: readonly number[]): Pointer | null {
    const current = kept.at(-1);
    return current === undefined
      ? null
      : { current, kept: kept.slice(-KEPT_SNAPSHOTS), name: id, savedAt: this.now().toISOString(), writer: 0 };
  }

  private writesOf(id: Id, work: Work, before: Pointer): Writes {
    const current = Math.max(0, ...before.kept) + 1;
    const kept = [...before.kept, current];
    const pointer: Pointer = {
      current,
      kept: kept.slice(-KEPT_SNAPSHOTS),
      name: work.history.present.name,
      savedAt: this.now().toISOString(),
      writer: before.writer,
    };
    return {
      put: [
        [snapshotKey(id, current), work],
        [pointerKey(id), pointer],
      ],
      remove: kept.slice(0, -KEPT_SNAPSHOTS).map((old) => snapshotKey(id, old)),
    };
  }

  /** The newest save that can be read, or the newest before the one that holds. */
  async load(id: Id, which: 'newest' | 'before' = 'newest'): Promise<Result<Loaded, LoadError>> {
    const pointer = readPointer(await this.database.get(pointerKey(id)));
    if (!pointer && (await this.numbers(id)).length === 0)
      return err({
        reason: 'missing',
        message: 'There is no such project in this browser. It may have been removed, or kept in another browser.',
      });
    // Where the pointer itself cannot be read the saves are still there.
    const kept = pointer?.kept ?? (await this.numbers(id));
    if (await this.isNewer(id, kept)) return err({ reason: 'newer', message: NEWER });
    for (const number of [...kept].reverse()) {
      if (which === 'before' && number === pointer?.current) continue;
      const work = readSnapshot(await this.database.get(snapshotKey(id, number)));
      if (work)
        return ok({
          work,
          notice: number === pointer?.current ? null : 'The last save could not be read; the one before it was opened.',
        });
    }
    return err({
      reason: 'damaged',
      message: `None of the kept saves of this project can be read. ${await this.whyUnread(id, kept)} They were left where they are: take them away as a file, or repair the project from its history.`,
    });
  }

  /** What is wrong with the newest of some saves. */
  private async whyUnread(id: Id, kept: readonly number[]): Promise<string> {
    const newest = (await this.database.get(snapshotKey(id, Math.max(0, ...kept)))) as Partial<Work> | null;
    const read = readProjectValue(newest?.history?.present);
    return read.ok ? '' : read.error.message;
  }

  /** Numbers of the snapshots that lie there, whatever points at them, ascending. */
  private async numbers(id: Id): Promise<readonly number[]> {
    const addresses = await this.database.keys();
    return addresses.flatMap((address) => snapshotAt(id, address) ?? []).sort((a, b) => a - b);
  }

  /** Everything that is kept of a project as it lies there, readable or not, newest first: to be taken away before anything is tried. */
  async raw(id: Id): Promise<string> {
    const numbers = [...(await this.numbers(id))].reverse();
    const saves = await Promise.all(numbers.map((number) => this.database.get(snapshotKey(id, number))));
    return JSON.stringify({ kind: 'bathyskop-saves', id, saves: saves.map((save) => save ?? null) });
  }

  /** The newest state that can be read in any save or its history; null where there is none. */
  async salvage(id: Id): Promise<Project | null> {
    const numbers = await this.numbers(id);
    if (await this.isNewer(id, numbers)) return null;
    for (const number of [...numbers].reverse()) {
      const save = (await this.database.get(snapshotKey(id, number))) as Partial<Work> | null;
      const before: unknown = save?.history?.past;
      const past = Array.isArray(before) ? (before as readonly { state?: unknown }[]) : [];
      for (const state of [save?.history?.present, ...past.map((one) => one.state).reverse()]) {
        const read = readProjectValue(state);
        if (read.ok) return read.value;
      }
    }
    return null;
  }

  async remove(id: Id): Promise<void> {
    const numbers = await this.numbers(id);
    await this.database.transact(pointerKey(id), () => ({
      put: [],
      remove: [pointerKey(id), pictureKey(id), ...numbers.map((number) => snapshotKey(id, number))],
    }));
  }
}
