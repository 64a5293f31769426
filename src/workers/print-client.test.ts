import { describe, expect, it } from 'vitest';
import { NO_CORRECTION } from '@/core/drawing';
import { boxPiece, smallRoom } from '@/testing';
import { createPrintClient, type PrintReply, type PrintWorker } from './index';
import { servePrint } from './serve-print';

const project = smallRoom([boxPiece()]);
const request = (viewId = 'view') => ({
  project,
  job: { viewId, parts: ['set-out' as const], paper: 'A4', correction: NO_CORRECTION },
  title: 'A print',
  createdMs: 0,
});

function bench(worker: PrintWorker) {
  const log = { ended: 0, silence: [] as (() => void)[], death: [] as ((detail: string) => void)[] };
  const client = createPrintClient(
    () => ({
      worker: { terminate: () => void (log.ended += 1) },
      proxy: worker,
      share: (callback) => callback,
      onDeath: (heard) => void log.death.push(heard),
    }),
    {
      set: (fire) => {
        log.silence.push(fire);
        return 0 as unknown as ReturnType<typeof setTimeout>;
      },
      clear: () => undefined,
    },
  );
  return { client, log };
}
const never: PrintWorker = { print: () => new Promise<PrintReply>(() => undefined) };

describe('printing in a worker', () => {
  it('gives the PDF with its pages, progress on the way, and ends the worker', async () => {
    const { client, log } = bench(servePrint());
    const progress: number[] = [];
    const reply = await client.print(request(), (done) => progress.push(done));
    expect(reply?.kind).toBe('pdf');
    if (reply?.kind !== 'pdf') return;
    expect(new TextDecoder('latin1').decode(reply.bytes.slice(0, 5))).toBe('%PDF-');
    expect(reply.pages).toBe(4);
    expect(progress.at(-1)).toBe(1);
    expect([...progress].sort((a, b) => a - b)).toEqual(progress);
    expect(log.ended).toBe(1);
  });
  it('what cannot be printed is refused in words', async () => {
    const { client } = bench(servePrint());
    expect(await client.print(request('nowhere'), () => undefined)).toMatchObject({
      kind: 'refused',
      message: expect.stringMatching(/no view/) as string,
    });
  });
  it('a newer print and a cancel end the older, which answers nothing', async () => {
    const { client, log } = bench(never);
    const first = client.print(request(), () => undefined);
    const second = client.print(request(), () => undefined);
    expect(await first).toBeNull();
    client.cancel();
    expect(await second).toBeNull();
    expect(log.ended).toBe(2);
  });
  it('each word of a job at work begins its silence anew', async () => {
    const words: ((done: number) => void)[] = [];
    const { client, log } = bench({
      print: (_, heard) => {
        words.push(heard);
        return new Promise<PrintReply>(() => undefined);
      },
    });
    const progress: number[] = [];
    void client.print(request(), (done) => progress.push(done));
    const begun = log.silence.length;
    words[0]?.(0.3);
    words[0]?.(0.6);
    expect(log.silence).toHaveLength(begun + 2);
    expect(progress).toEqual([0.3, 0.6]);
    client.cancel();
  });
  it('silence and death are told, not waited for', async () => {
    const silent = bench(never);
    const asked = silent.client.print(request(), () => undefined);
    silent.log.silence.at(-1)?.();
    expect(await asked).toMatchObject({ kind: 'failed' });
    const dead = bench(never);
    const other = dead.client.print(request(), () => undefined);
    dead.log.death[0]?.('out of memory');
    expect(await other).toEqual({ kind: 'failed', detail: 'out of memory' });
  });
});
