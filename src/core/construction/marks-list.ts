import type { PicturePoint } from '@/core/space';
import { picturePoint } from '@/core/space';
import type { Millimetres, PaperMillimetres } from '@/core/units';
import type { MarkId, Operation, Paper, Sense } from './operation';
import { makes } from './operation';
import type { PlanOnPaper } from './plan-on-paper';
import type { WholePlan, WholeStep } from './whole-plan';

/** How a mark is made: what one lays the tool on. Marks and lines by their names. */
export type MarkMade =
  | { readonly by: 'taken' }
  | {
      readonly by: 'laid-off' | 'stepped-off';
      readonly on: string;
      readonly zero: string;
      readonly toward: Sense;
      readonly paperMm: PaperMillimetres;
    }
  | { readonly by: 'crossed'; readonly lines: readonly [string, string] }
  | { readonly by: 'carried'; readonly of: string; readonly on: string; readonly zero: string }
  /** Straight down from the plan. */
  | { readonly by: 'dropped'; readonly of: string; readonly on: string };

/** A mark of a plan, as a list tells it. */
export interface ListedMark {
  /** Place of its step in the plan, 1 and up. */
  readonly step: number;
  readonly mark: MarkId;
  readonly label: string;
  readonly paper: Paper;
  readonly made: MarkMade;
  /** Where it must come to lie: from the centre of vision, on the plan from its zero; mm of its paper. */
  readonly lies: PicturePoint;
  /** Points that lines are ruled to from it, by their names, and lines that are ruled from mark to mark through it. */
  readonly ruledTo: readonly string[];
}

/** All marks of one step, in the order of the hand. */
export interface ListedPass {
  readonly step: number;
  readonly title: string;
  readonly pass: WholeStep['does']['pass'];
  readonly marks: readonly ListedMark[];
}

/** Every mark of a plan by passes: from which zero, how far, and to which points lines are ruled from it. */
export function marksByPass(plan: WholePlan, { marks: onPaper, roles, planAt }: PlanOnPaper): readonly ListedPass[] {
  const { steps, labels, lineNames } = plan;
  const label = (mark: MarkId): string => labels.get(mark) ?? '';
  const line = (id: string): string => lineNames.get(id) ?? '';
  const ruledFrom = new Map<MarkId, string[]>();
  for (const step of steps)
    for (const one of step.operations) {
      if (one.op !== 'rule') continue;
      const point = one.through.find((mark) => roles.has(mark));
      for (const mark of one.through) {
        if (mark === point) continue;
        const to = point ?? one.through.find((other) => other !== mark);
        const list = ruledFrom.get(mark) ?? [];
        const name = to === undefined ? '' : label(to);
        if (name !== '' && !list.includes(name)) ruledFrom.set(mark, [...list, name]);
      }
    }
  const lies = (mark: MarkId): PicturePoint => {
    const placed = onPaper.get(mark);
    if (!placed) return picturePoint(0, 0);
    const from = placed.paper === 'plan' ? planAt : null;
    return from ? picturePoint(placed.at.u - from.u, placed.at.v - from.v) : placed.at;
  };
  const apart = (a: MarkId, b: MarkId, toward: Sense): PaperMillimetres => {
    const [p, q] = [lies(a), lies(b)];
    return Math.abs(toward === 'left' || toward === 'right' ? q.u - p.u : q.v - p.v);
  };
  const madeBy = (one: Operation, mark: MarkId, pass: WholeStep['does']['pass']): MarkMade => {
    switch (one.op) {
      case 'lay-off':
        return {
          ...{ by: 'laid-off', on: line(one.on), zero: label(one.from), toward: one.toward, paperMm: one.distance },
        };
      case 'transfer':
        return {
          ...{ by: 'stepped-off', on: line(one.on), zero: label(one.from), toward: one.toward },
          paperMm: apart(one.from, one.mark, one.toward),
        };
      case 'cross':
        return { by: 'crossed', lines: [line(one.lines[0]), line(one.lines[1])] };
      case 'strip': {
        const of = one.marks.find(([made]) => made === mark)?.[1];
        const carried = { of: of === undefined ? '' : label(of), on: line(one.on) };
        return pass === 'drop'
          ? { by: 'dropped', ...carried }
          : { by: 'carried', ...carried, zero: label(one.zero[0]) };
      }
      default:
        return { by: 'taken' };
    }
  };
  return steps.flatMap((step, i): readonly ListedPass[] => {
    const listed = step.operations.flatMap((one) =>
      makes(one).marks.map((mark): ListedMark => {
        const { paper } = onPaper.get(mark) ?? { paper: 'picture' as const };
        return {
          ...{
            step: i + 1,
            mark,
            label: label(mark),
            paper,
            made: madeBy(one, mark, step.does.pass),
            lies: lies(mark),
          },
          ruledTo: ruledFrom.get(mark) ?? [],
        };
      }),
    );
    return listed.length === 0 ? [] : [{ step: i + 1, title: step.title, pass: step.does.pass, marks: listed }];
  });
}

/** Where a mark lies, in words that a ruler follows: both readings, across and up. */
export const lyingWords = (
  { u, v }: PicturePoint,
  scaleDenominator: number,
): {
  readonly across: { readonly paperMm: PaperMillimetres; readonly real: Millimetres; readonly toward: Sense };
  readonly up: { readonly paperMm: PaperMillimetres; readonly real: Millimetres; readonly toward: Sense };
} => ({
  across: { paperMm: Math.abs(u), real: Math.abs(u) * scaleDenominator, toward: u < 0 ? 'left' : 'right' },
  up: { paperMm: Math.abs(v), real: Math.abs(v) * scaleDenominator, toward: v < 0 ? 'down' : 'up' },
});
