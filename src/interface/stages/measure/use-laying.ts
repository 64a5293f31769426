'use client';
import type { RefObject } from 'react';
import { dot2, type Vector2 } from '@/core/geometry';
import { wallRuns, type Change, type Id, type Project, type Size, type Space, type WallRun } from '@/core/record';
import { kindOf, openingKindOf } from '@/core/solids';
import { formatBareLength } from '@/core/units';
import { useOpenSheet } from '@/interface/frame';
import { keptState, useKept, useSession } from '@/interface/session';
import { drawnRoom, layingOf, newSpaceId, usualCeiling } from './lay-room';
import type { MeasureCommands } from './MeasureBoard';
import { outline } from './OutlineSheet';
import { wallOfChosen } from './places';
import { openingFromTemplate, pieceFromTemplate, surfaceFromTemplate } from './place-template';
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

/** The wall of a level that a point of the plan lies nearest to. */
function wallNear(project: Project, levelId: Id, point: Vector2): WallRun | undefined {
  const away = (run: WallRun): number => {
    const from = { x: point.x - run.start.x, y: point.y - run.start.y };
    const along = Math.min(run.lengthMm, Math.max(0, dot2(from, run.run)));
    return Math.hypot(from.x - run.run.x * along, from.y - run.run.y * along);
  };
  return project.spaces
    .filter((space) => space.levelId === levelId)
    .flatMap((space) => wallRuns(space))
    .map((run) => ({ run, away: away(run) }))
    .sort((a, b) => a.away - b.away)[0]?.run;
}

/** What a template makes: a piece where it was let go, an opening or a pattern in the wall nearest to there, else in the chosen wall. */
function fromTemplate(
  project: Project,
  template: Template,
  { first, levelId }: Chosen,
  point: Vector2 | null,
  print: (mm: number) => string,
): { readonly id: Id; readonly label: string; readonly change: Change } | null {
  const chosenWall = wallOfChosen(project, first);
  if (template.what === 'piece') {
    const made = pieceFromTemplate(project, template.kind, levelId, point, chosenWall, print);
    return made && { id: made.id, label: `Put in ${made.name}`, change: { kind: 'add-piece', piece: made } };
  }
  const onLevel = project.spaces.filter((space) => space.levelId === levelId);
  const home = onLevel.find((space) => space.id === first) ?? onLevel[0] ?? project.spaces[0];
  const wall = (point && wallNear(project, levelId, point)) ?? chosenWall ?? (home ? wallRuns(home)[0] : undefined);
  if (!wall) return null;
  if (template.what === 'opening') {
    const kind = openingKindOf(template.kind);
    const made = kind && openingFromTemplate(project, kind, wall, point, print);
    return made ? { id: made.id, label: `Put in ${made.name}`, change: { kind: 'add-opening', opening: made } } : null;
  }
  const made = surfaceFromTemplate(project, template.kind, wall, print);
  return made && { id: made.id, label: `Lay ${made.name}`, change: { kind: 'add-surface', surface: made } };
}
