import type { Id, SchoolName } from '@/core/record';
import type { Millimetres, PaperMillimetres } from '@/core/units';
import type { SetUp } from '@/core/view';
import { byEyeWords, firmWords, type CurvesDrawn } from './told-finish';
import { becauseOf } from './because';
import { labelsOf } from './label';
import type { JudgedMark } from './judged-steps';
import { lineExtents, type LineExtent } from './line-extent';
import { makes, type LineId, type MarkId, type Operation } from './operation';
import { inOrder, type Order, type PlannedStep } from './order';
import type { StepWork } from './pass';
import { ELEVATION_ZERO, marksOfElevation, PLAN_PLANE, STATION } from './plan-sheet';
import { canBeDropped, firmOf, planStraightAbove, type Firm } from './dropped';
import { groundOf } from './set-out-operations';
import type { FrameAtBackWall } from './reach-by-sheet-corners';
import { SCHOOLS } from './schools';
import type { TargetByEye } from './target';
import { NAMED_LINES } from './named-lines';
import type { Told, Telling } from './telling';
import { lineName, tell } from './told';
import type { KeptCurve, KeptEdge, WholeDraft } from './whole';

/** A step of a whole plan: work of one pass, what stays of a thing, or what of it is drawn by eye. */
export interface WholeStep extends Told {
  readonly id: Id;
  readonly title: string;
  readonly of: readonly Id[];
  readonly does: StepWork;
  readonly because: string;
  readonly operations: readonly Operation[];
  readonly moves: number;
  readonly marks: number;
  /** Lines and curves drawn, construction and what stays. */
  readonly lines: number;
  /** At an ordinary pace. */
  readonly minutes: number;
}

/** How long a person takes for a move of the ruler, a mark, and a line, minutes. */
export interface Pace {
  readonly move: number;
  readonly mark: number;
  readonly line: number;
}

/** A practised pace, to begin with. */
export const ORDINARY_PACE: Pace = { move: 0.25, mark: 0.08, line: 0.1 };

export const minutesAt = (pace: Pace, { moves, marks, lines }: Pick<WholeStep, 'moves' | 'marks' | 'lines'>): number =>
  moves * pace.move + marks * pace.mark + lines * pace.line;

/** A mark found by two ways: how far apart they may lie in nineteen cases of twenty. */
export interface WholeCheck {
  readonly step: Id;
  readonly marks: readonly [MarkId, MarkId];
  readonly allowMm: PaperMillimetres;
  /** Steps most likely at fault when they lie farther apart, by their share of the variance, the greatest first. */
  readonly likely: readonly { readonly step: Id; readonly share: number }[];
}

export interface WholePlan {
  readonly order: Order;
  readonly school: SchoolName;
  readonly steps: readonly WholeStep[];
  readonly labels: ReadonlyMap<MarkId, string>;
  readonly lineNames: ReadonlyMap<LineId, string>;
  readonly extents: ReadonlyMap<LineId, LineExtent>;
  readonly keeps: readonly (KeptEdge & { readonly step: Id })[];
  readonly keptCurves: readonly (KeptCurve & { readonly step: Id })[];
  readonly byEye: readonly (TargetByEye & { readonly step: Id })[];
  readonly checks: readonly WholeCheck[];
  /** Marks that judged steps find: they stand outside the exactness of the plan, with all that rests on them. */
  readonly judged: readonly (JudgedMark & { readonly step: Id; readonly mark: MarkId })[];
  /** How far off each mark lies in the room that is judged, or rests on one that is. */
  readonly offMm: ReadonlyMap<MarkId, Millimetres>;
  /** The frame as it stands at the back wall, where depth comes from there; null where it does not. */
  readonly atBackWall: FrameAtBackWall | null;
  readonly counts: {
    readonly moves: number;
    readonly marks: number;
    readonly rulings: number;
    readonly lines: number;
    readonly constructionMm: PaperMillimetres;
    readonly minutes: number;
  };
}

export interface PlanWays {
  readonly order: Order;
  readonly byEye: readonly TargetByEye[];
  readonly setUp: SetUp;
  /** The centre of vision on the sheet, from its lower left corner, mm. */
  readonly centreOnSheet: Telling['centreOnSheet'];
  readonly sheet: Telling['sheet'];
  readonly nameOf: (thing: Id) => string;
}

