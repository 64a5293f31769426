import { makes } from '@/core/construction';
import type { LaidPlan } from './laid-plan';
import { counted } from './since-words';

/** So many strokes are named. */
const MOST_NAMED = 8;

/**
 * What of a step is still to be drawn, where part of it lies on the paper already, as after a change of the record; null where all or nothing of it does.
 * @param step 1 and up.
 */
export function leftOfStep(
  { plan, named }: Pick<LaidPlan, 'plan' | 'named'>,
  step: number,
  done: ReadonlySet<string>,
): string | null {
  const [all, now] = [named[step - 1] ?? [], plan.steps[step - 1]];
  const left = all.filter((one) => !done.has(one));
  if (!now || left.length === 0 || left.length === all.length) return null;
  const name = (mark: string): string => plan.labels.get(mark) ?? '';
  const called = new Map<string, string>();
  for (const one of now.operations) {
    const { marks, line } = makes(one);
    for (const mark of marks) called.set(mark, name(mark));
    if (line !== null) called.set(line, plan.lineNames.get(line) ?? '');
  }
  for (const { edge, from, to, step: own } of plan.keeps)
    if (own === now.id) called.set(`firm ${edge}`, `${name(from)}–${name(to)}`);
  const names = [...new Set(left.map((one) => called.get(one) ?? ''))];
  const told = names.length <= MOST_NAMED && names.every((one) => one !== '') ? `: ${names.join(', ')}` : '';
  return `Of this step only ${counted(left.length, 'stroke', 'strokes')} of ${all.length} ${left.length === 1 ? 'is' : 'are'} still to be drawn${told}.`;
}
