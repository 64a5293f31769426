import { changeView, sameMark, viewOf, type MarkName, type Project, type ReachAid, type View } from '@/core/record';
import {
  formatAngle,
  formatLength,
  formatPaper,
  formatScale,
  radiansFromDegrees,
  type Degrees,
  type LengthStyle,
} from '@/core/units';
import { edgeTicks, TICK_ERROR_MM } from './edge-ticks';
import { frameOffSight } from './cone-parts';
import { DRAWING_SCALES } from '@/core/units';
import { rescaled } from './place-on-paper';
import { fractionOf, measuredBy, reachOf, rulerFor } from './reach';
import { resolveSetUp } from './resolve';
import { lieOf, markNamed, setOutOf, type SetOut, type SetOutGroup, type SetOutMark } from './set-out-marks';
import type { SetUp } from './set-up';
import { standAt } from './stand-at';
import { stretchAt } from './reach-report';
import { SET_SQUARE_ANGLES } from './turn-plan';
import type { ViewChange } from './view-change';
import { BOARD_EDGE_MM } from './widest-set-out';

export type RemedyKind =
  'slide-sheet' | 'nearer-station' | 'another-angle' | 'smaller-scale' | 'fraction' | 'ticks' | 'strip';

/** One way to bring a point back, with what it costs told before it is taken; or why it will not do here. */
export type ReachRemedy = { readonly kind: RemedyKind; readonly label: string } & (
  | { readonly possible: true; readonly consequences: readonly string[]; readonly change: ViewChange }
  | { readonly possible: false; readonly why: string }
);

/** A point out of reach with all that its remedies are worked out from. */
export interface Case {
  readonly project: Project;
  readonly view: View;
  readonly setUp: SetUp;
  readonly setOut: SetOut;
  readonly mark: SetOutMark;
  readonly style: LengthStyle;
}

/** The view after a change with what is computed from it; null where it could not be drawn. */
function after({ project, view }: Case, change: ViewChange) {
  const next = changeView(project, view.id, change);
  const changed = viewOf(next, view.id);
  const setUp = resolveSetUp(next, changed);
  return setUp.ok ? { view: changed, setUp: setUp.value, setOut: setOutOf(next, changed, setUp.value) } : null;
}

/** Whether every point of the room the person needs lies on the board and within the straightedge after a change. */
function reaches(given: Case, change: ViewChange): boolean {
  const next = after(given, change);
  const mark = next && markNamed(next.setOut, given.mark.name);
  return (
    next !== null &&
    mark !== null &&
    mark !== undefined &&
    reachOf({ ...next.view, aids: [] }, next.setOut, mark).within
  );
}

const possible = (
  kind: RemedyKind,
  label: string,
  consequences: readonly string[],
  change: ViewChange,
): ReachRemedy => ({ kind, label, possible: true, consequences, change });
const not = (kind: RemedyKind, label: string, why: string): ReachRemedy => ({ kind, label, possible: false, why });

const percent = (ratio: number): string => `${Math.round(ratio * 100)} %`;

/** An aid put in place of any other for the same mark. */
export const withAid = (view: Pick<View, 'aids'>, aid: ReachAid): ViewChange => ({
  aids: [...view.aids.filter((one) => !sameMark(one.mark, aid.mark)), aid],
});
export const withoutAid = (view: Pick<View, 'aids'>, mark: MarkName): ViewChange => ({
  aids: view.aids.filter((one) => !sameMark(one.mark, mark)),
});

