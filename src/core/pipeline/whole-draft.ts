import { ok, type Result } from '@/core/base';
import {
  draftingWhole,
  ORDERS,
  ORDINARY_HAND,
  planAbove,
  planOnPaper,
  drawsByIntervals,
  SCHOOLS,
  wholePlan,
  type Order,
  type PlanOnPaper,
  type PlanWays,
  type WholePlan,
  type FramePoint,
  type HandPrecision,
  type WholeGiven,
  type PointAid,
  type Targets,
  type WholeDraft,
} from '@/core/construction';
import { sameMark, wayOf, type Id, type MarkName, type PlanWay, type Project, type View } from '@/core/record';
import type { Body } from '@/core/solids';
import { tolerance } from '@/core/numeric';
import { MM_PER_INCH, type Degrees, type PaperMillimetres } from '@/core/units';
import {
  backWallDepth,
  eyeFromWorld,
  resolveSetUp,
  seenIn,
  setOutOf,
  type SetOut,
  type SetUp,
  type SetUpError,
} from '@/core/view';
import { drain, visibleLinesExact, type VisibleLines } from '@/core/visibility';
import { firstInterval } from './first-interval';
import { gridAtHand } from './grid-at-hand';
import { sceneOf, type Scene } from './perspective';
import { boardAbout, sheetAbout, targetsOf } from './targets';

/** Nearer together than this nothing is measured, mm on paper, to begin with. */
export const DETAIL_MM: PaperMillimetres = 2;

/** An ordinary hand with the project's own ruler. */
export const handWith = ({ units, fractions, rulerStepMm }: Project): HandPrecision => ({
  ...ORDINARY_HAND,
  rulerStepMm: units === 'imperial' ? MM_PER_INCH / fractions.ruler : rulerStepMm,
});

/** How a whole drawing is made: by whose hand, and how finely. */
export interface WholeWays {
  readonly hand?: HandPrecision;
  readonly detailMm?: PaperMillimetres;
  /** How many times more an expected error counts against ruler moves than it does otherwise. */
  readonly errorIsDearer?: number;
  /** A way for all things in place of the project's own. */
  readonly way?: Partial<PlanWay>;
}

interface Drafted {
  readonly targets: Targets;
  readonly whole: WholeDraft;
}

/** Everything that is seen, drawn from the plan, with what it was to reach. Yields how much is done, 0 to 1. */
export function* draftingRoom(
  project: Project,
  view: View,
  scene: Scene,
  setUp: SetUp,
  lines: VisibleLines,
  { hand = handWith(project), detailMm = DETAIL_MM, errorIsDearer = 1, way = {} }: WholeWays = {},
): Generator<number, Drafted> {
  const order = thingsInOrder(project, scene.bodies, setUp);
  const pieces = new Set(project.pieces.map((one) => one.id));
  const drawn = order.map((one) => way.school ?? wayOf(project, view.id, one).school);
  const targets = targetsOf(scene.prepared, lines, setUp, view, detailMm, new Set(order));
  const whole = yield* draftingWhole({
    ...{ setUp, hand, targets, order },
    table: { board: boardAbout(view), straightedgeMm: view.straightedge, errorIsDearer },
    frame: view.frame,
    sheet: sheetAbout(view),
    grid: drawn.some((school) => SCHOOLS[school].depthBy === 'grid')
      ? gridAtHand(project, view, setUp, scene.bodies)
      : null,
    interval: drawn.some(drawsByIntervals) ? firstInterval(project, view) : null,
    backWall: backWallDepth(project, view, setUp),
    ...namesInSetOut(setOutOf(project, view, setUp), view),
    wayOf: (thing) => {
      const own = { ...wayOf(project, view.id, thing), ...way };
      // Rooms and what is in their walls have no crate.
      return { school: own.school, begin: pieces.has(thing) ? own.begin : null };
    },
  });
  return { targets, whole };
}

/** Which of a frame's points a mark of the set-out is; null for one that lines are not ruled to. */
function framePointOf({ role, side }: MarkName): FramePoint | null {
  if (side === null) return null;
  return role === 'vanishing' || role === 'measuring' || role === 'distance' ? `${role}-${side}` : null;
}

/** Points of each pair as the set-out has them, with what was chosen there to bring them within reach, and what it calls the points of all that climbs. */
const namesInSetOut = ({ groups, slopes }: SetOut, view: View): Pick<WholeGiven, 'pairAt' | 'inclinedAt'> => ({
  pairAt: (turnDeg) => {
    const group = groups.find((one) => sameTurn(one.turnDeg, turnDeg));
    if (!group) return null;
    const aids = group.marks.flatMap(({ name }): (readonly [FramePoint, PointAid])[] => {
      const aid = view.aids.find((one) => sameMark(one.mark, name));
      const point = framePointOf(name);
      if (!aid || point === null) return [];
      return [[point, aid.by === 'fraction' ? { by: 'fraction', n: aid.n } : { by: aid.by }]];
    });
    return { suffix: group.suffix, aids: new Map(aids) };
  },
  inclinedAt: ({ u, v }) =>
    slopes.find(({ vanishing: { at } }) => Math.hypot(at.u - u, at.v - v) < SAME_POINT_MM)?.vanishing.label ?? null,
});

