'use client';
import { MovingDimensionFigures, MovingDimensionLines } from './MovingDimensions';
import { carriesPieces, MeasureMotion, middleOf, pieceHandlePlaces } from './measure-motion';
import { elevationOf, type Scene } from '@/core/pipeline';
import { useEffect, useLayoutEffect, useMemo, useRef, useState, type RefObject } from 'react';
import Box from '@mui/material/Box';
import { useGesture } from '@use-gesture/react';
import { type Vector2, dot2 } from '@/core/geometry';
import {
  leftAlongWall,
  footprintOf,
  lengthStyleOf,
  mmOf,
  outlineOf,
  wallOf,
  wallRunOf,
  type Id,
  type Project,
  type Size,
  several,
  type Change,
  type Opening,
} from '@/core/record';
import { degreesFromRadians, formatBareLength, formatLength } from '@/core/units';
import type { Body, Contradiction } from '@/core/solids';
import { useLook } from '@/interface/theme';
import { type Commands, type WorkStore } from '@/state';
import { Handle } from '@/interface/board';
import { pickInPlan, snapFor, snappedCorner, snappedRoomCorner, stepOf, type Snap } from './moves';
import { paintMeasure } from './paint';
import { elevationFor, levelOfChosen } from './places';
import {
  elevationToScreen,
  fitMeasure,
  magnifyMeasure,
  measureLayout,
  planMove,
  planToScreen,
  screenToPlan,
  turnFor,
  type MeasurePose,
} from './pose';

export interface MeasureCommands {
  readonly fit: () => void;
  /** Where something new is best set down: the middle of what is seen of the plan. */
  readonly middle: () => Vector2;
  /** A screen point as a plan point, or null where it is not over the plan. */
  readonly planAt: (clientX: number, clientY: number) => Vector2 | null;
}

interface MeasureBoardProps {
  readonly project: Project;
  readonly scene: Scene;
  readonly chosen: readonly Id[];
  readonly choose: (id: Id | null, more: boolean) => void;
  readonly side: 'front' | 'side';
  readonly homeLevel: Id;
  readonly commands: Commands;
  readonly readOnly: boolean;
  readonly rings: readonly Contradiction[];
  /** Corners of walls being drawn, or null. */
  readonly drawing: readonly Vector2[] | null;
  readonly draw: (corners: readonly Vector2[], closes: boolean) => void;
  readonly boardRef: RefObject<MeasureCommands | null>;
  readonly store: WorkStore;
}

/** The paper surface of Measure: the plan, turned so that what is chosen drops straight into the elevation below. */
export function MeasureBoard(props: MeasureBoardProps) {
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
  return (
    <Box ref={ref} sx={{ position: 'relative', flex: 1, minHeight: 0, minWidth: 0, overflow: 'hidden' }}>
      {size && size.width > 0 && size.height > 0 ? <Sized {...props} {...size} /> : null}
    </Box>
  );
}

/** The list from before while it holds the same things in the same order. */
function useKept<T>(list: readonly T[]): readonly T[] {
  const [kept, setKept] = useState(list);
  const same = kept === list || (kept.length === list.length && kept.every((one, i) => one === list[i]));
  if (!same) setKept(list);
  return same ? kept : list;
}

/** A canvas of the right size for its place and the screen's pixels. */
function readyContext(
  element: HTMLCanvasElement | null,
  width: number,
  height: number,
): CanvasRenderingContext2D | null {
  const ratio = window.devicePixelRatio || 1;
  const [w, h] = [Math.round(width * ratio), Math.round(height * ratio)];
  if (element && (element.width !== w || element.height !== h)) {
    element.width = w;
    element.height = h;
  }
  return element?.getContext('2d') ?? null;
}