function slideSheet(given: Case): ReachRemedy {
  const { view, mark, style } = given;
  const label = 'Slide the sheet on the board';
  const room = view.board.width - view.sheet.width;
  if (room < 0) return not('slide-sheet', label, 'The sheet is wider than the board.');
  const wanted =
    mark.onSheet.x < 0 ? BOARD_EDGE_MM - mark.onSheet.x : view.board.width - BOARD_EDGE_MM - mark.onSheet.x;
  const x = Math.min(room, Math.max(0, wanted));
  const change: ViewChange = { sheetOnBoard: { ...view.sheetOnBoard, x } };
  const by = x - view.sheetOnBoard.x;
  if (!reaches(given, change))
    return not(
      'slide-sheet',
      label,
      mark.lies.where === 'off-board'
        ? `With the sheet at the board’s edge the point is still ${formatPaper(Math.abs(wanted - x), style)} off.`
        : 'The board holds it already; it is the ruler that is too short.',
    );
  const next = after(given, change);
  const lost = (next?.setOut.room.marks ?? []).filter(
    (one) =>
      one.lies.where === 'off-board' &&
      given.setOut.room.marks.find((old) => old.id === one.id)?.lies.where !== 'off-board',
  );
  return possible(
    'slide-sheet',
    `${label}, ${formatPaper(Math.abs(by), style)} to the ${by > 0 ? 'right' : 'left'}`,
    [
      'Nothing of the drawing changes.',
      ...(lost.length > 0
        ? [
            `${lost.map((one) => one.label).join(' and ')} then ${lost.length > 1 ? 'fall' : 'falls'} off the other side.`,
          ]
        : []),
    ],
    change,
  );
}

/** What a new set-up does to the look of it: stretch at the frame's farthest corner, and whether that leaves the cone. */
function stretchTold(given: Case, next: { setUp: SetUp; view: View }): string {
  const before = stretchAt(frameOffSight(given.setUp, given.view).corner);
  const corner = frameOffSight(next.setUp, next.view).corner;
  return `In the frame’s corner things are stretched ${stretchAt(corner).toFixed(2)} times, before ${before.toFixed(2)}${corner > 30 ? ': past the 60° cone' : ''}.`;
}

function nearerStation(given: Case): ReachRemedy {
  const { project, view, setUp, mark, style } = given;
  const label = 'Stand nearer';
  const room =
    mark.at.u < 0
      ? view.sheetOnBoard.x + view.centreOfVisionOnSheet.x
      : view.board.width - view.sheetOnBoard.x - view.centreOfVisionOnSheet.x;
  const far = Math.max(view.frame.right, -view.frame.left);
  const up = Math.max(Math.abs(view.frame.bottom), Math.abs(view.frame.top));
  const ruler = Math.sqrt(Math.max(0, view.straightedge ** 2 - up ** 2)) - far;
  const share = Math.min(room - BOARD_EDGE_MM, ruler) / Math.abs(mark.at.u);
  const step = style.units === 'imperial' ? 25.4 : 10;
  const distance = Math.floor((setUp.pictureDistance * share) / step) * step;
  if (!(share > 0) || distance < step)
    return not(
      'nearer-station',
      label,
      'The centre of vision itself is too near the board’s edge: slide the sheet first.',
    );
  const change = standAt(project, view, { pictureDistance: distance });
  const next = after(given, change);
  if (!next || !reaches(given, change))
    return not('nearer-station', label, 'No station point on this line of sight brings it back.');
  return possible(
    'nearer-station',
    `${label}: ${formatLength(distance, style)} before the picture plane`,
    [
      `You stand ${formatLength(setUp.pictureDistance - distance, style)} nearer; the sheet is to be looked at from ${formatPaper(next.setUp.viewingDistance, style)} instead of ${formatPaper(setUp.viewingDistance, style)}.`,
      stretchTold(given, next),
    ],
    change,
  );
}

/** The pair of directions a mark belongs to: the room's, or a turned piece's. */
const groupOf = (setOut: SetOut, name: MarkName): SetOutGroup | undefined =>
  setOut.groups.find((group) => group.marks.some((one) => sameMark(one.name, name)));

/** Both vanishing points of the mark's pair within reach: one that comes back while the other goes out is no remedy. */
const bothInReach = (given: Case, change: ViewChange): boolean => {
  const next = after(given, change);
  const group = next && groupOf(next.setOut, given.mark.name);
  return (
    next !== null &&
    group?.kind === 'two-point' &&
    group.marks
      .filter((one) => one.name.role === 'vanishing')
      .every((one) => reachOf({ ...next.view, aids: [] }, next.setOut, one).within)
  );
};

