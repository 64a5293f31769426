import { describe, expect, it } from 'vitest';
import { LONGEST_TEXT, nameApart } from './index';

describe('a name of its own', () => {
  it('is the name itself where nobody has it, else the first number that is free', () => {
    expect(nameApart('Attic', new Set())).toBe('Attic');
    expect(nameApart('Attic', new Set(['Attic']))).toBe('Attic, 2');
    expect(nameApart('Attic', new Set(['Attic', 'Attic, 2', 'Attic, 4']))).toBe('Attic, 3');
  });
  it('stays within what a name may be, however long it was', () => {
    const long = 'a'.repeat(LONGEST_TEXT);
    const apart = nameApart(long, new Set([long]));
    expect(apart.length).toBeLessThanOrEqual(LONGEST_TEXT);
    expect(apart.endsWith(', 2')).toBe(true);
  });
});