/** How high the elevation of what is chosen reaches, mm: the room's top, or the piece's own with room to make it higher. */
function highestOf(project: Project, scene: Scene, chosen: Id | null): number {
  const piece = project.pieces.find((one) => one.id === chosen);
  if (piece) return Math.max(1500, mmOf(piece.lift) + mmOf(piece.height) + 600);
  let [low, high] = [0, 2400];
  for (const body of scene.bodies)
    if (body.kind === 'room')
      for (const { at } of body.vertices) {
        low = Math.min(low, at.z);
        high = Math.max(high, at.z);
      }
  return Math.min(7000, high - low);
}

function Sized({
  width,
  height,
  project,
  scene,
  chosen,
  choose,
  side,
  homeLevel,
  commands,
  readOnly,
  rings,
  drawing,
  draw,
  boardRef,
  store,
}: MeasureBoardProps & { readonly width: number; readonly height: number }) {
  const { look } = useLook();
  const style = lengthStyleOf(project);
  const print = (mm: number): string => formatBareLength(mm, style);
  const layout = useMemo(() => measureLayout(width, height), [width, height]);
  const first = chosen[0] ?? null;
  const levelId = levelOfChosen(project, first, homeLevel);
  const turn = turnFor(project, first, side);
  const highest = highestOf(project, scene, first);
  const fitted = (): MeasurePose => fitMeasure(layout, project, turn, first, highest);
  const turnKey = `${first === null ? '' : first}/${side}/${width}x${height}`;
  const [posed, setPosed] = useState<{ readonly key: string; readonly pose: MeasurePose }>(() => ({
    key: turnKey,
    pose: fitted(),
  }));
  // The paper turns when another thing is chosen, never under a drag: the magnification of what is chosen stays as it is.
  const pose = posed.key === turnKey ? posed.pose : fitted();
  if (posed.key !== turnKey) setPosed({ key: turnKey, pose });
  const setPose = (next: MeasurePose): void => setPosed({ key: turnKey, pose: next });

  const what = useMemo(() => elevationFor(project, first, side), [first, project, side]);
  const elevation = useMemo(() => (what ? elevationOf(project, scene, what) : null), [project, scene, what]);

  const surface = useRef<SVGSVGElement>(null);
  useEffect(() => {
    boardRef.current = {
      fit: () => setPose(fitted()),
      middle: () => screenToPlan(pose, layout.width / 2, layout.plan.y + layout.plan.height / 2),
      planAt: (clientX, clientY) => {
        const box = surface.current?.getBoundingClientRect();
        if (!box) return null;
        const [x, y] = [clientX - box.left, clientY - box.top];
        return x >= 0 && x <= layout.width && y >= 0 && y <= layout.plan.height ? screenToPlan(pose, x, y) : null;
      },
    };
  });

  const stillCanvas = useRef<HTMLCanvasElement>(null);
  const canvas = useRef<HTMLCanvasElement>(null);
  const [plans] = useState(() => new WeakMap<Body, Float64Array>());
  // Bodies keep their identity while they are left alone: the sheet of what lies still is painted only when one of them changes.
  const still = useKept(scene.bodies.filter((body) => !chosen.includes(body.id)));
  const picked = useKept(chosen);
  const { spaces, openings, surfaces } = project;
  const latest = useRef({ project, scene });
  useLayoutEffect(() => {
    latest.current = { project, scene };
  });
  useLayoutEffect(() => {
    const ctx = readyContext(stillCanvas.current, width, height);
    if (ctx)
      paintMeasure(
        ctx,
        { layout, pose, look, ...latest.current, levelId, chosen: picked, elevation: null, plans, sheet: 'still' },
        window.devicePixelRatio || 1,
      );
  }, [width, height, layout, pose, look, levelId, picked, still, spaces, openings, surfaces, plans]);
  const [motion] = useState(() => new MeasureMotion());
  useEffect(() => {
    const unsubscribe = store.subscribe((now, before) => {
      if (now.dragged === before.dragged) return;
      if (now.dragged && carriesPieces(now.dragChange)) motion.frame(now.dragged);
      else motion.end();
    });
    return () => {
      unsubscribe();
      motion.end();
    };
  }, [store, motion]);
  useLayoutEffect(() => {
    // While a piece is carried about the paper is painted by its motion.
    if (motion.active) return;
    motion.lies({
      ...{ project, scene, layout, pose, look, levelId, chosen: picked, elevation, plans },
      canvas: canvas.current,
      surface: surface.current,
    });
    const ctx = readyContext(canvas.current, width, height);
    if (ctx)
      paintMeasure(
        ctx,
        { layout, pose, look, project, scene, levelId, chosen: picked, elevation, plans, sheet: 'chosen' },
        window.devicePixelRatio || 1,
      );
  });

  const place = (clientX: number, clientY: number): Vector2 => {
    const box = surface.current?.getBoundingClientRect();
    return { x: clientX - (box?.left ?? 0), y: clientY - (box?.top ?? 0) };
  };
  const reach = 9 / pose.scale;
  const snapping = useRef<{ readonly project: Project; readonly id: Id; readonly snap: Snap } | null>(null);
  const snapped = (before: Project, id: Id, by: Vector2): Vector2 => {
    if (snapping.current?.project !== before || snapping.current.id !== id)
      snapping.current = { project: before, id, snap: snapFor(before, id) };
    return snapping.current.snap(by, reach);
  };
  const [pointer, setPointer] = useState<Vector2 | null>(null);
  const next =
    drawing && pointer ? snappedCorner(drawing, screenToPlan(pose, pointer.x, pointer.y), reach, project.units) : null;
  /** What the drag that is under way moves, decided where it began. */
  const held = useRef<{
    readonly kind: 'piece' | 'opening' | 'nothing';
    readonly id: Id;
    readonly inElevation: boolean;
  } | null>(null);

  const openingAt = (p: Vector2): Id | null => {
    if (!elevation || what?.of !== 'wall') return null;
    const run = wallRunOf(project, what.wallId);
    if (!run) return null;
    const found = project.openings.find((one) => {
      if (one.wallId !== what.wallId) return false;
      const left = leftAlongWall(one, run);
      const a = elevationToScreen(pose, elevation, left, mmOf(one.sill) + mmOf(one.height));
      const b = elevationToScreen(pose, elevation, left + mmOf(one.width), mmOf(one.sill));
      return p.x >= a.x && p.x <= b.x && p.y >= a.y && p.y <= b.y;
    });
    return found?.id ?? null;
  };

  useGesture(
    {
      onWheel: ({ event, delta: [, dy] }) => {
        event.preventDefault();
        const p = place(event.clientX, event.clientY);
        setPose(magnifyMeasure(pose, Math.exp(-dy / 500), p.x, p.y, p.y > layout.plan.height));
      },
      onPinch: ({ event, delta: [change], origin: [clientX, clientY] }) => {
        event.preventDefault();
        const p = place(clientX, clientY);
        setPose(magnifyMeasure(pose, 1 + change, p.x, p.y, p.y > layout.plan.height));
      },
      onDrag: ({
        first: begins,
        last,
        tap,
        canceled,
        initial: [clientX, clientY],
        xy: [lastX, lastY],
        movement: [dx, dy],
        event,
        shiftKey,
      }) => {
        if (drawing) {
          // Where the pointer is now, not where it was when the paper was last drawn.
          if (!last) return;
          const p = place(lastX, lastY);
          const put = snappedCorner(drawing, screenToPlan(pose, p.x, p.y), reach, project.units);
          draw(put.closes ? drawing : [...drawing, put.at], put.closes);
          return;
        }
        const p = place(clientX, clientY);
        const inElevation = p.y > layout.plan.height;
        if (begins) {
          if (event.target !== surface.current) return;
          const opening = inElevation ? openingAt(p) : null;
          const picked = inElevation ? null : pickInPlan(project, screenToPlan(pose, p.x, p.y), reach, levelId);
          const id = opening ?? (picked && picked.kind !== 'nothing' ? picked.id : null);
          const kind = opening
            ? 'opening'
            : picked?.kind === 'piece' || picked?.kind === 'opening'
              ? picked.kind
              : 'nothing';
          held.current = { kind, id: id ?? '', inElevation };
          // A drag moves what is already chosen; pressing on something else chooses it.
          if (!inElevation || opening) {
            if (id === null || !chosen.includes(id) || shiftKey) choose(id, shiftKey);
          }
        }
        const now = held.current;
        if (!now || now.kind === 'nothing' || readOnly) return;
        if (tap || canceled) {
          commands.cancelDrag();
          held.current = null;
          return;
        }
        if (Math.hypot(dx, dy) > 2) {
          if (now.kind === 'piece') {
            const by = planMove(pose, dx, dy);
            commands.drag(movedTo(now.id, by));
          } else {
            const change = movedAlong(now.id, dx, dy, now.inElevation);
            if (change) commands.drag(change);
          }
        }
        if (last) {
          commands.drop(now.kind === 'piece' ? 'Move a piece' : 'Move an opening');
          held.current = null;
        }
      },
      onMove: ({ xy: [clientX, clientY] }) => {
        if (drawing) setPointer(place(clientX, clientY));
      },
    },
    { target: surface, eventOptions: { passive: false }, drag: { filterTaps: false, pointer: { keys: false } } },
  );

  const step = stepOf(project.units);
  const toStep = (mm: number): number => Math.round(mm / step) * step;
  const movedTo = (id: Id, by: Vector2): Change => ({
    kind: 'move-pieces',
    pieceIds: [id],
    by: snapped(commands.present(), id, by),
  });
  function movedAlong(id: Id, dx: number, dy: number, inElevation: boolean): Change | null {
    const before = commands.present();
    const opening = before.openings.find((one) => one.id === id);
    const run = opening && wallRunOf(before, opening.wallId);
    if (!opening || !run) return null;
    const move = planMove(pose, dx, dy);
    const along = inElevation ? dx / pose.scale : dot2(move, run.run);
    const up = inElevation && mmOf(opening.sill) > 0 ? -dy / pose.scale : 0;
    const sign = opening.fromCorner === run.startCorner ? 1 : -1;
    const offset = toStep(mmOf(opening.offset) + sign * along) - mmOf(opening.offset);
    return { kind: 'move-opening', openingId: id, along: sign * offset, up: toStep(up) };
  }

  const change = (size: Size, mm: number, asTyped: string, nudged: boolean): void =>
    commands.change(
      'Change a size',
      { kind: 'correct-size', sizeId: size.id, mm, asTyped },
      nudged ? `nudge/${size.id}` : undefined,
    );
  const dimensions = { motion, project, pose, first, elevation: drawing ? null : elevation, drawing: drawing !== null };
  return (
    <>
      <canvas
        ref={stillCanvas}
        data-testid="board-canvas"
        aria-hidden="true"
        style={{ position: 'absolute', inset: 0, width, height }}
      />
      <canvas ref={canvas} aria-hidden="true" style={{ position: 'absolute', inset: 0, width, height }} />
      <svg
        ref={surface}
        width={width}
        height={height}
        role="group"
        aria-label="Plan and elevation"
        data-testid="measure-board"
        data-scale={pose.scale}
        style={{ position: 'absolute', inset: 0, touchAction: 'none', cursor: drawing ? 'crosshair' : 'default' }}
      >
        <text x={14} y={22} fontSize={14} fill={look.faint} style={{ userSelect: 'none' }} pointerEvents="none">
          plan, {project.levels.find((one) => one.id === levelId)?.name ?? ''}
        </text>
        <text x={14} y={layout.elevation.y + 20} fontSize={14} fill={look.faint} pointerEvents="none">
          {elevation?.name ?? 'choose a wall or a piece to see its elevation'}
        </text>
        <MovingDimensionLines {...dimensions} />
        <PlanHandles {...{ project, pose, chosen, commands, readOnly, reach, print, snapped }} />
        {elevation && what?.of === 'wall' ? (
          <ElevationHandles
            {...{ project, pose, elevation, wallId: what.wallId, chosen: first, commands, readOnly, print }}
          />
        ) : null}
        {elevation && what?.of === 'piece' ? (
          <PieceHeightHandle {...{ project, pose, elevation, pieceId: what.pieceId, commands, readOnly, print }} />
        ) : null}
        <PlanRings {...{ project, pose, rings, levelId, colour: look.warning }} />
        {drawing ? (
          <g pointerEvents="none" stroke={look.ink} fill="none" data-testid="walls-drawn">
            <polyline
              points={[...drawing, ...(next ? [next.at] : [])]
                .map((p) => planToScreen(pose, p))
                .map((p) => `${p.x},${p.y}`)
                .join(' ')}
              strokeWidth={2}
            />
            {drawing.map((p, i) => {
              const q = planToScreen(pose, p);
              return <circle key={i} cx={q.x} cy={q.y} r={i === 0 ? 7 : 3.5} strokeWidth={1.2} />;
            })}
            {next && drawing.length > 0 ? (
              <DrawnLength
                from={planToScreen(pose, drawing.at(-1) ?? next.at)}
                to={planToScreen(pose, next.at)}
                text={formatLength(
                  Math.hypot(next.at.x - (drawing.at(-1)?.x ?? 0), next.at.y - (drawing.at(-1)?.y ?? 0)),
                  style,
                )}
                colour={look.ink}
              />
            ) : null}
          </g>
        ) : null}
      </svg>
      <MovingDimensionFigures {...dimensions} {...{ style, readOnly, width, height, change }} />
    </>
  );
}

