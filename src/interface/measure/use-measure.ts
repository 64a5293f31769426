'use client';
import { useRef, useState, type RefObject } from 'react';
import { bearingOf, dot2, type Vector2 } from '@/core/geometry';
import {
  copyPieces,
  duplicatePiece,
  freshId,
  mmOf,
  newSize,
  outlineOf,
  pastePieces,
  PLAIN_SPACE,
  typedWalls,
  USUAL_UNCERTAINTY_MM,
  wallRuns,
  type Clipping,
  type Id,
  type Project,
  type Space,
  type View,
  several,
  type Change,
} from '@/core/record';
import { kindOf, openingKindOf } from '@/core/solids';
import { formatBareLength } from '@/core/units';
import type { LengthStyle } from '@/core/units';
import type { Commands } from '@/state';
import type { RowWanted } from './ArrangeWords';
import type { MeasureCommands } from './MeasureBoard';
import { levelOfChosen, wallOfChosen } from './places';
import { freeName, idsOf, openingFromTemplate, pieceFromTemplate, surfaceFromTemplate, walkOf } from './place-template';
import type { Template } from './TemplateSheet';

export type MeasurePaper = 'none' | 'templates' | 'walls' | 'sizes' | 'outline';

/** What one does in Measure besides dragging: the chosen things, the sheets, and the commands over them. */
export function useMeasure(
  project: Project,
  view: View,
  style: LengthStyle,
  commands: Commands,
  readOnly: boolean,
  dragging: boolean,
  board: RefObject<MeasureCommands | null>,
) {
  const print = (mm: number): string => formatBareLength(mm, style);
  const [picked, setPicked] = useState<readonly Id[]>([]);
  const [paper, setPaper] = useState<MeasurePaper>('none');
  const [side, setSide] = useState<'front' | 'side'>('front');
  const [drawing, setDrawing] = useState<readonly Vector2[] | null>(null);
  const clipping = useRef<Clipping>({ pieces: [] });
  const all = new Set(walkOf(project));
  // What was chosen and is gone, by undo or by taking it out, is no longer chosen; a room is always there to fall back on.
  const known = picked.filter((id) => all.has(id));
  const chosen: readonly Id[] = known.length > 0 ? known : project.spaces[0] ? [project.spaces[0].id] : [];
  const first = chosen[0] ?? null;
  const levelId = levelOfChosen(project, first, view.levelId);
  const piece = project.pieces.find((one) => one.id === first);
  const [row, setRow] = useState<RowWanted | null>(null);
  const rowNow: RowWanted = row ?? {
    count: 3,
    spacing: piece ? Math.ceil(mmOf(piece.width) / 50) * 50 + 100 : 600,
    along: 'width',
  };

  const choose = (id: Id | null, more: boolean): void => {
    if (id === null) setPicked([]);
    else if (more)
      setPicked(
        chosen.includes(id)
          ? chosen.filter((one) => one !== id)
          : [...chosen.filter((one) => project.pieces.some((p) => p.id === one)), id],
      );
    else setPicked([id]);
    setRow(null);
  };
  const walk = (by: 1 | -1): void => {
    const list = walkOf(project);
    const now = first === null ? -1 : list.indexOf(first);
    const next = list[(now + by + list.length) % list.length];
    if (next !== undefined) choose(next, false);
  };
  const walkPieces = (by: 1 | -1): void => {
    const list = project.pieces.map((one) => one.id);
    const now = list.indexOf(first ?? '');
    const next = list[(now + by + list.length) % list.length];
    if (next !== undefined) choose(next, false);
  };
  const put = (template: Template, at: { readonly clientX: number; readonly clientY: number } | null): void => {
    if (readOnly) return;
    const point = at ? (board.current?.planAt(at.clientX, at.clientY) ?? null) : null;
    if (at && !point) return;
    const spaces = project.spaces.filter((space) => space.levelId === levelId);
    const near = point
      ? spaces
          .flatMap((space) => wallRuns(space))
          .map((run) => {
            const along = Math.min(
              run.lengthMm,
              Math.max(0, dot2({ x: point.x - run.start.x, y: point.y - run.start.y }, run.run)),
            );
            return {
              run,
              away: Math.hypot(point.x - run.start.x - run.run.x * along, point.y - run.start.y - run.run.y * along),
            };
          })
          .sort((a, b) => a.away - b.away)[0]?.run
      : undefined;
    const chosenWall = wallOfChosen(project, first);
    const home = spaces.find((space) => space.id === first) ?? spaces[0] ?? project.spaces[0];
    const wall = near ?? chosenWall ?? (home ? wallRuns(home)[0] : undefined);
    if (template.what === 'piece') {
      const made = pieceFromTemplate(project, template.kind, levelId, point, chosenWall, print);
      if (!made) return;
      commands.change(`Put in ${made.name}`, { kind: 'add-piece', piece: made });
      setPicked([made.id]);
    } else if (template.what === 'opening' && wall) {
      const kind = openingKindOf(template.kind);
      if (!kind) return;
      const made = openingFromTemplate(project, kind, wall, point, print);
      commands.change(`Put in ${made.name}`, { kind: 'add-opening', opening: made });
      setPicked([made.id]);
    } else if (template.what === 'surface' && wall) {
      const made = surfaceFromTemplate(project, template.kind, wall, print);
      if (!made) return;
      commands.change(`Lay ${made.name}`, { kind: 'add-surface', surface: made });
      setPicked([made.id]);
    }
    setRow(null);
    if (kindOf(template.kind)?.id === 'block') setPaper('outline');
  };
  const pieces = chosen.filter((id) => project.pieces.some((one) => one.id === id));
  const each = (label: string, change: (id: Id) => Change): void => {
    if (!readOnly && pieces.length > 0) commands.change(label, several(pieces.map(change)));
  };
  const remove = (): void => {
    if (!readOnly && known.length > 0) commands.change('Take out', { kind: 'remove-things', ids: known });
  };
  const duplicate = (): void => {
    if (readOnly || pieces.length === 0) return;
    const made = pieces.map((id) => duplicatePiece(project, id, print));
    const only = made[0];
    each('Duplicate', (pieceId) => ({ kind: 'duplicate-piece', pieceId }));
    if (only && made.length === 1) setPicked([only.id]);
  };
  const lay = (space: Space, how: 'share' | 'as-typed'): void => {
    const empty =
      project.openings.length === 0 &&
      project.pieces.length === 0 &&
      project.surfaces.length === 0 &&
      project.spaces.length === 1;
    const laid: Change = empty
      ? { kind: 'lay-first-room', space }
      : { kind: 'add-space', space: beside(project, space) };
    commands.change(
      'Lay the walls',
      how === 'share' ? several([laid, { kind: 'share-closing-error', spaceId: space.id }]) : laid,
    );
    setPicked([space.id]);
    setPaper('none');
    setDrawing(null);
  };
  const newSpaceId = (): Id =>
    project.openings.length + project.pieces.length + project.surfaces.length === 0 && project.spaces.length === 1
      ? (project.spaces[0]?.id ?? 'room')
      : freshId('room', idsOf(project));
  const ceilingFor = (spaceId: Id) => {
    const mm = mmOf(
      project.spaces[0]?.ceilingHeight ?? newSize('', { mm: 2500, asTyped: '', source: 'usual', uncertaintyMm: 30 }),
    );
    return newSize(`${spaceId}/ceiling-height`, {
      mm,
      asTyped: print(mm),
      source: 'usual',
      uncertaintyMm: USUAL_UNCERTAINTY_MM.usual,
    });
  };
  /** Walls drawn on the plan: clockwise whichever way they were drawn. */
  const draw = (corners: readonly Vector2[], closes: boolean): void => {
    if (!closes) {
      setDrawing(corners);
      return;
    }
    let twice = 0;
    corners.forEach((p, i) => {
      const q = corners[(i + 1) % corners.length] ?? p;
      twice += p.x * q.y - q.x * p.y;
    });
    const clockwise = twice < 0 ? corners : [...corners].reverse();
    const sides = clockwise.map((p, i) => {
      const q = clockwise[(i + 1) % clockwise.length] ?? p;
      return { mm: Math.hypot(q.x - p.x, q.y - p.y), bearing: bearingOf({ x: q.x - p.x, y: q.y - p.y }) };
    });
    const spaceId = newSpaceId();
    const start = clockwise[0];
    if (!start) return;
    const walls = typedWalls(
      spaceId,
      ((sides[0]?.bearing ?? 0) + 360) % 360,
      sides.map((one, i) => ({
        mm: one.mm,
        asTyped: print(one.mm),
        turnDeg: i === 0 ? 0 : one.bearing - (sides[i - 1]?.bearing ?? 0),
        source: 'estimated' as const,
      })),
    );
    lay(
      {
        ...PLAIN_SPACE,
        id: spaceId,
        name: freeName(project, 'Room'),
        levelId,
        origin: { x: start.x, y: start.y },
        walls,
        ceilingHeight: ceilingFor(spaceId),
      },
      'as-typed',
    );
  };
  return {
    chosen,
    first,
    dragging,
    levelId,
    side,
    paper,
    drawing,
    row: rowNow,
    setRow,
    setPaper,
    setDrawing,
    choose,
    walk,
    walkPieces,
    put,
    remove,
    duplicate,
    lay,
    draw,
    newSpaceId,
    ceilingFor,
    turnSide: () => setSide(side === 'front' ? 'side' : 'front'),
    repeat: () => {
      if (!readOnly && piece)
        commands.change('Repeat in a row', { kind: 'repeat-piece', pieceId: piece.id, ...rowNow });
    },
    /** Keeps what is chosen and chooses the next piece too: how several are chosen by key. */
    chooseToo: () => {
      const list = project.pieces.map((one) => one.id);
      const last = list.indexOf(pieces.at(-1) ?? '');
      for (let step = 1; step <= list.length; step += 1) {
        const next = list[(last + step) % list.length];
        if (next === undefined || pieces.includes(next)) continue;
        setPicked([...pieces, next]);
        return;
      }
    },
    mirror: () => each('Mirror', (pieceId) => ({ kind: 'mirror-piece', pieceId })),
    align: (wallId: Id, what: 'near' | 'middle' | 'far') => {
      if (!readOnly) commands.change('Align', { kind: 'align-pieces', pieceIds: pieces, wallId, what });
    },
    alignNear: () => {
      const wallId = piece?.place.from[0].wallId;
      if (!readOnly && wallId !== undefined && pieces.length > 1)
        commands.change('Align', { kind: 'align-pieces', pieceIds: pieces, wallId, what: 'near' });
    },
    copy: () => {
      if (pieces.length > 0) clipping.current = copyPieces(project, pieces);
    },
    paste: () => {
      if (readOnly) return;
      const { ids } = pastePieces(project, clipping.current, print);
      commands.change('Paste', { kind: 'paste-pieces', pieces: clipping.current.pieces });
      if (ids.length > 0) setPicked(ids);
    },
  };
}

export type Measuring = ReturnType<typeof useMeasure>;

/** A further room is laid down to the right of those there are, a wall's thickness away; its place can be typed. */
function beside(project: Project, space: Space): Space {
  if (space.origin.x !== 0 || space.origin.y !== 0) return { ...space, name: freeName(project, 'Room') };
  const right = Math.max(...project.spaces.flatMap((one) => outlineOf(one).corners.map((corner) => corner.at.x)));
  const left = Math.min(...outlineOf(space).corners.map((corner) => corner.at.x));
  return { ...space, name: freeName(project, 'Room'), origin: { x: right + 150 - left, y: 0 } };
}
