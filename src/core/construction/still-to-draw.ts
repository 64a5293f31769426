import { makes, type Operation } from './operation';
import { HORIZON_LINE } from './set-out-operations';
import { minutesAt, ORDINARY_PACE, strokesOf, type Pace, type WholePlan } from './whole-plan';

/** What is still to be drawn of a plan. */
export interface StillToDraw {
  readonly strokes: ReadonlySet<string>;
  /** Places of steps, 1 and up, in the order of the work. */
  readonly steps: readonly number[];
  readonly minutes: number;
}

/** What an operation puts on the paper, by the names it is ticked off by. */
const madeBy = (one: Operation): readonly string[] => {
  const { marks, line } = makes(one);
  return [...marks, ...(line === null ? [] : [line]), ...(one.op === 'curve' ? [one.curve] : [])];
};

/**
 * The least that has to be drawn for all that stays to be there: what is not drawn yet and what leads to it from what is. What is drawn is not drawn again,
 * and what led to it is not asked for. @param isDrawn whether a stroke lies on the paper, and rightly.
 */
export function stillToDraw(
  plan: WholePlan,
  isDrawn: (stroke: string) => boolean,
  pace: Pace = ORDINARY_PACE,
): StillToDraw {
  const strokes = new Set<string>();
  const wanted = new Set<string>();
  const want = (id: string): void => {
    if (!isDrawn(id)) wanted.add(id);
  };
  for (const { edge, from, to, line } of plan.keeps) {
    if (isDrawn(`firm ${edge}`)) continue;
    strokes.add(`firm ${edge}`);
    for (const id of [from, to, line]) want(id);
  }
  for (const { edge, curve } of plan.keptCurves) {
    if (isDrawn(`firm ${edge}`)) continue;
    strokes.add(`firm ${edge}`);
    want(curve);
  }
  for (const { edge } of plan.byEye) if (!isDrawn(`by eye ${edge}`)) strokes.add(`by eye ${edge}`);
  // What leads to nothing but itself is drawn for its own sake, as a crate or a check is: with the thing that it is drawn for.
  const used = new Set(plan.keeps.flatMap(({ from, to, line }) => [from, to, line]));
  for (const { curve } of plan.keptCurves) used.add(curve);
  const all = plan.steps.flatMap(({ of, operations }) => operations.map((one) => ({ of, one })));
  for (const { one } of all) {
    const { usesMarks, usesLines } = makes(one);
    for (const id of [...usesMarks, ...usesLines]) used.add(id);
  }
  const open = new Set(
    [...plan.keeps, ...plan.keptCurves].flatMap(({ edge, of }) => (strokes.has(`firm ${edge}`) ? [of] : [])),
  );
  for (const { of, one } of [...all].reverse()) {
    const made = madeBy(one);
    if (of.some((id) => open.has(id))) for (const id of made) if (!used.has(id)) want(id);
    if (!made.some((id) => wanted.has(id))) continue;
    for (const id of made) if (wanted.has(id)) strokes.add(id);
    const { usesMarks, usesLines } = makes(one);
    for (const id of [...usesMarks, ...usesLines]) want(id);
    if (one.op === 'take' && one.slides === 'u') want(HORIZON_LINE);
  }
  const steps: number[] = [];
  let minutes = 0;
  plan.steps.forEach((step, i) => {
    const left = strokesOf(plan, step).filter((id) => strokes.has(id));
    if (left.length === 0) return;
    steps.push(i + 1);
    const marks = new Set(step.operations.flatMap((one) => makes(one).marks));
    const ofMarks = left.filter((id) => marks.has(id)).length;
    minutes += minutesAt(pace, {
      moves: Math.min(step.moves, left.length),
      marks: ofMarks,
      lines: left.length - ofMarks,
    });
  });
  return { strokes, steps, minutes };
}