/** Names of all that a step puts on the paper, in either order of the plan: by them it is ticked off. */
export function strokesOf({ keeps, keptCurves, byEye }: WholePlan, { id, operations }: WholeStep): readonly string[] {
  const own = <T extends { readonly step: Id; readonly edge: Id }>(list: readonly T[], what: string): string[] =>
    list.flatMap(({ step, edge }) => (step === id ? [`${what} ${edge}`] : []));
  return [
    ...operations.flatMap((one) => {
      const { marks, line } = makes(one);
      return [...marks, ...(line === null ? [] : [line]), ...(one.op === 'curve' ? [one.curve] : [])];
    }),
    ...own(keeps, 'firm'),
    ...own(keptCurves, 'firm'),
    ...own(byEye, 'by eye'),
  ];
}

/** All that is carried out, in the order of the work. */
export const operationsOf = ({ steps }: WholePlan): readonly Operation[] => steps.flatMap((step) => step.operations);

/** So many steps are named where a check does not come out. */
const MOST_LIKELY = 3;

/** A whole draft as a plan: steps in one of the orders, told, with what stays, what is left to the eye and what must meet. */
export function wholePlan(
  whole: WholeDraft,
  { order, byEye, setUp, centreOnSheet, sheet, nameOf }: PlanWays,
): WholePlan {
  const { desk, plane } = whole;
  // Lines end before the ticks they are ruled to, as before the points.
  const points = new Set([...whole.points, ...whole.ticks]);
  const planned = singleLinesTogether(inOrder(whole, order), whole.ticks);
  const operations = planned.flatMap((step) => step.operations);
  const labels = labelsOf(operations, whole.points, whole.squares?.labels);
  const extents = lineExtents(operations, desk.machine, points, whole.edges);
  const planAt = planStraightAbove({ ...whole, operations }, centreOnSheet.y, sheet.height);
  const ground = plane === setUp.floor ? 'the ground line' : 'the sunk ground line';
  const telling: Telling = {
    ...{
      machine: desk.machine,
      labels,
      extents,
      points,
      ticks: whole.ticks,
      onPlan: whole.onPlan,
      planAbove: planAt !== null,
      heights: marksOfElevation(operations),
      ground: groundOf(plane).line,
      centreOnSheet,
      sheet,
      onBoard: (at) => desk.onBoard(at),
      scaleDenominator: setUp.scaleDenominator,
    },
    madeBy: new Map(operations.flatMap((one) => (makes(one).line === null ? [] : [[makes(one).line ?? '', one]]))),
    named: new Map([
      ...(whole.squares?.names ?? []),
      ...NAMED_LINES,
      ...atBackWallNamed(whole),
      [groundOf(plane).line, ground],
    ]),
    squares: whole.squares,
    atBackWall: whole.atBackWall,
    judged: whole.stepsJudged,
  };
  const steps: WholeStep[] = [];
  const keeps: (KeptEdge & { step: Id })[] = [];
  const keptCurves: (KeptCurve & { step: Id })[] = [];
  const left: (TargetByEye & { step: Id })[] = [];
  const through: CurvesDrawn = new Map(
    whole.operations.flatMap((one) => (one.op === 'curve' ? [[one.curve, one] as const] : [])),
  );
  const put = (step: Omit<WholeStep, 'id' | 'because' | 'minutes'>): Id => {
    const id = `step-${steps.length + 1}`;
    steps.push({
      ...step,
      id,
      because: becauseOf(step, whole, telling.heights),
      minutes: minutesAt(ORDINARY_PACE, step),
    });
    return id;
  };
  /** What is drawn to stay so far. */
  const firmBy: Firm[] = [];
  const finish = (of: Id): void => {
    const edges = whole.edges.filter((one) => one.of === of);
    const curves = whole.curves.filter((one) => one.of === of);
    if (edges.length + curves.length > 0) {
      const lines = new Set(edges.map((one) => one.line));
      const moves = lines.size + curves.length;
      const id = put({
        ...{
          title: `Firm lines of ${nameOf(of)}`,
          of: [of],
          does: { pass: 'firm' } as const,
          operations: [],
          moves,
          marks: 0,
          lines: edges.length + curves.length,
        },
        ...{ ...firmWords(edges, curves, telling, whole, through), measures: [], crossings: [] },
      });
      for (const one of edges) keeps.push({ ...one, step: id });
      for (const one of curves) keptCurves.push({ ...one, step: id });
      if (planAt) firmBy.push(...firmOf(edges, curves, (mark) => desk.machine.markAt(mark), through));
    }
    const eye = byEye.filter((one) => one.of === of);
    if (eye.length === 0) return;
    const id = put({
      ...{
        title: `By eye in ${nameOf(of)}`,
        of: [of],
        does: { pass: 'by-eye' } as const,
        operations: [],
        moves: 0,
        marks: 0,
        lines: eye.length,
      },
      ...{ says: byEyeWords(eye, nameOf(of), telling, whole, setUp), measures: [], crossings: [], parts: [] },
    });
    for (const one of eye) left.push({ ...one, step: id });
  };
  const things = [
    ...new Set([
      ...whole.madeFor.flatMap((of) => of ?? []),
      ...[...whole.edges, ...whole.curves, ...byEye].map((one) => one.of),
    ]),
  ];
  const stepOf = new Map<Operation, Id>();
  const numberOf = new Map(whole.operations.map((one, i) => [one, whole.numbers[i] ?? -1]));
  const stepOfNumber = new Map<number, Id>();
  /** Where the plan lies straight above, and nothing that stays is in the way, a strip is a drop. */
  const byDrop = (step: PlannedStep): PlannedStep =>
    planAt &&
    step.pass.pass === 'strip' &&
    canBeDropped(step.operations, planAt, (id) => desk.machine.markAt(id), firmBy)
      ? { ...step, pass: { ...step.pass, pass: 'drop' } }
      : step;
  planned.forEach((given, i) => {
    const step = byDrop(given);
    const rules = step.operations.filter((one) => one.op === 'rule').length;
    const moves = step.pass.pass === 'crossings' ? 0 : step.pass.pass === 'one-line' ? rules : 1;
    const marks = step.operations.reduce((sum, one) => sum + makes(one).marks.length, 0);
    const id = put({
      ...tell(step, telling),
      title: titleOf(step, telling),
      of: step.of,
      does: step.pass,
      operations: step.operations,
      ...{ moves, marks, lines: step.operations.filter((one) => 'line' in one || one.op === 'curve').length },
    });
    for (const one of step.operations) {
      stepOf.set(one, id);
      stepOfNumber.set(numberOf.get(one) ?? -1, id);
    }
    const [of] = step.of;
    // By piece a thing is finished where the next one is begun.
    if (order === 'by-piece' && of !== undefined && planned[i + 1]?.of[0] !== of) finish(of);
  });
  const finished = new Set(
    keeps
      .map((one) => one.of)
      .concat(
        keptCurves.map((one) => one.of),
        left.map((one) => one.of),
      ),
  );
  for (const of of things) if (!finished.has(of)) finish(of);
  const likelyOf = ([a, b]: readonly [MarkId, MarkId]): WholeCheck['likely'] => {
    const shares = new Map<Id, number>();
    for (const { act, share } of desk.errors.sharesOf(a, b)) {
      const step = stepOfNumber.get(act.operation);
      if (step !== undefined) shares.set(step, (shares.get(step) ?? 0) + share);
    }
    return [...shares]
      .map(([step, share]) => ({ step, share }))
      .sort((one, other) => other.share - one.share)
      .slice(0, MOST_LIKELY);
  };
  const checks = whole.checks.map(({ marks, allowMm }): WholeCheck => {
    // Where the later of the two is made they can be compared.
    const made = operations.findLast((one) => makes(one).marks.some((mark) => marks.includes(mark)));
    return {
      step: (made && stepOf.get(made)) ?? '',
      marks,
      allowMm,
      likely: likelyOf(marks),
    };
  });
  const judged = operations.flatMap((one) =>
    makes(one).marks.flatMap((mark) => {
      const found = whole.stepsJudged.get(mark);
      return found ? [{ ...found, mark, step: stepOf.get(one) ?? '' }] : [];
    }),
  );
  const sum = (of: (step: WholeStep) => number): number => steps.reduce((all, step) => all + of(step), 0);
  let constructionMm = 0;
  for (const [from, to] of extents.values()) {
    const [p, q] = [desk.machine.markAt(from), desk.machine.markAt(to)];
    constructionMm += Math.hypot(q.u - p.u, q.v - p.v);
  }
  return {
    order,
    school: schoolOf(whole),
    lineNames: new Map([...telling.madeBy.keys()].map((line) => [line, lineName(telling, line)])),
    ...{
      steps,
      labels,
      extents,
      keeps,
      keptCurves,
      byEye: left,
      checks,
      atBackWall: whole.atBackWall,
      judged,
      offMm: whole.judged,
    },
    counts: {
      moves: sum((step) => step.moves),
      marks: sum((step) => step.marks),
      rulings: operations.filter((one) => makes(one).line !== null).length,
      lines: sum((step) => step.lines),
      constructionMm,
      minutes: sum((step) => step.minutes),
    },
  };
}

