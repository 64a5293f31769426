import type { Id } from '@/core/record';
import type { PaperMillimetres } from '@/core/units';
import type { SetUp } from '@/core/view';
import { radiusWithin } from './error-ellipse';
import { labelsOf } from './label';
import { lineExtents, type LineExtent } from './line-extent';
import { makes, type LineId, type MarkId, type Operation } from './operation';
import { inOrder, type Order, type PlannedStep } from './order';
import type { Pass } from './pass';
import type { Saying } from './plan';
import { groundOf } from './set-out-operations';
import type { TargetByEye } from './target';
import { lineName, lists, NAMED_LINES, tell, type Told, type Telling } from './told';
import type { KeptCurve, KeptEdge, WholeDraft } from './whole-room';

/** A step of a whole plan: work of one pass, what stays of a thing, or what of it is drawn by eye. */
export interface WholeStep extends Told {
  readonly id: Id;
  readonly title: string;
  readonly of: readonly Id[];
  readonly does: Pass | { readonly pass: 'firm' } | { readonly pass: 'by-eye' };
  readonly because: string;
  readonly operations: readonly Operation[];
  readonly moves: number;
  readonly marks: number;
  readonly minutes: number;
}

/** A mark found by two ways: how far apart they may lie in nineteen cases of twenty. */
export interface WholeCheck {
  readonly step: Id;
  readonly marks: readonly [MarkId, MarkId];
  readonly allowMm: PaperMillimetres;
}

export interface WholePlan {
  readonly order: Order;
  readonly school: 'measuring-points' | 'distance-point';
  readonly steps: readonly WholeStep[];
  readonly labels: ReadonlyMap<MarkId, string>;
  readonly extents: ReadonlyMap<LineId, LineExtent>;
  readonly keeps: readonly (KeptEdge & { readonly step: Id })[];
  readonly keptCurves: readonly (KeptCurve & { readonly step: Id })[];
  readonly byEye: readonly (TargetByEye & { readonly step: Id })[];
  readonly checks: readonly WholeCheck[];
  readonly counts: {
    readonly moves: number;
    readonly marks: number;
    readonly rulings: number;
    readonly constructionMm: PaperMillimetres;
    readonly minutes: number;
  };
}

export interface PlanWays {
  readonly order: Order;
  readonly byEye: readonly TargetByEye[];
  readonly setUp: SetUp;
  readonly nameOf: (thing: Id) => string;
}

/** A practised pace, minutes. */
const MINUTES = { move: 0.4, mark: 0.1, firm: 0.15, byEye: 0.2 } as const;
const CHECK_SHARE = 0.95;

const BECAUSE: Readonly<Record<WholeStep['does']['pass'], string>> = {
  points: 'Lines of one direction run to its vanishing point; its measuring point carries true lengths onto them.',
  scale: 'One laying of the rule: lengths measured from one zero do not add up their errors.',
  'to-a-point': 'Lines that are parallel in the room run to one point.',
  levels: 'What runs level and square to the line of sight stays level in the picture.',
  uprights: 'Uprights stay upright in the picture.',
  parallels: 'What is parallel to the picture stays parallel to itself.',
  'one-line': 'Both its ends are known.',
  dividers: 'Equal lengths side by side stay equal.',
  strip: 'Both papers have one scale.',
  'by-hand': 'A curve is as good as the marks it runs through.',
  crossings: 'Both lines are there already.',
  firm: 'What is seen stays. Construction may be rubbed out where no later step rests on it.',
  'by-eye': 'They lie too near to one another to be measured; between marks that are right the eye is surer.',
};