function DrawnLength({
  from,
  to,
  text,
  colour,
}: {
  readonly from: Vector2;
  readonly to: Vector2;
  readonly text: string;
  readonly colour: string;
}) {
  return (
    <text
      x={(from.x + to.x) / 2 + 8}
      y={(from.y + to.y) / 2 - 8}
      fontSize={14}
      fill={colour}
      stroke="none"
      className="figure"
    >
      {text}
    </text>
  );
}

interface HandlesGiven {
  readonly project: Project;
  readonly pose: MeasurePose;
  readonly commands: Commands;
  readonly readOnly: boolean;
  readonly print: (mm: number) => string;
}

/** Handles on the plan: of the chosen piece its place and its turn, of the chosen room its corners. */
function PlanHandles({
  project,
  pose,
  chosen,
  commands,
  readOnly,
  reach,
  print,
  snapped,
}: HandlesGiven & {
  readonly chosen: readonly Id[];
  readonly reach: number;
  readonly snapped: (before: Project, id: Id, by: Vector2) => Vector2;
}) {
  const { look } = useLook();
  const first = chosen[0] ?? null;
  if (readOnly || first === null) return null;
  const step = stepOf(project.units);
  const piece = project.pieces.find((one) => one.id === first);
  const footprint = piece && footprintOf(project, piece);
  if (piece && footprint?.ok) {
    const middle = middleOf(footprint.value.corners);
    const { piece: at, 'piece-turn': turnAt } = pieceHandlePlaces(pose, piece, footprint.value);
    const moveBy = (by: Vector2, run?: string): void =>
      commands.change(
        `Move ${piece.name}`,
        { kind: 'move-pieces', pieceIds: chosen.filter((id) => project.pieces.some((one) => one.id === id)), by },
        run,
      );
    return (
      <>
        <Handle
          name="piece"
          label={`Place of ${piece.name}`}
          value={0}
          valueText={piece.place.from
            .map((one) => `${print(mmOf(one.distance))} from ${wallOf(project, one.wallId)?.wall.name ?? ''}`)
            .join(', ')}
          at={at}
          cursor="move"
          begin={() => undefined}
          move={({ dx, dy }) =>
            commands.drag({
              kind: 'move-pieces',
              pieceIds: [piece.id],
              by: snapped(commands.present(), piece.id, planMove(pose, dx, dy)),
            })
          }
          end={() => commands.drop(`Move ${piece.name}`)}
          cancel={commands.cancelDrag}
          nudge={(right, up) =>
            moveBy(
              { x: (pose.right.x * right + pose.up.x * up) * step, y: (pose.right.y * right + pose.up.y * up) * step },
              `nudge/place-${piece.id}`,
            )
          }
        >
          <circle r={5} fill={look.paper} stroke={look.ink} strokeWidth={1.6} />
        </Handle>
        <Handle
          name="piece-turn"
          label={`Turn of ${piece.name}`}
          value={piece.place.turnDeg}
          valueText={`${Math.round(piece.place.turnDeg * 10) / 10}° clockwise from its wall`}
          at={turnAt}
          cursor="grab"
          begin={() => undefined}
          move={({ x, y }) => {
            const home = wallRunOf(project, piece.place.from[0].wallId);
            if (!home) return;
            const p = screenToPlan(pose, x, y);
            const bearing = Math.atan2(p.x - middle.x, p.y - middle.y) - Math.atan2(home.intoRoom.x, home.intoRoom.y);
            const degrees = degreesFromRadians(bearing);
            const caught = Math.round(degrees / 15) * 15;
            const turned = Math.abs(degrees - caught) < 3 ? caught : Math.round(degrees);
            commands.drag({ kind: 'turn-piece-about-middle', pieceId: piece.id, turnDeg: turned });
          }}
          end={() => commands.drop(`Turn ${piece.name}`)}
          cancel={commands.cancelDrag}
          nudge={(right, up) =>
            commands.change(
              `Turn ${piece.name}`,
              { kind: 'turn-piece-about-middle', pieceId: piece.id, turnDeg: piece.place.turnDeg + right + up },
              `nudge/turn-${piece.id}`,
            )
          }
        >
          <path d="M-7,3 A8,8 0 1 1 6,5 M6,5 l-1,-6 M6,5 l-6,0" fill="none" stroke={look.ink} strokeWidth={1.6} />
        </Handle>
      </>
    );
  }
  const opening = project.openings.find((one) => one.id === first);
  const run = opening && wallRunOf(project, opening.wallId);
  if (opening && run) {
    const middle = leftAlongWall(opening, run) + mmOf(opening.width) / 2;
    const at = planToScreen(pose, { x: run.start.x + run.run.x * middle, y: run.start.y + run.run.y * middle });
    const sign = opening.fromCorner === run.startCorner ? 1 : -1;
    const along = (dx: number, dy: number): number => {
      const by = planMove(pose, dx, dy);
      return by.x * run.run.x + by.y * run.run.y;
    };
    const rounded = (by: number): number =>
      sign * (Math.round((mmOf(opening.offset) + sign * by) / step) * step - mmOf(opening.offset));
    return (
      <Handle
        name="opening"
        label={`Place of ${opening.name} along ${run.wall.name}`}
        value={mmOf(opening.offset)}
        valueText={`${print(mmOf(opening.offset))} from the corner`}
        at={at}
        cursor="ew-resize"
        begin={() => undefined}
        move={({ dx, dy }) =>
          commands.drag({ kind: 'move-opening', openingId: opening.id, along: rounded(along(dx, dy)), up: 0 })
        }
        end={() => commands.drop(`Move ${opening.name}`)}
        cancel={commands.cancelDrag}
        nudge={(right, up) =>
          commands.change(
            `Move ${opening.name}`,
            { kind: 'move-opening', openingId: opening.id, along: right * step, up: up * step },
            `nudge/place-${opening.id}`,
          )
        }
      >
        <circle r={5} fill={look.paper} stroke={look.ink} strokeWidth={1.6} />
      </Handle>
    );
  }
  const space = project.spaces.find((one) => one.id === first) ?? wallOf(project, first)?.space;
  if (!space) return null;
  return (
    <>
      {outlineOf(space).corners.map((corner) => {
        const at = planToScreen(pose, corner.at);
        const name = cornerName(project, space.id, corner.id);
        return (
          <Handle
            key={corner.id}
            name={`corner-${corner.id}`}
            label={`Corner of ${name}`}
            value={0}
            valueText={`${print(corner.at.x)}, ${print(corner.at.y)}`}
            at={at}
            cursor="move"
            begin={() => undefined}
            move={({ x, y }) =>
              commands.drag({
                kind: 'move-corner',
                spaceId: space.id,
                cornerId: corner.id,
                to: snappedRoomCorner(commands.present(), space.id, corner.id, screenToPlan(pose, x, y), reach),
              })
            }
            end={() => commands.drop('Move a corner')}
            cancel={commands.cancelDrag}
            nudge={(right, up) =>
              commands.change(
                'Move a corner',
                {
                  kind: 'move-corner',
                  spaceId: space.id,
                  cornerId: corner.id,
                  to: {
                    x: corner.at.x + (pose.right.x * right + pose.up.x * up) * step,
                    y: corner.at.y + (pose.right.y * right + pose.up.y * up) * step,
                  },
                },
                `nudge/corner-${corner.id}`,
              )
            }
          >
            <rect x={-4} y={-4} width={8} height={8} fill={look.paper} stroke={look.ink} strokeWidth={1.4} />
          </Handle>
        );
      })}
    </>
  );
}

