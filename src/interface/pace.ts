/** Words follow a drag this often, ms: eight times a second. */
export const WORDS_MS = 125;
/** On a machine that loses a frame with every telling they follow this often: nineteen frames of twenty are kept. */
export const SLOWEST_WORDS_MS = 600;
/** A frame that took so many times the shortest of its neighbours was lost. */
const LOST = 1.6;
/** Frames looked at after words were told: writing them is spread over a few. */
const FRAMES_LOOKED_AT = 6;

/** Who waits for the next telling: all that follow a drag are told at once, so that they share one rendering. */
const waiting = new Set<() => void>();
let everyMs = WORDS_MS;
let next: ReturnType<typeof setTimeout> | null = null;

/** How often words are told at present, ms. */
export const wordsEvery = (): number => everyMs;

/** Looks at the frames that follow a telling, and tells less often where one was lost, more often where none was. */
function watchFrames(): void {
  if (typeof requestAnimationFrame !== 'function') return;
  let last: number | null = null;
  const took: number[] = [];
  const look = (now: number): void => {
    if (last !== null) took.push(now - last);
    last = now;
    if (took.length < FRAMES_LOOKED_AT) return void requestAnimationFrame(look);
    const lost = Math.max(...took) > LOST * Math.min(...took);
    everyMs = Math.min(SLOWEST_WORDS_MS, Math.max(WORDS_MS, lost ? everyMs * 2 : everyMs / 1.1));
  };
  requestAnimationFrame(look);
}

function tell(): void {
  next = null;
  const all = [...waiting];
  waiting.clear();
  watchFrames();
  for (const one of all) one();
}

/** Passes on what it is given now and then, the last of it always: what stands still is told as it stands. */
export class Paced<T> {
  private latest: { readonly value: T } | null = null;

  constructor(private readonly hear: (value: T) => void) {}

  private readonly pass = (): void => {
    const { latest } = this;
    this.latest = null;
    if (latest) this.hear(latest.value);
  };

  put(value: T): void {
    this.latest = { value };
    waiting.add(this.pass);
    next ??= setTimeout(tell, everyMs);
  }

  /** Nothing that still waits is told. */
  drop(): void {
    this.latest = null;
    waiting.delete(this.pass);
    if (waiting.size > 0 || next === null) return;
    clearTimeout(next);
    next = null;
  }
}
