'use client';
import { useEffect, useLayoutEffect, useMemo, useRef, useState, type RefObject } from 'react';
import { useGesture } from '@use-gesture/react';
import type { Id } from '@/core/record';
import { readyContext, SizedPaper } from '@/interface/paper';
import { useServices } from '@/interface/services';
import { useSession, type Perspective } from '@/interface/session';
import { useLook } from '@/interface/theme';
import type { Arrangement } from './arrangement';
import { BoardOverlay } from './BoardOverlay';
import { hasRoom } from './layout';
import { LitEdge } from './LitEdge';
import { cornersOf, viewAt } from './lit';
import { BoardMotion } from './motion';
import { paintBoard, type BoardPainting } from './paint';
import { equalPose, magnify, truePose } from './pose';
import { KeptRows } from './rows';
import { ShownSize } from './ShownSize';
import { pointedAt } from './pointed-at';
import { usePose } from './use-pose';

export interface BoardCommands {
  readonly fit: () => void;
  readonly equalise: () => void;
  /** The sheet at its true size on this screen. */
  readonly trueSize: () => void;
}

interface BoardProps {
  readonly arrangement: Arrangement;
  readonly perspective: Perspective;
  /** CSS pixels to the paper millimetre on this screen, once it has been measured, and whether that holds now. */
  readonly screen: { readonly pixelsPerMm: number; readonly holds: boolean } | null;
  readonly litCorner: Id | null;
  readonly litEdge: Id | null;
  readonly boardRef: RefObject<BoardCommands | null>;
}

/** The paper surface: line work on a canvas, words, handles and what is lit in one SVG above it. */
export function Board(props: BoardProps) {
  const { view } = useSession();
  return <SizedPaper>{(size) => <SizedBoard key={view.id} {...props} {...size} />}</SizedPaper>;
}

/** Wheel and two fingers bring the view under them nearer. */
function useMagnifying(
  surface: RefObject<SVGSVGElement | null>,
  nearer: (factor: number, clientX: number, clientY: number) => void,
): void {
  useGesture(
    {
      onWheel: ({ event, delta: [, dy] }) => {
        event.preventDefault();
        nearer(Math.exp(-dy / 500), event.clientX, event.clientY);
      },
      onPinch: ({ event, delta: [change], origin: [clientX, clientY] }) => {
        event.preventDefault();
        nearer(1 + change, clientX, clientY);
      },
    },
    { target: surface, eventOptions: { passive: false } },
  );
}

/** What the board's canvas and handles do while something is dragged: told how the board lies, and hearing the store by itself. */
function useMotion(): BoardMotion {
  const { store } = useSession();
  const [motion] = useState(() => new BoardMotion());
  useEffect(() => {
    const unsubscribe = store.subscribe((now, before) => {
      if (now.dragged === before.dragged) return;
      if (now.dragged) motion.frame(now.dragged);
      else motion.end();
    });
    return () => {
      unsubscribe();
      motion.end();
    };
  }, [store, motion]);
  return motion;
}

function SizedBoard({
  width,
  height,
  arrangement,
  perspective,
  screen,
  litCorner,
  litEdge,
  boardRef,
}: BoardProps & { readonly width: number; readonly height: number }) {
  const { project, view, chosen, style, dragging, layers } = useSession();
  const { lines: service } = useServices();
  const { look } = useLook();
  const { scene, stand, drawing } = perspective;
  const { setUp, setOut } = stand;
  const shareOut = arrangement.layout;
  const layout = useMemo(() => shareOut(width, height), [shareOut, width, height]);
  const { pose, setPose, fit } = usePose(arrangement, { layout, view, setUp, scene });
  useEffect(() => {
    boardRef.current = {
      fit,
      // A view alone on the paper has none to be as large as.
      equalise: () => {
        if (hasRoom(layout.plan) && hasRoom(layout.picture)) setPose(equalPose(pose, layout, setUp, scene.bodies));
      },
      trueSize: () => {
        if (screen?.holds && hasRoom(layout.picture)) setPose(truePose(layout, view, screen.pixelsPerMm));
      },
    };
  });
  const [rows] = useState(() => new KeptRows());
  const motion = useMotion();
  const surface = useRef<SVGSVGElement>(null);
  const canvas = useRef<HTMLCanvasElement>(null);
  useLayoutEffect(() => {
    // While something is dragged the board is painted by its motion.
    if (motion.active) return;
    const { painters } = arrangement;
    const painting = { layout, look, scene, chosen, rows, painters };
    motion.lies({
      ...{ project, view, perspective, layout, pose, chosen, service, painting, arrangement },
      laid: layers,
      canvas: canvas.current,
      surface: surface.current,
    });
    const ctx = readyContext(canvas.current, width, height);
    const now: BoardPainting = { ...painting, pose, view, setUp, setOut, drawing, dragging };
    if (ctx) paintBoard(ctx, now, window.devicePixelRatio || 1);
  });
  const onSurface = ({ clientX, clientY }: { readonly clientX: number; readonly clientY: number }) => {
    const box = surface.current?.getBoundingClientRect();
    return { x: clientX - (box?.left ?? 0), y: clientY - (box?.top ?? 0) };
  };
  useMagnifying(surface, (factor, clientX, clientY) => {
    const { x, y } = onSurface({ clientX, clientY });
    const which = viewAt(layout, x, y);
    if (which) setPose(magnify(pose, which, factor, x, y));
  });
  const corners = useMemo(() => cornersOf(scene.bodies), [scene]);
  const pointed = (event: { readonly clientX: number; readonly clientY: number }) =>
    pointedAt({ layout, pose, view, perspective, corners, dragging }, onSurface(event));
  const still = { project, view, setUp, setOut, pose };
  const { pointer } = arrangement;
  return (
    <>
      <canvas
        ref={canvas}
        data-testid="board-canvas"
        aria-hidden="true"
        style={{ position: 'absolute', inset: 0, width, height }}
      />
      <svg
        ref={surface}
        width={width}
        height={height}
        role="group"
        aria-label="The board"
        data-testid="board"
        style={{ position: 'absolute', inset: 0, touchAction: 'none' }}
        onPointerMove={(event) => {
          if (event.buttons === 0) pointer.moves(pointed(event));
        }}
        onPointerLeave={pointer.leaves}
        onPointerDown={(event) => {
          if (event.target !== event.currentTarget) return;
          pointer.presses(pointed(event), event.pointerType === 'mouse' ? 'mouse' : 'touch');
        }}
      >
        <defs>
          {(['plan', 'side', 'picture'] as const).map((name) => (
            <clipPath key={name} id={`clip-${name}`}>
              <rect {...layout[name]} />
            </clipPath>
          ))}
        </defs>
        {hasRoom(layout.picture) ? <ShownSize layout={layout} pose={pose} screen={screen} look={look} /> : null}
        <BoardOverlay
          {...{ motion, still, layout, words: arrangement.words }}
          corner={litCorner === null ? undefined : corners.find((one) => one.id === litCorner)}
        />
        {arrangement.over({ ...still, layout, look, style, motion, setPose })}
        {litEdge !== null && !dragging ? (
          <LitEdge
            edge={litEdge}
            perspective={perspective}
            pose={pose}
            linked={hasRoom(layout.plan) || hasRoom(layout.side)}
            colour={look.ink}
          />
        ) : null}
      </svg>
    </>
  );
}