function cornerName(project: Project, spaceId: Id, cornerId: Id): string {
  const walls = project.spaces.find((one) => one.id === spaceId)?.walls ?? [];
  const index = walls.findIndex((wall) => wall.startCorner === cornerId);
  return `${walls[(index + walls.length - 1) % walls.length]?.name ?? ''} and ${walls[index]?.name ?? ''}`;
}

/** Handles on a wall's elevation: the sill and the head of the chosen opening, and the ceiling. */
function ElevationHandles({
  project,
  pose,
  elevation,
  wallId,
  chosen,
  commands,
  readOnly,
  print,
}: HandlesGiven & {
  readonly elevation: NonNullable<ReturnType<typeof elevationOf>>;
  readonly wallId: Id;
  readonly chosen: Id | null;
}) {
  const { look } = useLook();
  const run = wallRunOf(project, wallId);
  const opening = project.openings.find((one) => one.id === chosen && one.wallId === wallId);
  if (readOnly || !run || !opening) return null;
  const step = stepOf(project.units);
  const toStep = (mm: number): number => Math.round(mm / step) * step;
  const middle = leftAlongWall(opening, run) + mmOf(opening.width) / 2;
  const [sill, height] = [mmOf(opening.sill), mmOf(opening.height)];
  /** Sill or head brought to a height: the head stays where it is when the sill moves, and the sill when the head does. */
  const put = (from: Opening, which: 'sill' | 'head', mm: number): Change => {
    const [low, high] = [mmOf(from.sill), mmOf(from.sill) + mmOf(from.height)];
    if (which === 'head') return { kind: 'move-size', sizeId: from.height.id, mm: Math.max(50, mm - low) };
    const next = Math.min(Math.max(0, mm), high - 50);
    return several([
      { kind: 'move-size', sizeId: from.sill.id, mm: next },
      { kind: 'move-size', sizeId: from.height.id, mm: high - next },
    ]);
  };
  const before = (): Opening => commands.present().openings.find((one) => one.id === opening.id) ?? opening;
  return (
    <>
      {(['sill', 'head'] as const).map((which) => {
        const at0 = which === 'sill' ? sill : sill + height;
        const at = elevationToScreen(pose, elevation, middle, at0);
        return (
          <Handle
            key={which}
            name={`opening-${which}`}
            label={`${which === 'sill' ? 'Sill' : 'Head'} of ${opening.name}`}
            value={at0}
            valueText={print(at0)}
            at={at}
            cursor="ns-resize"
            begin={() => undefined}
            move={({ dy }) => commands.drag(put(before(), which, toStep(at0 - dy / pose.scale)))}
            end={() => commands.drop(`Move the ${which} of ${opening.name}`)}
            cancel={commands.cancelDrag}
            nudge={(_, up) =>
              commands.change(
                `Move the ${which} of ${opening.name}`,
                put(opening, which, at0 + up * step),
                `nudge/${which}-${opening.id}`,
              )
            }
          >
            <path d="M-12,0 h24 M0,-6 v12" stroke={look.ink} strokeWidth={1.8} fill="none" />
          </Handle>
        );
      })}
    </>
  );
}

