import type { PaperMillimetres } from '@/core/units';
import type { HandPrecision } from './acts';
import { draft } from './machine';
import { makes, type MarkId, type Operation } from './operation';
import { pencilErrors } from './pencil-error';
import { restingOn } from './rests-on';
import { minutesAt, operationsOf, ORDINARY_PACE, type Pace, type WholePlan } from './whole-plan';

/** A mark that lies off its place. */
export interface OffMark {
  readonly mark: MarkId;
  /** By how much; null where it was not measured. */
  readonly offMm: PaperMillimetres | null;
}

/** A step that may be at fault: its share of what is to be expected, and the mark at which its tool was laid. */
export interface LikelyStep {
  /** Place of the step in the plan, 1 and up. */
  readonly step: number;
  readonly share: number;
  readonly at: MarkId;
}

/** What follows from a mark that came out wrong. */
export interface CameOutWrong {
  /** The likeliest steps, the most likely first; none where the mark is given with the sheet. */
  readonly likely: readonly LikelyStep[];
  /** Marks that rest on it, itself left out. */
  readonly resting: number;
  /** Of the marks at the ends of what stays the one that is moved by most, and by how much; null where nothing that stays rests on it. */
  readonly farthest: { readonly mark: MarkId; readonly mm: PaperMillimetres } | null;
  /** Whether what stays is moved by more than a pencil's line is broad. */
  readonly matters: boolean;
  /** The least that is to be drawn again of what is drawn: what is moved by more than a pencil's line is broad. */
  readonly again: {
    readonly marks: readonly MarkId[];
    /** Lines, and curves by hand. */
    readonly lines: readonly string[];
    /** Edges that stay. */
    readonly firm: readonly string[];
    readonly steps: readonly number[];
    readonly minutes: number;
  };
}

/** Less than this is not seen beside a soft pencil's line, mm. */
export const PENCIL_LINE_MM: PaperMillimetres = 0.3;
/** Where nothing was measured, it is asked what a millimetre would do. */
const ASKED_MM: PaperMillimetres = 1;
/** So many steps are named. */
const MOST_LIKELY = 3;
/** Ways in which a mark may be off are tried this far apart, of a whole turn. */
const WAYS = 8;

/**
 * A mark that came out wrong: which steps are likeliest at fault by their shares of the variance, what rests on it and by how much that is moved, and the
 * least that is to be drawn again. @param isDrawn whether a stroke lies on the paper by now.
 */
export function cameOutWrong(
  plan: WholePlan,
  hand: HandPrecision,
  { mark, offMm }: OffMark,
  isDrawn: (stroke: string) => boolean,
  pace: Pace = ORDINARY_PACE,
): CameOutWrong {
  const operations = operationsOf(plan);
  const shifts = shiftsFrom(operations, mark, offMm ?? ASKED_MM);
  const moved = (one: MarkId): boolean => (shifts.get(one) ?? 0) >= PENCIL_LINE_MM;
  const resting = restingOn(operations, mark);
  let farthest: CameOutWrong['farthest'] = null;
  const ends = [
    ...plan.keeps.flatMap(({ from, to }) => [from, to]),
    ...operations.flatMap((one) => (one.op === 'curve' ? one.through : [])),
  ];
  for (const end of ends) {
    const mm = shifts.get(end) ?? 0;
    if (mm > (farthest?.mm ?? 0)) farthest = { mark: end, mm };
  }
  return {
    likely: likelySteps(plan, operations, hand, mark),
    resting: [...resting].filter((one) => one !== mark).length,
    farthest,
    matters: (farthest?.mm ?? 0) >= PENCIL_LINE_MM,
    again: drawnAgain(plan, mark, moved, isDrawn, pace),
  };
}

/** By how much each mark is moved when one is off by so much, in whatever direction moves it most. */
function shiftsFrom(operations: readonly Operation[], mark: MarkId, offMm: number): ReadonlyMap<MarkId, number> {
  const right = draft(operations);
  const shifts = new Map<MarkId, number>();
  if (!right.ok) return shifts;
  for (let way = 0; way < WAYS; way += 1) {
    const turn = (2 * Math.PI * way) / WAYS;
    const slip = { mark, du: offMm * Math.cos(turn), dv: offMm * Math.sin(turn) };
    const wrong = draft(operations, { slips: [slip] });
    if (!wrong.ok) continue;
    for (const [id, { u, v }] of wrong.value.marks) {
      const at = right.value.marks.get(id);
      const mm = at ? Math.hypot(u - at.u, v - at.v) : 0;
      if (mm > (shifts.get(id) ?? 0)) shifts.set(id, mm);
    }
  }
  return shifts;
}

function likelySteps(
  plan: WholePlan,
  operations: readonly Operation[],
  hand: HandPrecision,
  mark: MarkId,
): readonly LikelyStep[] {
  const errors = pencilErrors(operations, hand);
  if (!errors.ok) return [];
  const stepOf = plan.steps.flatMap((step, i) => step.operations.map(() => i + 1));
  const found = new Map<number, { share: number; at: MarkId; most: number }>();
  for (const { act, share } of errors.value.sharesOf(mark)) {
    const step = stepOf[act.operation];
    if (step === undefined) continue;
    const own = found.get(step) ?? { share: 0, at: act.at, most: 0 };
    own.share += share;
    if (share > own.most) [own.at, own.most] = [act.at, share];
    found.set(step, own);
  }
  return [...found]
    .map(([step, { share, at }]) => ({ step, share, at }))
    .sort((a, b) => b.share - a.share)
    .slice(0, MOST_LIKELY);
}

/** What of the drawn is moved too far: marks, lines through them, and what stays between them. */
function drawnAgain(
  plan: WholePlan,
  mark: MarkId,
  moved: (mark: MarkId) => boolean,
  isDrawn: (stroke: string) => boolean,
  pace: Pace,
): CameOutWrong['again'] {
  const marks: MarkId[] = [];
  const lines: string[] = [];
  const firm: string[] = [];
  const wrongLines = new Set<string>();
  const steps = new Set<number>();
  let minutes = 0;
  plan.steps.forEach((step, i) => {
    const before = marks.length + lines.length + firm.length;
    const [m, l] = [marks.length, lines.length + firm.length];
    for (const one of step.operations) {
      const made = makes(one);
      for (const own of made.marks) if ((own === mark || moved(own)) && isDrawn(own)) marks.push(own);
      const stroke = one.op === 'curve' ? one.curve : made.line;
      if (stroke === null) continue;
      // A line set parallel to one that was ruled wrong is wrong with it.
      const off = made.usesMarks.some(moved) || (one.op === 'parallel' && wrongLines.has(one.to));
      if (off) wrongLines.add(stroke);
      if (off && isDrawn(stroke)) lines.push(stroke);
    }
    for (const { edge, from, to, step: own } of plan.keeps)
      if (own === step.id && (moved(from) || moved(to)) && isDrawn(`firm ${edge}`)) firm.push(edge);
    for (const { edge, curve, step: own } of plan.keptCurves)
      if (own === step.id && wrongLines.has(curve) && isDrawn(`firm ${edge}`)) firm.push(edge);
    if (marks.length + lines.length + firm.length === before) return;
    steps.add(i + 1);
    minutes += minutesAt(pace, { moves: 1, marks: marks.length - m, lines: lines.length + firm.length - l });
  });
  return { marks, lines, firm, steps: [...steps], minutes };
}
