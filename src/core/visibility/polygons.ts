import { at } from '@/core/base';
import { tolerance } from '@/core/numeric';
import type { Id } from '@/core/record';
import type { WorldPoint } from '@/core/space';
import { boundsOf } from './neutral-scene';
import { showsOuterSide, type FaceShape } from './face-shape';
import type { CurveSet, EdgeSet, PolygonSet } from './polygon-set';
import type { PreparedCurve, PreparedEdge, PreparedScene } from './scene';

/** A prepared scene as plain arrays, with what decides which faces are there. */
export interface ScenePolygons {
  readonly polygons: PolygonSet;
  readonly edges: EdgeSet;
  readonly curves: CurveSet;
  /** Names of faces and round faces. */
  readonly surfaces: ReadonlyMap<Id, number>;
  readonly surfaceIds: readonly Id[];
  /** Faces there only for an eye on their normal's side. */
  readonly oneSided: Uint8Array;
  /** For each face the surfaces one of which must be there for it to be there; null for a face of its own. */
  readonly belongsTo: readonly (Int32Array | null)[];
  /** The body each surface is of; of a mere name none. */
  readonly bodyOf: ReadonlyMap<number, Id>;
}

const made = new WeakMap<PreparedScene, ScenePolygons>();

/** Made once for each scene: it depends on nothing else. */
export function polygonsOf(scene: PreparedScene): ScenePolygons {
  const known = made.get(scene);
  if (known) return known;
  const fresh = makePolygons(scene);
  made.set(scene, fresh);
  return fresh;
}

function makePolygons(scene: PreparedScene): ScenePolygons {
  const { faces } = scene;
  const faceCount = faces.length;
  const faceLoop = new Int32Array(faceCount + 1);
  const loopCorner: number[] = [0];
  const bulge: number[] = [];
  const shape = new Int32Array(faceCount).fill(-1);
  const shapes: FaceShape[] = [];
  const corners: number[] = [];
  const planes = new Float64Array(faceCount * 4);
  const surface = new Int32Array(faceCount);
  const solid = new Int32Array(faceCount).fill(-1);
  const oneSided = new Uint8Array(faceCount);
  const surfaces = new Map<Id, number>();
  const solids = new Map<Id, number>();
  const numberOf = <K>(names: Map<K, number>, name: K): number => {
    let number = names.get(name);
    if (number === undefined) names.set(name, (number = names.size));
    return number;
  };
  faces.forEach(({ face, body, closed, loops, ...one }, f) => {
    loops.forEach((loop, l) => {
      loop.forEach(({ x, y, z }, i) => {
        corners.push(x, y, z);
        const tip = one.bulges?.[l]?.[i];
        bulge.push(tip?.x ?? NaN, tip?.y ?? NaN, tip?.z ?? NaN);
      });
      loopCorner.push(corners.length / 3);
    });
    if (one.shape) {
      shape[f] = shapes.length;
      shapes.push(one.shape);
    }
    faceLoop[f + 1] = loopCorner.length - 1;
    planes.set([face.normal.x, face.normal.y, face.normal.z, face.offset], f * 4);
    surface[f] = numberOf(surfaces, face.id);
    if (closed) solid[f] = numberOf(solids, body);
    if (face.seen === 'room-side') oneSided[f] = 1;
  });
  // What a face belongs to may be nothing that is there; such a name gets a number all the same.
  const belongsTo = faces.map(({ face }) =>
    face.belongsTo.length === 0 ? null : Int32Array.from(face.belongsTo, (id) => numberOf(surfaces, id)),
  );
  const bodyOf = new Map(faces.map(({ body }, f) => [at(surface, f), body]));
  const edges = edgeSet(scene.edges, (id) => numberOf(surfaces, id));
  const loops = Int32Array.from(loopCorner);
  const flat = Float64Array.from(corners);
  // Of a solid's bounds only outlines count, but a hole lies within its outline.
  const lastCorner = new Int32Array(faceCount + 1);
  for (let f = 0; f <= faceCount; f += 1) lastCorner[f] = loops[faceLoop[f]!]!;
  return {
    polygons: {
      faceCount,
      faceLoop,
      loopCorner: loops,
      corners: flat,
      planes,
      surface,
      surfaceCount: surfaces.size,
      solid,
      solidBounds: boundsOf(solid, solids.size, lastCorner, flat),
      ...(shapes.length > 0 ? { curved: { shape, shapes, bulge: Float64Array.from(bulge) } } : {}),
    },
    edges,
    curves: curveSet(scene.curves, (id) => numberOf(surfaces, id)),
    surfaces,
    surfaceIds: [...surfaces.keys()],
    oneSided,
    belongsTo,
    bodyOf,
  };
}

