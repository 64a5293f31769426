import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type * as Pace from './pace';
import { SLOWEST_WORDS_MS, WORDS_MS } from './pace';

/** Frames by hand: what they took is said by the test. */
function frames() {
  let queue: ((now: number) => void)[] = [];
  let now = 0;
  vi.stubGlobal('requestAnimationFrame', (call: (now: number) => void) => queue.push(call));
  return (took: readonly number[]): void => {
    for (const ms of took) {
      now += ms;
      const calls = queue;
      queue = [];
      for (const call of calls) call(now);
    }
  };
}
const SMOOTH = Array.from({ length: 8 }, () => 16.7);
const LOSING = [16.7, 16.7, 33.4, 16.7, 16.7, 16.7, 16.7, 16.7];

describe('words at their own pace', () => {
  // All who tell share one pace: each test begins with one that nobody has used.
  let pace: typeof Pace;
  beforeEach(async () => {
    vi.useFakeTimers();
    vi.resetModules();
    pace = await import('./pace');
  });
  afterEach(() => {
    vi.useRealTimers();
    vi.unstubAllGlobals();
  });

  it('all who follow are told at once, of the last they were given', () => {
    const told: string[] = [];
    const [one, other] = [
      new pace.Paced<number>((n) => told.push(`one ${n}`)),
      new pace.Paced<number>((n) => told.push(`other ${n}`)),
    ];
    one.put(1);
    other.put(2);
    one.put(3);
    vi.advanceTimersByTime(WORDS_MS - 1);
    expect(told).toEqual([]);
    vi.advanceTimersByTime(1);
    expect(told).toEqual(['one 3', 'other 2']);
    vi.advanceTimersByTime(1000);
    expect(told).toHaveLength(2);
  });
  it('what is dropped is not told, and what comes after it is', () => {
    const told: number[] = [];
    const paced = new pace.Paced<number>((n) => told.push(n));
    paced.put(1);
    paced.drop();
    vi.advanceTimersByTime(1000);
    paced.put(2);
    vi.advanceTimersByTime(SLOWEST_WORDS_MS);
    expect(told).toEqual([2]);
  });
  it('where a telling costs a frame it comes less often, never less than the slowest, and is soon often again where it costs none', () => {
    const pass = frames();
    const paced = new pace.Paced<number>(() => undefined);
    const round = (took: readonly number[]): void => {
      paced.put(0);
      vi.advanceTimersByTime(SLOWEST_WORDS_MS);
      pass(took);
    };
    round(SMOOTH);
    expect(pace.wordsEvery()).toBe(WORDS_MS);
    round(LOSING);
    expect(pace.wordsEvery()).toBe(2 * WORDS_MS);
    for (let i = 0; i < 5; i += 1) round(LOSING);
    expect(pace.wordsEvery()).toBe(SLOWEST_WORDS_MS);
    for (let i = 0; i < 20; i += 1) round(SMOOTH);
    expect(pace.wordsEvery()).toBe(WORDS_MS);
  });
});
