import { wholeSceneInSteps, type Scene } from '@/core/pipeline';
import type { MeasuredRoom } from '@/core/record';
import { setUpFrom } from '@/core/view';
import { visibleLinesExact, visibleLinesAgain, type SeenBefore, type VisibleLines } from '@/core/visibility';
import { inSlices } from './in-slices';
import type { LinesReply, LinesWorker } from './protocol';
import { receiveRecord } from './sent-record';

/** How long the generator runs before the worker looks for messages, ms. */
const SLICE_MS = 8;
/** The same while a room is made ready, of which a body is a step. */
const READYING_SLICE_MS = 100;

/** Lines with arrays of their own; names and silhouettes are never handed over and may be shared. */
const copyOf = (lines: VisibleLines): VisibleLines => ({
  ...lines,
  picture: lines.picture.slice(),
  along: lines.along.slice(),
  edge: lines.edge.slice(),
  seen: lines.seen.slice(),
  hiddenBy: lines.hiddenBy.slice(),
  curves: {
    ...lines.curves,
    curve: lines.curves.curve.slice(),
    range: lines.curves.range.slice(),
    seen: lines.curves.seen.slice(),
    hiddenBy: lines.curves.hiddenBy.slice(),
  },
});

/** The worker's side, apart from its thread, so that it can be tested by itself. `send` may mark buffers for transfer. */
export function serveLines(
  clock: () => number,
  send: (reply: LinesReply) => LinesReply = (reply) => reply,
): LinesWorker {
  interface Kept {
    readonly revision: number;
    readonly record: MeasuredRoom;
    scene: Promise<Scene> | null;
  }
  let kept: Kept | null = null;
  // The last scene that was made: the next takes over from it what was left alone.
  let made: Scene | null = null;
  // What was seen last, and of what: after an edit only what it may have changed is looked at anew.
  let seen: (Required<SeenBefore> & { readonly from: string }) | null = null;
  const cancelled = new Set<number>();
  // Rooms are made ready one after another, each from the one before; whoever waits for one has word all along.
  let last: Promise<unknown> = Promise.resolve();
  const waiting = new Set<() => void>();
  const readied = async (of: Kept, word: () => void): Promise<Scene> => {
    const make = async (): Promise<Scene> => {
      const scene = await inSlices(wholeSceneInSteps(of.record, made ?? undefined), {
        ...{ clock, sliceMs: READYING_SLICE_MS },
        progress: () => waiting.forEach((tell) => tell()),
      });
      made = scene;
      return scene;
    };
    of.scene ??= last.then(make, make);
    last = of.scene;
    waiting.add(word);
    word();
    try {
      return await of.scene;
    } finally {
      waiting.delete(word);
    }
  };
  return {
    keepScene: ({ revision, after, record }) => {
      // Told from a room that is not here: lines are asked of it in vain, and it is told whole.
      const known = after === null || kept?.revision === after;
      // Made ready only when lines are asked of it: while something is dragged most rooms are out of date before that.
      kept = known ? { revision, record: receiveRecord(kept?.record ?? null, record), scene: null } : null;
    },
    cancel: (job) => void cancelled.add(job),
    lines: async ({ job, revision, given, frame }, progress) => {
      // Lets what was sent after this be heard first: a later room or a cancel spares all the work.
      await new Promise<void>((resume) => setTimeout(resume, 0));
      if (cancelled.delete(job)) return { kind: 'cancelled', job };
      if (!kept || kept.revision !== revision) return { kind: 'stale-scene', job };
      try {
        const current = kept;
        const scene = await readied(current, () => progress(job, 0));
        if (cancelled.delete(job)) return { kind: 'cancelled', job };
        // A later room came meanwhile; what was made for this one is not lost on it.
        if (kept !== current) return { kind: 'stale-scene', job };
        const { prepared } = scene;
        progress(job, 0);
        const from = JSON.stringify([given, frame]);
        const steps =
          seen?.from === from
            ? visibleLinesAgain(prepared, setUpFrom(given), frame, seen)
            : visibleLinesExact(prepared, setUpFrom(given), frame);
        let sliceStart = clock();
        for (;;) {
          const step = steps.next();
          if (step.done) {
            // A copy stays here: what is sent may be handed over whole.
            seen = {
              scene: prepared,
              lines: copyOf(step.value),
              from,
              places: seen?.from === from ? seen.places : new WeakMap(),
            };
            return send({ kind: 'lines', job, lines: step.value });
          }
          if (clock() - sliceStart < SLICE_MS) continue;
          progress(job, step.value);
          // Lets a cancel message in between two slices.
          await new Promise<void>((resume) => setTimeout(resume, 0));
          if (cancelled.delete(job)) return { kind: 'cancelled', job };
          sliceStart = clock();
        }
      } catch (error) {
        return { kind: 'failed', job, detail: error instanceof Error ? error.message : 'unknown' };
      }
    },
  };
}