/** The upright that is laid off at the back wall, by name. */
const atBackWallNamed = ({ atBackWall }: WholeDraft): readonly (readonly [LineId, string])[] =>
  atBackWall ? [[atBackWall.line, `the frame’s ${atBackWall.side} side at the back wall`]] : [];

/** The school of what is drawn first: of its frame. */
function schoolOf({ frames }: WholeDraft): SchoolName {
  const [first] = frames;
  const drawn = Object.values(SCHOOLS).find((one) => first && one.draws(first));
  return drawn?.name ?? 'distance-point';
}

/** So many lines from mark to mark are one step at most. */
const MOST_SINGLE = 6;

/** Lines from mark to mark that follow one another for one thing are told in one step, though each is a move of the ruler. */
function singleLinesTogether(steps: readonly PlannedStep[], ticks: ReadonlySet<MarkId>): readonly PlannedStep[] {
  const isSingle = ({ pass, operations }: PlannedStep): boolean =>
    pass.pass === 'one-line' &&
    operations.every((one) => one.op === 'rule' && !one.through.some((mark) => ticks.has(mark)));
  const made: PlannedStep[] = [];
  for (const step of steps) {
    const last = made.at(-1);
    if (last && isSingle(last) && isSingle(step) && last.operations.length < MOST_SINGLE && last.of[0] === step.of[0])
      made[made.length - 1] = {
        ...last,
        operations: [...last.operations, ...step.operations],
        of: [...new Set([...last.of, ...step.of])],
      };
    else made.push(step);
  }
  return made;
}

