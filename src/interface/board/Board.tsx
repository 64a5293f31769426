'use client';
import { type LinesService } from '@/interface/services';
import { KeptRows } from './rows';
import { BoardMotion } from './motion';
import { BoardOverlay } from './BoardOverlay';
import { useEffect, useLayoutEffect, useMemo, useRef, useState, type PointerEvent, type RefObject } from 'react';
import Box from '@mui/material/Box';
import { useGesture } from '@use-gesture/react';
import { lengthStyleOf, type Id, type Project, type View } from '@/core/record';
import { gridLayer, StrokeIndex, type LayersLaid, type Drawing } from '@/core/drawing';
import type { PicturePoint } from '@/core/space';
import { FIGURE_OUTLINE, figureSizes, projectPoint, type Held } from '@/core/view';
import { useLook } from '@/interface/theme';
import { type Commands, type WorkStore } from '@/state';
import { Handles } from './Handles';
import { drawingLayout, linkedLayout, setOutLayout, type BoardLayout } from './layout';
import { LitEdge } from './LitEdge';
import { cornersOf, pickCorner, viewAt } from './lit';
import { paintBoard } from './paint';
import {
  equalPose,
  fitBoardPose,
  fitPose,
  fitSheetPose,
  magnify,
  onStillBoard,
  pictureFromScreen,
  truePose,
  type Pose,
} from './pose';
import { GuessMarks } from './GuessMarks';
import { SetOutHandles } from './SetOutHandles';
import { ShownSize } from './ShownSize';
import { Straightedge } from './Straightedge';
import { Tape } from './Tape';
import type { Perspective } from './use-perspective';

export interface BoardCommands {
  readonly fit: () => void;
  readonly equalise: () => void;
  /** The sheet at its true size on this screen. */
  readonly trueSize: () => void;
}

interface BoardProps {
  readonly project: Project;
  readonly view: View;
  readonly perspective: Perspective;
  readonly stage: 'stand' | 'set-out' | 'draw';
  /** CSS pixels to the paper millimetre on this screen, once it has been measured, and whether that holds now. */
  readonly screen: { readonly pixelsPerMm: number; readonly holds: boolean } | null;
  /** What stays while a point on the horizon is dragged. */
  readonly held: Held;
  /** Told what a handle moved besides itself. */
  readonly tell: (sentences: readonly string[]) => void;
  readonly chosen: Id | null;
  readonly step: number | null;
  readonly litCorner: Id | null;
  readonly litEdge: Id | null;
  readonly light: (cornerId: Id | null) => void;
  readonly lightEdge: (edgeId: Id | null) => void;
  /** Two points of the picture between which a tape is laid, as many as there are; and what a press on the picture does with it. */
  readonly tape: { readonly points: readonly PicturePoint[]; readonly put: (point: PicturePoint) => void } | null;
  readonly choose: (pieceId: Id) => void;
  readonly commands: Commands;
  readonly rings: readonly { readonly about: Id | null }[];
  readonly readOnly: boolean;
  readonly dragging: boolean;
  readonly boardRef: RefObject<BoardCommands | null>;
  readonly store: WorkStore;
  readonly laid: LayersLaid | undefined;
  readonly service: LinesService | null;
}

/** Strokes laid out to be pointed at: made when one first points, for a drawing that is only passed through is never pointed at. */
const indices = new WeakMap<Drawing, StrokeIndex>();
function strokesOf(drawing: Drawing): StrokeIndex {
  let index = indices.get(drawing);
  if (!index) indices.set(drawing, (index = new StrokeIndex(drawing)));
  return index;
}

