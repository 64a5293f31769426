'use client';
import type { RefObject } from 'react';
import { type Vector2 } from '@/core/geometry';
import { type Id, type Size, type Space } from '@/core/record';
import { kindOf } from '@/core/solids';
import { formatBareLength } from '@/core/units';
import { useOpenSheet } from '@/interface/frame';
import { keptState, useKept, useSession } from '@/interface/session';
import { fromTemplate } from './from-template';
import { drawnRoom, layingOf, newSpaceId, usualCeiling } from './lay-room';
import type { MeasureCommands } from './MeasureBoard';
import { outline } from './OutlineSheet';
import type { Template } from './TemplateSheet';
import type { Chosen } from './use-chosen';

/** Corners of walls that are being drawn on the plan. */
const DRAWN = keptState<readonly Vector2[] | null>(null);

/** How something new comes into the record: rooms by their walls, everything else from the template sheet. */
export interface Laying {
  readonly drawing: readonly Vector2[] | null;
  readonly setDrawing: (corners: readonly Vector2[] | null) => void;
  /** Corners as they are pressed on the plan; the last closes the room. */
  readonly draw: (corners: readonly Vector2[], closes: boolean) => void;
  readonly lay: (space: Space, how: 'share' | 'as-typed') => void;
  readonly newSpaceId: () => Id;
  readonly ceilingFor: (spaceId: Id) => Size;
  /** Sets a template down where it was let go, or where there is room. */
  readonly put: (template: Template, at: { readonly clientX: number; readonly clientY: number } | null) => void;
}

export function useLaying(chosen: Chosen, board: RefObject<MeasureCommands | null>): Laying {
  const { project, commands, readOnly, style, kept } = useSession();
  const { layAside, lay: layOver } = useOpenSheet();
  const [drawing, setDrawing] = useKept(kept, DRAWN);
  const print = (mm: number): string => formatBareLength(mm, style);
  const lay = (space: Space, how: 'share' | 'as-typed'): void => {
    commands.change('Lay the walls', layingOf(project, space, how));
    chosen.pick([space.id]);
    layAside();
    setDrawing(null);
  };
  return {
    drawing,
    setDrawing,
    lay,
    newSpaceId: () => newSpaceId(project),
    ceilingFor: (spaceId) => usualCeiling(project, spaceId, print),
    draw: (corners, closes) => {
      if (!closes) return setDrawing(corners);
      const room = drawnRoom(project, chosen.levelId, corners, print);
      if (room) lay(room, 'as-typed');
    },
    put: (template, at) => {
      if (readOnly) return;
      const point = at ? (board.current?.planAt(at.clientX, at.clientY) ?? null) : null;
      if (at && !point) return;
      const made = fromTemplate(project, template, chosen, point, print);
      if (!made) return;
      commands.change(made.label, made.change);
      chosen.pick([made.id]);
      if (kindOf(template.kind)?.id === 'block') layOver(outline);
    },
  };
}