/** A whole draft as a plan: steps in one of the orders, told, with what stays, what is left to the eye and what must meet. */
export function wholePlan(whole: WholeDraft, { order, byEye, setUp, nameOf }: PlanWays): WholePlan {
  const { desk, points, plane } = whole;
  const planned = inOrder(whole, order);
  const operations = planned.flatMap((step) => step.operations);
  const labels = labelsOf(operations);
  const extents = lineExtents(operations, desk.machine, points, whole.edges);
  const ground = plane === setUp.floor ? 'the ground line' : 'the sunk ground line';
  const telling: Telling = {
    ...{ machine: desk.machine, labels, extents, points, scaleDenominator: setUp.scaleDenominator },
    madeBy: new Map(operations.flatMap((one) => (makes(one).line === null ? [] : [[makes(one).line ?? '', one]]))),
    named: new Map([...NAMED_LINES, [groundOf(plane).line, ground]]),
  };
  const steps: WholeStep[] = [];
  const keeps: (KeptEdge & { step: Id })[] = [];
  const keptCurves: (KeptCurve & { step: Id })[] = [];
  const left: (TargetByEye & { step: Id })[] = [];
  const put = (step: Omit<WholeStep, 'id' | 'because' | 'minutes'>, minutes: number): Id => {
    const id = `step-${steps.length + 1}`;
    steps.push({ ...step, id, because: BECAUSE[step.does.pass], minutes });
    return id;
  };
  const finish = (of: Id): void => {
    const edges = whole.edges.filter((one) => one.of === of);
    const curves = whole.curves.filter((one) => one.of === of);
    if (edges.length + curves.length > 0) {
      const lines = new Set(edges.map((one) => one.line));
      const moves = lines.size + curves.length;
      const id = put(
        {
          ...{
            title: `Firm lines of ${nameOf(of)}`,
            of: [of],
            does: { pass: 'firm' } as const,
            operations: [],
            moves,
            marks: 0,
          },
          ...{ says: firmWords(edges, curves, telling, whole), measures: [], crossings: [] },
        },
        moves * MINUTES.firm,
      );
      for (const one of edges) keeps.push({ ...one, step: id });
      for (const one of curves) keptCurves.push({ ...one, step: id });
    }
    const eye = byEye.filter((one) => one.of === of);
    if (eye.length === 0) return;
    const id = put(
      {
        ...{
          title: `By eye in ${nameOf(of)}`,
          of: [of],
          does: { pass: 'by-eye' } as const,
          operations: [],
          moves: 0,
          marks: 0,
        },
        ...{ says: byEyeWords(eye, nameOf(of)), measures: [], crossings: [] },
      },
      eye.length * MINUTES.byEye,
    );
    for (const one of eye) left.push({ ...one, step: id });
  };
  const things = [
    ...new Set([
      ...whole.madeFor.flatMap((of) => of ?? []),
      ...[...whole.edges, ...whole.curves, ...byEye].map((one) => one.of),
    ]),
  ];
  const stepOf = new Map<Operation, Id>();
  planned.forEach((step, i) => {
    const moves = step.pass.pass === 'crossings' ? 0 : 1;
    const marks = step.operations.reduce((sum, one) => sum + makes(one).marks.length, 0);
    const id = put(
      {
        ...tell(step, telling),
        title: titleOf(step, telling),
        of: step.of,
        does: step.pass,
        operations: step.operations,
        moves,
        marks,
      },
      moves * MINUTES.move + marks * MINUTES.mark,
    );
    for (const one of step.operations) stepOf.set(one, id);
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
  const checks = whole.checks.map(({ marks }): WholeCheck => {
    const made = operations.find((one) => one.op === 'cross' && one.mark === marks[1]);
    return {
      step: (made && stepOf.get(made)) ?? '',
      marks,
      allowMm: radiusWithin(desk.errors.differenceOf(...marks), CHECK_SHARE),
    };
  });
  const sum = (of: (step: WholeStep) => number): number => steps.reduce((all, step) => all + of(step), 0);
  let constructionMm = 0;
  for (const [from, to] of extents.values()) {
    const [p, q] = [desk.machine.markAt(from), desk.machine.markAt(to)];
    constructionMm += Math.hypot(q.u - p.u, q.v - p.v);
  }
  return {
    order,
    school: whole.frames[0]?.turnDeg === 0 ? 'distance-point' : 'measuring-points',
    ...{ steps, labels, extents, keeps, keptCurves, byEye: left, checks },
    counts: {
      moves: sum((step) => step.moves),
      marks: sum((step) => step.marks),
      rulings: operations.filter((one) => makes(one).line !== null).length,
      constructionMm,
      minutes: sum((step) => step.minutes),
    },
  };
}

function titleOf({ pass }: PlannedStep, telling: Telling): string {
  const name = (mark: MarkId): string => telling.labels.get(mark) ?? '';
  switch (pass.pass) {
    case 'points':
      return 'Points on the horizon';
    case 'scale':
      return `Measured on ${lineName(telling, pass.on)}, zero at ${name(pass.from)}`;
    case 'to-a-point':
      return `Lines to ${name(pass.point)}`;
    case 'levels':
      return 'Levels';
    case 'uprights':
      return 'Uprights';
    case 'parallels':
      return `Parallels to ${lineName(telling, pass.to)}`;
    case 'one-line':
      return `The line ${lineName(telling, pass.line)}`;
    case 'dividers':
      return `With dividers from ${name(pass.between[0])} to ${name(pass.between[1])}`;
    case 'strip':
      return `A strip on ${lineName(telling, pass.on)}`;
    case 'by-hand':
      return 'A curve by hand';
    case 'crossings':
      return 'Where lines cross';
  }
}

/** As a fraction of a line so near to an end it is the end. */
const AT_END = 1e-9;

/** What stays of a thing: whole lines in lists, parts of lines with their distances from one end. */
function firmWords(
  edges: readonly KeptEdge[],
  curves: readonly KeptCurve[],
  telling: Telling,
  { desk }: WholeDraft,
): readonly Saying[] {
  const name = (mark: MarkId): string => telling.labels.get(mark) ?? '';
  const isWhole = ({ seen }: KeptEdge): boolean =>
    seen.length === 1 && (seen[0]?.[0] ?? 1) < AT_END && (seen[0]?.[1] ?? 0) > 1 - AT_END;
  const whole = edges.filter(isWhole).map(({ from, to }) => `${name(from)}–${name(to)}`);
  const parts = edges
    .filter((one) => !isWhole(one))
    .flatMap(({ from, to, seen }): Saying[] => {
      const [p, q] = [desk.machine.markAt(from), desk.machine.markAt(to)];
      const length = Math.hypot(q.u - p.u, q.v - p.v);
      return seen.map(([s, t]) =>
        s < AT_END
          ? [`Of ${name(from)}–${name(to)} draw firm the first `, { paperMm: t * length }, ` from ${name(from)}.`]
          : t > 1 - AT_END
            ? [`Of ${name(from)}–${name(to)} draw firm the last `, { paperMm: (1 - s) * length }, ` to ${name(to)}.`]
            : [
                `Of ${name(from)}–${name(to)} draw firm from `,
                { paperMm: s * length },
                ' to ',
                { paperMm: t * length },
                `, measured from ${name(from)}.`,
              ],
      );
    });
  const through = new Map(desk.operations.flatMap((one) => (one.op === 'curve' ? [[one.curve, one] as const] : [])));
  const rounds = curves.flatMap(({ curve, seen }): Saying[] => {
    const made = through.get(curve);
    if (!made) return [];
    const mark = (i: number): string =>
      name(made.through[((i % made.through.length) + made.through.length) % made.through.length] ?? '');
    return seen.map(([s, t]): Saying =>
      t - s > made.through.length - 1 + AT_END || (made.closed && t - s > made.through.length - AT_END)
        ? [`Draw the curve through ${mark(0)} firm, all round.`]
        : [`Draw the curve firm from ${at(s, mark)} to ${at(t, mark)}.`],
    );
  });
  return [...[...lists(whole)].map((list): Saying => [`Draw firm ${list}.`]), ...parts, ...rounds];
}

/** A place among a curve's marks, in words. */
function at(place: number, mark: (i: number) => string): string {
  const [low, share] = [Math.floor(place + 1e-6), place - Math.floor(place + 1e-6)];
  if (share < 0.05) return mark(low);
  if (share > 0.95) return mark(low + 1);
  return `${share < 0.35 ? 'a little beyond' : share < 0.65 ? 'midway beyond' : 'well beyond'} ${mark(low)}`;
}

function byEyeWords(eye: readonly TargetByEye[], name: string): readonly Saying[] {
  const longest = Math.max(...eye.map((one) => one.paperMm));
  return [
    [
      `Draw ${eye.length === 1 ? 'one more line' : `${eye.length} more lines`} of ${name} by eye, between the marks that are there; the longest is `,
      { paperMm: longest },
      ' on paper.',
    ],
  ];
}