function PieceHeightHandle({
  project,
  pose,
  elevation,
  pieceId,
  commands,
  readOnly,
  print,
}: HandlesGiven & { readonly elevation: NonNullable<ReturnType<typeof elevationOf>>; readonly pieceId: Id }) {
  const { look } = useLook();
  const piece = project.pieces.find((one) => one.id === pieceId);
  if (readOnly || !piece) return null;
  const step = stepOf(project.units);
  const top = mmOf(piece.lift) + mmOf(piece.height);
  const at = elevationToScreen(pose, elevation, elevation.across / 2, top);
  const put = (mm: number): Change => ({ kind: 'move-size', sizeId: piece.height.id, mm: Math.max(step, mm) });
  return (
    <Handle
      name="piece-height"
      label={`Top of ${piece.name}`}
      value={top}
      valueText={print(top)}
      at={at}
      cursor="ns-resize"
      begin={() => undefined}
      move={({ dy }) => commands.drag(put(Math.round((mmOf(piece.height) - dy / pose.scale) / step) * step))}
      end={() => commands.drop(`Make ${piece.name} higher or lower`)}
      cancel={commands.cancelDrag}
      nudge={(_, up) =>
        commands.change(
          `Make ${piece.name} higher or lower`,
          put(mmOf(piece.height) + up * step),
          `nudge/height-${pieceId}`,
        )
      }
    >
      <path d="M-12,0 h24 M0,-6 v12" stroke={look.ink} strokeWidth={1.8} fill="none" />
    </Handle>
  );
}

