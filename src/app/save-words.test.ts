import { describe, expect, it, vi } from 'vitest';
import { NoDatabase, SaveRefused, Unanswered } from '@/persistence';
import { answeredWithin } from './composition';
import { saveTrouble, storeTrouble } from './save-words';

const full = Object.assign(new Error('x'), { name: 'QuotaExceededError' });

describe('why something is not kept', () => {
  it.each<[string, unknown, RegExp]>([
    ['another tab has removed it', new SaveRefused('removed'), /removed in another tab.*take/is],
    ['another tab writes it', new SaveRefused('superseded'), /another tab writes.*take the file away/is],
    ['no answer', new Unanswered(), /does not answer.*take the file away/is],
    ['no store', new NoDatabase('x'), /keeps nothing.*take the file away/is],
    ['no room', full, /full.*take projects away/is],
    ['anything else', new Error('internal: 0x7f'), /refused to keep it.*take the file away/is],
  ])('%s: it is said as what it is, with what to do, and in no library’s words', (_, why, words) => {
    for (const doing of ['saving', 'taking-over'] as const) {
      expect(saveTrouble(why, doing)).toMatch(words);
      expect(saveTrouble(why, doing)).not.toContain('0x7f');
    }
    // What is not tried again is not said to be.
    expect(saveTrouble(why, 'taking-over')).not.toContain('by itself');
  });
  it('one who has just come is told why nothing is kept, each reason by itself', () => {
    const all = [new Unanswered(), full, new NoDatabase('x')].map(storeTrouble);
    expect(new Set(all).size).toBe(3);
    expect(all.map((one) => /answer|full|private window/.exec(one)?.[0])).toEqual(['answer', 'full', 'private window']);
  });
  it('a store that never opens is given up after a while, one that does is not', async () => {
    vi.useFakeTimers();
    try {
      const never = answeredWithin(new Promise(() => undefined), 8000);
      const caught = never.catch((why: unknown) => why);
      await vi.advanceTimersByTimeAsync(8000);
      expect(await caught).toBeInstanceOf(Unanswered);
      await expect(answeredWithin(Promise.resolve(7), 8000)).resolves.toBe(7);
      await expect(answeredWithin(Promise.reject(full), 8000)).rejects.toBe(full);
    } finally {
      vi.useRealTimers();
    }
  });
});
