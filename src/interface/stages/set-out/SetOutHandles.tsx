'use client';
import { capital } from '@/core/base';
import { useRef, type RefObject } from 'react';
import { flushSync } from 'react-dom';
import { changeView, viewOf, type MarkName, type Project, type View } from '@/core/record';
import { screenPoint, type ScreenPoint } from '@/core/space';
import { formatBareLength, formatPaper, MM_PER_INCH, type LengthStyle } from '@/core/units';
import {
  isMovable,
  markNamed,
  movePoint,
  raiseHorizon,
  resolveSetUp,
  setOutOf,
  whatMoved,
  type Held,
  type SetOut,
  type SetUp,
  type ViewChange,
} from '@/core/view';
import { contains, Handle, type Handled, type HandleDrag } from '@/interface/board';
import { useSession } from '@/interface/session';
import { FRAME_SIDES, setOutPlaces, type FrameSide } from './places';

/** Paper is shifted by whole millimetres, or sixteenths of an inch. */
const paperStep = (style: LengthStyle): number => (style.units === 'imperial' ? MM_PER_INCH / 16 : 1);
/** A frame smaller than this is no frame, mm. */
const LEAST_FRAME = 20;

export function movedFrame(view: View, side: FrameSide, by: number): ViewChange {
  const { frame } = view;
  const to = frame[side] + by;
  const limited =
    side === 'left'
      ? Math.min(to, frame.right - LEAST_FRAME)
      : side === 'right'
        ? Math.max(to, frame.left + LEAST_FRAME)
        : side === 'bottom'
          ? Math.min(to, frame.top - LEAST_FRAME)
          : Math.max(to, frame.bottom + LEAST_FRAME);
  return { frame: { ...frame, [side]: limited } };
}

interface Standing {
  readonly project: Project;
  readonly view: View;
  readonly setUp: SetUp;
  readonly setOut: SetOut;
}

interface SetOutHandlesProps extends Handled {
  readonly held: Held;
  /** Told what a handle moved besides itself. */
  readonly tell: (sentences: readonly string[]) => void;
}

/** What every handle of Set out does when it is taken hold of, dragged, let go and nudged. */
interface SetOutMoves {
  /** The sheet as it stood when the drag began. */
  readonly start: RefObject<Standing>;
  readonly during: (change: ViewChange) => void;
  readonly ended: (label: string, moved: string | null) => void;
  readonly nudge: (what: string, label: string, change: ViewChange, moved: string | null) => void;
  readonly common: { readonly begin: () => void; readonly cancel: () => void };
}

function useSetOutMoves({ setUp, setOut, tell }: SetOutHandlesProps): SetOutMoves {
  const { project, view, style, commands } = useSession();
  const start = useRef<Standing>({ project, view, setUp, setOut });
  const standing = (from: Project) => {
    const now = viewOf(from, view.id);
    const resolved = resolveSetUp(from, now);
    return resolved.ok ? { view: now, setUp: resolved.value, setOut: setOutOf(from, now, resolved.value) } : null;
  };
  return {
    start,
    common: {
      begin: () => {
        start.current = { project, view, setUp, setOut };
      },
      cancel: () => commands.cancelDrag(),
    },
    /** Applies a change to the view as it was when the drag began. */
    during: (change) => {
      const next = changeView(start.current.project, view.id, change);
      if (standing(next)) commands.drag({ kind: 'change-view', viewId: view.id, fields: change });
    },
    ended: (label, moved) => {
      flushSync(() => commands.drop(label));
      const after = standing(commands.present());
      if (after) tell(whatMoved(start.current, after, moved, style));
    },
    nudge: (what, label, change, moved) => {
      const next = changeView(project, view.id, change);
      const after = standing(next);
      if (!after) return;
      commands.change(label, { kind: 'change-view', viewId: view.id, fields: change }, `nudge/${what}`);
      tell(whatMoved({ view, setUp, setOut }, after, moved, style));
    },
  };
}

