import { describe, expect, it } from 'vitest';
import { allTabsSettled, answering, asksBefore } from './build-in-use';

/** Tabs of one browser: here all of one process, each answering for what is settled in it. */
describe('a newer build is taken up only when all tabs are settled', () => {
  it('at once where there is no other tab', async () => {
    expect(await allTabsSettled('alone')).toBe(true);
  });
  it('each of the others is waited for', async () => {
    let settled = 0;
    const others = [0, 1].map((n) =>
      answering(`other ${n}`, async () => {
        await new Promise((next) => setTimeout(next, 400));
        settled += 1;
        return true;
      }),
    );
    expect(await allTabsSettled('asking')).toBe(true);
    expect(settled).toBe(2);
    others.forEach((stop) => stop());
  });
  it('not where one cannot keep what it has, nor where this one cannot', async () => {
    const stop = [answering('sound', () => Promise.resolve(true)), answering('full', () => Promise.resolve(false))];
    expect(await allTabsSettled('asking')).toBe(false);
    stop.forEach((one) => one());
    const forget = asksBefore(() => Promise.resolve(false));
    expect(await allTabsSettled('asking')).toBe(false);
    forget();
    expect(await allTabsSettled('asking')).toBe(true);
  });
  it('nor where one says that it is there and then nothing', async () => {
    const stop = answering('hanging', () => new Promise(() => undefined));
    expect(await allTabsSettled('asking', 900)).toBe(false);
    stop();
  });
});
