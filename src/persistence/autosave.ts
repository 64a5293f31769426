import type { Work } from '@/state';

export type SaveState = 'saved' | 'saving' | 'failed' | 'reading-only';

/**
 * Saves the latest work soon after it changed, one save at a time; what comes while saving is saved next.
 * A failed save is tried again with the next change, and by `retry`.
 */
export class Autosave {
  private waiting: Work | null = null;
  private running: Promise<void> | null = null;
  private timer: ReturnType<typeof setTimeout> | null = null;

  constructor(
    private readonly save: (work: Work) => Promise<void>,
    private readonly tell: (state: SaveState) => void,
    private readonly delayMs = 400,
  ) {}

  changed(work: Work): void {
    this.waiting = work;
    this.tell('saving');
    if (this.timer === null) this.timer = setTimeout(() => void this.flush(), this.delayMs);
  }

  /** Saves what is waiting now, and resolves when nothing is left to save or a save failed. */
  async flush(): Promise<void> {
    if (this.timer !== null) clearTimeout(this.timer);
    this.timer = null;
    if (this.running) await this.running;
    const work = this.waiting;
    if (!work) return;
    this.waiting = null;
    this.running = this.save(work).then(
      () => {
        this.running = null;
        if (!this.waiting) this.tell('saved');
      },
      () => {
        this.running = null;
        this.waiting ??= work;
        this.tell('failed');
      },
    );
    await this.running;
  }
}
