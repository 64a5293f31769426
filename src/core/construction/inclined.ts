import { dot2, type Vector3 } from '@/core/geometry';
import { tolerance } from '@/core/numeric';
import { picturePoint, type PicturePoint } from '@/core/space';
import type { SetUp } from '@/core/view';
import type { FramePoints } from './frame-points';
import type { LineId, MarkId, Operation } from './operation';
import { CENTRE, CV, laidOff } from './set-out-operations';
import type { TargetEdge } from './target';

/** Fewer seen edges than this are not worth a point of their own. Source: construction, 2. */
const LEAST_EDGES = 3;
/** Directions whose points lie nearer together than this are one, mm. */
const SAME_POINT_MM = 1e-3;

/** A point above or below the horizon to which lines that climb run. */
export interface InclinedPoint {
  readonly mark: MarkId;
  readonly at: PicturePoint;
  readonly operations: readonly Operation[];
}

/** The run of an edge. */
export const runOf = ({ from, to }: TargetEdge): Vector3 => ({
  x: to.at.x - from.at.x,
  y: to.at.y - from.at.y,
  z: to.at.z - from.at.z,
});

/**
 * Where lines that climb along a run vanish; null where they are parallel to the picture, or do not climb. Source: geometry, Vanishing and measuring points,
 * (k·m_r/m_f, k·m_z/m_f).
 */
export function climbsTo({ forward, right, viewingDistance: k }: SetUp, run: Vector3): PicturePoint | null {
  const size = Math.hypot(run.x, run.y, run.z);
  const flat = Math.hypot(run.x, run.y);
  if (flat <= tolerance.directionRad * size || Math.abs(run.z) <= tolerance.directionRad * size) return null;
  const away = dot2(run, forward);
  if (Math.abs(away) <= tolerance.directionRad * size) return null;
  return picturePoint((k * dot2(run, right)) / away, (k * run.z) / away);
}

export const samePoint = (a: PicturePoint, b: PicturePoint): boolean =>
  Math.hypot(a.u - b.u, a.v - b.v) < SAME_POINT_MM;

/**
 * Points of their own for directions that climb and that at least three edges share: on the upright through the vanishing point of their plan direction, as
 * high as the slope has it. A direction in plan whose point is not on the paper has none.
 * @param nameOf what the set-out calls a point there; null where it has none.
 */
export function inclinedPoints(
  setUp: SetUp,
  edges: readonly TargetEdge[],
  frames: readonly FramePoints[],
  nameOf: (at: PicturePoint) => string | null,
): readonly InclinedPoint[] {
  const found: { readonly at: PicturePoint; count: number }[] = [];
  for (const edge of edges) {
    const at = climbsTo(setUp, runOf(edge));
    if (!at) continue;
    const known = found.find((one) => samePoint(one.at, at));
    if (known) known.count += 1;
    else found.push({ at, count: 1 });
  }
  const level = [
    { mark: CV, u: 0 },
    ...frames.flatMap(({ vanishing }) => [vanishing.x, vanishing.y].flatMap((to) => (to.by === 'point' ? [to] : []))),
  ];
  const wanted = found.filter(({ count }) => count >= LEAST_EDGES);
  const taken = new Set(wanted.flatMap(({ at }) => nameOf(at) ?? []));
  let number = 1;
  const free = (): string => {
    const name = (): string => `VI${number === 1 ? '' : number}`;
    while (taken.has(name())) number += 1;
    taken.add(name());
    return name();
  };
  return wanted.flatMap(({ at }): InclinedPoint[] => {
    const foot = level.find(({ u }) => Math.abs(u - at.u) < SAME_POINT_MM);
    if (!foot) return [];
    const mark = nameOf(at) ?? free();
    const upright: LineId = foot.mark === CV ? CENTRE : `upright:${foot.mark}`;
    return [
      {
        ...{ mark, at },
        operations: [
          ...(foot.mark === CV ? [] : [{ op: 'upright', line: upright, through: foot.mark } as const]),
          laidOff(mark, upright, foot.mark, at.v, 'upright'),
        ],
      },
    ];
  });
}