interface Moving extends SetOutHandlesProps {
  readonly at: (name: string) => ScreenPoint;
  readonly moves: SetOutMoves;
}

/** Sheet, horizon, frame and the room's points: dragged on the board, nudged by keys; a moved point is solved for turn and distance. */
export function SetOutHandles(props: SetOutHandlesProps) {
  const { readOnly } = useSession();
  const moves = useSetOutMoves(props);
  if (readOnly) return null;
  const places = setOutPlaces(props);
  const moving = { ...props, moves, at: (name: string): ScreenPoint => places[name] ?? screenPoint(0, 0) };
  return (
    <g>
      <SheetHandle {...moving} />
      <HorizonHandle {...moving} />
      <FrameHandles {...moving} />
      <PointHandles {...moving} />
    </g>
  );
}

/** To whole steps of paper. */
const roundTo = (mm: number, step: number): number => Math.round(mm / step) * step;

function SheetHandle({ pose, look, at, moves }: Moving) {
  const { view, style } = useSession();
  const { start, during, ended, nudge, common } = moves;
  const k = pose.pictureScale;
  const step = paperStep(style);
  const showPaper = (mm: number): string => formatPaper(mm, style);
  const moveSheet = (from: View, dx: number, dy: number): ViewChange => ({
    sheetOnBoard: { x: roundTo(from.sheetOnBoard.x + dx, step), y: roundTo(from.sheetOnBoard.y + dy, step) },
  });
  return (
    <Handle
      {...common}
      name="sheet"
      label="Sheet on the board"
      cursor="move"
      at={at('sheet')}
      value={view.sheetOnBoard.x}
      valueText={`${showPaper(view.sheetOnBoard.x)} from the board’s left edge, ${showPaper(view.sheetOnBoard.y)} from its lower edge`}
      move={({ dx, dy }: HandleDrag) => during(moveSheet(start.current.view, dx / k, -dy / k))}
      end={() => ended('Move the sheet on the board', null)}
      nudge={(right, up) =>
        nudge('sheet', 'Move the sheet on the board', moveSheet(view, right * step, up * step), null)
      }
    >
      <path
        d="M-9,0 H9 M0,-9 V9 M-9,0 l3,-3 m-3,3 l3,3 M9,0 l-3,-3 m3,3 l-3,3 M0,-9 l-3,3 m3,-3 l3,3 M0,9 l-3,-3 m3,3 l3,-3"
        stroke={look.ink}
        strokeWidth={1.5}
        fill="none"
      />
    </Handle>
  );
}

function HorizonHandle({ setOut, pose, look, at, moves }: Moving) {
  const { view, style } = useSession();
  const { start, during, ended, nudge, common } = moves;
  const k = pose.pictureScale;
  const step = paperStep(style);
  const print = (mm: number): string => formatBareLength(mm, style);
  const showPaper = (mm: number): string => formatPaper(mm, style);
  return (
    <Handle
      {...common}
      name="horizon"
      label="Horizon on the sheet"
      cursor="ns-resize"
      at={at('horizon')}
      value={view.centreOfVisionOnSheet.y}
      valueText={`${showPaper(view.centreOfVisionOnSheet.y)} above the sheet’s lower edge, ${showPaper(-setOut.groundLineV)} above the ground line`}
      move={({ dy }) =>
        during(raiseHorizon(start.current.view, limitedRise(start.current.view, roundTo(-dy / k, step)), print))
      }
      end={() => ended('Move the horizon', 'horizon')}
      nudge={(right, up) =>
        nudge(
          'horizon',
          'Move the horizon',
          raiseHorizon(view, limitedRise(view, (right + up) * step), print),
          'horizon',
        )
      }
    >
      <path d="M-12,0 H12 M0,-9 l-4,5 h8 z M0,9 l-4,-5 h8 z" fill={look.ink} stroke={look.ink} strokeWidth={1.4} />
    </Handle>
  );
}

