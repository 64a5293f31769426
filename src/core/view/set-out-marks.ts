import { at } from '@/core/base';
import { bearingOf } from '@/core/geometry';
import {
  footprintOf,
  markKey,
  nameOfThing,
  sameMark,
  wallRuns,
  type Id,
  type MarkName,
  type MarkRole,
  type MarkSide,
  type MeasuredRoom,
  type Served,
  type View,
} from '@/core/record';
import { cutOf, openLeavesOf, slopesOf } from '@/core/solids';
import {
  boardFromSheet,
  picturePoint,
  sheetFromPicture,
  type BoardPoint,
  type PicturePoint,
  type SheetPoint,
} from '@/core/space';
import { degreesFromRadians, type Degrees, type PaperMillimetres } from '@/core/units';
import { coneRadius } from './cone';
import { placementOf } from './resolve';
import { directionPair, groundLineV, turnOfPair } from './set-out';
import type { SetUp } from './set-up';
import { roomBearing, roomMeant } from './room-meant';
import { seenIn } from './seen-in';
import { vanishingPoint } from './vanishing-point';

/** Where a mark falls on the table. `beyond` says over which edge of the board, and how far. */
export type Lies =
  | { readonly where: 'on-sheet' }
  | {
      readonly where: 'on-board';
      readonly beyondSheet: PaperMillimetres;
      readonly side: 'left' | 'right' | 'top' | 'bottom';
    }
  | {
      readonly where: 'off-board';
      readonly beyondBoard: PaperMillimetres;
      readonly side: 'left' | 'right' | 'top' | 'bottom';
    };

export interface SetOutMark {
  /** What it serves and what it is for. */
  readonly name: MarkName;
  /** The name as one word; only ever written. */
  readonly id: string;
  /** Short name written on the drawing. */
  readonly label: string;
  /** The trade's name for it. */
  readonly words: string;
  readonly at: PicturePoint;
  readonly onSheet: SheetPoint;
  readonly onBoard: BoardPoint;
  readonly lies: Lies;
}

/** The points of one right-angled pair of directions and the things drawn with it. */
export interface SetOutGroup {
  readonly turnDeg: Degrees;
  readonly kind: 'one-point' | 'two-point';
  /** Rooms, odd walls, open leaves and pieces built of these directions. */
  readonly serves: readonly Served[];
  readonly marks: readonly SetOutMark[];
  /** Written after its points' letters, to tell them from the room's: nothing for the room's own, 2, 3 … for the others. */
  readonly suffix: string;
}

/** The points of lines that climb: slopes of ceilings and roofs, pitches of stairs. */
export interface SetOutSlope {
  readonly serves: readonly Served[];
  readonly words: string;
  /** The slope's angle, positive where the lines rise as they recede. */
  readonly slopeDeg: Degrees;
  readonly vanishing: SetOutMark;
  /** On the upright through the vanishing point, √(k² + u² + v²) from it; lengths are laid off on the upright through the trace. */
  readonly measuring: SetOutMark;
}

/** Everything to lay down before the first line of the room; picture, sheet and board mm. */
export interface SetOut {
  readonly centreOfVision: SetOutMark;
  readonly horizonOnSheetY: PaperMillimetres;
  readonly groundLineV: PaperMillimetres;
  readonly groundLineOnSheetY: PaperMillimetres;
  readonly viewingDistance: PaperMillimetres;
  readonly cone60Radius: PaperMillimetres;
  readonly cone45Radius: PaperMillimetres;
  /** The first room's own pair. */
  readonly room: SetOutGroup;
  /** All pairs, the room's among them. */
  readonly groups: readonly SetOutGroup[];
  readonly slopes: readonly SetOutSlope[];
}

/** The pair a thing is drawn with. */
export const groupServing = (setOut: SetOut, id: Id): SetOutGroup | undefined =>
  setOut.groups.find((group) => group.serves.some((one) => one.id === id));

/** The mark of a name, if the set-out has it. */
export const markNamed = (setOut: SetOut, name: MarkName): SetOutMark | undefined =>
  allMarks(setOut).find((mark) => sameMark(mark.name, name));

