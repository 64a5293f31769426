'use client';
import { useRef, useState, type RefObject } from 'react';
import { useGesture } from '@use-gesture/react';
import { dot2, type Vector2 } from '@/core/geometry';
import type { Elevation, ElevationOf } from '@/core/pipeline';
import { leftAlongWall, mmOf, wallRunOf, type Change, type Id, type Project } from '@/core/record';
import { useSession } from '@/interface/session';
import { pickInPlan, snapFor, snappedCorner, stepOf, type Snap } from './moves';
import {
  elevationToScreen,
  dropsInto,
  magnifyMeasure,
  panMeasure,
  planMove,
  screenToPlan,
  type MeasureLayout,
  type MeasurePose,
} from './pose';
import type { Measuring } from './use-measure';

interface Placed {
  readonly desk: Measuring;
  readonly layout: MeasureLayout;
  readonly pose: MeasurePose;
  readonly setPose: (pose: MeasurePose) => void;
  readonly elevation: Elevation | null;
  /** How near something catches, mm on the plan. */
  readonly reach: number;
}

/** What a drag moves, decided where it began. */
interface Held {
  readonly kind: 'piece' | 'opening' | 'nothing';
  /** Where the paper lay when it was taken hold of: with nothing in the hand it is the paper that is moved. */
  readonly pose: MeasurePose;
  readonly id: Id;
  readonly inElevation: boolean;
}

/** A piece catches at walls and other pieces; what it may catch at is worked out once for a drag. */
export function useSnapped(reach: number): (before: Project, id: Id, by: Vector2) => Vector2 {
  const snapping = useRef<{ readonly project: Project; readonly id: Id; readonly snap: Snap } | null>(null);
  return (before, id, by) => {
    if (snapping.current?.project !== before || snapping.current.id !== id)
      snapping.current = { project: before, id, snap: snapFor(before, id) };
    return snapping.current.snap(by, reach);
  };
}

/** The opening of a wall's elevation that lies under a place of the screen. */
function openingAt(
  project: Project,
  what: ElevationOf | null,
  elevation: Elevation | null,
  pose: MeasurePose,
  p: Vector2,
): Id | null {
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
}

/** What is taken hold of: in the elevation an opening, on the plan whatever lies there. */
function takenHold(project: Project, { desk, layout, pose, elevation, reach }: Placed, p: Vector2): Held {
  if (p.y > layout.plan.height) {
    const opening = openingAt(project, desk.elevation, elevation, pose, p);
    return { kind: opening === null ? 'nothing' : 'opening', id: opening ?? '', inElevation: true, pose };
  }
  const picked = pickInPlan(project, screenToPlan(pose, p.x, p.y), reach, desk.chosen.levelId);
  const id = picked.kind === 'nothing' ? '' : picked.id;
  const kind = picked.kind === 'piece' || picked.kind === 'opening' ? picked.kind : 'nothing';
  return { kind, id, inElevation: false, pose };
}

/** An opening moved along its wall, and in the elevation up and down, by so much of the screen; in whole steps. */
function openingMoved(
  before: Project,
  pose: MeasurePose,
  { id, inElevation }: Held,
  [dx, dy]: readonly [number, number],
): Change | null {
  const opening = before.openings.find((one) => one.id === id);
  const run = opening && wallRunOf(before, opening.wallId);
  if (!opening || !run) return null;
  const step = stepOf(before.units);
  const toStep = (mm: number): number => Math.round(mm / step) * step;
  const along = inElevation ? dx / pose.scale : dot2(planMove(pose, dx, dy), run.run);
  const up = inElevation && mmOf(opening.sill) > 0 ? -dy / pose.scale : 0;
  const sign = opening.fromCorner === run.startCorner ? 1 : -1;
  const offset = toStep(mmOf(opening.offset) + sign * along) - mmOf(opening.offset);
  return { kind: 'move-opening', openingId: opening.id, along: sign * offset, up: toStep(up) };
}

/** Wheel, fingers and drags over plan and elevation; gives back where the pointer is while walls are drawn. */
export function useMeasureGestures(
  surface: RefObject<SVGSVGElement | null>,
  placed: Placed,
  snapped: (before: Project, id: Id, by: Vector2) => Vector2,
): Vector2 | null {
  const { project, commands, readOnly } = useSession();
  const { desk, layout, pose, setPose, elevation, reach } = placed;
  const { chosen, drawing, draw } = desk;
  const held = useRef<Held | null>(null);
  const [pointer, setPointer] = useState<Vector2 | null>(null);
  const place = (clientX: number, clientY: number): Vector2 => {
    const box = surface.current?.getBoundingClientRect();
    return { x: clientX - (box?.left ?? 0), y: clientY - (box?.top ?? 0) };
  };
  const nearer = (factor: number, p: Vector2): void =>
    setPose(magnifyMeasure(pose, factor, p.x, p.y, p.y > layout.plan.height));
  /** The change a drag makes of the project as it was. */
  const moved = (now: Held, by: readonly [number, number]): Change | null => {
    const before = commands.present();
    if (now.kind !== 'piece') return openingMoved(before, pose, now, by);
    return { kind: 'move-pieces', pieceIds: [now.id], by: snapped(before, now.id, planMove(pose, by[0], by[1])) };
  };
  useGesture(
    {
      onWheel: ({ event, delta: [, dy] }) => {
        event.preventDefault();
        nearer(Math.exp(-dy / 500), place(event.clientX, event.clientY));
      },
      onPinch: ({ event, delta: [change], origin: [clientX, clientY] }) => {
        event.preventDefault();
        nearer(1 + change, place(clientX, clientY));
      },
      onDrag: ({ first: begins, last, tap, canceled, initial, xy, movement, event, shiftKey }) => {
        if (drawing) {
          // Where the pointer is now, not where it was when the paper was last drawn.
          if (!last) return;
          const p = place(xy[0], xy[1]);
          const put = snappedCorner(drawing, screenToPlan(pose, p.x, p.y), reach, project.units);
          draw(put.closes ? drawing : [...drawing, put.at], put.closes);
          return;
        }
        if (begins) {
          // What begins on a handle is the handle's.
          held.current = null;
          if (event.target !== surface.current) return;
          const now = takenHold(project, placed, place(initial[0], initial[1]));
          held.current = now;
          const id = now.id === '' ? null : now.id;
          // A drag moves what is already chosen; pressing on something else chooses it.
          if ((!now.inElevation || id !== null) && (id === null || !chosen.ids.includes(id) || shiftKey))
            chosen.choose(id, shiftKey);
        }
        const now = held.current;
        if (now?.kind === 'nothing' && !tap && Math.hypot(movement[0], movement[1]) > 2) {
          const under = elevation && dropsInto(now.pose, elevation) ? 'elevation under the plan' : 'elevation';
          setPose(panMeasure(now.pose, movement, now.inElevation ? under : 'plan'));
        }
        if (!now || now.kind === 'nothing' || readOnly) return;
        if (tap || canceled) {
          commands.cancelDrag();
          held.current = null;
          return;
        }
        const change = Math.hypot(movement[0], movement[1]) > 2 ? moved(now, movement) : null;
        if (change) commands.drag(change);
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
  return pointer;
}
