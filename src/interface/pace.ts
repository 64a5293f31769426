/** Words follow a drag this often, ms: eight times a second. */
export const WORDS_MS = 125;

/** Passes on what it is given at most so often, the last of it always: what stands still is told as it stands. */
export class Paced<T> {
  private latest: { readonly value: T } | null = null;
  private waiting: ReturnType<typeof setTimeout> | null = null;

  constructor(
    private readonly tell: (value: T) => void,
    private readonly everyMs = WORDS_MS,
  ) {}

  put(value: T): void {
    this.latest = { value };
    this.waiting ??= setTimeout(() => {
      this.waiting = null;
      const { latest } = this;
      this.latest = null;
      if (latest) this.tell(latest.value);
    }, this.everyMs);
  }

  /** Nothing that still waits is told. */
  drop(): void {
    if (this.waiting !== null) clearTimeout(this.waiting);
    this.waiting = null;
    this.latest = null;
  }
}