/** Every point but the centre of vision. */
export const allMarks = (setOut: SetOut): readonly SetOutMark[] => [
  ...setOut.groups.flatMap((group) => group.marks),
  ...setOut.slopes.flatMap((slope) => [slope.vanishing, slope.measuring]),
];

function lies(view: View, sheet: SheetPoint, board: BoardPoint): Lies {
  const over = (x: number, y: number, width: number, height: number) =>
    (
      [
        ['left', -x],
        ['right', x - width],
        ['bottom', -y],
        ['top', y - height],
      ] as const
    ).reduce((worst, one) => (one[1] > worst[1] ? one : worst));
  const [boardSide, beyondBoard] = over(board.x, board.y, view.board.width, view.board.height);
  if (beyondBoard > 0) return { where: 'off-board', beyondBoard, side: boardSide };
  const [sheetSide, beyondSheet] = over(sheet.x, sheet.y, view.sheet.width, view.sheet.height);
  return beyondSheet > 0 ? { where: 'on-board', beyondSheet, side: sheetSide } : { where: 'on-sheet' };
}

/** Where any point of the picture falls on the table. */
export function lieOf(view: View, at: PicturePoint): Lies {
  const placement = placementOf(view);
  const sheet = sheetFromPicture(at, placement);
  return lies(view, sheet, boardFromSheet(sheet, placement));
}

/** Groups whose turns differ by less than this share their points, degrees: 0.001° moves a point 1 m away by 0.02 mm. */
const SAME_GROUP_DEG = 1e-3;

/** Directions of one turn, and what is built of them. */
interface Turn {
  readonly turnDeg: Degrees;
  readonly serves: Served[];
}

/** The right-angled pairs of the record as seen from the station: those of the room the view is of first, then in the order of the record. */
function turnsOf(project: MeasuredRoom, view: View, setUp: SetUp): readonly Turn[] {
  const turns: Turn[] = [];
  const apart = (a: number, b: number): number => Math.min(Math.abs(a - b), 90 - Math.abs(a - b));
  const serve = (bearingDeg: Degrees, served: Served): void => {
    const turnDeg = turnOfPair(setUp, bearingDeg);
    const known = turns.find((one) => apart(one.turnDeg, turnDeg) < SAME_GROUP_DEG);
    if (known) known.serves.push(served);
    else turns.push({ turnDeg, serves: [served] });
  };
  const home = roomMeant(project, view);
  if (home) serve(roomBearing(project, view), { thing: 'space', id: home.id });
  else turns.push({ turnDeg: turnOfPair(setUp, roomBearing(project, view)), serves: [] });
  for (const piece of project.pieces) {
    const footprint = footprintOf(project, piece);
    if (footprint.ok) serve(bearingOf(footprint.value.widthDirection), { thing: 'piece', id: piece.id });
  }
  for (const space of project.spaces) {
    const [first] = space.walls;
    if (!first) continue;
    if (space !== home) serve(first.bearingDeg, { thing: 'space', id: space.id });
    const own = turnOfPair(setUp, first.bearingDeg);
    for (const run of wallRuns(space)) {
      const bearing = bearingOf(run.run);
      if (apart(turnOfPair(setUp, bearing), own) >= SAME_GROUP_DEG) serve(bearing, { thing: 'wall', id: run.wall.id });
      for (const opening of project.openings.filter((one) => one.wallId === run.wall.id)) {
        const cut = cutOf(opening, run, Infinity);
        for (const leaf of cut ? openLeavesOf(cut) : [])
          serve(bearing + leaf.turnDeg, { thing: 'opening', id: opening.id });
      }
    }
  }
  return turns;
}