function FrameHandles({ pose, look, at, moves }: Moving) {
  const { view, style } = useSession();
  const { start, during, ended, nudge, common } = moves;
  const k = pose.pictureScale;
  const step = paperStep(style);
  const showPaper = (mm: number): string => formatPaper(mm, style);
  return (
    <>
      {FRAME_SIDES.map((side) => (
        <Handle
          {...common}
          key={side}
          name={`frame-${side}`}
          label={`Frame, ${side === 'bottom' ? 'lower' : side === 'top' ? 'upper' : side} side`}
          cursor={side === 'left' || side === 'right' ? 'ew-resize' : 'ns-resize'}
          at={at(`frame-${side}`)}
          value={view.frame[side]}
          valueText={`${showPaper(Math.abs(view.frame[side]))} ${side === 'left' || side === 'right' ? 'from the centre line' : 'from the horizon'}`}
          move={({ dx, dy }) =>
            during(
              movedFrame(start.current.view, side, roundTo((side === 'left' || side === 'right' ? dx : -dy) / k, step)),
            )
          }
          end={() => ended('Move the frame', null)}
          nudge={(right, up) =>
            nudge(`frame-${side}`, 'Move the frame', movedFrame(view, side, (right + up) * step), null)
          }
        >
          <path
            d={side === 'left' || side === 'right' ? 'M-3,-11 V11 M3,-11 V11' : 'M-11,-3 H11 M-11,3 H11'}
            stroke={look.ink}
            strokeWidth={1.8}
          />
        </Handle>
      ))}
    </>
  );
}

function PointHandles({ setUp, setOut, pose, layout, look, held, tell, at, moves }: Moving) {
  const { project, view, style } = useSession();
  const { start, during, ended, nudge, common } = moves;
  const k = pose.pictureScale;
  const step = paperStep(style);
  const showPaper = (mm: number): string => formatPaper(mm, style);
  const marks = [...setOut.room.marks, ...(setOut.room.kind === 'one-point' ? [setOut.centreOfVision] : [])].filter(
    (mark) => isMovable(setOut, mark),
  );
  return (
    <>
      {marks.map((mark) => {
        const place = at(mark.id);
        if (!contains(layout.picture, place.x, place.y)) return null;
        const slides = mark.name.role === 'centre';
        const put = (from: typeof start.current, by: number) =>
          movePoint(from.project, from.view, mark.name, slides ? by : startU(from.setOut, mark.name) + by, held);
        return (
          <Handle
            {...common}
            key={mark.id}
            name={mark.id}
            label={capital(mark.words)}
            cursor="ew-resize"
            at={place}
            value={mark.at.u}
            valueText={`${mark.label}, ${showPaper(Math.abs(mark.at.u))} ${mark.at.u < 0 ? 'left' : 'right'} of the centre line`}
            move={({ dx }) => {
              const change = put(start.current, dx / k);
              if (change.ok) during(change.value);
            }}
            end={() => ended(`Move ${mark.label}`, mark.id)}
            nudge={(right, up) => {
              const change = put({ project, view, setUp, setOut }, (right + up) * step);
              if (change.ok) nudge(mark.id, `Move ${mark.label}`, change.value, mark.id);
              else tell([change.error.message]);
            }}
          >
            <circle r={7} fill={look.sheet} stroke={look.ink} strokeWidth={1.8} />
            <path d="M-4,0 H4 M0,-4 V4" stroke={look.ink} strokeWidth={1.4} />
          </Handle>
        );
      })}
    </>
  );
}

const startU = (setOut: SetOut, name: MarkName): number => markNamed(setOut, name)?.at.u ?? 0;

/** The eye stays a hand's breadth above the floor, however far the horizon is pulled down. */
const limitedRise = (view: View, by: number): number => Math.max(by, (300 - view.eyeHeight.mm) / view.scaleDenominator);
