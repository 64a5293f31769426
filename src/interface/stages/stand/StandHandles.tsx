'use client';
import { useRef, type RefObject } from 'react';
import { flushSync } from 'react-dom';
import { changeView, viewOf, type Project, type View } from '@/core/record';
import { formatBareLength, formatLength } from '@/core/units';
import { resolveSetUp, turnPlan, type SetUp } from '@/core/view';
import {
  Handle,
  hasRoom,
  keepStill,
  putBetween,
  putOn,
  type Handled,
  type HandleDrag,
  type Pose,
} from '@/interface/board';
import { nudgeMm } from '@/interface/fields';
import { useSession } from '@/interface/session';
import {
  dragEye,
  dragPlane,
  dragStation,
  dragTurn,
  movedPlane,
  movedStation,
  raisedEye,
  turningPoint,
  turnOfRoom,
  type ViewChange,
} from './moves';
import { standPlaces } from './places';

/** What every handle of Stand does when it is taken hold of, dragged, let go and nudged. */
interface StandMoves {
  /** The board as it lay when the drag began. */
  readonly start: RefObject<{ project: Project; view: View; setUp: SetUp; pose: Pose }>;
  readonly during: (change: ViewChange, still: boolean) => void;
  readonly finish: (label: string) => void;
  readonly nudge: (
    what: string,
    label: string,
    change: (now: Project, view: View) => ViewChange,
    still: boolean,
  ) => void;
  readonly common: { readonly begin: () => void; readonly cancel: () => void };
}

function useStandMoves({ setUp, pose, layout, setPose, motion }: Handled): StandMoves {
  const { project, view, commands } = useSession();
  const start = useRef({ project, view, setUp, pose });
  return {
    start,
    common: {
      begin: () => {
        start.current = { project, view, setUp, pose };
      },
      cancel: () => commands.cancelDrag(),
    },
    /** Applies a change to the view as it was when the drag began, and keeps plan and floor still under it. */
    during: (change, still) => {
      const from = start.current;
      const next = changeView(from.project, view.id, change);
      const after = resolveSetUp(next, viewOf(next, view.id));
      if (!after.ok) return;
      motion.keepsStill(still);
      commands.drag({ kind: 'change-view', viewId: view.id, fields: change });
    },
    /** Paper and handle come to rest in one pass. */
    finish: (label) => {
      const resting = motion.restingPose();
      flushSync(() => {
        commands.drop(label);
        if (resting) setPose(resting);
      });
    },
    nudge: (what, label, change, still) => {
      const fields = change(project, view);
      const next = changeView(project, view.id, fields);
      const after = resolveSetUp(next, viewOf(next, view.id));
      if (!after.ok) return;
      flushSync(() => {
        commands.change(label, { kind: 'change-view', viewId: view.id, fields }, `nudge/${what}`);
        if (still) setPose(keepStill(pose, setUp, after.value, layout));
      });
    },
  };
}

/** Station, picture plane, turn of the plan sheet, eye: dragged on the paper, nudged by keys, one history entry each. */
export function StandHandles(handled: Handled) {
  const { readOnly } = useSession();
  const moves = useStandMoves(handled);
  const { look } = handled;
  if (readOnly) return null;
  const places = standPlaces(handled);
  const moving = { setUp: handled.setUp, look, places, moves };
  return (
    <g>
      {hasRoom(handled.layout.plan) ? <InPlan {...moving} /> : null}
      {hasRoom(handled.layout.side) ? (
        <circle
          data-moves="eye-in-side"
          transform={putOn(places['eye-in-side'])}
          r={4}
          fill="none"
          stroke={look.ink}
          strokeWidth={1.6}
        />
      ) : null}
      {hasRoom(handled.layout.vStrip) ? <EyeHandle {...moving} /> : null}
    </g>
  );
}

/** Station, picture plane and turn, on the plan. */
function InPlan(moving: Moving) {
  const { look, places } = moving;
  return (
    <>
      <line
        data-moves="turn-line"
        transform={putBetween(places.pivot, places.turn)}
        x2={1}
        stroke={look.ink}
        strokeWidth={1}
        strokeDasharray="1 4"
        vectorEffect="non-scaling-stroke"
      />
      <TurnHandle {...moving} />
      <PlaneHandle {...moving} />
      <StationHandle {...moving} />
    </>
  );
}

interface Moving extends Pick<Handled, 'setUp' | 'look'> {
  readonly places: ReturnType<typeof standPlaces>;
  readonly moves: StandMoves;
}

