'use client';
import { type BoardMotion } from './motion';
import { putBetween, putOn, standPlaces } from './handle-places';
import { useRef } from 'react';
import { flushSync } from 'react-dom';
import { changeView, lengthStyleOf, viewOf, type Project, type View } from '@/core/record';
import { formatBareLength, formatLength } from '@/core/units';
import { resolveSetUp, type SetUp } from '@/core/view';
import { nudgeMm } from '@/interface/fields';
import type { Look } from '@/interface/theme';
import type { Commands } from '@/state';
import { Handle, type HandleDrag } from './Handle';
import type { BoardLayout } from './layout';
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
import { turnPlan } from '@/core/view';
import { keepStill, type Pose } from './pose';

interface HandlesProps {
  readonly project: Project;
  readonly view: View;
  readonly setUp: SetUp;
  readonly pose: Pose;
  readonly layout: BoardLayout;
  readonly look: Look;
  readonly commands: Commands;
  readonly setPose: (pose: Pose) => void;
  readonly motion: BoardMotion;
  readonly readOnly: boolean;
}

/** Station, picture plane, turn of the plan sheet, eye: dragged on the paper, nudged by keys, one history entry each. */
export function Handles({
  project,
  view,
  setUp,
  pose,
  layout,
  look,
  commands,
  setPose,
  motion,
  readOnly,
}: HandlesProps) {
  const start = useRef({ project, view, setUp, pose });
  const style = lengthStyleOf(project);
  const print = (mm: number): string => formatBareLength(mm, style);
  const length = (mm: number): string => formatLength(mm, style);
  const step = nudgeMm(style);
  if (readOnly) return null;

  /** Applies a change to the view as it was when the drag began, and keeps plan and floor still under it. */
  const during = (change: ViewChange, still: boolean): void => {
    const from = start.current;
    const next = changeView(from.project, view.id, change);
    const after = resolveSetUp(next, viewOf(next, view.id));
    if (!after.ok) return;
    motion.keepsStill(still);
    commands.drag({ kind: 'change-view', viewId: view.id, fields: change });
  };
  const begin = (): void => {
    start.current = { project, view, setUp, pose };
  };
  const cancel = (): void => commands.cancelDrag();
  /** Paper and handle come to rest in one pass. */
  const finish = (label: string): void => {
    const resting = motion.restingPose();
    flushSync(() => {
      commands.drop(label);
      if (resting) setPose(resting);
    });
  };
  const nudge = (
    what: string,
    label: string,
    change: (now: Project, view: View) => ViewChange,
    still: boolean,
  ): void => {
    const fields = change(project, view);
    const next = changeView(project, view.id, fields);
    const after = resolveSetUp(next, viewOf(next, view.id));
    if (!after.ok) return;
    flushSync(() => {
      commands.change(label, { kind: 'change-view', viewId: view.id, fields }, `nudge/${what}`);
      if (still) setPose(keepStill(pose, setUp, after.value, layout));
    });
  };

  const turn = turnOfRoom(project, view);
  const places = standPlaces({ project, view, setUp, pose, layout });
  const eyeInSide = places['eye-in-side'];
  const common = { begin, cancel };
  return (
    <g>
      <line
        data-moves="turn-line"
        transform={putBetween(places.pivot, places.turn)}
        x2={1}
        stroke={look.ink}
        strokeWidth={1}
        strokeDasharray="1 4"
        vectorEffect="non-scaling-stroke"
      />
      <circle
        data-moves="eye-in-side"
        transform={putOn(eyeInSide)}
        r={4}
        fill="none"
        stroke={look.ink}
        strokeWidth={1.6}
      />
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
          nudge(
            'turn',
            'Turn the plan',
            (now, one) => turnPlan(now, one, (((turn + right + up) % 90) + 90) % 90),
            false,
          )
        }
      >
        <path d="M-9,5 A11,11 0 1 1 7,8" fill="none" stroke={look.ink} strokeWidth={2} />
        <path d="M7,8 l-6,-2 m6,2 l1,-6" stroke={look.ink} strokeWidth={2} fill="none" />
      </Handle>
      <Handle
        {...common}
        name="plane"
        label="Picture plane"
        cursor="ns-resize"
        at={places.plane}
        value={setUp.pictureDistance}
        valueText={`${length(setUp.pictureDistance)} from the station point`}
        move={({ dy }) =>
          during(
            dragPlane(start.current.project, start.current.view, start.current.setUp, start.current.pose, dy),
            true,
          )
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
      <Handle
        {...common}
        name="eye"
        label="Eye height"
        cursor="ns-resize"
        at={places.eye}
        value={setUp.eyeHeight}
        valueText={`${length(setUp.eyeHeight)} above the floor`}
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
      <Handle
        {...common}
        name="station"
        label="Station point"
        cursor="move"
        at={places.station}
        value={setUp.pictureDistance}
        valueText={`${length(setUp.pictureDistance)} before the picture plane`}
        move={({ dx, dy }) =>
          during(dragStation(start.current.view, start.current.setUp, start.current.pose, dx, dy, project.units), true)
        }
        end={() => finish('Move the station point')}
        nudge={(right, up) =>
          nudge(
            'station',
            'Move the station point',
            (_, one) => movedStation(one, setUp, right * step, up * step),
            true,
          )
        }
      >
        <circle r={9} fill={look.sheet} stroke={look.ink} strokeWidth={2} />
        <path d="M0,-15 V-9 M-5,-4 L0,-9 L5,-4" stroke={look.ink} strokeWidth={2} fill="none" />
        <circle r={2.4} fill={look.ink} />
      </Handle>
    </g>
  );
}
