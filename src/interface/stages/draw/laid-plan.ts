import { strokesOf, type LineId, type MarkId, type Order, type WholePlan } from '@/core/construction';
import { stepStrokes, type Constructed, type Stroke } from '@/core/drawing';
import type { PlannedView } from '@/core/pipeline';
import type { Id, View } from '@/core/record';

/** A plan as it lies on the sheet, worked out once: what each step draws, and which step made what. */
export interface LaidPlan extends Constructed {
  /** By step: what it draws, sheet mm. */
  readonly strokes: readonly (readonly Stroke[])[];
  /** By step: the marks it makes. */
  readonly marks: readonly (readonly MarkId[])[];
  /** By step: names of its strokes, by which it is ticked off. */
  readonly named: readonly (readonly string[])[];
  readonly stepOfMark: ReadonlyMap<MarkId, number>;
  readonly stepOfLine: ReadonlyMap<LineId, number>;
  /** Places of steps by their ids. */
  readonly place: ReadonlyMap<Id, number>;
}

const laid = new WeakMap<WholePlan, { readonly view: View; readonly laid: LaidPlan }>();

export function laidPlan({ plans, paper }: PlannedView, order: Order, view: View): LaidPlan {
  const plan = plans[order];
  const known = laid.get(plan);
  if (known?.view === view) return known.laid;
  const marks = plan.steps.map((step) =>
    step.operations.flatMap((one) =>
      'mark' in one ? [one.mark] : one.op === 'strip' ? one.marks.map(([mark]) => mark) : [],
    ),
  );
  const made: LaidPlan = {
    ...{ plan, paper, marks },
    strokes: plan.steps.map((step) => stepStrokes(view, { plan, paper }, step)),
    named: plan.steps.map((step) => strokesOf(plan, step)),
    stepOfMark: new Map(marks.flatMap((list, i) => list.map((mark) => [mark, i] as const))),
    stepOfLine: new Map(
      plan.steps.flatMap((step, i) =>
        step.operations.flatMap((one) => ('line' in one ? [[one.line, i] as const] : [])),
      ),
    ),
    place: new Map(plan.steps.map((step, i) => [step.id, i])),
  };
  laid.set(plan, { view, laid: made });
  return made;
}
