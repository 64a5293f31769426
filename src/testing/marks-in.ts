import { expect } from 'vitest';
import { ALPHABET } from '@/core/construction';

/** "112 … 147" stands for all of them. */
export function marksIn(list: string): readonly string[] {
  return list.split(/, | and /).flatMap((one) => {
    const [, first = '', last = ''] = /^(\S+) … (\S+)$/.exec(one) ?? [];
    if (first === '') return [one];
    const numbers = /^\d+$/.test(first);
    const count = (label: string): number => (numbers ? Number(label) : ALPHABET.indexOf(label.charAt(0)));
    if (!numbers) expect(last.slice(1), list).toBe(first.slice(1));
    expect(Math.abs(count(last) - count(first)), list).toBeGreaterThanOrEqual(3);
    const way = Math.sign(count(last) - count(first));
    return Array.from({ length: Math.abs(count(last) - count(first)) + 1 }, (_, i) =>
      numbers ? String(count(first) + way * i) : `${ALPHABET.charAt(count(first) + way * i)}${first.slice(1)}`,
    );
  });
}
