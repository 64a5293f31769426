import { err, ok, type Result } from '@/core/base';
import type { Ticks } from '@/core/formats/ticks';
import type { Project, View } from '@/core/record';

/** What ticks of a file make of the plan at hand: strokes that are drawn, strokes that are not, and what is said of it. */
export interface TicksTaken {
  readonly drawn: readonly string[];
  readonly open: readonly string[];
  readonly says: string;
}

/** @param named the plan's strokes, step by step. */
export function ticksTaken(
  { projectId, viewId, drawn }: Ticks,
  {
    project,
    view,
    named,
  }: { readonly project: Project; readonly view: View; readonly named: readonly (readonly string[])[] },
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
  const ticks = new Set(drawn);
  const all = new Set(named.flat());
  const gone = drawn.filter((one) => !all.has(one)).length;
  const steps = named.filter((strokes) => strokes.every((one) => ticks.has(one))).length;
  return ok({
    drawn: [...all].filter((one) => ticks.has(one)),
    open: [...all].filter((one) => !ticks.has(one)),
    says: `${steps} of ${named.length} steps are drawn.${gone > 0 ? ` ${gone} ticked stroke${gone === 1 ? ' is' : 's are'} not in this plan: something was changed since.` : ''}`,
  });
}
