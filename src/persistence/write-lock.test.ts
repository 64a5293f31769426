import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { fakeLocks } from '@/testing';
import { lockProject } from './index';

/** Lets promises that have settled run on. */
const settle = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, 5));

describe('one tab writes, others read', () => {
  beforeEach(() => vi.stubGlobal('navigator', { locks: fakeLocks() }));
  afterEach(() => vi.unstubAllGlobals());
  const events = () => ({
    lost: vi.fn(),
    savedElsewhere: vi.fn(),
    free: vi.fn(),
    handingOver: vi.fn(() => Promise.resolve(true)),
  });

  it('the first tab holds the lock, the second does not, another project is free', async () => {
    const first = await lockProject('a', events());
    const second = await lockProject('a', events());
    const other = await lockProject('b', events());
    expect([first.holds(), second.holds(), other.holds()]).toEqual([true, false, true]);
    for (const lock of [first, second, other]) lock.release();
  });

  it('taking over tells the tab that loses', async () => {
    const [told, taker] = [events(), events()];
    const first = await lockProject('a', told);
    const second = await lockProject('a', taker);
    await second.takeOver();
    await settle();
    expect([first.holds(), second.holds()]).toEqual([false, true]);
    expect(told.lost).toHaveBeenCalledOnce();
    expect(taker.lost).not.toHaveBeenCalled();
    for (const lock of [first, second]) lock.release();
  });

  it('a save is heard by readers, not by the writer', async () => {
    const [writer, reader] = [events(), events()];
    const first = await lockProject('a', writer);
    const second = await lockProject('a', reader);
    first.saved();
    await settle();
    expect(reader.savedElsewhere).toHaveBeenCalledOnce();
    expect(writer.savedElsewhere).not.toHaveBeenCalled();
    for (const lock of [first, second]) lock.release();
  });

  it('the tab that took over does not load what the one before saves on its way out', async () => {
    const [loser, taker] = [events(), events()];
    const first = await lockProject('a', loser);
    const second = await lockProject('a', taker);
    await second.takeOver();
    first.saved();
    await settle();
    expect(taker.savedElsewhere).not.toHaveBeenCalled();
    second.saved();
    await settle();
    expect(loser.savedElsewhere).toHaveBeenCalledOnce();
    for (const lock of [first, second]) lock.release();
  });

  it('closing the writer frees the project for the next to open it', async () => {
    const first = await lockProject('a', events());
    first.release();
    await settle();
    const next = await lockProject('a', events());
    expect(next.holds()).toBe(true);
    next.release();
  });

  it('where a browser has no locks the tab writes', async () => {
    vi.stubGlobal('navigator', {});
    const only = await lockProject('a', events());
    expect(only.holds()).toBe(true);
    only.release();
  });
});
