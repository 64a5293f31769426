import { tolerance } from '@/core/numeric';
import type { Millimetres } from '@/core/units';
import { eyeFromWorld, type SetUp } from '@/core/view';
import { axisAlong, placeIn, worldAt, type AxisFrame, type Frames, type Place } from './frame';
import { atSquares, squaresTo } from './grid-at-hand';
import type { Level, SquaresCounted } from './reach-by-squares';
import type { Axis } from './reach-place';
import { runOf } from './inclined';
import { makes, type MarkId, type Operation } from './operation';
import type { FrameSide, TargetEdge, TargetEnd, Targets } from './target';

/** Halves, quarters and eighths: an interval is halved so often. */
const STEPS_IN_INTERVAL = 8;
/** A step stands for a ratio that it is this near to, parts of the interval. Source: construction, 3. */
const JUDGED_WITHIN = 1 / 16;
/** Of the gap to the next coordinate no more than this: what lies between two that are judged grows or shrinks by half at most. */
const OF_A_GAP = 1 / 4;

/** A coordinate of the room and the step that stands for it. */
export interface JudgedStep extends JudgedMark {
  readonly axis: Level;
  readonly from: Millimetres;
  readonly to: Millimetres;
}

/** A mark that a judged step finds: the part of the interval that stands for another, and how far off it lies in the room. */
export interface JudgedMark {
  /** In intervals, from the corner they are counted from. */
  readonly drawnAt: number;
  readonly ratio: number;
  readonly offMm: Millimetres;
}

/** What a coordinate is judged by: where it is wanted, and whether it belongs to what must keep its shape (round, turned or climbing). */
interface PlaceWanted {
  readonly place: Place;
  readonly keepsShape: boolean;
}

/** All places that lines of a frame run between; where the picture cuts a line, what runs along it is of no account. */
function placesWanted(
  setUp: SetUp,
  { edges, curves }: Targets,
  frames: Frames,
  frame: AxisFrame,
): readonly PlaceWanted[] {
  const axisOf = (edge: TargetEdge): Axis | null => axisAlong(frames.ofEdge(edge), runOf(edge));
  const shaped = new Set([...edges.filter((one) => axisOf(one) === null), ...curves].map(({ of }) => of));
  return [
    ...edges.flatMap((edge): PlaceWanted[] => {
      if (frames.ofEdge(edge) !== frame) return [];
      const axis = axisOf(edge);
      const [p, q] = [edge.from, edge.to].map((end) => placeIn(frame, setUp, end.at)) as [Place, Place];
      const free = (own: Place, end: TargetEnd, other: Place): Place =>
        end.cutBy === null || axis === null ? own : { ...own, [axis]: other[axis] };
      const keepsShape = shaped.has(edge.of);
      return [
        { place: free(p, edge.from, q), keepsShape },
        { place: free(q, edge.to, p), keepsShape },
      ];
    }),
    ...curves.flatMap(({ of, through }) =>
      frames.ofThing(of) === frame
        ? through.map((at): PlaceWanted => ({ place: placeIn(frame, setUp, at), keepsShape: true }))
        : [],
    ),
  ];
}

/**
 * Which coordinates of a frame are judged: those that a step is near to, and nearer than a part of the gap to the next coordinate on either side, so that no
 * width closes up or doubles. What belongs to something that must keep its shape stays where it is, and along the picture plane all is measured.
 */
export function judgedSteps(
  { counted }: Pick<SquaresCounted, 'counted'>,
  ...of: Parameters<typeof placesWanted>
): readonly JudgedStep[] {
  const wanted = placesWanted(...of);
  const [, , , { turnDeg }] = of;
  return (['x', 'y'] as const).flatMap((axis) => {
    if (axis === 'x' && turnDeg === 0) return [];
    const { unit } = counted[axis];
    const same = (a: Millimetres, b: Millimetres): boolean => Math.abs(a - b) < tolerance.touchMm;
    const all = wanted
      .map(({ place }) => place[axis])
      .sort((a, b) => a - b)
      .filter((one, i, sorted) => i === 0 || !same(one, sorted[i - 1] ?? NaN));
    const kept = wanted.filter((one) => one.keepsShape).map(({ place }) => place[axis]);
    return all.flatMap((from, i): readonly JudgedStep[] => {
      if (kept.some((one) => same(one, from))) return [];
      const gaps = [from - (all[i - 1] ?? -Infinity), (all[i + 1] ?? Infinity) - from];
      const most = Math.min(JUDGED_WITHIN * unit, ...gaps.map((gap) => gap * OF_A_GAP));
      const ratio = squaresTo(counted[axis], from);
      const drawnAt = Math.round(ratio * STEPS_IN_INTERVAL) / STEPS_IN_INTERVAL;
      const to = atSquares(counted[axis], drawnAt);
      const offMm = Math.abs(to - from);
      // Nothing is halved for what would fall into the corner itself.
      return drawnAt !== 0 && offMm > tolerance.touchMm && offMm <= most
        ? [{ axis, from, to, drawnAt, ratio, offMm }]
        : [];
    });
  });
}

