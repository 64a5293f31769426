import type { PicturePoint, WorldPoint } from '@/core/space';
import { makes, type CurveId, type LineId, type MarkId } from './operation';
import type { Covariance } from './pencil-error';
import type { PointRole } from './frame-points';
import type { WholeDraft } from './whole-room';

/** A mark as it comes to lie on the paper, picture mm. */
export interface MarkOnPaper {
  readonly at: PicturePoint;
  /** The place in the room whose picture it claims to be; null for what is only on the way there. */
  readonly stands: WorldPoint | null;
  readonly covariance: Covariance;
  /** Whether a crossing it rests on is too flat for its expected error to hold. */
  readonly flat: boolean;
}

/** All that a whole plan puts on the paper, as plain data: it crosses from one thread to another. */
export interface PlanOnPaper {
  readonly marks: ReadonlyMap<MarkId, MarkOnPaper>;
  readonly lines: ReadonlyMap<LineId, { readonly at: PicturePoint; readonly run: PicturePoint }>;
  readonly curves: ReadonlyMap<
    CurveId,
    { readonly through: readonly MarkId[]; readonly closed: boolean; readonly tangents: readonly (LineId | null)[] }
  >;
  /** What the points on the horizon are to the lines ruled to them. */
  readonly roles: ReadonlyMap<MarkId, PointRole>;
}

export function planOnPaper({ desk, operations, stands, roles }: WholeDraft): PlanOnPaper {
  const { machine, errors } = desk;
  const made = operations.map(makes);
  return {
    marks: new Map(
      made
        .flatMap(({ marks }) => marks)
        .map((mark) => [
          mark,
          {
            at: machine.markAt(mark),
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
        return [[line, { at, run }] as const];
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
  };
}
