import { err, ok, type Result } from '@/core/base';
import { planChange, type LaidStroke } from '@/core/drawing';
import type { FrozenPlan } from '@/core/formats/frozen';
import type { Ticks } from '@/core/formats/ticks';
import type { Project, View } from '@/core/record';
import { counted } from './since-words';

/** What ticks of a file make of the plan they are taken over to, and what is said of it. */
export interface TicksTaken {
  /** The plan at the board, or the one as it is now. */
  readonly of: 'the-frozen' | 'the-plan-now';
  readonly drawn: readonly string[];
  readonly says: string;
}

export interface TicksGiven {
  readonly project: Project;
  readonly view: View;
  /** The plan's strokes as it is now, and by step their names. */
  readonly strokes: readonly LaidStroke[];
  readonly named: readonly (readonly string[])[];
  /** Plans of the view that were taken to the board, the newest last. */
  readonly frozen: readonly FrozenPlan[];
}

/** How many steps are drawn, told. */
const stepsDrawn = (named: readonly (readonly string[])[], drawn: ReadonlySet<string>): string =>
  `${named.filter((strokes) => strokes.every((one) => drawn.has(one))).length} of ${named.length} steps are drawn.`;

export function ticksTaken(
  { projectId, viewId, digest, drawn }: Ticks,
  { project, view, strokes, named, frozen }: TicksGiven,
): Result<TicksTaken, { readonly message: string }> {
  if (projectId !== project.id)
    return err({ message: `These ticks are of another project, “${projectId}”. Open that one to take them over.` });
  if (viewId !== view.id) {
    const other = project.views.find((one) => one.id === viewId);
    return err({
      message: other
        ? `These ticks are of the view ${other.name}. Choose it first.`
        : `These ticks are of the view “${viewId}”, which the project no longer has.`,
    });
  }
  const set = frozen.find((one) => one.digest === digest);
  const spare = new Set(set?.spare);
  const ticks = new Set(drawn.filter((one) => !spare.has(one)));
  if (set && set === frozen.at(-1)) {
    const steps = set.page.steps.map((step) => step.strokes);
    const own = new Set(steps.flat());
    return ok({
      of: 'the-frozen',
      drawn: [...ticks].filter((one) => own.has(one)),
      says: stepsDrawn(steps, new Set(drawn)),
    });
  }
  if (set) {
    const { kept, wrong } = planChange(set.strokes, strokes, (id) => ticks.has(id));
    const right = counted(kept.size, 'stroke is right as it lies', 'strokes are right as they lie');
    const elsewhere = wrong.length === 0 ? '' : `; ${counted(wrong.length, 'lies', 'lie')} elsewhere by now`;
    const says = `They were set on an earlier plan. Of it ${right}${elsewhere}.`;
    return ok({ of: 'the-plan-now', drawn: [...kept], says });
  }
  const all = new Set(named.flat());
  const gone = drawn.filter((one) => !all.has(one)).length;
  const known = new Set([...all].filter((one) => ticks.has(one)));
  const untold =
    digest === null
      ? ''
      : ' The plan they were set on is not here any more: whether a stroke has moved since cannot be told.';
  return ok({
    of: 'the-plan-now',
    drawn: [...known],
    says: `${stepsDrawn(named, known)}${gone > 0 ? ` ${gone} ticked stroke${gone === 1 ? ' is' : 's are'} not in this plan: something was changed since.` : ''}${untold}`,
  });
}