function anotherAngle(given: Case): ReachRemedy {
  const { project, view, setUp, setOut, mark, style } = given;
  const label = 'Another angle';
  const group = groupOf(setOut, mark.name);
  const { room } = setOut;
  if (!group || group.kind === 'one-point')
    return not('another-angle', label, 'In one-point the distance points depend on the station distance alone.');
  const angles: Degrees[] = [];
  for (let angle = 1; angle < 90; angle += 0.5) angles.push(angle);
  const good = angles.filter((angle) => bothInReach(given, standAt(project, view, { turnDeg: angle })));
  if (good.length === 0)
    return not(
      'another-angle',
      label,
      `At this station distance no angle brings both vanishing points within reach: even at 45° they lie ${formatPaper(2 * setUp.viewingDistance, style)} apart.`,
    );
  const squares = good.filter((angle) => SET_SQUARE_ANGLES.includes(angle));
  const nearest = (list: readonly Degrees[]): Degrees =>
    list.reduce((best, one) => (Math.abs(one - room.turnDeg) < Math.abs(best - room.turnDeg) ? one : best));
  const angle = squares.length > 0 ? nearest(squares) : nearest(good);
  const change = standAt(project, view, { turnDeg: angle });
  const spread = (turn: Degrees): number => (2 * setUp.viewingDistance) / Math.sin(radiansFromDegrees(2 * turn));
  const next = after(given, change);
  const turned = (next && groupOf(next.setOut, mark.name)?.turnDeg) ?? group.turnDeg;
  return possible(
    'another-angle',
    `${label}: the room turned ${formatAngle(angle)}`,
    [
      `It is ${formatAngle(room.turnDeg)} now. From ${formatAngle(Math.min(...good))} to ${formatAngle(Math.max(...good))} both vanishing points are within reach${contiguous(good) ? '' : ', but not at every angle between'}.`,
      `They lie ${formatPaper(spread(turned), style)} apart, before ${formatPaper(spread(group.turnDeg), style)}. One walks round the room: other sides are seen.`,
    ],
    change,
  );
}

const contiguous = (angles: readonly Degrees[]): boolean =>
  angles.every((angle, i) => i === 0 || angle - (angles[i - 1] ?? angle) < 0.75);

function smallerScale(given: Case): ReachRemedy {
  const { project, view, style } = given;
  const label = 'A smaller scale';
  const scales = DRAWING_SCALES[project.units].filter((one) => one > view.scaleDenominator * 1.0001);
  const scale = scales.find((one) => reaches(given, rescaled(view, one)));
  if (scale === undefined) return not('smaller-scale', label, 'No usual scale brings it back.');
  const change = rescaled(view, scale);
  const next = after(given, change);
  if (!next) return not('smaller-scale', label, 'The view cannot be drawn at that scale.');
  return possible(
    'smaller-scale',
    `${label}: ${formatScale(scale, project.units)}`,
    [
      `The drawing comes out at ${percent(view.scaleDenominator / scale)} of its size; nothing in it is stretched otherwise.`,
      `A pencil’s line stands for ${(scale / view.scaleDenominator).toFixed(2)} times as much; look at it from ${formatPaper(next.setUp.viewingDistance, style)}.`,
      ...(next.setUp.viewingDistance < 150 ? ['That is nearer than the eye can look at a sheet.'] : []),
    ],
    change,
  );
}

const MOST_PARTS = 8;

function fraction(given: Case): ReachRemedy {
  const { view, setOut, mark, style } = given;
  const vanishing = measuredBy(setOut, mark);
  if (!vanishing)
    return not(
      'fraction',
      'A fractional point',
      'Fractions shorten the way to a measuring or distance point, not to a vanishing point.',
    );
  const name = mark.name.role === 'distance' ? 'distance point' : 'measuring point';
  for (let n = 2; n <= MOST_PARTS; n += 1) {
    const at = fractionOf(mark, vanishing, n);
    const ruler = rulerFor(view, at);
    if (lieOf(view, at).where === 'off-board' || ruler > view.straightedge) continue;
    const where = lieOf(view, at).where === 'on-sheet' ? 'on the sheet' : 'on the board';
    return possible(
      'fraction',
      `A ${name} at 1/${n}`,
      [
        `${mark.label}/${n} lies ${where}, ${formatPaper(Math.abs(at.u), style)} ${at.u < 0 ? 'left' : 'right'} of the centre of vision. Lengths are laid off at 1/${n}, all from the trace.`,
        `An error in laying off counts ${n} times: ${TICK_ERROR_MM} mm becomes ${(TICK_ERROR_MM * n).toFixed(1)} mm.`,
      ],
      withAid(view, { by: 'fraction', mark: mark.name, n }),
    );
  }
  return not(
    'fraction',
    'A fractional point',
    `Even at 1/${MOST_PARTS} it lies out of reach: its vanishing point is too far away.`,
  );
}

