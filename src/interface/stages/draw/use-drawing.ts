'use client';
import { useMemo } from 'react';
import { useStore } from 'zustand';
import type { Result } from '@/core/base';
import type { ConstructionPlan } from '@/core/construction';
import type { Drawing } from '@/core/drawing';
import { constructionOf, sheetOf, type Construction, type ConstructionRefusal } from '@/core/pipeline';
import type { SetUpError } from '@/core/view';
import { useAtBoard, type AtBoard } from '@/interface/at-board';
import { useSession, type Perspective } from '@/interface/session';

/** The step at hand, and what is constructed up to it. */
export interface DrawnStep {
  readonly construction: Construction;
  readonly plan: ConstructionPlan;
  /** 1 and up. */
  readonly step: number;
}

export interface Drawn extends AtBoard {
  /** Null while there is nothing to construct. */
  readonly drawn: DrawnStep | null;
  /** Why there is nothing to construct, where a piece is chosen and the view stands. */
  readonly refusal: string | null;
  readonly goTo: (step: number | 'first' | 'last' | 'next' | 'before') => void;
}

/** The chosen piece constructed step by step: what lies on the paper by the step at hand. */
export function useDrawing(): Drawn {
  const { store, commands, settled, view, chosen, layers, perspective } = useSession();
  const wanted = useStore(store, (state) => Math.max(1, state.desk.steps[view.id] ?? 1));
  const seen = perspective.ok ? perspective.value : null;
  const construction = useMemo((): Result<Construction, ConstructionRefusal> | null => {
    if (!seen || chosen === null) return null;
    return constructionOf(settled, view, chosen, seen.scene, seen.stand, seen.lines);
  }, [seen, chosen, settled, view]);
  const made = construction?.ok ? construction.value : null;
  const shown = useMemo((): Result<Perspective, SetUpError> => {
    if (!perspective.ok || !made) return perspective;
    const { scene, stand, lines, quick } = perspective.value;
    let drawing: Drawing | null = null;
    return {
      ok: true,
      value: {
        ...{ scene, stand, lines, quick },
        get drawing() {
          const steps = { ...made, steps: wanted };
          return (drawing ??= sheetOf(settled, view, scene, stand, lines, chosen, steps, layers));
        },
      },
    };
  }, [perspective, made, wanted, settled, view, chosen, layers]);
  const at = useAtBoard(shown);
  const drawn = made && { construction: made, plan: made.plan, step: Math.min(wanted, made.plan.steps.length) };
  const goTo: Drawn['goTo'] = (to) => {
    if (!drawn) return;
    const last = drawn.plan.steps.length;
    const places = { first: 1, last, next: drawn.step + 1, before: drawn.step - 1 };
    commands.goToStep(Math.min(last, Math.max(1, typeof to === 'number' ? to : places[to])));
  };
  return { ...at, drawn, refusal: construction && !construction.ok ? construction.error.message : null, goTo };
}
