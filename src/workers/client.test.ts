import { describe, expect, it } from 'vitest';
import { at } from '@/core/base';
import { bodiesOf } from '@/core/solids';
import { resolveSetUp } from '@/core/view';
import { drain, edgeOfRow, prepareScene, visibleLinesExact, type VisibleLines } from '@/core/visibility';
import { randomBoxScene } from '@/testing';
import { createLinesClient, type LinesWorker, type SceneMessage } from './index';
import { sendRecord } from './sent-record';
import { serveLines } from './serve-lines';

const { project } = randomBoxScene(3, 6);
const view = at(project.views, 0);
const resolved = resolveSetUp(project, view);
if (!resolved.ok) throw new Error('stands');
const setUp = resolved.value;
const expected = drain(visibleLinesExact(prepareScene(bodiesOf(project)), setUp, view.frame));

/** A clock that makes every slice look long, so that the worker looks for messages after each step. */
const hasty = (): (() => number) => {
  let time = 0;
  return () => (time += 100);
};

function bench(worker: LinesWorker) {
  const log = { started: 0, ended: 0, scenes: [] as number[], silence: [] as (() => void)[] };
  const spied: LinesWorker = {
    ...worker,
    keepScene: (message: SceneMessage) => {
      log.scenes.push(message.revision);
      worker.keepScene(message);
    },
  };
  const client = createLinesClient(
    () => {
      log.started += 1;
      return {
        worker: {
          terminate: () => {
            log.ended += 1;
          },
        },
        proxy: spied,
        share: (callback) => callback,
      };
    },
    {
      set: (fire) => {
        log.silence.push(fire);
        return log.silence.length as unknown as ReturnType<typeof setTimeout>;
      },
      clear: () => undefined,
    },
  );
  const ask = (given = { project, setUp, frame: view.frame }) => {
    const heard: { progress: number[]; lines: VisibleLines | null; failure: string | null } = {
      progress: [],
      lines: null,
      failure: null,
    };
    const settled = new Promise<typeof heard>((resolve) =>
      client.request({
        ...given,
        done: (lines) => {
          heard.lines = lines;
          resolve(heard);
        },
        progress: (done) => heard.progress.push(done),
        failed: (detail) => {
          heard.failure = detail;
          resolve(heard);
        },
      }),
    );
    return { heard, settled };
  };
  return { client, log, ask };
}

