import { err, ok, type Result } from '@/core/base';
import { readProjectValue } from '@/core/formats/project';
import { PROJECT_VERSION, type Id, type Project } from '@/core/record';
import type { Work } from '@/state';
import { inTurns } from './in-turns';
import type { KeyValue, Writes } from './key-value';
import {
  dayOf,
  laidWork,
  nextNumber,
  numberAt,
  pictureKey,
  pointerKey,
  projectAt,
  readPointer,
  readSnapshotInSteps,
  readState,
  snapshotKey,
  stateKey,
  type KeptState,
  type Pointer,
  type StateLaid,
} from './as-laid';

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
  /** Number of the save by which the project itself last became another. */
  readonly changedIn: number;
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
/** Days of which the last state is kept; what is kept by hand stays. */
const KEPT_DAYS = 30;
const NOTHING: Writes = { put: [], remove: [] };
const nextSave = ({ kept }: Pick<Pointer, 'kept'>): number => Math.max(0, ...kept) + 1;
const NO_POINTER = { current: 0, kept: [], name: '', savedAt: '', changedIn: 0, writer: 0 } as const;
/**
 * Projects in the browser. A save writes a new snapshot under a new key and flips one pointer, in one transaction: whatever stops it, the pointer
 * leads to a whole snapshot. The last three are kept. A writer has a number, taken by `claim`; the pointer is flipped only by the newest.
 */
