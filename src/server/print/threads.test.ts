import { Worker } from 'node:worker_threads';
import { afterEach, describe, expect, it } from 'vitest';
import { Threads } from './threads';

/** Threads that do what they are told: real ones, with a heap of 24 MiB. */
const CODE = `
const { parentPort } = require('node:worker_threads');
parentPort.once('message', (job) => {
  if (job === 'loop') for (;;);
  if (job === 'hoard') { const held = []; for (;;) held.push(new Array(1000).fill({})); }
  if (job === 'throw') throw new Error('by itself');
  if (job === 'exit') process.exit(0);
  if (job === 'arrays') { globalThis.held = new Float64Array(1e6).fill(1); setInterval(() => {}, 1000); return; }
  parentPort.postMessage(job.toUpperCase());
});`;
const started: Worker[] = [];
const start = (): Worker => {
  const worker = new Worker(CODE, { eval: true, resourceLimits: { maxOldGenerationSizeMb: 24 } });
  started.push(worker);
  return worker;
};
const limits = { threads: 2, ms: 60_000, processBytes: Infinity };
/** All threads that were started have stopped: their ids are gone. */
const allStopped = (): boolean => started.every((worker) => worker.threadId === -1);
afterEach(() => {
  expect(allStopped()).toBe(true);
  started.length = 0;
});

describe('jobs in threads of their own', () => {
  it('are done, and the thread is gone', async () => {
    const threads = new Threads<string, string>(start, limits);
    expect(await threads.run('print')).toEqual({ kind: 'done', value: 'PRINT' });
    expect(threads.running).toBe(0);
  });
  it('without an end are ended in time, while this thread goes on', async () => {
    const threads = new Threads<string, string>(start, { ...limits, ms: 300 });
    let turns = 0;
    const alive = setInterval(() => (turns += 1), 10);
    expect(await threads.run('loop')).toEqual({ kind: 'time-limit' });
    clearInterval(alive);
    expect(turns).toBeGreaterThan(3);
  });
  it('that fill their heap are ended', async () => {
    expect(await new Threads<string, string>(start, limits).run('hoard')).toEqual({ kind: 'memory-limit' });
  });
  it('that make the whole process too large are ended, the eldest first', async () => {
    let held = 0;
    const threads = new Threads<string, string>(start, { ...limits, processBytes: 1000 }, () => held);
    const elder = threads.run('arrays').then((how) => {
      held = 0;
      return how;
    });
    const younger = threads.run('arrays').then((how) => {
      held = 0;
      return how;
    });
    held = 2000;
    expect(await Promise.race([elder, younger.then(() => 'younger first')])).toEqual({ kind: 'memory-limit' });
    held = 2000;
    expect(await younger).toEqual({ kind: 'memory-limit' });
  });
  it('that throw or leave are said to have failed', async () => {
    const threads = new Threads<string, string>(start, limits);
    expect(await threads.run('throw')).toEqual({ kind: 'failed', detail: 'by itself' });
    expect(await threads.run('exit')).toMatchObject({ kind: 'failed' });
  });
  it('beyond the number are told so at once, and may come when one has ended', async () => {
    const threads = new Threads<string, string>(start, { ...limits, ms: 400 });
    const two = [threads.run('loop'), threads.run('loop')];
    expect(await threads.run('print')).toEqual({ kind: 'busy' });
    expect(started.length).toBe(2);
    expect((await Promise.all(two)).map((how) => how.kind)).toEqual(['time-limit', 'time-limit']);
    expect(await threads.run('print')).toEqual({ kind: 'done', value: 'PRINT' });
  });
});