/** Rungs this far apart on the nearer edge, mm: half a centimetre, or a quarter of an inch. */
const TICK_STEP: Readonly<Record<LengthStyle['units'], number>> = { metric: 5, imperial: 6.35 };

function ticks(given: Case): ReachRemedy {
  const { view, mark, style } = given;
  const label = 'Converging ticks on the sheet’s edges';
  const stepMm = TICK_STEP[style.units];
  const ladder = edgeTicks(view, mark.at, stepMm);
  if (!ladder || ladder.pairs.length < 3)
    return not('ticks', label, 'The point lies on the sheet itself: it is the ruler that is too short.');
  return possible(
    'ticks',
    label,
    [
      `${ladder.pairs.length} pairs of ticks, ${formatPaper(ladder.stepMm, style)} apart on the ${ladder.edge} edge. A line between two pairs is judged between their ticks.`,
      `A tick ${TICK_ERROR_MM} mm out of place costs ${ladder.cost.oneTickMm.toFixed(2)} mm in the middle of the drawing, both together ${ladder.cost.bothTicksMm.toFixed(2)} mm.`,
    ],
    withAid(view, { by: 'ticks', mark: mark.name, stepMm }),
  );
}

/** Where a strip of paper is to be taped on for a point beyond the board, measured from the board's lower left corner. */
export function stripPlace(view: View, mark: SetOutMark) {
  const { board } = view;
  const side =
    mark.onBoard.x < 0
      ? 'left'
      : mark.onBoard.x > board.width
        ? 'right'
        : mark.onBoard.y > board.height
          ? 'top'
          : 'bottom';
  const beyond = mark.lies.where === 'off-board' ? mark.lies.beyondBoard : 0;
  return { side, beyond, fromLeft: mark.onBoard.x, up: mark.onBoard.y } as const;
}

function strip(given: Case): ReachRemedy {
  const { view, mark, style } = given;
  const label = 'A strip of paper taped on';
  if (mark.lies.where !== 'off-board')
    return not('strip', label, 'The board holds the point already; it is the ruler that is too short.');
  const place = stripPlace(view, mark);
  const needed = rulerFor(view, mark.at);
  if (needed > view.straightedge)
    return not(
      'strip',
      label,
      `The straightedge would have to be ${formatPaper(needed, style)} long; yours is ${formatPaper(view.straightedge, style)}.`,
    );
  return possible(
    'strip',
    `${label}, ${formatPaper(place.beyond, style)} beyond the board’s ${place.side} edge`,
    [
      `The point lies ${formatPaper(place.up, style)} above the board’s lower edge, at the horizon’s height, on a strip level with the board’s face.`,
      'A strip that shifts spoils every line after it: check it against the ground line before each session.',
    ],
    withAid(view, { by: 'strip', mark: mark.name }),
  );
}

const WAYS = [slideSheet, fraction, ticks, strip, nearerStation, anotherAngle, smallerScale];

/** Every remedy for a point out of reach, in the order of what they cost; each is worked out and tried before it is offered. */
export function reachRemedies(
  project: Project,
  view: View,
  setUp: SetUp,
  setOut: SetOut,
  mark: SetOutMark,
  style: LengthStyle,
): readonly ReachRemedy[] {
  const given: Case = { project, view, setUp, setOut, mark, style };
  return WAYS.map((way) => way(given));
}

/** The first few that are possible; the dearer ones, which try many set-ups, are not worked out when the cheaper serve. */
export function firstRemedies(
  given: Case,
  most: number,
): readonly { readonly label: string; readonly change: ViewChange }[] {
  const found: { readonly label: string; readonly change: ViewChange }[] = [];
  for (const way of WAYS) {
    if (found.length >= most) break;
    const remedy = way(given);
    if (remedy.possible) found.push({ label: remedy.label, change: remedy.change });
  }
  return found;
}
