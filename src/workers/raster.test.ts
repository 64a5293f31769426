import { describe, expect, it } from 'vitest';
import { withResolution } from '@/core/formats/png';
import { layerOf, type Drawing } from '@/core/drawing';
import { createFindClient, createRasterClient } from './index';
import { dotsOf, paintSheet, type SheetContext } from './paint-sheet';
import { serveFind } from './serve-find';
import { boxPiece, smallRoom } from '@/testing';

const drawing: Drawing = {
  title: 'one',
  width: 254,
  height: 127,
  layers: [
    layerOf(
      { layer: 'room' },
      'A',
      {
        words: [{ x: 127, y: 63.5, text: 'CV', heightMm: 2.54, anchor: 'middle' }],
        strokes: [
          {
            x0: 0,
            y0: 0,
            x1: 254,
            y1: 127,
            family: 'right',
            weight: 'firm',
            edge: 'profile',
            of: 'x',
            role: { is: 'construction' },
          },
          {
            ...{
              x0: 150,
              y0: 50,
              x1: 150,
              y1: 50,
              family: 'round',
              weight: 'firm',
              edge: 'inner',
              of: 'y',
              role: { is: 'construction' },
            },
            curve: { x: [130, 20, 0], y: [50, 0, 20], w: [1, 0, 0], from: 0, to: 2 * Math.PI },
          },
        ],
      },
      { dimmed: true },
    ),
  ],
};

function recorder() {
  const log = {
    points: [] as [number, number][],
    widths: [] as number[],
    words: [] as [string, number, number][],
    alpha: [] as number[],
  };
  const context = {
    setTransform: () => undefined,
    fillRect: () => undefined,
    beginPath: () => undefined,
    stroke: () => undefined,
    setLineDash: () => undefined,
    moveTo: (x: number, y: number) => void log.points.push([x, y]),
    lineTo: (x: number, y: number) => void log.points.push([x, y]),
    fillText: (text: string, x: number, y: number) => void log.words.push([text, x, y]),
    set lineWidth(value: number) {
      log.widths.push(value);
    },
    set globalAlpha(value: number) {
      log.alpha.push(value);
    },
  } as unknown as SheetContext;
  return { log, context };
}

describe('a sheet as dots', () => {
  it('is true to size: 254 mm at 200 dots to the inch are 2000 dots, pens and words with them, y down', () => {
    expect(dotsOf(drawing, 200)).toEqual({ across: 2000, down: 1000 });
    const { log, context } = recorder();
    paintSheet(context, drawing, 200);
    expect(log.points[0]).toEqual([0, 1000]);
    expect(log.points[1]?.map(Math.round)).toEqual([2000, 0]);
    expect(log.widths.map((width) => Number(width.toFixed(4)))).toEqual([3.937, 2.7559]);
    expect(log.words).toEqual([['CV', 1000, 500]]);
    expect(log.alpha).toEqual([0.3]);
    // The circle’s points lie on the circle within a tenth of a dot.
    for (const [x, y] of log.points.slice(2)) expect(Math.hypot(x - 1023.62, y - 606.3) - 157.48).toBeLessThan(0.1);
    expect(() => dotsOf({ width: 841, height: 594 }, 1200)).toThrow(/dots/);
  });
  it('a PNG is told its resolution behind its header, with a sum that holds', () => {
    const header = [0, 0, 0, 13, 73, 72, 68, 82, 0, 0, 0, 1, 0, 0, 0, 1, 8, 0, 0, 0, 0, 0x3a, 0x7e, 0x9b, 0x55];
    const png = Uint8Array.from([137, 80, 78, 71, 13, 10, 26, 10, ...header, 1, 2, 3]);
    const told = withResolution(png, 300);
    expect(told.length).toBe(png.length + 21);
    const view = new DataView(told.buffer);
    expect(String.fromCharCode(...told.subarray(37, 41))).toBe('pHYs');
    expect([view.getUint32(41), view.getUint32(45), told[49]]).toEqual([11811, 11811, 1]);
    // The chunk as other writers make it for 300 dots to the inch.
    expect(view.getUint32(50).toString(16)).toBe('78a53f76');
    expect([...told.subarray(54)]).toEqual([1, 2, 3]);
    expect(() => withResolution(Uint8Array.from([1, 2, 3]), 300)).toThrow();
  });
});

/** A worker that is the served one itself, with its silence and death in the test’s hands. */
function started<W>(worker: W) {
  const log = { ended: 0, silence: [] as (() => void)[], death: [] as ((detail: string) => void)[] };
  const start = () => ({
    worker: { terminate: () => void (log.ended += 1) },
    proxy: worker,
    share: <F>(callback: F): F => callback,
    onDeath: (heard: (detail: string) => void) => void log.death.push(heard),
  });
  const timer = {
    set: (fire: () => void) => {
      log.silence.push(fire);
      return 0 as unknown as ReturnType<typeof setTimeout>;
    },
    clear: () => undefined,
  };
  return { start, timer, log };
}

describe('searching in a worker', () => {
  const project = smallRoom([boxPiece()]);
  const asked = { viewId: 'view', marked: ['box'], seed: 1, candidates: 300 };
  it('finds, tells how far it is, and ends the worker', async () => {
    let time = 0;
    const { start, timer, log } = started(serveFind(() => (time += 30)));
    const told: number[] = [];
    const reply = await createFindClient(start, timer).find({ project, asked }, (done) => told.push(done));
    expect(reply?.kind).toBe('found');
    expect(reply?.kind === 'found' && reply.stations.found.length).toBeGreaterThan(2);
    expect(told.length).toBeGreaterThan(3);
    expect(told[told.length - 1]).toBe(1);
    expect(log.ended).toBe(1);
  });
  it('is given up by a newer search and by cancel; silence and death fail in words', async () => {
    const never = { find: () => new Promise<never>(() => undefined) };
    const { start, timer, log } = started(never);
    const client = createFindClient(start, timer);
    const first = client.find({ project, asked }, () => undefined);
    const second = client.find({ project, asked }, () => undefined);
    expect(await first).toBeNull();
    client.cancel();
    expect(await second).toBeNull();
    const third = client.find({ project, asked }, () => undefined);
    log.silence[log.silence.length - 1]?.();
    expect(await third).toMatchObject({ kind: 'failed' });
    const fourth = client.find({ project, asked }, () => undefined);
    log.death[log.death.length - 1]?.('out of memory');
    expect(await fourth).toEqual({ kind: 'failed', detail: 'out of memory' });
    expect(log.ended).toBe(4);
  });
  it('a picture of dots that fails says so', async () => {
    const { start, timer } = started({ raster: () => Promise.reject(new Error('no canvas')) });
    expect(await createRasterClient(start, timer)(drawing, 300)).toEqual({ kind: 'failed', detail: 'no canvas' });
  });
});
