'use client';
import { startTransition, useEffect, useState } from 'react';
import { inPart } from '@/core/base';
import { planLinesInSteps, wholeSceneInSteps, type Scene } from '@/core/pipeline';
import type { Project } from '@/core/record';
import { contradictionsInSteps } from '@/core/solids';
import { resolveSetUp } from '@/core/view';
import type { LinesService } from '@/interface/services';
import { currentView, type WorkStore } from '@/state';
import { takeTurns } from './take-turns';

/** Pieces up to which a room is made ready at once: a few hundred ms. */
const AT_ONCE_PIECES = 100;

/** The scene, the plan of each body, which is painted as soon as there is one, and what contradicts itself. */
function* allInSteps(project: Project): Generator<number, Scene> {
  const scene = yield* inPart(wholeSceneInSteps(project), 0, 0.6);
  yield* inPart(planLinesInSteps(scene), 0.6, 0.2);
  yield* inPart(contradictionsInSteps(project), 0.8, 0.2);
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
    return takeTurns(
      allInSteps(project),
      // Rendered in turns as well: the first of a large room's screen takes longer than a page may stand still.
      (scene) => startTransition(() => setReadied({ of: store, so: { is: 'ready', scene } })),
      (part) => setReadied({ of: store, so: { is: 'readying', done: part } }),
    );
  }, [large, store, lines]);
  if (!large) return { is: 'ready', scene: null };
  return readied?.of === store ? readied.so : { is: 'readying', done: 0 };
}
