import { picturePoint, type PicturePoint, type WorldPoint } from '@/core/space';
import type { PaperMillimetres } from '@/core/units';
import { STATION } from './plan-sheet';
import { makes, type CurveId, type LineId, type MarkId, type Operation, type Paper } from './operation';
import type { Covariance } from './pencil-error';
import type { PointRole } from './frame-points';
import type { WholeDraft } from './whole';

/** A mark as it comes to lie on the paper, picture mm. */
export interface MarkOnPaper {
  readonly at: PicturePoint;
  /** A mark of the plan lies where the plan does. */
  readonly paper: Paper;
  /** The place in the room whose picture it claims to be; null for what is only on the way there. */
  readonly stands: WorldPoint | null;
  readonly covariance: Covariance;
  /** Whether a crossing it rests on is too flat for its expected error to hold. */
  readonly flat: boolean;
}

/** All that a whole plan puts on the paper, as plain data: it crosses from one thread to another. */
export interface PlanOnPaper {
  readonly marks: ReadonlyMap<MarkId, MarkOnPaper>;
  readonly lines: ReadonlyMap<LineId, { readonly at: PicturePoint; readonly run: PicturePoint; readonly paper: Paper }>;
  readonly curves: ReadonlyMap<
    CurveId,
    { readonly through: readonly MarkId[]; readonly closed: boolean; readonly tangents: readonly (LineId | null)[] }
  >;
  /** What the points on the horizon are to the lines ruled to them. */
  readonly roles: ReadonlyMap<MarkId, PointRole>;
  /** Where the plan’s zero is shown, picture mm; null where nothing is drawn from the plan. Its own marks and lines are shown from there. */
  readonly planAt: PicturePoint | null;
}

/** Between the sheet’s upper edge and a plan that lies above it, mm. */
const PLAN_CLEAR_MM = 12;

/** From where upward a plan lies above the picture, picture mm: clear of the sheet, as it is laid by hand. */
export const planAbove = (centreUp: PaperMillimetres, sheetHeight: PaperMillimetres): PaperMillimetres =>
  sheetHeight - centreUp + PLAN_CLEAR_MM;

/** Where the plan’s zero lies, so that all of it but the station point lies above a height; null where nothing is drawn from a plan. */
export function planLaidAt(operations: readonly Operation[], planFrom: PaperMillimetres): PicturePoint | null {
  const corners = operations.flatMap((one) =>
    one.op === 'take' && one.paper === 'plan' && one.mark !== STATION ? [one.point.v] : [],
  );
  return corners.length > 0 ? picturePoint(0, planFrom - Math.min(0, ...corners)) : null;
}

/** @param planFrom above which height the plan is shown, picture mm: all of it but the station point, so that one can see both papers. */
export function planOnPaper(
  { desk, operations, stands, roles, onPlan }: WholeDraft,
  planFrom: PaperMillimetres = 0,
): PlanOnPaper {
  const { machine, errors } = desk;
  const planAt = planLaidAt(operations, planFrom);
  const placed = (id: string, at: PicturePoint): PicturePoint =>
    planAt && onPlan.has(id) ? picturePoint(at.u + planAt.u, at.v + planAt.v) : at;
  const made = operations.map(makes);
  return {
    marks: new Map(
      made
        .flatMap(({ marks }) => marks)
        .map((mark) => [
          mark,
          {
            at: placed(mark, machine.markAt(mark)),
            paper: onPlan.has(mark) ? 'plan' : 'picture',
            stands: stands.get(mark) ?? null,
            covariance: errors.covarianceOf(mark),
            flat: errors.isFlat(mark),
          },
        ]),
    ),
    lines: new Map(
      made.flatMap(({ line }) => {
        if (line === null) return [];
        const { at, run } = machine.lineOf(line);
        return [[line, { at: placed(line, at), run, paper: onPlan.has(line) ? 'plan' : 'picture' }] as const];
      }),
    ),
    curves: new Map(
      operations.flatMap((one) =>
        one.op === 'curve'
          ? [[one.curve, { through: one.through, closed: one.closed, tangents: one.tangents }] as const]
          : [],
      ),
    ),
    roles,
    planAt,
  };
}
