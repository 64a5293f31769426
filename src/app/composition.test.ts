import { describe, expect, it, vi } from 'vitest';
import { NO_CORRECTION } from '@/core/drawing';
import { BARE_DESK } from '@/interface/services';
import { smallRoom } from '@/testing';
import { datedPrints, soundTools } from './composition';

describe('what belongs to the desk', () => {
  const printer = { name: 'the one by the window', correction: { across: 1.01, down: 0.99 } };
  it('is taken as it was kept', () => {
    const pace = { move: 0.5, mark: 0.1, line: 0.2 };
    const kept = { printers: [printer], screen: { pixelsPerMm: 4, ratio: 1.25 }, pace };
    expect(soundTools(kept)).toEqual(kept);
    expect(soundTools(JSON.parse(JSON.stringify(kept)))).toEqual(kept);
  });
  it('what cannot be read is left out, the rest is not lost', () => {
    expect(soundTools(undefined)).toEqual(BARE_DESK);
    expect(soundTools('desk')).toEqual(BARE_DESK);
    expect(
      soundTools({
        printers: [printer, null, { name: 7 }, { name: 'x', correction: { across: 0, down: 1 } }, { name: 'y' }],
        screen: { pixelsPerMm: 0, ratio: 1 },
        pace: { move: -1, mark: 'quick', line: 0.3 },
      }),
    ).toEqual({ printers: [printer], screen: null, pace: { ...BARE_DESK.pace, line: 0.3 } });
    expect(soundTools({ printers: 'none', screen: { pixelsPerMm: 3.8, ratio: 2 } })).toEqual({
      printers: [],
      screen: { pixelsPerMm: 3.8, ratio: 2 },
      pace: BARE_DESK.pace,
    });
  });
  it('a print bears the time it was made at, and can be given up', async () => {
    vi.useFakeTimers({ now: new Date('2026-11-25T10:00:00Z') });
    const asked: { readonly createdMs: number; readonly title: string }[] = [];
    let givenUp = 0;
    const service = datedPrints({
      print: (request) => {
        asked.push(request);
        return Promise.resolve(null);
      },
      cancel: () => void (givenUp += 1),
    });
    const request = {
      project: smallRoom(),
      job: { viewId: 'view', parts: ['set-out' as const], paper: 'sheet', correction: NO_CORRECTION },
      title: 'A print',
    };
    expect(await service.print(request, () => undefined)).toBeNull();
    service.cancel();
    vi.useRealTimers();
    expect(asked).toMatchObject([{ title: 'A print', createdMs: Date.parse('2026-11-25T10:00:00Z') }]);
    expect(givenUp).toBe(1);
  });
});
