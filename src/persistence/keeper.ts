import { freshId, nameWith, type Id, type Project } from '@/core/record';
import type { Result } from '@/core/base';
import type { Work } from '@/state';
import type { KeptState } from './as-laid';
import { Autosave, type SaveState } from './autosave';
import { SaveRefused, type Loaded, type LoadError, type ProjectStore } from './project-store';
import { lockProject, type HandedOver, type WriteLock } from './write-lock';

/** How the work stands with what is kept; `free`: this tab reads, and no other writes any more. */
export type KeptStatus = 'saved' | 'saving' | 'failed' | 'reading-only' | 'free';

export interface KeeperHears {
  /** The project as it is kept: at first, and whenever another tab has changed it. */
  readonly loaded: (loaded: Result<Loaded, LoadError>) => void;
  /** Why something is not kept; null where all is, or it is on its way. */
  readonly status: (status: KeptStatus, why: unknown) => void;
}

/** How long is waited, ms; tests wait less. */
interface Waits {
  readonly saveMs?: number;
  readonly handOverMs?: number;
  readonly settleMs?: number;
}
/** A store that does not answer is not waited for longer, where one wants to go. */
const SETTLE_MS = 3000;

/**
 * One open project and its right to be written: who holds it, under which number, what is kept. A tab that has lost the right never writes again: it
 * lets go by itself, and the store refuses its number besides.
 */
export class Keeper {
  private lock: WriteLock | null = null;
  private saver: Autosave | null = null;
  /** This tab's number as the writer; of no use any more where another has a newer one. */
  private writer: number | null = null;
  private closed = false;

  constructor(
    private readonly id: Id,
    private readonly store: ProjectStore,
    private readonly hears: KeeperHears,
    private readonly waits: Waits = {},
  ) {}

  /** Takes the right to write where nobody has it, and loads. */
  async open(): Promise<void> {
    const lock = await lockProject(
      this.id,
      {
        handingOver: () => this.settle(),
        lost: () => this.lost(),
        savedElsewhere: () => void this.read(),
        free: () => this.hears.status('free', null),
      },
      this.waits.handOverMs,
    );
    if (this.closed) return lock.release();
    this.lock = lock;
    if (!lock.holds()) this.hears.status('reading-only', null);
    else {
      try {
        await this.begin();
      } catch (why) {
        lock.giveUp();
        this.hears.status('reading-only', this.toBeSaid(why));
      }
    }
    await this.load();
    if (lock.holds()) this.hears.status('saved', null);
  }

  /** Keeps what one does, while this tab may. */
  changed(work: Work): void {
    if (this.lock?.holds()) this.saver?.changed(work);
  }

  /** Saves what waits; resolves to whether all is kept. */
  async settle(): Promise<boolean> {
    const late = new Promise((resolve) => setTimeout(resolve, this.waits.settleMs ?? SETTLE_MS));
    await Promise.race([this.saver?.flush(), late]);
    return this.settled;
  }

  /** Whether nothing is left to be kept. */
  get settled(): boolean {
    return this.saver?.settled ?? true;
  }

  /**
   * Takes the right to write from the tab that has it, with all that it has saved. What this tab had not saved when it lost the right is no part of
   * that: it is kept as a project of its own first.
   * @returns how it came here; null where it does not, for what is unsaved here could not be kept.
   */
  async takeOver(): Promise<HandedOver | null> {
    const { lock, saver } = this;
    if (!lock || lock.holds()) return null;
    const unsaved = saver?.unsaved ?? null;
    if (unsaved) {
      try {
        await this.keepApart(unsaved);
      } catch (why) {
        this.hears.status('reading-only', why);
        return null;
      }
    }
    const how = await lock.takeOver();
    if (!lock.holds()) return null;
    try {
      await this.begin();
    } catch (why) {
      // Without a number of its own this tab must not write.
      lock.giveUp();
      this.hears.status('reading-only', this.toBeSaid(why));
      return null;
    }
    await this.load();
    if (lock.holds()) this.hears.status('saved', null);
    return how;
  }

  /** The states kept of the project, newest first; by `keep` and `drop` only while this tab may write. */
  readonly states = {
    list: (): Promise<readonly KeptState[]> => this.store.states(this.id),
    read: (number: number): Promise<Project | null> => this.store.state(this.id, number),
    keep: async (name: string, project: Project): Promise<void> =>
      this.store.keepState(this.id, name, project, this.mayWrite()),
    drop: async (number: number): Promise<void> => this.store.dropState(this.id, number, this.mayWrite()),
  };

  /** That another was quicker is no trouble to one who has nothing that is not kept. */
  private toBeSaid(why: unknown): unknown {
    return why instanceof SaveRefused && why.reason === 'superseded' && this.settled ? null : why;
  }

  private mayWrite(): number {
    if (this.writer === null || !this.lock?.holds()) throw new SaveRefused('superseded');
    return this.writer;
  }

  private async keepApart({ history, desk }: Work): Promise<void> {
    const id = freshId(this.id, new Set((await this.store.list()).map((one) => one.id)));
    const present = { ...history.present, id, name: nameWith(history.present.name, ', not saved in time') };
    await this.store.create(id, { history: { ...history, present }, desk });
  }

  /** Saves the last, and lets go. */
  async close(): Promise<void> {
    this.closed = true;
    if (this.lock?.holds()) await this.settle();
    this.saver?.end();
    this.lock?.release();
  }

  /** From here on this tab writes, under a number that no other has. */
  private async begin(): Promise<void> {
    this.writer = await this.store.claim(this.id, () => this.lock?.holds() ?? true);
    const saver: Autosave = new Autosave(
      async ({ history, desk }) => {
        await this.save({ history, desk });
        this.lock?.saved();
      },
      (state) => {
        if (this.saver === saver) this.told(state);
      },
      this.waits.saveMs,
    );
    this.saver?.end();
    this.saver = saver;
  }

  /** A number that another took on its way out of the lock is taken back, where nothing was saved under it. */
  private async save(work: Work): Promise<void> {
    const writer = this.mayWrite();
    try {
      await this.store.save(this.id, work, writer);
    } catch (why) {
      if (!(why instanceof SaveRefused && why.reason === 'superseded' && this.lock?.holds())) throw why;
      this.writer = await this.store.reclaim(this.id);
      await this.store.save(this.id, work, this.writer);
    }
  }

  private told(state: SaveState): void {
    const why = state.is === 'failed' ? state.why : null;
    // What the store refuses it refuses for good.
    if (why instanceof SaveRefused) this.saver?.end();
    if (this.lock?.holds()) this.hears.status(state.is, why);
  }

  private lost(): void {
    this.saver?.end();
    this.hears.status('reading-only', this.settled ? null : new SaveRefused('superseded'));
  }

  /** Another tab has saved: what is here and nowhere else stays to be seen, and to be taken away. */
  private async read(): Promise<void> {
    if (!this.settled) return;
    this.hears.status('reading-only', null);
    await this.load();
  }

  private async load(): Promise<void> {
    const loaded = await this.store.load(this.id);
    if (!this.closed) this.hears.loaded(loaded);
  }
}