export class ProjectStore {
  /** What each project was when it was last read or written here: whether it has become another is told by that. */
  private readonly known = new Map<Id, Project>();
  /** Number of the save that was last read or made here. */
  private readonly last = new Map<Id, number>();

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
          ? { id, name: pointer.name, savedAt: pointer.savedAt, changedIn: pointer.changedIn, current: pointer.current }
          : { id, name: id, savedAt: null, changedIn: 0, current: 0 };
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
   * `still` is asked within the transaction: whoever has lost the lock on its way here takes nothing.
   * @throws SaveRefused where a newer build has saved it, or `still` says no.
   */
  async claim(id: Id, still: () => boolean = () => true): Promise<number> {
    let writer = 0;
    const snapshots = await this.numbers(id);
    if (await this.isNewer(id, snapshots)) throw new SaveRefused('newer');
    const laid = await this.laidStates(id);
    await this.database.transact(pointerKey(id), (value) => {
      const pointer = readPointer(value) ?? this.rebuilt(id, snapshots, laid);
      if (!still()) throw new SaveRefused('superseded');
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
   * A number anew for the writer that holds the lock, where another took one on its way out of it: only while nothing was saved since this store
   * last read or saved the project.
   * @throws SaveRefused where something was.
   */
  async reclaim(id: Id): Promise<number> {
    let writer = 0;
    await this.database.transact(pointerKey(id), (value) => {
      const pointer = readPointer(value);
      if (!pointer || pointer.current !== this.last.get(id)) throw new SaveRefused('superseded');
      writer = pointer.writer + 1;
      return { put: [[pointerKey(id), { ...pointer, writer }]], remove: [] };
    });
    return writer;
  }

  /**
   * Keeps a project under an id that nothing has, with states kept of it before, eldest first.
   * @throws SaveRefused where something has it; whatever the database refuses with.
   */
  async create(id: Id, work: Work, before: readonly Omit<StateLaid, 'number'>[] = []): Promise<void> {
    const laid = before.map((one, i): StateLaid => ({ ...one, number: i + 1 }));
    await this.database.transact(pointerKey(id), (value) => {
      if (readPointer(value)) throw new SaveRefused('exists');
      const states = laid.map(({ number, by, name, keptAt }): KeptState => ({ number, by, name, keptAt }));
      const { put, remove } = this.writesOf(id, work, { ...NO_POINTER, states });
      return { put: [...laid.map((one) => [stateKey(id, one.number), one] as const), ...put], remove };
    });
  }

  /**
   * Resolves only after the pointer is flipped; the last save stands until then.
   * @throws SaveRefused where another tab has taken the right to write, or removed the project; whatever the database refuses with.
   */
  async save(id: Id, work: Work, writer: number): Promise<void> {
    let made = 0;
    await this.database.transact(pointerKey(id), (value) => {
      const before = this.pointerFor(value, writer);
      made = nextSave(before);
      return this.writesOf(id, work, before);
    });
    this.last.set(id, made);
    this.known.set(id, work.history.present);
  }

  /** A pointer to the saves that lie there, where the one that led to them cannot be read. */
  private rebuilt(id: Id, kept: readonly number[], states: readonly KeptState[]): Pointer | null {
    const current = kept.at(-1);
    const now = this.now().toISOString();
    return current === undefined
      ? null
      : {
          ...NO_POINTER,
          current,
          kept: kept.slice(-KEPT_SNAPSHOTS),
          name: id,
          savedAt: now,
          changedIn: current,
          states,
        };
  }

  private writesOf(id: Id, work: Work, before: Pointer): Writes {
    const now = this.now();
    const project = work.history.present;
    const current = nextSave(before);
    const kept = [...before.kept, current];
    const day = this.withDay(before.states, project, now);
    const pointer: Pointer = {
      current,
      kept: kept.slice(-KEPT_SNAPSHOTS),
      name: project.name,
      savedAt: now.toISOString(),
      changedIn: this.known.get(id) === project ? before.changedIn : current,
      states: day.states,
      writer: before.writer,
    };
    return {
      put: [
        [snapshotKey(id, current), laidWork(work)],
        [stateKey(id, day.today.number), day.today],
        [pointerKey(id), pointer],
      ],
      remove: [
        ...kept.slice(0, -KEPT_SNAPSHOTS).map((old) => snapshotKey(id, old)),
        ...day.gone.map((old) => stateKey(id, old.number)),
      ],
    };
  }

  /** Kept states with the present as the last of today, and those of days long past that go. */
  private withDay(
    before: readonly KeptState[],
    project: Project,
    now: Date,
  ): { readonly states: readonly KeptState[]; readonly today: StateLaid; readonly gone: readonly KeptState[] } {
    const name = dayOf(now);
    // Only the latest is written over: a clock that was turned back must not cost the state of a day gone by.
    const latest = before.filter((one) => one.by === 'day').at(-1);
    const same = latest?.name === name ? latest : undefined;
    const today: KeptState = { number: same?.number ?? nextNumber(before), by: 'day', name, keptAt: now.toISOString() };
    const states = [...before.filter((one) => one !== same), today];
    const gone = states.filter((one) => one.by === 'day').slice(0, -KEPT_DAYS);
    return { states: states.filter((one) => !gone.includes(one)), today: { ...today, project }, gone };
  }

  /**
   * Keeps a state by hand, under a name.
   * @throws SaveRefused where this writer has lost the right, or the project is gone; whatever the database refuses with.
   */
  async keepState(id: Id, name: string, project: Project, writer: number): Promise<void> {
    await this.database.transact(pointerKey(id), (value) => {
      const pointer = this.pointerFor(value, writer);
      const number = nextNumber(pointer.states);
      const state: KeptState = { number, by: 'hand', name, keptAt: this.now().toISOString() };
      return {
        put: [
          [stateKey(id, number), { ...state, project } satisfies StateLaid],
          [pointerKey(id), { ...pointer, states: [...pointer.states, state] }],
        ],
        remove: [],
      };
    });
  }

  /** Lets a kept state go. @throws as `keepState`. */
  async dropState(id: Id, number: number, writer: number): Promise<void> {
    await this.database.transact(pointerKey(id), (value) => {
      const pointer = this.pointerFor(value, writer);
      const states = pointer.states.filter((one) => one.number !== number);
      return { put: [[pointerKey(id), { ...pointer, states }]], remove: [stateKey(id, number)] };
    });
  }

  /** The kept states, newest first. */
  async states(id: Id): Promise<readonly KeptState[]> {
    const pointer = readPointer(await this.database.get(pointerKey(id)));
    return [...(pointer?.states ?? (await this.laidStates(id)))].reverse();
  }

  /** A kept state; null where it cannot be read. */
  async state(id: Id, number: number): Promise<Project | null> {
    const laid = (await this.database.get(stateKey(id, number))) as Partial<StateLaid> | null;
    const read = readProjectValue(laid?.project);
    return read.ok ? read.value : null;
  }

  /** The states that lie there, whatever points at them. */
  private async laidStates(id: Id): Promise<readonly KeptState[]> {
    const numbers = await this.numbers(id, 'state');
    const laid = await Promise.all(numbers.map((number) => this.database.get(stateKey(id, number))));
    return laid.map(readState).filter((one) => one !== null);
  }

  /** The pointer, where this writer may flip it. */
  private pointerFor(value: unknown, writer: number): Pointer {
    const pointer = readPointer(value);
    if (!pointer) throw new SaveRefused('removed');
    if (pointer.writer !== writer) throw new SaveRefused('superseded');
    return pointer;
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
      const work = await inTurns(readSnapshotInSteps(await this.database.get(snapshotKey(id, number))));
      if (work && number === pointer?.current) {
        this.known.set(id, work.history.present);
        this.last.set(id, number);
      }
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

  /** Numbers of the snapshots, or kept states, that lie there, whatever points at them, ascending. */
  private async numbers(id: Id, what: 'snapshot' | 'state' = 'snapshot'): Promise<readonly number[]> {
    const addresses = await this.database.keys();
    return addresses.flatMap((address) => numberAt(id, what, address) ?? []).sort((a, b) => a - b);
  }

  /** Everything that is kept of a project as it lies there, readable or not, newest first: to be taken away before anything is tried. */
  async raw(id: Id): Promise<string> {
    const numbers = [...(await this.numbers(id))].reverse();
    const saves = await Promise.all(numbers.map((number) => this.database.get(snapshotKey(id, number))));
    const laid = await Promise.all(
      (await this.numbers(id, 'state')).map((number) => this.database.get(stateKey(id, number))),
    );
    return JSON.stringify({ kind: 'bathyskop-saves', id, saves: saves.map((save) => save ?? null), states: laid });
  }

  /** The newest state that can be read in any save, its history, or among the kept ones; null where there is none. */
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
    for (const { number } of await this.states(id)) {
      const state = await this.state(id, number);
      if (state) return state;
    }
    return null;
  }

  async remove(id: Id): Promise<void> {
    const numbers = await this.numbers(id);
    const states = await this.numbers(id, 'state');
    await this.database.transact(pointerKey(id), () => ({
      put: [],
      remove: [
        pointerKey(id),
        pictureKey(id),
        ...numbers.map((number) => snapshotKey(id, number)),
        ...states.map((number) => stateKey(id, number)),
      ],
    }));
  }
}
