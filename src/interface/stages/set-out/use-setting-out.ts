'use client';
import { useCallback } from 'react';
import type { Held } from '@/core/view';
import { useAtBoard, type AtBoard } from '@/interface/at-board';
import { keptState, useKept, useSession, useWorkedOut } from '@/interface/session';
import { usualGrid } from '@/core/pipeline';

/** What stays where it is while a point on the horizon is dragged. */
const HELD = keptState<Held>('partner');
/** What a change moved besides itself: told until the next change. */
const TOLD = keptState<{ readonly sentences: readonly string[]; readonly on: unknown } | null>(null);
const NOTHING: readonly string[] = [];

export interface SettingOut extends AtBoard {
  readonly held: Held;
  readonly hold: (held: Held) => void;
  readonly told: readonly string[];
  readonly tell: (sentences: readonly string[]) => void;
  readonly toggleGrid: () => void;
}

export function useSettingOut(): SettingOut {
  const { store, commands, project, settled, view, kept, readOnly } = useSession();
  const { perspective } = useWorkedOut();
  const at = useAtBoard(perspective);
  const [held, hold] = useKept(kept, HELD);
  const [told, setTold] = useKept(kept, TOLD);
  const tell = useCallback(
    (sentences: readonly string[]) => setTold({ sentences, on: store.getState().history.present }),
    [store, setTold],
  );
  return {
    ...at,
    held,
    hold,
    told: told?.on === settled ? told.sentences : NOTHING,
    tell,
    toggleGrid: () => {
      if (readOnly) return;
      commands.change(view.grid ? 'Take the grid off' : 'Lay a grid', {
        kind: 'change-view',
        viewId: view.id,
        fields: { grid: view.grid ? null : usualGrid(project.units) },
      });
    },
  };
}
