import type { Vector2 } from '@/core/geometry';
import { tolerance } from '@/core/numeric';
import type { Id } from '@/core/record';
import type { PicturePoint, WorldPoint } from '@/core/space';
import type { Degrees, PaperMillimetres } from '@/core/units';
import { eyeFromWorld } from '@/core/view';
import { boxAbout, boxCorners } from './crate';
import { Desk } from './desk';
import { errorEllipse, radiusWithin } from './error-ellipse';
import {
  axisAlong,
  framesOf,
  fromPlan,
  placeIn,
  turnOf,
  worldAt,
  type AxisFrame,
  type DepthBy,
  type Place,
} from './frame';
import { gridDrawn } from './grid-at-hand';
import { ReachBySheetCorners } from './reach-by-sheet-corners';
import { ReachByGrid } from './reach-by-grid';
import { edgeJudged, judgedSteps, marksJudged, type JudgedStep } from './judged-steps';
import { LEAST_DEPTH } from './measured-corner';
import { lineBetween } from './line-between';
import { needed } from './needed';
import { NO_AIDS, pairsOf } from './pairs-at-hand';
import { placesByFrame } from './places-by-frame';
import { thingsIn, type Thing } from './things-to-draw';
import { makes, type CurveId, type LineId, type MarkId, type Operation } from './operation';
import type { FramePoints, PairAtHand, PointRole, RunsTo } from './frame-points';
import { climbsTo, inclinedPoints, runOf, samePoint } from './inclined';
import { framePoints, SCHOOLS } from './schools';
import { PlanSheet, STATION } from './plan-sheet';
import { reacherOf } from './reacher-of';
import { ReachByMeasure } from './reach-by-measure';
import { ReachBySquares } from './reach-by-squares';
import type { ReachPlace, SecondWay } from './reach-place';
import {
  BEGINNING,
  CENTRE,
  CV,
  edgeOperations,
  groundOf,
  HORIZON_LINE,
  frameSides,
  groundOperations,
} from './set-out-operations';
import { Way } from './way';
import type { KeptCurve, KeptEdge, WholeDraft, WholeGiven } from './whole';
import type { FrameSide, TargetCurve, TargetEdge, TargetEnd } from './target';

/** A line ruled from a mark to a point is carried at most so many times as far as the two lie apart, where it could be ruled between marks. */
const MOST_CARRIED = 2;
/** Choosing where to measure from takes about so much of the time. */
const SET_OUT_SHARE = 0.2;
const CHECK_SHARE = 0.95;
/** So many corners of a thing are found a second time. */
const CHECKS_A_THING = 2;
/** A thing of fewer lines is not worth a line ruled for a check alone; so many of its corners are tried for it. */
const LEAST_CHECKED = 4;
const MOST_RULED = 8;
/** Two ways whose difference is expected to be less than this are one way, mm. */
const LEAST_TOLD_MM = 0.05;
/** Two ways that may differ by more tell nothing of a slip, mm. */
const MOST_TOLD_MM = 1;
/** A floor that lies nearer to eye level than this on paper is measured on a plan sunk below it, mm. Source: common practice of sunk plans. */
const LEAST_DROP_MM = 25;
const SUNK_MM = 60;

