import type { Worker } from 'node:worker_threads';

export interface ThreadLimits {
  /** Threads at once. */
  readonly threads: number;
  /** A thread is ended after this, ms. */
  readonly ms: number;
  /** All the process may hold while more than one thread works, bytes: the eldest is ended beyond it. */
  readonly processBytes: number;
}

/** How a job ended. `busy` was never begun. */
export type Ended<T> =
  | { readonly kind: 'done'; readonly value: T }
  | { readonly kind: 'busy' }
  | { readonly kind: 'time-limit' }
  | { readonly kind: 'memory-limit' }
  | { readonly kind: 'failed'; readonly detail: string };

const WATCH_MS = 200;

/**
 * Jobs of which each has a thread of its own, ended with it: whatever a job does, an endless loop or a heap without bounds, ends with its
 * thread and stops nobody else. `start` gives a thread that takes one message and answers with one; its heap's own limit is set there.
 */
export class Threads<Job, T> {
  readonly #running = new Map<Worker, (how: Ended<T>) => void>();
  #watch: NodeJS.Timeout | null = null;

  constructor(
    private readonly start: () => Worker,
    private readonly limits: ThreadLimits,
    private readonly held: () => number = () => process.memoryUsage.rss(),
  ) {}

  get running(): number {
    return this.#running.size;
  }

  run(job: Job, transfer: readonly ArrayBuffer[] = []): Promise<Ended<T>> {
    if (this.#running.size >= this.limits.threads) return Promise.resolve({ kind: 'busy' });
    return new Promise((resolve) => {
      const thread = this.start();
      const late = setTimeout(() => end({ kind: 'time-limit' }), this.limits.ms);
      let ending = false;
      const end = (how: Ended<T>): void => {
        if (ending) return;
        ending = true;
        clearTimeout(late);
        // Its place is free only when it has really stopped.
        void thread.terminate().then(() => {
          this.#running.delete(thread);
          if (this.#running.size === 0) this.#rest();
          resolve(how);
        });
      };
      this.#running.set(thread, end);
      this.#look();
      thread.once('message', (value: T) => end({ kind: 'done', value }));
      thread.once('error', (error: Error & { code?: string }) =>
        end(
          error.code === 'ERR_WORKER_OUT_OF_MEMORY'
            ? { kind: 'memory-limit' }
            : { kind: 'failed', detail: error.message },
        ),
      );
      thread.once('exit', () => end({ kind: 'failed', detail: 'it stopped by itself' }));
      thread.postMessage(job, transfer);
    });
  }

  /** What lies outside a thread's heap, its arrays of numbers, is seen only in the whole process. */
  #look(): void {
    this.#watch ??= setInterval(() => {
      const eldest = this.#running.values().next().value;
      if (this.held() > this.limits.processBytes) eldest?.({ kind: 'memory-limit' });
    }, WATCH_MS);
  }

  #rest(): void {
    if (this.#watch) clearInterval(this.#watch);
    this.#watch = null;
  }
}