/** Pencil rings round what the record contradicts, on the plan. */
function PlanRings({
  project,
  pose,
  rings,
  levelId,
  colour,
}: {
  readonly project: Project;
  readonly pose: MeasurePose;
  readonly rings: readonly Contradiction[];
  readonly levelId: Id;
  readonly colour: string;
}) {
  return (
    <g pointerEvents="none">
      {[...new Set(rings.map((ring) => ring.about))].flatMap((about) => {
        const points = pointsOf(project, about, levelId).map((p) => planToScreen(pose, p));
        if (points.length === 0) return [];
        const [left, right] = [Math.min(...points.map((p) => p.x)), Math.max(...points.map((p) => p.x))];
        const [top, bottom] = [Math.min(...points.map((p) => p.y)), Math.max(...points.map((p) => p.y))];
        const [x, y] = [(left + right) / 2, (top + bottom) / 2];
        return [
          <ellipse
            key={about}
            data-ring={about}
            cx={x}
            cy={y}
            rx={(right - left) / 2 + 11}
            ry={(bottom - top) / 2 + 11}
            transform={`rotate(-6 ${x} ${y})`}
            fill="none"
            stroke={colour}
            strokeWidth={1.6}
            strokeDasharray="40 3"
          />,
        ];
      })}
    </g>
  );
}

function pointsOf(project: Project, about: Id, levelId: Id): readonly Vector2[] {
  const piece = project.pieces.find((one) => one.id === about);
  if (piece) {
    const footprint = footprintOf(project, piece);
    return piece.levelId === levelId && footprint.ok ? Object.values(footprint.value.corners) : [];
  }
  const opening = project.openings.find((one) => one.id === about);
  const run = wallRunOf(project, opening?.wallId ?? about);
  if (run) {
    const left = opening ? leftAlongWall(opening, run) : 0;
    const right = opening ? left + mmOf(opening.width) : run.lengthMm;
    return [left, right].map((along) => ({ x: run.start.x + run.run.x * along, y: run.start.y + run.run.y * along }));
  }
  const space = project.spaces.find((one) => one.id === about && one.levelId === levelId);
  return space ? outlineOf(space).corners.map((corner) => corner.at) : [];
}
