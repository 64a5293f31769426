'use client';
import { useEffect, useRef } from 'react';
import type { Vector2 } from '@/core/geometry';
import type { Scene } from '@/core/pipeline';
import { mmOf, type Id, type Project, type Size } from '@/core/record';
import Button from '@mui/material/Button';
import { SizedPaper } from '@/interface/paper';
import { useSession, useWorkedOut, type Ring } from '@/interface/session';
import { useLook } from '@/interface/theme';
import { DrawnWalls } from './DrawnWalls';
import { ElevationHandles, PieceHeightHandle } from './ElevationHandles';
import { isUsual } from './foot';
import { MovingDimensionFigures, MovingDimensionLines } from './MovingDimensions';
import { PlanHandles } from './PlanHandles';
import { PlanRings } from './PlanRings';
import { PlanEdge } from './PlanEdge';
import { dropsInto, fitMeasure, isNorthUp, NORTH_UP, screenToPlan, turnFor, type MeasurePose, type Turn } from './pose';
import { useElevation } from './use-elevation';
import type { Measuring } from './use-measure';
import { useMeasureCanvas } from './use-measure-canvas';
import { useMeasureGestures, useSnapped } from './use-measure-gestures';
import { useMeasurePose } from './use-measure-pose';

export interface MeasureCommands {
  readonly fit: () => void;
  /** Turns the plan so that it drops into the elevation; does it already, north up again. */
  readonly turn: () => void;
  /** A screen point as a plan point, or null where it is not over the plan. */
  readonly planAt: (clientX: number, clientY: number) => Vector2 | null;
}

interface MeasureBoardProps {
  readonly desk: Measuring;
  readonly rings: readonly Ring[];
}

/** The paper surface of Measure: the plan, and below it the elevation of what is chosen. */
export function MeasureBoard(props: MeasureBoardProps) {
  return <SizedPaper>{(size) => <Sized {...props} {...size} />}</SizedPaper>;
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

const OVER_ALL = { position: 'absolute', inset: 0 } as const;

function Sized({
  width,
  height,
  desk,
  rings,
}: MeasureBoardProps & { readonly width: number; readonly height: number }) {
  const { project, style, commands, readOnly } = useSession();
  const { scene } = useWorkedOut();
  const { look } = useLook();
  const { chosen, drawing, boardRef } = desk;
  const { first, levelId, side } = chosen;
  const fitted = (turn: Turn, about: Id | null) =>
    fitMeasure({ width, height }, project, turn, about, highestOf(project, scene, about));
  // The room one begins with gives way to the first that is laid: that is another, whatever it is called.
  const rooms = project.spaces.map((space) => (isUsual(space) ? 'usual' : space.id)).join('/');
  const [posed, setPosed] = useMeasurePose(rooms, width, height, () => fitted(NORTH_UP, null));
  const { layout, pose } = posed;
  const setPose = (next: MeasurePose): void => setPosed({ layout, pose: next });
  const what = desk.elevation;
  const elevation = useElevation(what);
  const drops = elevation === null || dropsInto(pose, elevation);
  const turn = (): void => setPosed(fitted(drops ? NORTH_UP : turnFor(project, first, side), first));
  const surface = useRef<SVGSVGElement>(null);
  useEffect(() => {
    boardRef.current = {
      fit: () => setPosed(fitted(pose, first)),
      turn,
      planAt: (clientX, clientY) => {
        const box = surface.current?.getBoundingClientRect();
        if (!box) return null;
        const [x, y] = [clientX - box.left, clientY - box.top];
        return x >= 0 && x <= layout.width && y >= 0 && y <= layout.plan.height ? screenToPlan(pose, x, y) : null;
      },
    };
  });
  const { stillCanvas, canvas, motion } = useMeasureCanvas(
    { layout, pose, levelId, chosen: chosen.ids, elevation, what },
    surface,
  );
  const reach = 9 / pose.scale;
  const snapped = useSnapped(reach);
  const pointer = useMeasureGestures(surface, { desk, layout, pose, setPose, elevation, reach }, snapped);
  const change = (size: Size, mm: number, asTyped: string, nudged: boolean): void =>
    commands.change(
      'Change a size',
      { kind: 'correct-size', sizeId: size.id, mm, asTyped },
      nudged ? `nudge/${size.id}` : undefined,
    );
  const dimensions = { motion, project, pose, first, elevation: drawing ? null : elevation, drawing: drawing !== null };
  const faint = { x: 14, fontSize: 14, fill: look.faint, pointerEvents: 'none' } as const;
  return (
    <>
      <canvas ref={stillCanvas} data-testid="board-canvas" aria-hidden="true" style={{ ...OVER_ALL, width, height }} />
      <canvas ref={canvas} aria-hidden="true" style={{ ...OVER_ALL, width, height }} />
      <svg
        ref={surface}
        width={width}
        height={height}
        role="group"
        aria-label="Plan and elevation"
        data-testid="measure-board"
        data-scale={pose.scale}
        style={{ ...OVER_ALL, touchAction: 'none', cursor: drawing ? 'crosshair' : 'default' }}
      >
        <text {...faint} y={22} style={{ userSelect: 'none' }}>
          plan, {project.levels.find((one) => one.id === levelId)?.name ?? ''}
        </text>
        <text {...faint} y={layout.elevation.y + 20}>
          {elevation?.name ?? 'choose a wall or a piece to see its elevation'}
        </text>
        <PlanEdge {...{ layout, pose, levelId }} />
        <MovingDimensionLines {...dimensions} />
        <PlanHandles {...{ pose, reach, snapped }} chosen={chosen.ids} />
        {elevation && what?.of === 'wall' ? (
          <ElevationHandles {...{ pose, elevation }} wallId={what.wallId} openingId={first} />
        ) : null}
        {elevation && what?.of === 'piece' ? (
          <PieceHeightHandle {...{ pose, elevation }} pieceId={what.pieceId} />
        ) : null}
        <PlanRings {...{ pose, rings, levelId }} colour={look.warning} />
        {drawing ? <DrawnWalls {...{ drawing, pointer, pose, reach }} /> : null}
      </svg>
      {drawing || (drops && isNorthUp(pose)) ? null : (
        <Button
          size="small"
          onClick={turn}
          sx={{ position: 'absolute', right: 8, top: layout.elevation.y + 4, color: 'secondary.main', py: 0.25 }}
        >
          {drops ? 'turn north up again (Q)' : 'turn the plan to hang it under (Q)'}
        </Button>
      )}
      <MovingDimensionFigures {...dimensions} {...{ style, readOnly, width, height, change }} />
    </>
  );
}