/** The plan sheet turned under a fixed picture plane; it catches at set-square angles. */
function TurnHandle({ look, places, moves }: Moving) {
  const { project, view } = useSession();
  const { start, during, finish, nudge, common } = moves;
  const turn = turnOfRoom(project, view);
  return (
    <Handle
      {...common}
      name="turn"
      label="Turn of the plan"
      cursor="grab"
      at={places.turn}
      value={turn}
      valueText={`turned ${Math.round(turn * 100) / 100} degrees to the picture plane`}
      move={({ x, y }: HandleDrag) =>
        during(
          dragTurn(
            start.current.project,
            start.current.view,
            turningPoint(start.current.project, start.current.view, start.current.setUp, start.current.pose),
            { x, y },
          ),
          false,
        )
      }
      end={() => finish('Turn the plan')}
      nudge={(right, up) =>
        nudge('turn', 'Turn the plan', (now, one) => turnPlan(now, one, (((turn + right + up) % 90) + 90) % 90), false)
      }
    >
      <path d="M-9,5 A11,11 0 1 1 7,8" fill="none" stroke={look.ink} strokeWidth={2} />
      <path d="M7,8 l-6,-2 m6,2 l1,-6" stroke={look.ink} strokeWidth={2} fill="none" />
    </Handle>
  );
}

/** The picture plane, up and down in the plan. */
function PlaneHandle({ setUp, look, places, moves }: Moving) {
  const { style } = useSession();
  const { start, during, finish, nudge, common } = moves;
  const step = nudgeMm(style);
  return (
    <Handle
      {...common}
      name="plane"
      label="Picture plane"
      cursor="ns-resize"
      at={places.plane}
      value={setUp.pictureDistance}
      valueText={`${formatLength(setUp.pictureDistance, style)} from the station point`}
      move={({ dy }) =>
        during(dragPlane(start.current.project, start.current.view, start.current.setUp, start.current.pose, dy), true)
      }
      end={() => finish('Move the picture plane')}
      nudge={(right, up) =>
        nudge(
          'plane',
          'Move the picture plane',
          (now, one) => movedPlane(now, one, setUp, (right + up) * step, 0),
          true,
        )
      }
    >
      <path d="M-14,0 H14 M0,-9 l-4,5 h8 z M0,9 l-4,-5 h8 z" fill={look.ink} stroke={look.ink} strokeWidth={1.6} />
    </Handle>
  );
}

/** The eye, up and down on the v strip. */
function EyeHandle({ setUp, look, places, moves }: Moving) {
  const { project, style } = useSession();
  const { start, during, finish, nudge, common } = moves;
  const step = nudgeMm(style);
  const print = (mm: number): string => formatBareLength(mm, style);
  return (
    <Handle
      {...common}
      name="eye"
      label="Eye height"
      cursor="ns-resize"
      at={places.eye}
      value={setUp.eyeHeight}
      valueText={`${formatLength(setUp.eyeHeight, style)} above the floor`}
      move={({ dy }) =>
        during(dragEye(start.current.view, start.current.setUp, start.current.pose, dy, project.units, print), true)
      }
      end={() => finish('Raise or lower the eye')}
      nudge={(right, up) =>
        nudge(
          'eye',
          'Raise or lower the eye',
          (_, one) => raisedEye(one, (right + up) * step, project.units, print),
          true,
        )
      }
    >
      <path d="M-10,0 Q0,-10 10,0 Q0,10 -10,0 z" fill={look.sheet} stroke={look.ink} strokeWidth={1.8} />
      <circle r={3} fill={look.ink} />
    </Handle>
  );
}

/** The station point in the plan. */
function StationHandle({ setUp, look, places, moves }: Moving) {
  const { project, style } = useSession();
  const { start, during, finish, nudge, common } = moves;
  const step = nudgeMm(style);
  return (
    <Handle
      {...common}
      name="station"
      label="Station point"
      cursor="move"
      at={places.station}
      value={setUp.pictureDistance}
      valueText={`${formatLength(setUp.pictureDistance, style)} before the picture plane`}
      move={({ dx, dy }) =>
        during(dragStation(start.current.view, start.current.setUp, start.current.pose, dx, dy, project.units), true)
      }
      end={() => finish('Move the station point')}
      nudge={(right, up) =>
        nudge('station', 'Move the station point', (_, one) => movedStation(one, setUp, right * step, up * step), true)
      }
    >
      <circle r={9} fill={look.sheet} stroke={look.ink} strokeWidth={2} />
      <path d="M0,-15 V-9 M-5,-4 L0,-9 L5,-4" stroke={look.ink} strokeWidth={2} fill="none" />
      <circle r={2.4} fill={look.ink} />
    </Handle>
  );
}
