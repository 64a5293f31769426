'use client';
import { startTransition, useEffect, useMemo, useState } from 'react';
import { drain, err, inPart, ok, type Result } from '@/core/base';
import { changedFault } from '@/core/formats/project';
import { planLinesInSteps, sceneOf, wholeSceneInSteps, type Scene } from '@/core/pipeline';
import { correctSize, findSizesInSteps, mmOf, type Project } from '@/core/record';
import { contradictionsInSteps } from '@/core/solids';
import { resolveSetUp } from '@/core/view';
import type { LinesService } from '@/interface/services';
import { currentView, type WorkStore } from '@/state';
import { takeTurns } from './take-turns';

/** Pieces from which one is told how far a room is: a smaller one is ready within a few turns. */
const TOLD_PIECES = 100;

/** The scene, the plan of each body, which is painted as soon as there is one, what contradicts itself, and where each size stands. */
function* allInSteps(project: Project): Generator<number, Scene> {
  const scene = yield* inPart(wholeSceneInSteps(project), 0, 0.6);
  yield* inPart(planLinesInSteps(scene), 0.6, 0.2);
  yield* inPart(contradictionsInSteps(project), 0.8, 0.19);
  yield* inPart(findSizesInSteps(project), 0.99, 0.01);
  tryAnEdit(project, scene);
  return scene;
}

/** Goes once through what an edit asks for, and keeps nothing of it: the first that somebody makes is then no slower than the next. */
function tryAnEdit(project: Project, scene: Scene): void {
  const size = project.pieces[0]?.width;
  if (!size) return;
  const mm = mmOf(size) + 1;
  const edited = correctSize(project, size.id, { mm, asTyped: String(mm) });
  if (!edited.ok || changedFault(project, edited.value) !== null) return;
  drain(planLinesInSteps(sceneOf(edited.value, scene)));
}

/** What is thrown in a turn of its own no boundary would see: it is handed on to be thrown again where one does. */
function* caught<T>(steps: Generator<number, T>): Generator<number, Result<T, unknown>> {
  try {
    return ok(yield* steps);
  } catch (why) {
    return err(why);
  }
}

export type Readied =
  | { readonly is: 'ready'; readonly scene: Scene }
  /** `done` from 0 to 1; null of what is done soon. */
  | { readonly is: 'readying'; readonly done: number | null };

interface Fallen {
  readonly is: 'fallen';
  readonly why: unknown;
}

/**
 * The scene of a room as it is opened, made in turns between which the page lives; of a large one the worker is at its own already.
 */
export function useReadied(store: WorkStore, lines: LinesService | null): Readied {
  const [readied, setReadied] = useState<{ readonly of: WorkStore; readonly so: Readied | Fallen } | null>(null);
  // As it is opened: what is put in later is made ready by the way.
  const large = useMemo(() => store.getState().history.present.pieces.length > TOLD_PIECES, [store]);
  useEffect(() => {
    const { history, desk } = store.getState();
    const project = history.present;
    const view = currentView(project, desk);
    const setUp = resolveSetUp(project, view);
    if (large && setUp.ok) lines?.ahead({ project, setUp: setUp.value, frame: view.frame });
    return takeTurns(
      caught(allInSteps(project)),
      // Rendered in turns as well: the first of a room's screen takes longer than a page may stand still.
      (made) =>
        startTransition(() =>
          setReadied({
            of: store,
            so: made.ok ? { is: 'ready', scene: made.value } : { is: 'fallen', why: made.error },
          }),
        ),
      (part) => (large ? setReadied({ of: store, so: { is: 'readying', done: part } }) : undefined),
    );
  }, [large, store, lines]);
  const so = readied?.of === store ? readied.so : null;
  if (so?.is === 'fallen') throw so.why;
  return so ?? { is: 'readying', done: large ? 0 : null };
}
