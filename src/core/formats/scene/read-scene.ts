import { err, ok, type Result } from '@/core/base';
import type { NeutralScene, Sight } from '@/core/visibility';

export interface SceneError {
  readonly reason: 'not-json' | 'shape' | 'not-planar';
  /** Where in the file, such as `faces[3]`. */
  readonly path: string;
  readonly message: string;
}

export interface SceneGiven {
  readonly scene: NeutralScene;
  readonly sight: Sight;
}

type Triple = readonly [number, number, number];
const USUAL_NEAR = 100;
/** A corner farther off its face's plane than this, mm, makes it no flat face. */
const PLANAR_MM = 0.01;

const isNumber = (value: unknown): value is number => typeof value === 'number' && Number.isFinite(value);
const isTriple = (value: unknown): value is Triple =>
  Array.isArray(value) && value.length === 3 && value.every(isNumber);

/**
 * Reads a neutral scene: `{ camera: { eye, viewDir: [x, y, 0], pictureDistance, near?, window? }, faces: [[[x, y, z], …], …] }`, mm, scale 1:1,
 * faces planar and counter-clockwise from outside. `near` is 100 and `window` ±pictureDistance when left out.
 */
export function readScene(text: string): Result<SceneGiven, SceneError> {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    return err({ reason: 'not-json', path: '', message: 'The scene file is not JSON.' });
  }
  const shape = (path: string, wanted: string): Result<never, SceneError> =>
    err({ reason: 'shape', path, message: `${path || 'The file'} must be ${wanted}.` });
  if (typeof value !== 'object' || value === null) return shape('', 'an object with camera and faces');
  const { camera, faces } = value as { camera?: unknown; faces?: unknown };
  if (typeof camera !== 'object' || camera === null)
    return shape('camera', 'an object with eye, viewDir and pictureDistance');
  const { eye, viewDir, pictureDistance, near = USUAL_NEAR, window } = camera as Record<string, unknown>;
  if (!isTriple(eye)) return shape('camera.eye', 'three numbers [x, y, z] in mm');
  if (!isTriple(viewDir) || viewDir[2] !== 0 || Math.abs(Math.hypot(viewDir[0], viewDir[1]) - 1) > 1e-6)
    return shape('camera.viewDir', 'a level direction [x, y, 0] of length 1');
  if (!isNumber(pictureDistance) || pictureDistance <= 0) return shape('camera.pictureDistance', 'more than 0 mm');
  if (!isNumber(near) || near <= 0) return shape('camera.near', 'more than 0 mm');
  const k = pictureDistance;
  const frame: unknown = window ?? [-k, -k, k, k];
  if (!Array.isArray(frame) || frame.length !== 4 || !frame.every(isNumber))
    return shape('camera.window', 'four numbers [u0, v0, u1, v1] in mm');
  const [left, bottom, right, top] = frame as unknown as readonly [number, number, number, number];
  if (!(left < right && bottom < top)) return shape('camera.window', 'from its lower left to its upper right corner');
  if (!Array.isArray(faces)) return shape('faces', 'a list of polygons');
  const read: Triple[][] = [];
  for (const [i, face] of faces.entries()) {
    if (!Array.isArray(face) || face.length < 3 || !face.every(isTriple))
      return shape(`faces[${i}]`, 'three or more points [x, y, z] in mm');
    const off = offPlane(face);
    if (off > PLANAR_MM)
      return err({
        reason: 'not-planar',
        path: `faces[${i}]`,
        message: `faces[${i}] is not flat: a corner lies ${off.toFixed(3)} mm off its plane. Divide it into triangles.`,
      });
    read.push(face as Triple[]);
  }
  const size = Math.hypot(viewDir[0], viewDir[1]);
  const [fx, fy] = [viewDir[0] / size, viewDir[1] / size];
  return ok({
    scene: { faces: read },
    sight: {
      eye: { x: eye[0], y: eye[1], z: eye[2] },
      right: { x: fy, y: -fx, z: 0 },
      up: { x: 0, y: 0, z: 1 },
      forward: { x: fx, y: fy, z: 0 },
      viewingDistance: k,
      frame: { left, bottom, right, top },
      near,
    },
  });
}

/** The farthest corner off the plane through the polygon by Newell's normal, mm. */
function offPlane(loop: readonly Triple[]): number {
  const [ox, oy, oz] = loop[0] as Triple;
  let [nx, ny, nz] = [0, 0, 0];
  for (let i = 1; i + 1 < loop.length; i += 1) {
    const [p, q] = [loop[i] as Triple, loop[i + 1] as Triple];
    nx += (p[1] - oy) * (q[2] - oz) - (p[2] - oz) * (q[1] - oy);
    ny += (p[2] - oz) * (q[0] - ox) - (p[0] - ox) * (q[2] - oz);
    nz += (p[0] - ox) * (q[1] - oy) - (p[1] - oy) * (q[0] - ox);
  }
  const size = Math.hypot(nx, ny, nz);
  if (!(size > 0)) return 0;
  return Math.max(...loop.map(([x, y, z]) => Math.abs((nx * (x - ox) + ny * (y - oy) + nz * (z - oz)) / size)));
}