function useSize(): readonly [RefObject<HTMLDivElement | null>, { width: number; height: number } | null] {
  const ref = useRef<HTMLDivElement>(null);
  const [size, setSize] = useState<{ width: number; height: number } | null>(null);
  useLayoutEffect(() => {
    const element = ref.current;
    if (!element) return undefined;
    const measure = (): void => setSize({ width: element.clientWidth, height: element.clientHeight });
    measure();
    const observer = new ResizeObserver(measure);
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  return [ref, size];
}

/** The paper surface: line work on a canvas, words, handles and what is lit in one SVG above it. */
export function Board(props: BoardProps) {
  const [ref, size] = useSize();
  return (
    <Box ref={ref} sx={{ position: 'relative', flex: 1, minHeight: 0, minWidth: 0, overflow: 'hidden' }}>
      {size && size.width > 0 && size.height > 0 ? (
        <SizedBoard key={`${props.view.id}/${props.stage}`} {...props} width={size.width} height={size.height} />
      ) : null}
    </Box>
  );
}

function SizedBoard({ width, height, ...props }: BoardProps & { readonly width: number; readonly height: number }) {
  const {
    project,
    view,
    perspective,
    stage,
    chosen,
    step,
    litCorner,
    litEdge,
    lightEdge,
    tape,
    light,
    choose,
    commands,
    rings,
    readOnly,
    dragging,
    boardRef,
    screen,
    held,
    tell,
    store,
    laid,
    service,
  } = props;
  const { look } = useLook();
  const { scene, stand } = perspective;
  const { setUp, setOut } = stand;
  const laysOut = stage === 'set-out';
  const layout = useMemo(
    () =>
      stage === 'stand'
        ? linkedLayout(width, height)
        : stage === 'set-out'
          ? setOutLayout(width, height)
          : drawingLayout(width, height),
    [stage, width, height],
  );
  const { construction, drawing } = perspective;
  // Marks that are made, not the points on the horizon: those may lie a metre away and have arrows at the edge.
  const made =
    stage === 'draw' && construction?.ok
      ? construction.value.plan.steps
          .filter((one) => one.part !== 'set-out')
          .flatMap((one) =>
            one.operations.flatMap((op) => ('mark' in op ? [construction.value.drafted.marks.get(op.mark)] : [])),
          )
      : [];
  const fitted = (): Pose =>
    stage === 'set-out'
      ? fitBoardPose(layout, view)
      : fitPose(
          layout,
          view,
          setUp,
          scene.bodies,
          made.filter((mark) => mark !== undefined),
        );
  const [posed, setPosed] = useState<{ layout: BoardLayout; pose: Pose; view: View }>(() => ({
    layout,
    pose: fitted(),
    view,
  }));
  // A new size of the window is a new sheet of paper; nothing else refits by itself.
  const kept = posed.layout === layout ? posed.pose : fitted();
  // In Set out the board lies still, and the centre of vision moves on it with everything that is drawn about it.
  const pose = laysOut && posed.layout === layout ? onStillBoard(kept, posed.view, view) : kept;
  const setPose = (next: Pose): void => setPosed({ layout, pose: next, view });
  useEffect(() => {
    boardRef.current = {
      // In Set out the same key goes from the board to the sheet alone, and back.
      fit: () => {
        const board = fitted();
        setPose(laysOut && board.pictureScale === pose.pictureScale ? fitSheetPose(layout, view) : board);
      },
      equalise: () => setPose(equalPose(pose, layout, setUp, scene.bodies)),
      trueSize: () => {
        if (screen?.holds) setPose(truePose(layout, view, screen.pixelsPerMm));
      },
    };
  });

  // Worked out again when a drag is over: it needs the visible lines of the whole room.
  const grid = useMemo(
    () => (laysOut && view.grid && !dragging ? gridLayer(project, view, setUp, scene.bodies) : null),
    [laysOut, dragging, project, view, setUp, scene],
  );
  const onBoard = useMemo(() => (laysOut ? { setOut, grid } : null), [laysOut, setOut, grid]);
  const figure = useMemo(() => {
    const size = figureSizes(project.units).find((one) => one.figure === view.figure);
    return size && stage === 'stand'
      ? FIGURE_OUTLINE[size.figure].map(([x, y]) => [x * size.tall, y * size.tall] as const)
      : null;
  }, [project.units, view.figure, stage]);
  const [rows] = useState(() => new KeptRows());
  const [motion] = useState(() => new BoardMotion());
  const surface = useRef<SVGSVGElement>(null);
  const canvas = useRef<HTMLCanvasElement>(null);
  const drawnStep =
    stage === 'draw' && step !== null && construction?.ok
      ? { construction: construction.value, index: step - 1 }
      : null;
  useLayoutEffect(() => {
    const element = canvas.current;
    const ctx = element?.getContext('2d');
    // While something is dragged the board is painted by its motion.
    if (!element || !ctx || motion.active) return;
    const ratio = window.devicePixelRatio || 1;
    if (element.width !== Math.round(width * ratio) || element.height !== Math.round(height * ratio)) {
      element.width = Math.round(width * ratio);
      element.height = Math.round(height * ratio);
    }
    const painting = { layout, look, scene, chosen, showCone: stage !== 'draw', figure, rows };
    motion.lies({
      ...{ project, view, perspective, layout, pose, chosen, laid, service, onBoard: laysOut },
      painting: { ...painting, onBoard },
      canvas: element,
      surface: surface.current,
    });
    paintBoard(ctx, { ...painting, pose, view, setUp, drawing, step: drawnStep, onBoard, dragging }, ratio);
  });
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

  const corners = useMemo(() => cornersOf(scene.bodies), [scene]);
  const style = lengthStyleOf(project);
  const corner = litCorner === null ? undefined : corners.find((one) => one.id === litCorner);
  const place = (event: { clientX: number; clientY: number }, element: Element): { x: number; y: number } => {
    const box = element.getBoundingClientRect();
    return { x: event.clientX - box.left, y: event.clientY - box.top };
  };
  const pickAt = (event: PointerEvent<SVGSVGElement>) => {
    const { x, y } = place(event, event.currentTarget);
    const which = viewAt(layout, x, y);
    return which && pickCorner(corners, which, pose, setUp, x, y);
  };
  /** The line under the pointer in the picture, by its name. */
  const lineAt = (event: PointerEvent<SVGSVGElement>): Id | null => {
    const { x, y } = place(event, event.currentTarget);
    if (dragging || perspective.quick || viewAt(layout, x, y) !== 'picture') return null;
    const { u, v } = pictureFromScreen(pose, x, y);
    const { x: cx, y: cy } = view.centreOfVisionOnSheet;
    return strokesOf(perspective.drawing).nearest(cx + u, cy + v, 5 / pose.pictureScale)?.of ?? null;
  };
  useGesture(
    {
      onWheel: ({ event, delta: [, dy] }) => {
        event.preventDefault();
        const { x, y } = place(event, surface.current as Element);
        const which = viewAt(layout, x, y);
        if (which) setPose(magnify(pose, which, Math.exp(-dy / 500), x, y));
      },
      onPinch: ({ event, delta: [change], origin: [clientX, clientY] }) => {
        event.preventDefault();
        const { x, y } = place({ clientX, clientY }, surface.current as Element);
        const which = viewAt(layout, x, y);
        if (which) setPose(magnify(pose, which, 1 + change, x, y));
      },
    },
    { target: surface, eventOptions: { passive: false } },
  );
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
          if (event.buttons !== 0) return;
          const picked = pickAt(event);
          // A corner before a line: it is the smaller mark.
          const line = picked ? null : lineAt(event);
          if (line !== null) {
            if (line !== litEdge) lightEdge(line);
          } else if ((picked?.id ?? null) !== litCorner || litEdge !== null) light(picked?.id ?? null);
        }}
        onPointerLeave={() => light(null)}
        onPointerDown={(event) => {
          if (event.target !== event.currentTarget) return;
          const picked = pickAt(event);
          if (tape) {
            const { x, y } = place(event, event.currentTarget);
            if (viewAt(layout, x, y) !== 'picture') return;
            // Near a corner the tape’s end is hooked onto it.
            const hooked = picked ? projectPoint(setUp, picked.at) : null;
            tape.put(hooked ?? pictureFromScreen(pose, x, y));
            return;
          }
          if (event.pointerType !== 'mouse') light(picked?.id ?? null);
          if (picked && scene.bodies.find((body) => body.id === picked.bodyId)?.kind === 'piece') choose(picked.bodyId);
        }}
      >
        <defs>
          {(['plan', 'side', 'picture'] as const).map((name) => (
            <clipPath key={name} id={`clip-${name}`}>
              <rect {...layout[name]} />
            </clipPath>
          ))}
        </defs>
        <ShownSize layout={layout} pose={pose} screen={screen} look={look} />
        <BoardOverlay
          motion={motion}
          still={{ project, view, setUp, setOut, pose }}
          {...{ layout, stage, chosen, rings, perspective, corner }}
          named={drawnStep ? 'by-the-steps' : 'here'}
        />
        {laysOut ? (
          <>
            <GuessMarks {...{ project, view, setUp, pose, look, style, commands, readOnly }} />
            <SetOutHandles
              {...{ project, view, setUp, setOut, pose, layout, look, style, commands, held, tell, readOnly }}
            />
          </>
        ) : null}
        {stage === 'stand' ? (
          <Handles {...{ project, view, setUp, pose, layout, look, commands, setPose, motion, readOnly }} />
        ) : null}
        {drawnStep ? (
          <Straightedge
            construction={drawnStep.construction}
            index={drawnStep.index}
            pose={pose}
            look={look}
            style={style}
          />
        ) : null}
        {tape ? <Tape points={tape.points} pose={pose} colour={look.accent} /> : null}
        {litEdge !== null && !dragging ? (
          <LitEdge edge={litEdge} perspective={perspective} pose={pose} linked={stage !== 'draw'} colour={look.ink} />
        ) : null}
      </svg>
    </>
  );
}
