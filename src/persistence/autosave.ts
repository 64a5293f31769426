import type { Work } from '@/state';

/** How what one does stands with what is kept; where it is not kept, why. */
export type SaveState =
  { readonly is: 'saved' } | { readonly is: 'saving' } | { readonly is: 'failed'; readonly why: unknown };

/** A browser that has not answered for so long is said not to; its answer is still waited for. */
const SILENT_MS = 10_000;
/** After a failure it is tried again by itself: soon, then more and more seldom. */
const AGAIN_MS = [2000, 5000, 15_000, 30_000, 60_000] as const;

/** The browser's store has not answered. */
export class Unanswered extends Error {}

/**
 * Saves the latest work soon after it changed, one save at a time; what comes while saving is saved next.
 * A failed save is tried again by itself, with the next change, and by `flush`.
 */
export class Autosave {
  private waiting: Work | null = null;
  private running: Promise<void> | null = null;
  private underWay: Work | null = null;
  private timer: ReturnType<typeof setTimeout> | null = null;
  private failures = 0;
  private ended = false;

  constructor(
    private readonly save: (work: Work) => Promise<void>,
    private readonly tell: (state: SaveState) => void,
    private readonly delayMs = 400,
  ) {}

  /** Whether all that came is kept. */
  get settled(): boolean {
    return this.waiting === null && this.running === null;
  }

  /** The latest that is not kept yet, if anything: waiting, or on its way. */
  get unsaved(): Work | null {
    return this.waiting ?? this.underWay;
  }

  changed(work: Work): void {
    this.waiting = work;
    // What is ended saves no more: it must not say that it does.
    if (this.ended) return;
    this.tell({ is: 'saving' });
    this.flushAfter(this.delayMs);
  }

  private flushAfter(ms: number): void {
    if (!this.ended) this.timer ??= setTimeout(() => void this.flush(), ms);
  }

  /** Saves what is waiting now, and resolves when nothing is left to save or a save failed. */
  async flush(): Promise<void> {
    if (this.timer !== null) clearTimeout(this.timer);
    this.timer = null;
    if (this.running) await this.running;
    const work = this.waiting;
    if (!work) return;
    this.waiting = null;
    this.underWay = work;
    const silent = setTimeout(() => this.tell({ is: 'failed', why: new Unanswered() }), SILENT_MS);
    this.running = this.save(work).then(
      () => {
        clearTimeout(silent);
        this.running = null;
        this.underWay = null;
        this.failures = 0;
        if (!this.waiting) this.tell({ is: 'saved' });
      },
      (why: unknown) => {
        clearTimeout(silent);
        this.running = null;
        this.underWay = null;
        this.waiting ??= work;
        this.tell({ is: 'failed', why });
        this.flushAfter(AGAIN_MS[Math.min(this.failures, AGAIN_MS.length - 1)] ?? SILENT_MS);
        this.failures += 1;
      },
    );
    await this.running;
  }

  /** No more is tried by itself: what is asked for by `flush` still is. */
  end(): void {
    this.ended = true;
    if (this.timer !== null) clearTimeout(this.timer);
    this.timer = null;
  }
}