/** Every point of the set-out by what it serves: the room's pair, those of pieces, of open leaves and odd walls, and of all that climbs. */
export function setOutOf(record: MeasuredRoom, view: View, setUp: SetUp): SetOut {
  const project = seenIn(record, view);
  const placement = placementOf(view);
  const home = roomMeant(project, view)?.id ?? null;
  const mark = (name: MarkName, label: string, words: string, u: number, v = 0): SetOutMark => {
    const at = picturePoint(u, v);
    const onSheet = sheetFromPicture(at, placement);
    const onBoard = boardFromSheet(onSheet, placement);
    return { name, id: markKey(name, home), label, words, at, onSheet, onBoard, lies: lies(view, onSheet, onBoard) };
  };
  const groups = turnsOf(project, view, setUp).map(({ turnDeg, serves }, index): SetOutGroup => {
    const pair = directionPair(setUp, turnDeg);
    const suffix = index === 0 ? '' : String(index + 1);
    const named = (role: MarkRole, side: MarkSide | null): MarkName => ({ serves, role, side });
    const marks =
      pair.kind === 'two-point'
        ? [
            mark(named('vanishing', 'left'), `VL${suffix}`, 'left vanishing point', pair.vpLeft),
            mark(named('vanishing', 'right'), `VR${suffix}`, 'right vanishing point', pair.vpRight),
            mark(named('measuring', 'left'), `ML${suffix}`, 'measuring point of the left-going lines', pair.mpOfLeft),
            mark(
              named('measuring', 'right'),
              `MR${suffix}`,
              'measuring point of the right-going lines',
              pair.mpOfRight,
            ),
            mark(
              named('diagonal', null),
              `DV${suffix}`,
              'vanishing point of the diagonals of level squares',
              pair.diagonalVp,
            ),
          ]
        : [
            mark(named('distance', 'left'), `DL${suffix}`, 'left distance point', pair.distancePoints[0]),
            mark(named('distance', 'right'), `DR${suffix}`, 'right distance point', pair.distancePoints[1]),
          ];
    return { turnDeg, kind: pair.kind, serves, marks, suffix };
  });
  const ground = groundLineV(setUp);
  return {
    centreOfVision: mark({ serves: [], role: 'centre', side: null }, 'CV', 'centre of vision', 0),
    horizonOnSheetY: view.centreOfVisionOnSheet.y,
    groundLineV: ground,
    groundLineOnSheetY: view.centreOfVisionOnSheet.y + ground,
    viewingDistance: setUp.viewingDistance,
    cone60Radius: coneRadius(setUp, 60),
    cone45Radius: coneRadius(setUp, 45),
    room: at(groups, 0),
    groups,
    slopes: slopePoints(project, setUp, mark),
  };
}

/** Slopes whose vanishing points lie nearer to each other than this, mm, share them. */
const SAME_POINT_MM = 0.01;

/**
 * The points of all that climbs. The vanishing point of a slope α along a level direction turned φ: (k·tan φ, k·tan α/cos φ), above the horizon
 * where the lines rise as they recede; its measuring point on the upright through it, k/(cos φ·cos α) away, on the horizon's side. Slopes along the
 * picture plane vanish nowhere and have none.
 */
function slopePoints(
  project: MeasuredRoom,
  setUp: SetUp,
  mark: (name: MarkName, label: string, words: string, u: number, v: number) => SetOutMark,
): readonly SetOutSlope[] {
  const found: {
    readonly serves: Served[];
    readonly words: string[];
    u: number;
    v: number;
    away: number;
    deg: number;
  }[] = [];
  for (const { served, words, toward, rise } of slopesOf(project)) {
    const point = vanishingPoint(setUp, { x: toward.x, y: toward.y, z: rise });
    if (point.kind !== 'point') continue;
    const { u, v } = point.at;
    const said = `${words} of ${nameOfThing(project, served.id)}`;
    const known = found.find((one) => Math.hypot(one.u - u, one.v - v) < SAME_POINT_MM);
    if (known) {
      known.serves.push(served);
      known.words.push(said);
    } else {
      const climbs = point.recedesAlong === '+' ? 1 : -1;
      const deg = degreesFromRadians(Math.atan(rise / Math.hypot(toward.x, toward.y)));
      found.push({ serves: [served], words: [said], u, v, away: point.fromStation, deg: climbs * deg });
    }
  }
  return found.map(({ serves, words, u, v, away, deg }, index): SetOutSlope => {
    const said = words.join(' and ');
    const suffix = index === 0 ? '' : String(index + 1);
    return {
      serves,
      words: said,
      slopeDeg: deg,
      vanishing: mark({ serves, role: 'inclined', side: null }, `VI${suffix}`, `vanishing point of ${said}`, u, v),
      measuring: mark(
        { serves, role: 'measuring', side: null },
        `MI${suffix}`,
        `measuring point of ${said}`,
        u,
        v - Math.sign(v) * away,
      ),
    };
  });
}