/** A place with the steps that stand for its coordinates. */
function placeJudged(steps: readonly JudgedStep[], place: Place, except: Axis | null = null): Place {
  let judged = place;
  for (const { axis, from, to } of steps)
    if (axis !== except && Math.abs(place[axis] - from) < tolerance.touchMm) judged = { ...judged, [axis]: to };
  return judged;
}

/** A line as it is drawn with the steps that stand for its coordinates; where the picture cuts it, it runs on to the same side. @param sides picture mm. */
export function edgeJudged(
  steps: readonly JudgedStep[],
  frame: AxisFrame,
  setUp: SetUp,
  sides: Readonly<Record<FrameSide, number>>,
  edge: TargetEdge,
): TargetEdge {
  const axis = axisAlong(frame, runOf(edge));
  if (axis === null) return edge;
  const drawn = (end: TargetEnd): TargetEnd => {
    const place = placeIn(frame, setUp, end.at);
    const judged = placeJudged(steps, place, end.cutBy === null ? null : axis);
    if (judged === place) return end;
    const { cutBy } = end;
    const there = cutBy === null ? judged : cutAt(frame, setUp, judged, axis, cutBy, sides[cutBy]);
    return there ? { ...end, at: worldAt(frame, setUp, there) } : end;
  };
  const [from, to] = [drawn(edge.from), drawn(edge.to)];
  return from === edge.from && to === edge.to ? edge : { ...edge, from, to };
}

/** Marks that judged steps find, and how far off in the room each mark lies because of them. */
interface MarksJudged {
  readonly found: ReadonlyMap<MarkId, JudgedMark>;
  readonly off: ReadonlyMap<MarkId, Millimetres>;
}

/**
 * What of the steps comes to the paper: those that an end of a line that stays rests on, each found by the first mark that has its coordinate.
 * @param ends marks at which lines that stay end.
 */
export function marksJudged(
  steps: readonly JudgedStep[],
  reached: ReadonlyMap<MarkId, Place>,
  operations: readonly Operation[],
  ends: ReadonlySet<MarkId>,
): MarksJudged {
  const made = operations.flatMap((one) =>
    makes(one).marks.flatMap((mark) => {
      const place = reached.get(mark);
      return place ? [{ mark, place }] : [];
    }),
  );
  const on = ({ axis, to }: JudgedStep, place: Place): boolean => Math.abs(place[axis] - to) < tolerance.touchMm;
  const used = steps.filter((step) => made.some(({ mark, place }) => ends.has(mark) && on(step, place)));
  const found = new Map<MarkId, JudgedMark>();
  for (const step of used) {
    // A mark that two steps lead to tells of one of them; the other is told at its next.
    const first = made.find(({ mark, place }) => on(step, place) && !found.has(mark));
    if (first) found.set(first.mark, step);
  }
  return {
    found,
    off: new Map(
      made.flatMap(({ mark, place }) => {
        const offs = used.filter((step) => on(step, place)).map(({ offMm }) => offMm);
        return offs.length === 0 ? [] : [[mark, Math.hypot(...offs)] as const];
      }),
    ),
  };
}

/** Where the line of an axis through a place leaves the picture by one of its sides; null where it does not. @param at the side, picture mm. */
function cutAt(frame: AxisFrame, setUp: SetUp, place: Place, axis: Axis, side: FrameSide, at: number): Place | null {
  const [p, q] = [0, 1].map((on) => eyeFromWorld(setUp, worldAt(frame, setUp, { ...place, [axis]: place[axis] + on })));
  if (!p || !q) return null;
  const across = side === 'left' || side === 'right' ? ('lateral' as const) : ('rise' as const);
  const k = setUp.pictureDistance / setUp.scaleDenominator;
  // k·(a + s·Δa) = u·(t + s·Δt)
  const slope = k * (q[across] - p[across]) - at * (q.depth - p.depth);
  if (Math.abs(slope) < tolerance.nought) return null;
  return { ...place, [axis]: place[axis] + (at * p.depth - k * p[across]) / slope };
}

/** A number of eighths in its lowest terms. */
function fraction(rest: number): string {
  const by = [4, 2, 1].find((one) => rest % one === 0) ?? 1;
  return `${rest / by}/${STEPS_IN_INTERVAL / by}`;
}

/** Eighths as they are written: 3/8, 1 1/2, −2. Zero is 0. */
export function stepWords(step: number): string {
  const eighths = Math.round(Math.abs(step) * STEPS_IN_INTERVAL);
  const [whole, rest] = [Math.floor(eighths / STEPS_IN_INTERVAL), eighths % STEPS_IN_INTERVAL];
  const over = rest === 0 ? '' : fraction(rest);
  const words = [whole > 0 || rest === 0 ? String(whole) : '', over].filter((one) => one !== '').join(' ');
  return step < 0 && eighths > 0 ? `−${words}` : words;
}
