import type { HandPrecision, MarkId, Operation, PlanOnPaper, WholePlan } from '@/core/construction';
import { say } from '@/core/construction';
import type { Id } from '@/core/record';
import type { WorldPoint } from '@/core/space';
import type { LengthStyle, PaperMillimetres } from '@/core/units';

export const PLAN_KIND = 'bathyskop-plan';
export const PLAN_VERSION = 1;

export interface PlanGiven {
  readonly viewId: Id;
  readonly plan: WholePlan;
  readonly paper: PlanOnPaper;
  readonly hand: HandPrecision;
  readonly detailMm: PaperMillimetres;
  readonly style: LengthStyle;
}

const triple = ({ x, y, z }: WorldPoint): readonly [number, number, number] => [x, y, z];

/** An operation as the file has it: points as pairs. */
function written(one: Operation): Readonly<Record<string, unknown>> {
  return one.op === 'take' ? { ...one, point: [one.point.u, one.point.v], slides: one.slides ?? 'none' } : one;
}

/** A whole plan as a file from which somebody else's program can draw it all again. Source: construction, 9. */
export function writePlan({ viewId, plan, paper, hand, detailMm, style }: PlanGiven): string {
  const operations = plan.steps.flatMap((step) =>
    step.operations.map((one) => {
      const extent = 'line' in one ? plan.extents.get(one.line) : undefined;
      return { step: step.id, ...written(one), ...(extent ? { extent } : {}) };
    }),
  );
  const marks: Record<MarkId, unknown> = {};
  for (const [mark, { stands, covariance, flat }] of paper.marks) {
    const { uu, uv, vv } = covariance;
    const offMm = plan.offMm.get(mark);
    marks[mark] = {
      label: plan.labels.get(mark) ?? '',
      stands: stands ? triple(stands) : null,
      covariance: [
        [uu, uv],
        [uv, vv],
      ],
      flat,
      ...(offMm === undefined ? {} : { offMm }),
    };
  }
  const { markMm, ruleMm, rulerStepMm } = hand;
  return `${JSON.stringify({
    ...{ kind: PLAN_KIND, version: PLAN_VERSION, viewId, school: plan.school, order: plan.order, detailMm },
    hand: { markMm, ruleMm, rulerStepMm },
    operations,
    steps: plan.steps.map(({ id, title, of, does, says, because, moves, marks: count, minutes }) => ({
      ...{ id, title, of, pass: does.pass },
      says: says.map((one) => say(one, style)),
      ...{ because, moves, marks: count, minutes },
    })),
    marks,
    keeps: [
      ...plan.keeps.map(({ edge, step, from, to, seen }) => ({ edge, step, from, to, seen })),
      ...plan.keptCurves.map(({ edge, step, curve, seen }) => ({ edge, step, curve, seen })),
    ],
    byEye: plan.byEye.map(({ edge, step, stands, paperMm }) => ({ edge, step, stands: stands.map(triple), paperMm })),
    ...(plan.judged.length === 0
      ? {}
      : {
          judged: plan.judged.map(({ step, mark, drawnAt, ratio, offMm }) => ({ step, mark, drawnAt, ratio, offMm })),
        }),
    checks: plan.checks.map(({ step, marks: pair, allowMm, likely }) => ({ step, marks: pair, allowMm, likely })),
    counts: plan.counts,
  })}\n`;
}