export function edgeSet(list: readonly PreparedEdge[], surfaceOf: (id: Id) => number): EdgeSet {
  const ends = new Float64Array(list.length * 6);
  const surfaceStart = new Int32Array(list.length + 1);
  const surfaces: number[] = [];
  list.forEach(({ from, to, faces }, e) => {
    ends[e * 6] = from.x;
    ends[e * 6 + 1] = from.y;
    ends[e * 6 + 2] = from.z;
    ends[e * 6 + 3] = to.x;
    ends[e * 6 + 4] = to.y;
    ends[e * 6 + 5] = to.z;
    for (const id of faces) surfaces.push(surfaceOf(id));
    surfaceStart[e + 1] = surfaces.length;
  });
  return { count: list.length, ends, surfaceStart, surfaces: Int32Array.from(surfaces) };
}

export function curveSet(list: readonly PreparedCurve[], surfaceOf: (id: Id) => number): CurveSet {
  return {
    conics: list.map((one) => one.conic),
    range: Float64Array.from(list.flatMap((one) => [one.from, one.to])),
    surfaces: list.map((one) => Int32Array.from(one.faces, surfaceOf)),
  };
}

export interface Presence {
  /** For each face, 1 when it is drawn and hides from where the eye is. */
  readonly faces: Uint8Array;
  readonly surfaces: Uint8Array;
}

/**
 * Faces that are there from where the eye is: room surfaces only from their room side, reveals only with their wall. What joins two rooms goes with the wall
 * of the one that is looked into, where it is one of them: a door in a wall one looks over is taken away with it, though the next room has it too.
 */
export function presenceFrom(
  { polygons, oneSided, belongsTo, bodyOf }: ScenePolygons,
  eye: WorldPoint,
  room?: Id,
): Presence {
  const { faceCount, planes, surface, surfaceCount, curved } = polygons;
  const faces = new Uint8Array(faceCount);
  const surfaces = new Uint8Array(surfaceCount);
  const showing = (f: number): boolean | null => {
    const shape = curved && curved.shape[f]! >= 0 ? curved.shapes[curved.shape[f]!] : undefined;
    return shape?.kind === 'round' ? showsOuterSide(shape.round, eye) : null;
  };
  const onItsSide = (f: number): boolean =>
    oneSided[f] === 0 ||
    (showing(f) ??
      planes[f * 4]! * eye.x + planes[f * 4 + 1]! * eye.y + planes[f * 4 + 2]! * eye.z - planes[f * 4 + 3]! >
        tolerance.touchMm);
  const put = (f: number): void => {
    faces[f] = 1;
    surfaces[surface[f]!] = 1;
  };
  for (let f = 0; f < faceCount; f += 1) if (belongsTo[f] === null && onItsSide(f)) put(f);
  for (let f = 0; f < faceCount; f += 1) {
    const among = belongsTo[f];
    if (!among || !onItsSide(f)) continue;
    const own = room === undefined ? among : among.filter((of) => bodyOf.get(of) === room);
    if ((own.length > 0 ? own : among).some((of) => surfaces[of] === 1)) put(f);
  }
  return { faces, surfaces };
}

/** For each curve of the sets in turn, 1 when one of its surfaces is there. */
export const curvesDrawnWith = (sets: readonly CurveSet[], { surfaces }: Presence): Uint8Array =>
  Uint8Array.from(
    sets.flatMap((set) => set.surfaces.map((list) => (list.some((surface) => surfaces[surface] === 1) ? 1 : 0))),
  );

/** For each edge of the sets in turn, 1 when one of its surfaces is there. */
export function drawnWith(sets: readonly EdgeSet[], { surfaces }: Presence): Uint8Array {
  const drawn = new Uint8Array(sets.reduce((sum, one) => sum + one.count, 0));
  let index = 0;
  for (const set of sets)
    for (let e = 0; e < set.count; e += 1, index += 1)
      for (let i = set.surfaceStart[e]!; i < set.surfaceStart[e + 1]!; i += 1)
        if (surfaces[set.surfaces[i]!] === 1) drawn[index] = 1;
  return drawn;
}
