'use client';
import { useCallback, useDeferredValue, useMemo, useRef, type RefObject } from 'react';
import { useSnackbar } from 'notistack';
import type { Result } from '@/core/base';
import { standWarnings } from '@/core/pipeline';
import type { Id } from '@/core/record';
import type { PicturePoint } from '@/core/space';
import { seenIn, type SetUpError } from '@/core/view';
import { cornersOf, type BoardCommands, type PointerHandlers } from '@/interface/board';
import { useOpenSheet } from '@/interface/frame';
import { useServices } from '@/interface/services';
import {
  keptState,
  ringsOf,
  useKept,
  useSession,
  type Perspective,
  type Rings,
  useWorkedOut,
} from '@/interface/session';
import { tape as tapeSheet, type Taped } from './TapeSheet';
import { usePixelRatio } from './use-pixel-ratio';

/** What one has pointed at: a corner, or a line. */
const LIT = keptState<{ readonly corner: Id | null; readonly line: Id | null }>({ corner: null, line: null });
const TAPE = keptState<Taped>({ plane: 'floor', points: [] });

/** What the stages at the board have in common: what is pointed at, walked along, measured by tape and ringed. */
export interface AtBoard {
  readonly perspective: Perspective | null;
  readonly board: RefObject<BoardCommands | null>;
  readonly screen: { readonly pixelsPerMm: number; readonly holds: boolean } | null;
  readonly litCorner: Id | null;
  readonly litLine: Id | null;
  /** Nothing is pointed at any more. */
  readonly pointAtNothing: () => void;
  readonly pointer: PointerHandlers;
  readonly tape: Taped;
  readonly setTape: (tape: Taped) => void;
  /** Ends of the tape that lies on the paper; null while its sheet is aside. */
  readonly taped: readonly PicturePoint[] | null;
  readonly rings: Rings;
  /** The sheet at true size on this screen, or word why not. */
  readonly trueSize: () => void;
  readonly walkCorners: (by: 1 | -1) => void;
  readonly walkLines: (by: 1 | -1) => void;
  readonly walkPieces: (by: 1 | -1) => void;
}

/** What sheets over the board are given: only where there is something to be seen. */
export interface Seen extends AtBoard {
  readonly perspective: Perspective;
}
export const seenOf = (at: AtBoard): Seen | null => (at.perspective ? { ...at, perspective: at.perspective } : null);

const NOT_MEASURED = 'Measure the screen with a ruler first: under print (I).';
const MEASURED_OTHERWISE =
  'True size does not hold: the browser’s zoom, or the screen, is another than when it was measured. Set the zoom back, or measure again under print (I).';

export function useAtBoard(found: Result<Perspective, SetUpError>): AtBoard {
  const { project, chosen, kept, readOnly, commands, view } = useSession();
  const perspective = found.ok ? found.value : null;
  const board = useRef<BoardCommands | null>(null);
  const [lit, light] = useKept(kept, LIT);
  const [tape, setTape] = useKept(kept, TAPE);
  const { open } = useOpenSheet();
  const measures = open === tapeSheet;
  const screen = useScreen();
  const { enqueueSnackbar } = useSnackbar();
  const warn = (message: string): void => void enqueueSnackbar(message, { variant: 'warning', autoHideDuration: 8000 });
  const pointAt = useCallback(
    (corner: Id | null, line: Id | null): void =>
      light((now) => (now.corner === corner && now.line === line ? now : { corner, line })),
    [light],
  );
  const choose = (pieceId: Id): void => {
    if (readOnly || pieceId === chosen) return;
    const name = project.pieces.find((piece) => piece.id === pieceId)?.name ?? 'a piece';
    commands.change(`Choose ${name}`, { kind: 'choose-piece', viewId: view.id, pieceId });
  };
  /** The next of a list; from nothing, the walk begins at the piece at hand. */
  const walked = (list: readonly { readonly id: Id; readonly body: Id }[], now: Id | null, by: 1 | -1): Id | null => {
    const at =
      now === null
        ? list.findIndex((one) => one.body === chosen) - (by === 1 ? 1 : 0)
        : list.findIndex((one) => one.id === now);
    return list[(at + by + list.length) % list.length]?.id ?? null;
  };
  // A third point of the tape begins anew.
  const putTape = (point: PicturePoint): void =>
    setTape((now) => ({ ...now, points: now.points.length === 2 ? [point] : [...now.points, point] }));
  return {
    ...{ perspective, board, tape, setTape },
    screen,
    taped: measures ? tape.points : null,
    trueSize: () => {
      if (screen?.holds) board.current?.trueSize();
      else warn(screen === null ? NOT_MEASURED : MEASURED_OTHERWISE);
    },
    litCorner: lit.corner,
    litLine: lit.line,
    pointAtNothing: () => pointAt(null, null),
    pointer: {
      moves: ({ corner, line }) => pointAt(corner?.id ?? null, line),
      leaves: () => pointAt(null, null),
      presses: ({ corner, place }, by) => {
        if (measures) {
          if (place) putTape(place);
          return;
        }
        // A mouse has pointed before it presses; a finger points by pressing.
        if (by !== 'mouse') pointAt(corner?.id ?? null, null);
        if (corner && project.pieces.some((piece) => piece.id === corner.bodyId)) choose(corner.bodyId);
      },
    },
    rings: useRings(perspective),
    walkCorners: (by) => {
      if (!perspective) return;
      const list = cornersOf(perspective.scene.bodies).map((corner) => ({ id: corner.id, body: corner.bodyId }));
      pointAt(walked(list, lit.corner, by), null);
    },
    walkLines: (by) => {
      if (perspective) pointAt(null, walked(perspective.scene.prepared.edges, lit.line, by));
    },
    walkPieces: (by) => {
      const { pieces } = seenIn(project, view);
      const at = pieces.findIndex((piece) => piece.id === chosen);
      const next = pieces[(at + by + pieces.length) % pieces.length];
      if (next) choose(next.id);
    },
  };
}

/** The screen as it was measured, and whether that holds: browser zoom or another screen may have come between. */
function useScreen(): AtBoard['screen'] {
  const ratio = usePixelRatio();
  const { screen } = useServices().tools;
  return screen && { pixelsPerMm: screen.pixelsPerMm, holds: Math.abs(screen.ratio - ratio) < 1e-6 };
}

/** Contradictions of the record and warnings of this stand. */
function useRings(perspective: Perspective | null): Rings {
  const { settled, view, style, dragging } = useSession();
  const { findings } = useWorkedOut();
  // A quick picture does not know what is hidden: the warnings wait for the exact one, and for a moment when nothing else is to be drawn.
  const standing = useMemo(
    () => (perspective && !dragging && !perspective.quick ? { perspective, settled, view } : null),
    [perspective, dragging, settled, view],
  );
  const calm = useDeferredValue(standing);
  const warned = useMemo(() => {
    if (!calm) return null;
    const { scene, stand, lines } = calm.perspective;
    return { view: calm.view, warnings: standWarnings(calm.settled, calm.view, scene, stand, lines, style) };
  }, [calm, style]);
  return useMemo(() => ringsOf(settled, findings, warned), [settled, findings, warned]);
}
