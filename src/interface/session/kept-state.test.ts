import { describe, expect, it } from 'vitest';
import { createKeptStates, keptState, setKept, valueOf } from './kept-state';

describe('what outlasts a change of stage', () => {
  it('is what it was before anybody touched it, then what was set last; each by itself', () => {
    const [tape, lit] = [keptState<readonly number[]>([]), keptState<string | null>(null)];
    const kept = createKeptStates();
    expect(valueOf(kept.getState(), tape)).toBe(tape.before);
    setKept(kept, tape, [1]);
    setKept(kept, tape, (now) => [...now, 2]);
    setKept(kept, lit, 'corner');
    expect(valueOf(kept.getState(), tape)).toEqual([1, 2]);
    expect(valueOf(kept.getState(), lit)).toBe('corner');
    // Two with the same beginning are two.
    expect(valueOf(kept.getState(), keptState<string | null>(null))).toBeNull();
    expect(valueOf(createKeptStates().getState(), lit)).toBeNull();
  });
  it('set to what it is, nobody hears of it', () => {
    const lit = keptState<string | null>(null);
    const kept = createKeptStates();
    let heard = 0;
    kept.subscribe(() => (heard += 1));
    setKept(kept, lit, null);
    expect(heard).toBe(0);
    setKept(kept, lit, 'edge');
    setKept(kept, lit, 'edge');
    expect(heard).toBe(1);
  });
});
