'use client';
import { useEffect, useState } from 'react';
import { inPart } from '@/core/base';
import { planLinesInSteps, wholeSceneInSteps, type Scene } from '@/core/pipeline';
import type { Project } from '@/core/record';
import { resolveSetUp } from '@/core/view';
import type { LinesService } from '@/interface/services';
import { currentView, type WorkStore } from '@/state';

/** Pieces up to which a room is made ready at once: a few hundred ms. */
const AT_ONCE_PIECES = 100;
/** How long is worked before the page has its turn, ms. */
const TURN_MS = 40;

/** The scene, and the plan of each body, which is painted as soon as there is one. */
function* allInSteps(project: Project): Generator<number, Scene> {
  const scene = yield* inPart(wholeSceneInSteps(project), 0, 0.7);
  yield* inPart(planLinesInSteps(scene), 0.7, 0.3);
  return scene;
}

export type Readied =
  | { readonly is: 'ready'; readonly scene: Scene | null }
  /** `done` from 0 to 1. */
  | { readonly is: 'readying'; readonly done: number };

/**
 * The scene of a large room as it is opened, made in turns between which the page lives; the worker is at its own already. A small room is ready
 * at once, and its scene made where it is first asked for.
 */
export function useReadied(store: WorkStore, lines: LinesService | null): Readied {
  const [readied, setReadied] = useState<{ readonly of: WorkStore; readonly so: Readied } | null>(null);
  const { pieces } = store.getState().history.present;
  const large = pieces.length > AT_ONCE_PIECES;
  useEffect(() => {
    if (!large) return undefined;
    const { history, desk } = store.getState();
    const project = history.present;
    const view = currentView(project, desk);
    const setUp = resolveSetUp(project, view);
    if (setUp.ok) lines?.ahead({ project, setUp: setUp.value, frame: view.frame });
    const steps = allInSteps(project);
    let timer: ReturnType<typeof setTimeout>;
    const turn = (): void => {
      const until = performance.now() + TURN_MS;
      for (;;) {
        const step = steps.next();
        if (step.done) return setReadied({ of: store, so: { is: 'ready', scene: step.value } });
        if (performance.now() < until) continue;
        setReadied({ of: store, so: { is: 'readying', done: step.value } });
        timer = setTimeout(turn, 0);
        return undefined;
      }
    };
    timer = setTimeout(turn, 0);
    return () => clearTimeout(timer);
  }, [large, store, lines]);
  if (!large) return { is: 'ready', scene: null };
  return readied?.of === store ? readied.so : { is: 'readying', done: 0 };
}