describe('lines from the worker', () => {
  it('what was asked ahead is taken over by who asks the same, before it is answered or after, and the worker is asked once', async () => {
    let asked = 0;
    const worker = serveLines(hasty());
    const counted: LinesWorker = { ...worker, lines: (...given) => ((asked += 1), worker.lines(...given)) };
    const { client, log, ask } = bench(counted);
    const question = { project, setUp, frame: view.frame };
    client.ahead(question);
    const before = await ask({ ...question, project: { ...project, name: 'Another name' } }).settled;
    expect(before.lines?.picture).toEqual(expected.picture);
    expect([asked, log.scenes.length]).toEqual([1, 1]);
    client.ahead(question);
    await new Promise((resolve) => setTimeout(resolve, 200));
    let told = false;
    const after = ask(question);
    void after.settled.then(() => (told = true));
    expect(told).toBe(false);
    expect((await after.settled).lines?.picture).toEqual(expected.picture);
    expect(asked).toBe(2);
    // An answer is given once: who asks again is answered anew.
    expect((await ask(question).settled).lines?.picture).toEqual(expected.picture);
    expect(asked).toBe(3);
  });
  it('what is asked for already is not asked ahead again: who waits for it is answered', async () => {
    let asked = 0;
    const worker = serveLines(hasty());
    const { client, ask } = bench({ ...worker, lines: (...given) => ((asked += 1), worker.lines(...given)) });
    const waiting = ask();
    client.ahead({ project: { ...project, name: 'Another name' }, setUp, frame: view.frame });
    expect((await waiting.settled).lines?.picture).toEqual(expected.picture);
    expect(asked).toBe(1);
  });
  it('what was asked ahead of something else is dropped, and a job given up late does not end the next one', async () => {
    const { client, ask } = bench(serveLines(hasty()));
    const aside = {
      ...setUp,
      station: { x: setUp.station.x + 100, y: setUp.station.y },
      stationPlan: setUp.stationPlan,
    };
    client.ahead({ project, setUp: aside, frame: view.frame });
    const heard = await ask().settled;
    expect(heard.lines?.picture).toEqual(expected.picture);
    const old = {
      project,
      setUp,
      frame: view.frame,
      done: () => undefined,
      progress: () => undefined,
      failed: () => undefined,
    };
    client.request(old);
    client.ahead({ project, setUp, frame: view.frame });
    client.cancel(old);
    expect((await ask().settled).lines?.picture).toEqual(expected.picture);
  });
  it('are those of the core, with progress on the way; the room is sent once for many views', async () => {
    const { log, ask } = bench(serveLines(hasty()));
    const first = await ask().settled;
    expect(first.lines).toEqual(expected);
    expect(first.progress.length).toBeGreaterThan(1);
    await ask({ project, setUp: { ...setUp }, frame: view.frame }).settled;
    expect(log.scenes).toEqual([1]);
    await ask({ project: { ...project, pieces: project.pieces.slice(1) }, setUp, frame: view.frame }).settled;
    expect(log.scenes).toEqual([1, 2]);
    expect(log.started).toBe(1);
  });

  it('a newer request cancels the older, whose result is dropped', async () => {
    const { ask } = bench(serveLines(hasty()));
    const older = ask();
    const newer = ask();
    expect((await newer.settled).lines).toEqual(expected);
    await new Promise((resolve) => setTimeout(resolve, 20));
    expect(older.heard.lines).toBeNull();
    expect(older.heard.failure).toBeNull();
  });

  it('an answer that comes after a newer question is dropped, whoever sent it', async () => {
    const answers: ((lines: VisibleLines) => void)[] = [];
    const { ask } = bench({
      keepScene: () => undefined,
      cancel: () => undefined,
      lines: ({ job }) => new Promise((resolve) => answers.push((lines) => resolve({ kind: 'lines', job, lines }))),
    });
    const [older, newer] = [ask(), ask()];
    answers[0]?.(expected);
    answers[1]?.(expected);
    expect((await newer.settled).lines).toBe(expected);
    expect(older.heard.lines).toBeNull();
  });

  it('each word of a worker at work begins its silence anew; one that nobody waits for says nothing', async () => {
    const words: ((done: number) => void)[] = [];
    const { log, ask } = bench({
      keepScene: () => undefined,
      cancel: () => undefined,
      lines: ({ job }, progress) => {
        words.push((done) => progress(job, done));
        return new Promise(() => undefined);
      },
    });
    const older = ask();
    expect(log.silence).toHaveLength(1);
    words[0]?.(0.2);
    words[0]?.(0.4);
    expect(log.silence).toHaveLength(3);
    expect(older.heard.progress).toEqual([0.2, 0.4]);
    ask();
    words[0]?.(0.6);
    expect(log.silence).toHaveLength(4);
    expect(older.heard.progress).toEqual([0.2, 0.4]);
  });

  it('a worker that falls silent is ended, said so, and started anew at the next request', async () => {
    const never: LinesWorker = {
      keepScene: () => undefined,
      cancel: () => undefined,
      lines: () => new Promise(() => undefined),
    };
    const { log, ask } = bench(never);
    const asked = ask();
    log.silence.at(-1)?.();
    expect((await asked.settled).failure).toContain('silent');
    expect([log.started, log.ended]).toEqual([1, 1]);
    ask();
    expect(log.started).toBe(2);
    expect(log.scenes).toEqual([1, 2]);
  });

  it('a failure inside the worker crosses as a message', async () => {
    const { ask } = bench(serveLines(hasty()));
    const asked = await ask({ project, setUp: { ...setUp, pictureDistance: -1 }, frame: view.frame }).settled;
    expect(asked.failure).toContain('picture plane');
  });

  it('a scene the worker no longer has is reported, not drawn', async () => {
    const worker = serveLines(hasty());
    const reply = await worker.lines({ job: 1, revision: 9, given: setUp, frame: view.frame }, () => undefined);
    expect(reply).toEqual({ kind: 'stale-scene', job: 1 });
  });

  it('a job cancelled between two slices ends there', async () => {
    const worker = serveLines(hasty());
    worker.keepScene({ revision: 1, after: null, record: sendRecord(null, project) });
    const words: number[] = [];
    const reply = await worker.lines({ job: 7, revision: 1, given: setUp, frame: view.frame }, (_, done) => {
      words.push(done);
      if (done > 0) worker.cancel(7);
    });
    expect(reply).toEqual({ kind: 'cancelled', job: 7 });
    // Word all along while the room is made ready, for a large one takes a while; then one for each slice.
    const first = words.findIndex((done) => done > 0);
    expect(first).toBeGreaterThan(5);
    expect(words.slice(0, first).every((done) => done === 0)).toBe(true);
    expect(words.length).toBe(first + 1);
  });

  it('lines of an older room are not answered from a newer one', async () => {
    const worker = serveLines(hasty());
    worker.keepScene({ revision: 2, after: null, record: sendRecord(null, project) });
    const ask = (revision: number) =>
      worker.lines({ job: revision, revision, given: setUp, frame: view.frame }, () => undefined);
    expect((await ask(1)).kind).toBe('stale-scene');
    expect((await ask(2)).kind).toBe('lines');
  });

  it('what is handed over whole is not looked at again: after an edit the lines are those of the room as it is', async () => {
    const worker = serveLines(hasty(), (reply) => {
      if (reply.kind !== 'lines') return reply;
      const { picture, along, edge, seen, hiddenBy } = reply.lines;
      return structuredClone(reply, {
        transfer: [picture.buffer, along.buffer, edge.buffer, seen.buffer, hiddenBy.buffer],
      });
    });
    const fewer = { ...project, pieces: project.pieces.slice(1) };
    for (const [revision, record] of [project, fewer, project].entries()) {
      worker.keepScene({ revision, after: null, record: sendRecord(null, record) });
      const reply = await worker.lines({ job: revision, revision, given: setUp, frame: view.frame }, () => undefined);
      const exact = drain(visibleLinesExact(prepareScene(bodiesOf(record)), setUp, view.frame));
      if (reply.kind !== 'lines') throw new Error(reply.kind);
      const scene = prepareScene(bodiesOf(record));
      const rows = (lines: VisibleLines): string[] =>
        Array.from(lines.edge, (_, row) => {
          const at4 = Array.from(lines.picture.subarray(row * 4, row * 4 + 4), (one) => one.toFixed(6));
          return `${edgeOfRow(scene, lines, row).id} ${at4.join(' ')} ${lines.seen[row]}`;
        }).sort();
      expect(rows(reply.lines)).toEqual(rows(exact));
    }
  });
});