/** Points of the set-out that lie nearer together than this are one, mm. */
const SAME_POINT_MM = 0.01;

/** Turns of right-angled pairs: 90° on is the same pair. */
const sameTurn = (a: Degrees, b: Degrees): boolean => {
  const apart = (((a - b) % 90) + 90) % 90;
  return Math.min(apart, 90 - apart) < tolerance.sameTurnDeg;
};

/** The same at once. */
export const wholeDraftOf = (...given: Parameters<typeof draftingRoom>): Drafted => drain(draftingRoom(...given));

export const namesIn = ({ spaces, openings, surfaces, pieces }: Project): ((id: Id) => string) => {
  const names = new Map([...spaces, ...openings, ...surfaces, ...pieces].map((one) => [one.id, one.name]));
  return (id) => names.get(id) ?? 'the room';
};

/** The whole drawing as a plan in one of the two orders, told with the names of the record. */
export function wholePlanOf(
  project: Project,
  view: View,
  scene: Scene,
  setUp: SetUp,
  lines: VisibleLines,
  ways: WholeWays & { readonly order: Order },
): { readonly plan: WholePlan; readonly whole: WholeDraft; readonly targets: Targets } {
  const { whole, targets } = wholeDraftOf(project, view, scene, setUp, lines, ways);
  const { order } = ways;
  const given = { byEye: targets.byEye, setUp, ...sheetIn(view), nameOf: namesIn(project) };
  const plan = wholePlan(whole, { ...given, order });
  return { plan, whole, targets };
}

/** The sheet, and where the picture lies on it. */
export const sheetIn = ({ centreOfVisionOnSheet, sheet }: View): Pick<PlanWays, 'centreOnSheet' | 'sheet'> => ({
  centreOnSheet: centreOfVisionOnSheet,
  sheet,
});

/** A view's whole drawing as plans in both orders, so that one can choose between them, and what they put on the paper. */
export interface PlannedView {
  readonly plans: Readonly<Record<Order, WholePlan>>;
  readonly paper: PlanOnPaper;
  /** What no way at this table leads to, by name. */
  readonly unreached: readonly { readonly edge: Id; readonly of: Id }[];
}

/** The room with what is seen of it takes about so much of the time. */
const SEEN_SHARE = 0.3;
const DRAFTED_SHARE = 0.9;

/** Plans of a view from the record alone. Yields how much is done, 0 to 1. */
export function* planningView(
  record: Project,
  view: View,
  ways: WholeWays = {},
): Generator<number, Result<PlannedView, SetUpError>> {
  const project = seenIn(record, view);
  const setUp = resolveSetUp(project, view);
  if (!setUp.ok) return setUp;
  const scene = sceneOf(project);
  yield 0;
  const lines = yield* shareOf(visibleLinesExact(scene.prepared, setUp.value, view.frame), 0, SEEN_SHARE);
  const drafting = draftingRoom(project, view, scene, setUp.value, lines, ways);
  const { whole, targets } = yield* shareOf(drafting, SEEN_SHARE, DRAFTED_SHARE);
  const given = {
    ...{ byEye: targets.byEye, setUp: setUp.value, nameOf: namesIn(project) },
    ...sheetIn(view),
  };
  const plans = new Map<Order, WholePlan>();
  for (const order of ORDERS) {
    plans.set(order, wholePlan(whole, { ...given, order }));
    yield DRAFTED_SHARE + ((1 - DRAFTED_SHARE) * plans.size) / ORDERS.length;
  }
  return ok({
    plans: Object.fromEntries(plans) as Record<Order, WholePlan>,
    paper: planOnPaper(whole, planShownFrom(view)),
    unreached: whole.unreached,
  });
}

/** From where upward a plan is shown beside the picture: above the sheet, as it is laid by hand. */
export const planShownFrom = ({ sheet, centreOfVisionOnSheet }: View): PaperMillimetres =>
  planAbove(centreOfVisionOnSheet.y, sheet.height);

/** A part of a longer work, with its progress as a part of the whole. */
function* shareOf<T>(steps: Generator<number, T>, from: number, to: number): Generator<number, T> {
  for (let step = steps.next(); ; step = steps.next()) {
    if (step.done) return step.value;
    yield from + (to - from) * step.value;
  }
}

/** Rooms, what is in their walls, what lies on them; then the pieces from far to near. */
function thingsInOrder(
  { spaces, openings, surfaces, pieces }: Project,
  bodies: readonly Body[],
  setUp: SetUp,
): readonly Id[] {
  const depths = new Map(
    bodies.map((body) => [body.id, Math.max(...body.vertices.map(({ at }) => eyeFromWorld(setUp, at).depth))]),
  );
  const farFirst = [...pieces].sort((a, b) => (depths.get(b.id) ?? 0) - (depths.get(a.id) ?? 0));
  return [...spaces, ...openings, ...surfaces, ...farFirst].map((one) => one.id);
}
