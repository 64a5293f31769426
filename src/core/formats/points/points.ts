import { err, ok, type Result } from '@/core/base';
import type { Frame } from '@/core/record';
import { worldPoint, type WorldPoint } from '@/core/space';
import { projectPoint, projectSegment, type SetUp } from '@/core/view';

export interface PointsGiven {
  readonly points: readonly WorldPoint[];
  readonly segments: readonly (readonly [WorldPoint, WorldPoint])[];
}

export interface PointsError {
  readonly reason: 'not-json' | 'shape';
  readonly path: string;
  readonly message: string;
}

/** Reads `{ points: [[x, y, z], …], segments: [[[x, y, z], [x, y, z]], …] }`, world mm; either may be left out. */
export function readPoints(text: string): Result<PointsGiven, PointsError> {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    return err({ reason: 'not-json', path: '', message: 'The points file is not JSON.' });
  }
  const shape = (path: string, wanted: string): Result<never, PointsError> =>
    err({ reason: 'shape', path, message: `${path || 'The file'} must be ${wanted}.` });
  if (typeof value !== 'object' || value === null) return shape('', 'an object with points or segments');
  const { points = [], segments = [] } = value as { points?: unknown; segments?: unknown };
  if (!Array.isArray(points)) return shape('points', 'a list of [x, y, z]');
  if (!Array.isArray(segments)) return shape('segments', 'a list of [[x, y, z], [x, y, z]]');
  const triple = (one: unknown): WorldPoint | null => {
    if (
      !Array.isArray(one) ||
      one.length !== 3 ||
      !one.every((n): n is number => typeof n === 'number' && Number.isFinite(n))
    )
      return null;
    return worldPoint(one[0] as number, one[1] as number, one[2] as number);
  };
  const readPointsList: WorldPoint[] = [];
  for (const [i, one] of points.entries()) {
    const point = triple(one);
    if (!point) return shape(`points[${i}]`, 'three numbers [x, y, z] in mm');
    readPointsList.push(point);
  }
  const readSegments: [WorldPoint, WorldPoint][] = [];
  for (const [i, one] of segments.entries()) {
    const ends = Array.isArray(one) && one.length === 2 ? one.map(triple) : [];
    const [a, b] = ends;
    if (!a || !b) return shape(`segments[${i}]`, 'two points [[x, y, z], [x, y, z]] in mm');
    readSegments.push([a, b]);
  }
  return ok({ points: readPointsList, segments: readSegments });
}

/** Picture mm for each point and segment; null where nothing lies in front of the eye, or in the frame for segments. */
export function writePoints(setUp: SetUp, frame: Frame, given: PointsGiven): string {
  const points = given.points.map((point) => {
    const picture = projectPoint(setUp, point);
    return picture && [picture.u, picture.v];
  });
  const segments = given.segments.map(([a, b]) => {
    const cut = projectSegment(setUp, a, b, frame);
    return (
      cut && [
        [cut.start.u, cut.start.v],
        [cut.end.u, cut.end.v],
      ]
    );
  });
  return `${JSON.stringify({ kind: 'bathyskop-picture-points', version: 1, points, segments })}\n`;
}