/** Everything that is seen, reached from the plan with ruler and pencil; the finished picture is not asked. Yields how much is done, 0 to 1. */
export function* draftingWhole(given: WholeGiven): Generator<number, WholeDraft> {
  const { setUp, table, hand, targets } = given;
  const N = setUp.scaleDenominator;
  const plane = Math.abs(setUp.eyeZ - setUp.floor) / N < LEAST_DROP_MM ? setUp.eyeZ - SUNK_MM * N : setUp.floor;
  const desk = new Desk(table, hand);
  desk.carryOut(BEGINNING);
  desk.carryOut(groundOperations(setUp, plane));
  const sides = frameSides(given.frame);
  desk.carryOut(sides.operations);
  desk.carryOut(edgeOperations(given.sheet));

  const onBoard = (p: PicturePoint): boolean => desk.onBoard(p);
  const pairOf = (frame: AxisFrame): PairAtHand | null => given.pairAt(frame.turnDeg);
  const usable = (frame: AxisFrame, ticks: 'where-chosen' | 'where-needed'): boolean => {
    const pair = pairOf(frame);
    const points = framePoints(setUp, frame, { suffix: 'trial', aids: pair?.aids ?? NO_AIDS }, onBoard, null);
    desk.tapeOn(points.strips);
    return (ticks === 'where-needed' || !points.ticksUnasked) && desk.priced(points.operations) !== null;
  };
  const along = given.grid?.system.along ?? given.interval?.along;
  const gridTurn = along ? turnOf(setUp, along) : 0;
  const schoolOf = (thing: Id): { measuredAt: (turnDeg: Degrees) => Degrees; depthBy: DepthBy } => {
    const { measuredAt, depthBy } = SCHOOLS[given.wayOf(thing).school];
    return { measuredAt: (turnDeg) => measuredAt(turnDeg, gridTurn), depthBy };
  };
  const frames = framesOf(setUp, targets, usable, schoolOf);
  const places = placesByFrame(setUp, targets, frames);
  const plan = frames.list.some(({ depthBy }) => fromPlan(depthBy))
    ? new PlanSheet(desk, setUp, groundOf(plane))
    : null;
  if (plan) desk.carryOut(plan.beginning);
  for (const [frame, wanted] of places) if (fromPlan(frame.depthBy)) plan?.shows(frame, wanted);
  const stands = new Map<MarkId, WorldPoint>();
  const pairs = pairsOf(frames.list, pairOf);
  const reachers = new Map<AxisFrame, ReachPlace>();
  const taken = new Map<AxisFrame, FramePoints>();
  const roles = new Map<MarkId, PointRole>(plan ? [[STATION, 'station']] : []);
  const vanishing: { direction: Vector2; to: RunsTo }[] = [];
  /** Those that make what neither lies on the table nor is made by an earlier one of them. */
  const fresh = (all: readonly Operation[]): readonly Operation[] => {
    const way = new Way(desk);
    for (const one of all) {
      const { marks, line } = makes(one);
      if (marks.every((mark) => !way.has(mark)) && (line === null || !way.drawn(line))) way.add(one);
    }
    return way.operations;
  };
  const judgedBy = new Map<AxisFrame, readonly JudgedStep[]>();
  /** A line with the steps that stand for its coordinates, where any are judged. */
  const asDrawn = (edge: TargetEdge): TargetEdge => {
    const frame = frames.ofEdge(edge);
    const steps = judgedBy.get(frame) ?? [];
    return steps.length === 0 ? edge : edgeJudged(steps, frame, setUp, given.frame, edge);
  };
  const begunWith = { given, desk, plane, plan, side: (side: FrameSide) => sides.line(side) };
  for (const [i, frame] of frames.list.entries()) {
    yield (SET_OUT_SHARE * i) / frames.list.length;
    const wanted = places.get(frame) ?? [];
    if (fromPlan(frame.depthBy)) plan?.layFrame(frame, wanted);
    const points = framePoints(setUp, frame, pairs.get(frame) ?? { suffix: '', aids: NO_AIDS }, onBoard, plan);
    desk.tapeOn(points.strips);
    let reached = reacherOf(frame, points, wanted, begunWith);
    // Points that a frame turned alike has brought already are not taken twice.
    if (!reached || !desk.carryOut(fresh(points.operations))) continue;
    while (reached && !reached.reacher.begin()) reached = reached.otherwise;
    if (!reached) continue;
    const { reacher, counts } = reached;
    if (counts && frame.depthBy === 'binary-steps')
      judgedBy.set(frame, judgedSteps(counts, setUp, targets, frames, frame));
    reachers.set(frame, reacher);
    taken.set(frame, points);
    for (const [point, role] of points.roles) roles.set(point, role);
    for (const axis of ['x', 'y'] as const) vanishing.push({ direction: frame[axis], to: points.vanishing[axis] });
  }

  // Points one above another stand on one upright.
  const inclined = inclinedPoints(setUp, targets.edges, [...taken.values()], given.inclinedAt).filter(
    ({ operations }) => desk.carryOut(operations.filter((one) => !('line' in one) || !desk.drawn(one.line))),
  );
  const madeFor: (Id | null)[] = desk.operations.map(() => null);
  const points = new Set([
    ...desk.operations.flatMap((one) => (one.op === 'take' && !desk.onPlan.has(one.mark) ? [one.mark] : [])),
    ...roles.keys(),
    ...inclined.map(({ mark }) => mark),
  ]);
  const entered = (of: Id): void => {
    while (madeFor.length < desk.operations.length) madeFor.push(of);
  };
  const unreached: { edge: Id; of: Id }[] = [];
  const markOf = (frame: AxisFrame, end: TargetEnd, on: LineId | null = null): MarkId | null => {
    const cutting = end.cutBy === null ? [] : [sides.line(end.cutBy)];
    // In its own frame, or else by its coordinates in another.
    const others = [...reachers.keys()].filter((one) => one !== frame);
    for (const one of [frame, ...others]) {
      const mark = reachers.get(one)?.reach(placeIn(one, setUp, end.at), cutting, on) ?? null;
      if (mark !== null) return mark;
    }
    for (const one of [frame, ...others]) {
      const mark = reachers.get(one)?.reachAtItsHeight(placeIn(one, setUp, end.at)) ?? null;
      if (mark !== null) return mark;
    }
    return null;
  };
  const edges: KeptEdge[] = [];
  const curves: KeptCurve[] = [];
  const drawEdge = (measured: TargetEdge): boolean => {
    const frame = frames.ofEdge(measured);
    const edge = asDrawn(measured);
    // The end that is no cut first: the cut is found along the line ruled from it.
    const [first, second] =
      edge.from.cutBy === null ? ([edge.from, edge.to] as const) : ([edge.to, edge.from] as const);
    const p = markOf(frame, first);
    // A line that climbs to a point of its own is ruled from its first end; the other lies on it.
    const known = reachers.get(frame)?.known(placeIn(frame, setUp, second.at)) ?? null;
    const q = markOf(frame, second, p === null ? null : towardInclined(edge, p, known));
    const [from, to] = first === edge.from ? [p, q] : [q, p];
    // Along one of its frame's directions it is ruled with the others that are, otherwise by itself.
    const along = (): LineId | null => {
      const axis = axisAlong(frame, runOf(edge));
      return axis === null ? null : (reachers.get(frame)?.lineAt(axis, placeIn(frame, setUp, first.at)) ?? null);
    };
    const line = from !== null && to !== null ? lineBetween(desk, from, to, along) : null;
    if (from === null || to === null || line === null) return false;
    edges.push({ edge: edge.edge, of: edge.of, from, to, line, seen: edge.seen });
    return true;
  };
  const towardInclined = (edge: TargetEdge, from: MarkId, known: MarkId | null): LineId | null => {
    const to = climbsTo(setUp, runOf(edge));
    const point = to && inclined.find(({ at }) => samePoint(at, to));
    if (!point) return null;
    // Ruled over a short base and carried far it would miss more than a line between two marks.
    const [p, q] = [desk.machine.markAt(from), known === null ? null : desk.machine.markAt(known)];
    if (q && Math.hypot(q.u - p.u, q.v - p.v) > MOST_CARRIED * Math.hypot(to.u - p.u, to.v - p.v)) return null;
    const line = `climb:${from}~${point.mark}`;
    return desk.drawn(line) || desk.carryOut([{ op: 'rule', line, through: [from, point.mark] }]) ? line : null;
  };
  /** An edge may be drawn in several curves. */
  const curveNamed = (edge: Id): CurveId => {
    const same = curves.filter((one) => one.edge === edge).length;
    return `curve ${edge}${same === 0 ? '' : ` ${same + 1}`}`;
  };
  const drawCurve = (one: TargetCurve): boolean => {
    const frame = frames.ofThing(one.of);
    const marks = one.through.map((at) => markOf(frame, { at, cutBy: null }));
    const through = marks.filter((mark) => mark !== null);
    if (through.length < marks.length) return false;
    const curve = curveNamed(one.edge);
    // Where it runs along one of its frame's directions it touches a line of them: the square about a circle.
    const tangents = one.through.map((at, i): LineId | null => {
      const run = one.runs[i];
      const axis = run ? axisAlong(frame, run) : null;
      return axis === null ? null : (reachers.get(frame)?.lineAt(axis, placeIn(frame, setUp, at)) ?? null);
    });
    if (!desk.carryOut([{ op: 'curve', curve, through, closed: one.closed, tangents }])) return false;
    curves.push({ edge: one.edge, of: one.of, curve, seen: one.seen });
    return true;
  };
  const checks: { of: Id; marks: readonly [MarkId, MarkId]; allowMm: PaperMillimetres }[] = [];
  /** A few corners of a thing found a second time: by what is drawn already, or else by one line more. */
  const check = ({ of, edges: own }: { readonly of: Id; readonly edges: readonly TargetEdge[] }): void => {
    const second = (third: 'is-drawn' | 'is-ruled'): readonly SecondWay[] => {
      const found = own.flatMap((edge) => {
        const frame = frames.ofEdge(edge);
        const reacher = reachers.get(frame);
        const { from, to } = asDrawn(edge);
        return [from, to].flatMap(({ at }) => reacher?.secondWay(placeIn(frame, setUp, at), third) ?? []);
      });
      return [...new Map(found.map((one) => [one.mark, one])).values()];
    };
    const told = second('is-drawn').flatMap((one) => {
      const error = tells(one);
      return error === null ? [] : [{ ...one, error }];
    });
    for (const one of told.sort((a, b) => a.error - b.error).slice(0, CHECKS_A_THING)) put(of, one);
    if (told.length > 0 || own.length < LEAST_CHECKED) return;
    const [best] = second('is-ruled')
      .slice(0, MOST_RULED)
      .flatMap((one) => {
        const cost = desk.priced(one.operations);
        const error = cost && !cost.flat ? tells(one) : null;
        return error === null ? [] : [{ ...one, error }];
      })
      .sort((a, b) => a.error - b.error);
    if (best) put(of, best);
  };
  const put = (of: Id, { mark, again, operations }: SecondWay): void => {
    if (!desk.carryOut(operations)) return;
    const allowMm = radiusWithin(desk.errors.differenceOf(mark, again), CHECK_SHARE);
    checks.push({ of, marks: [mark, again], allowMm });
  };
  /** The expected difference of two ways; null where they cannot be compared, or are found by the same acts. */
  const tells = ({ mark, again, operations }: SecondWay): number | null => {
    if (desk.priced(operations)?.flat !== false || !desk.carryOut(operations)) return null;
    const { major } = errorEllipse(desk.errors.differenceOf(mark, again));
    for (const _ of operations) desk.takeBackLast();
    return major > LEAST_TOLD_MM && major < MOST_TOLD_MM ? major : null;
  };
  /** The box a thing just fits into, or its foot alone, drawn before its own lines; names of what is drawn. Nothing where part of it cannot be had. */
  const begin = ({ of, edges: own, curves: round }: Thing): readonly string[] => {
    const { begin: first } = given.wayOf(of);
    const frame = frames.ofThing(of);
    const reacher = reachers.get(frame);
    if (first === null || !reacher || own.length < LEAST_CHECKED) return [];
    const ends = [
      ...own.map(asDrawn).flatMap(({ from, to }) => [from.at, to.at]),
      ...round.flatMap((one) => one.through),
    ];
    const box = boxAbout(ends.map((at) => placeIn(frame, setUp, at)));
    const corners = boxCorners(box, first === 'crate' && box.high.z - box.low.z > tolerance.touchMm);
    const inFront = (place: Place): boolean =>
      eyeFromWorld(setUp, worldAt(frame, setUp, place)).depth > LEAST_DEPTH * setUp.pictureDistance;
    if (!corners.every(({ at }) => inFront(at))) return [];
    const marks = corners.map(({ at }) => reacher.reach(at));
    const drawn: string[] = [];
    corners.forEach(({ next }, i) => {
      for (const j of next) {
        const [p, q] = [marks[i], marks[j]];
        const line = p && q ? lineBetween(desk, p, q) : null;
        if (p && q && line !== null) drawn.push(p, q, line);
      }
    });
    return drawn;
  };
  /** What the places of a thing are reached from together, frame by frame. */
  const makeReady = ({ of, edges: own, curves: round }: Thing): void => {
    const byFrame = new Map<AxisFrame, { readonly whole: Place[]; readonly cut: Place[] }>();
    const put = (frame: AxisFrame, { at, cutBy }: TargetEnd): void => {
      const own = byFrame.get(frame) ?? { whole: [], cut: [] };
      byFrame.set(frame, own);
      own[cutBy === null ? 'whole' : 'cut'].push(placeIn(frame, setUp, at));
    };
    for (const edge of own) {
      const { from, to } = asDrawn(edge);
      for (const end of [from, to]) put(frames.ofEdge(edge), end);
    }
    for (const { through } of round) for (const at of through) put(frames.ofThing(of), { at, cutBy: null });
    for (const [frame, { whole, cut }] of byFrame) reachers.get(frame)?.prepare(whole, cut);
  };
  // Each thing whole before the next: what is drawn later may rest on it, never the other way.
  const all = Math.max(1, targets.edges.length + targets.curves.length);
  const done = (): number =>
    SET_OUT_SHARE + ((1 - SET_OUT_SHARE) * (edges.length + curves.length + unreached.length)) / all;
  const sections = [...reachers.values()].filter((one) => one instanceof ReachBySheetCorners);
  const begun = new Set<string>();
  const things = thingsIn(targets, given.order);
  for (const { closing } of sections) if (closing && things[0]) put(things[0].of, closing);
  for (const thing of things) {
    makeReady(thing);
    for (const id of begin(thing)) begun.add(id);
    for (const one of thing.edges) {
      if (!drawEdge(one)) unreached.push({ edge: one.edge, of: one.of });
      yield done();
    }
    for (const one of thing.curves) {
      if (!drawCurve(one)) unreached.push({ edge: one.edge, of: one.of });
      yield done();
    }
    check(thing);
    entered(thing.of);
  }
  const grids = [...reachers.values()].filter((one) => one instanceof ReachByGrid);
  const inSquares = [...reachers.values()].filter((one) => one instanceof ReachBySquares);
  const wanted = new Set([
    ...begun,
    ...[...grids, ...sections].flatMap(({ laid }) => laid),
    ...[CV, HORIZON_LINE, CENTRE, groundOf(plane).line],
    ...edges.flatMap(({ from, to, line }) => [from, to, line]),
    ...curves.map(({ curve }) => curve),
    ...checks.flatMap(({ marks }) => marks),
  ]);
  const kept = needed(desk.operations, wanted);
  const operations = kept.map(({ operation }) => operation);
  const there = new Set(operations.flatMap((one) => makes(one).marks));
  for (const { divided } of inSquares)
    for (const mark of divided)
      if (there.has(mark)) {
        points.add(mark);
        roles.set(mark, 'measuring');
      }
  const ticks = new Set<MarkId>();
  for (const reacher of reachers.values())
    for (const [tick, role] of reacher.ticks)
      if (there.has(tick)) {
        ticks.add(tick);
        roles.set(tick, role);
      }
  for (const [frame, { reached }] of reachers)
    for (const [mark, at] of reached) if (there.has(mark)) stands.set(mark, worldAt(frame, setUp, at));
  const ends = new Set(edges.flatMap(({ from, to }) => [from, to]));
  const judgements = [...judgedBy].map(([frame, steps]) =>
    marksJudged(steps, reachers.get(frame)?.reached ?? new Map<MarkId, Place>(), operations, ends),
  );
  return {
    ...{ desk, operations, begun, plane, stands, edges, curves, checks, roles, ticks, vanishing, unreached },
    inclined: inclined.filter(({ mark }) => there.has(mark)),
    frames: [...reachers.keys()],
    squares: gridDrawn(grids, there),
    parted: {
      divided: new Set(inSquares.flatMap(({ divided }) => [...divided])),
      diagonals: new Set(inSquares.flatMap(({ diagonals }) => [...diagonals])),
      repeats: new Set(inSquares.flatMap(({ repeats }) => [...repeats])),
    },
    judged: new Map(judgements.flatMap(({ off }) => [...off])),
    stepsJudged: new Map(judgements.flatMap(({ found }) => [...found])),
    atBackWall: sections[0]?.atBackWall ?? null,
    ownLevels: new Set(
      [...reachers.values()].flatMap((one) => (one instanceof ReachByMeasure ? [...one.levelsOfOwn] : [])),
    ),
    numbers: kept.map(({ place }) => place),
    onPlan: desk.onPlan,
    madeFor: kept.map(({ place }) => madeFor[place] ?? null),
    points: new Set([...points].filter((mark) => there.has(mark))),
  };
}
