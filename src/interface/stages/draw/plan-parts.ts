import type { Order, WholePlan, WholeStep } from '@/core/construction';
import type { Id } from '@/core/record';

/** A stretch of the plan one can jump to: the set-out, a thing, or passes of one kind; steps from `first` to `last`, 1 and up. */
export interface PlanPart {
  readonly title: string;
  readonly first: number;
  readonly last: number;
}

const PASS_WORDS: Readonly<Record<WholeStep['does']['pass'], string>> = {
  points: 'points on the horizon',
  plan: 'the plan',
  squares: 'squares on the plan',
  scale: 'measuring',
  'to-a-point': 'lines to points',
  levels: 'levels',
  uprights: 'uprights',
  parallels: 'parallels',
  'one-line': 'single lines',
  dividers: 'with dividers',
  strip: 'strips',
  drop: 'drops from the plan',
  'by-hand': 'curves',
  crossings: 'crossings',
  firm: 'firm lines',
  'by-eye': 'by eye',
};

/** The plan in parts: by piece its things, each whole; by pass stretches of passes between which one does something else. */
export function partsOf({ steps }: WholePlan, order: Order, nameOf: (id: Id) => string): readonly PlanPart[] {
  const keyOf = (step: WholeStep): string => {
    const [thing] = step.of;
    if (thing === undefined) return SET_OUT;
    if (order === 'by-piece') return nameOf(thing);
    return step.does.pass === 'firm' || step.does.pass === 'by-eye' ? nameOf(thing) : MEASURED;
  };
  const parts: { title: string; first: number; last: number }[] = [];
  steps.forEach((step, i) => {
    const title = keyOf(step);
    const open = parts.at(-1);
    if (open?.title === title) open.last = i + 1;
    else parts.push({ title, first: i + 1, last: i + 1 });
  });
  return parts.flatMap((part) => (part.title === MEASURED ? passesIn(steps, part) : [part]));
}

const SET_OUT = 'the set-out';
const MEASURED = 'all that is measured';
/** So many steps are one part; more are told apart by what is done. */
const MOST_IN_A_PART = 12;

function passesIn(steps: readonly WholeStep[], part: PlanPart): readonly PlanPart[] {
  if (part.last - part.first < MOST_IN_A_PART) return [part];
  const parts: { title: string; first: number; last: number }[] = [];
  for (let number = part.first; number <= part.last; number += MOST_IN_A_PART) {
    const last = Math.min(part.last, number + MOST_IN_A_PART - 1);
    const kinds = [...new Set(steps.slice(number - 1, last).map((one) => PASS_WORDS[one.does.pass]))];
    parts.push({
      title: `${number} to ${last}: ${kinds.slice(0, 3).join(', ')}${kinds.length > 3 ? ' …' : ''}`,
      first: number,
      last,
    });
  }
  return parts;
}