function titleOf({ pass, operations }: PlannedStep, telling: Telling): string {
  const name = (mark: MarkId): string => telling.labels.get(mark) ?? '';
  switch (pass.pass) {
    case 'points':
      return operations.some((one) => one.op === 'take' && one.slides === 'u')
        ? 'Points on the horizon'
        : 'The centre of vision';
    case 'scale':
      return `Measured on ${lineName(telling, pass.on)}, zero at ${name(pass.from)}`;
    case 'to-a-point':
      return `${pass.point === STATION ? 'Rays' : 'Lines'} to ${name(pass.point)}`;
    case 'plan':
      if (operations.some((one) => 'line' in one && one.line === PLAN_PLANE)) return 'The plan';
      return operations.some((one) => one.op === 'take' && telling.heights.has(one.mark))
        ? 'Corners on the plan, heights on the elevation'
        : 'Corners on the plan';
    case 'squares':
      return 'Squares on the plan';
    case 'levels':
      return 'Levels';
    case 'uprights':
      return 'Uprights';
    case 'parallels':
      return `Parallels to ${lineName(telling, pass.to)}`;
    case 'one-line':
      return operations.length > 1 ? 'Lines from mark to mark' : `The line ${lineName(telling, pass.line)}`;
    case 'dividers':
      return `With dividers from ${name(pass.between[0])} to ${name(pass.between[1])}`;
    case 'drop':
      return `Drops to ${lineName(telling, pass.on)}`;
    case 'strip':
      return operations.some((one) => one.op === 'strip' && one.zero[1] === ELEVATION_ZERO)
        ? `Heights on ${lineName(telling, pass.on)}`
        : `A strip on ${lineName(telling, pass.on)}`;
    case 'by-hand':
      return 'A curve by hand';
    case 'crossings':
      return 'Where lines cross';
  }
}
