import { at } from '@/core/base';
import { cross3, difference3, dot3, type Vector3 } from '@/core/geometry';
import { tolerance } from '@/core/numeric';
import type { Id } from '@/core/record';
import type { WorldPoint } from '@/core/space';
import { curveParts } from './curve-parts';
import { edgeParts, lookAt } from './exact-parts';
import { polygonsOf, type ScenePolygons } from './polygons';
import type { CurveParts, CurveSet, EdgeParts, EdgeSet, PolygonSet, Sight } from './polygon-set';
import type { LineRole, PreparedFace, PreparedScene } from './scene';

/** The lines of a scene as they are looked at: its own, then the silhouettes of the place it is seen from. */
export interface LinesLooked {
  readonly edges: readonly { readonly role: LineRole; readonly body: Id }[];
  readonly edgeSets: readonly EdgeSet[];
  readonly curves: readonly { readonly role: LineRole; readonly body: Id }[];
  readonly curveSets: readonly CurveSet[];
}

type Span = readonly [from: number, to: number];
type Spans = ReadonlyMap<number, readonly Span[]>;

/** What of other rooms may be seen from a room: for each of their lines where it lies behind one of the room's openings. */
export interface SeenThrough {
  /** For each face of the scene 0 where it belongs to another room and lies behind no opening of this one: it is not there. */
  readonly faces: Uint8Array;
  readonly edges: Spans;
  readonly curves: Spans;
}

/**
 * Of what lies in other rooms than the one a view is of, what lies behind that room's openings: all else is beside the picture, for the walls one
 * looks over have been taken away and their neighbours with them. An opening is a face for the time being, and what it would hide is what it lets be
 * seen. Null where there is no other room.
 */
export function* seenThrough(
  scene: PreparedScene,
  room: Id | undefined,
  sight: Sight,
  lines: LinesLooked,
): Generator<number, SeenThrough | null> {
  const elsewhere = (body: Id): boolean => {
    const homes = scene.homes?.get(body);
    return homes !== undefined && homes.length > 0 && room !== undefined && !homes.includes(room);
  };
  const beside = scene.faces.map(({ body }) => elsewhere(body));
  if (room === undefined || !beside.includes(true)) return null;
  const isBeside = ({ role, body }: LinesLooked['edges'][number]): boolean =>
    role.line === 'crossing' ? role.bodies.some(elsewhere) : elsewhere(body);
  const openings = openingsOf(scene, room);
  const { polygons } = polygonsOf(openings);
  const facing = openings.faces.map(({ face }) => dot3(face.normal, sight.eye) - face.offset > tolerance.touchMm);
  const sights = openings.faces.flatMap((one, i) => (facing[i] === true ? [pyramidThrough(one, sight.eye)] : []));
  const there = Uint8Array.from(facing, (is) => (is ? 1 : 0));
  const apart = namedApart(polygons, polygonsOf(scene));
  const [edges, curves] = [lines.edges.map(isBeside), lines.curves.map(isBeside)];
  const looked = yield* lookAt(apart, there, sight, edges.length + curves.length);
  const behindEdges = yield* edgeParts(looked, lines.edgeSets, asked(edges));
  const behindCurves = yield* curveParts(looked, lines.curveSets, asked(curves));
  return {
    faces: Uint8Array.from(scene.faces, (one, f) =>
      beside[f] === true && !sights.some((pyramid) => reachesInto(one, pyramid)) ? 0 : 1,
    ),
    edges: spansOf(edges, behindEdges.edge, behindEdges.along, behindEdges.hiddenBy),
    curves: spansOf(curves, behindCurves.curve, behindCurves.range, behindCurves.hiddenBy),
  };
}

const asked = (list: readonly boolean[]): Uint8Array => Uint8Array.from(list, (is) => (is ? 1 : 0));

/** For each line of another room its stretches behind an opening; none where it has none. */
function spansOf(beside: readonly boolean[], line: Int32Array, range: Float64Array, behind: Int32Array): Spans {
  const spans = new Map<number, Span[]>();
  beside.forEach((is, i) => is && spans.set(i, []));
  line.forEach((one, row) => {
    if (at(behind, row) >= 0) spans.get(one)?.push([at(range, row * 2), at(range, row * 2 + 1)]);
  });
  return spans;
}

const openingsMade = new WeakMap<PreparedScene, Map<Id, PreparedScene>>();

/** The openings in a room's walls as faces of their own: what else was its hole is its outline. */
function openingsOf(scene: PreparedScene, room: Id): PreparedScene {
  let made = openingsMade.get(scene);
  if (!made) openingsMade.set(scene, (made = new Map<Id, PreparedScene>()));
  const known = made.get(room);
  if (known) return known;
  const faces = scene.faces.flatMap((one) =>
    one.body === room && one.face.seen === 'room-side' && one.shape?.kind !== 'round'
      ? one.loops.slice(1).map((loop, i): PreparedFace => {
          const { shape, bulges } = one;
          return {
            ...one,
            face: { ...one.face, id: `${one.face.id}/opening-${i + 1}`, belongsTo: [] },
            loops: [loop],
            ...(bulges ? { bulges: [at(bulges, i + 1)] } : {}),
            ...(shape?.kind === 'planar' ? { shape: { ...shape, loops: [at(shape.loops, i + 1)] } } : {}),
          };
        })
      : [],
  );
  const fresh = { faces, edges: [], curves: [], rounds: [] };
  made.set(room, fresh);
  return fresh;
}

/** Polygons whose surfaces have numbers of their own: no line of the scene lies on any of them. */
const namedApart = (polygons: PolygonSet, { polygons: { surfaceCount } }: ScenePolygons): PolygonSet => ({
  ...polygons,
  surface: polygons.surface.map((number) => number + surfaceCount),
  surfaceCount: polygons.surfaceCount + surfaceCount,
});

/** What lies on the inner side of all its planes: normal · P at least so much. */
type Pyramid = readonly { readonly normal: Vector3; readonly least: number }[];

const pointsOf = ({ loops, bulges }: PreparedFace): readonly (readonly WorldPoint[])[] =>
  loops.map((loop, l) =>
    loop.flatMap((corner, i) => {
      const tip = bulges?.[l]?.[i];
      return tip ? [corner, tip] : [corner];
    }),
  );

/** All that one can see from the eye through a level rectangle about an opening, behind its plane. */
function pyramidThrough(opening: PreparedFace, eye: Vector3): Pyramid {
  const { normal, offset } = opening.face;
  const size = Math.hypot(normal.x, normal.y);
  // A wall is upright: its level direction and the vertical span it.
  const along: Vector3 = { x: -normal.y / size, y: normal.x / size, z: 0 };
  const points = pointsOf(opening).flat();
  const [reach, heights] = [points.map((p) => dot3(p, along)), points.map((p) => p.z)];
  const place = (a: number, z: number): Vector3 => ({
    x: (normal.x / size) * (offset / size) + along.x * a,
    y: (normal.y / size) * (offset / size) + along.y * a,
    z,
  });
  const [a0, a1, z0, z1] = [Math.min(...reach), Math.max(...reach), Math.min(...heights), Math.max(...heights)];
  const corners = [place(a0, z0), place(a1, z0), place(a1, z1), place(a0, z1)];
  const middle = place((a0 + a1) / 2, (z0 + z1) / 2);
  const sides = corners.map((corner, i) => {
    const side = cross3(difference3(corner, eye), difference3(at(corners, (i + 1) % 4), eye));
    const inward = dot3(side, difference3(middle, eye)) < 0 ? { x: -side.x, y: -side.y, z: -side.z } : side;
    return { normal: inward, least: dot3(inward, eye) };
  });
  return [{ normal: { x: -normal.x, y: -normal.y, z: -normal.z }, least: -offset }, ...sides];
}

/** Whether anything of a face, or of what encloses it, lies within a pyramid: its outline cut by one plane after another. */
const reachesInto = (one: PreparedFace, pyramid: Pyramid): boolean =>
  (one.shape?.kind === 'round' ? pointsOf(one) : pointsOf(one).slice(0, 1)).some((loop) => {
    let left: readonly Vector3[] = loop;
    for (const { normal, least } of pyramid) {
      left = left.flatMap((p, i) => {
        const q = at(left, (i + 1) % left.length);
        const [here, there] = [dot3(normal, p) - least, dot3(normal, q) - least];
        const kept = here >= 0 ? [p] : [];
        if (here < 0 === there < 0) return kept;
        const t = here / (here - there);
        return [...kept, { x: p.x + (q.x - p.x) * t, y: p.y + (q.y - p.y) * t, z: p.z + (q.z - p.z) * t }];
      });
      if (left.length === 0) return false;
    }
    return true;
  });

const TURN = 2 * Math.PI;
/** Shorter than this in the line's own parameter a stretch is rounding. */
const LEAST = 1e-11;

/** The parts of parts that lie within their line's stretches; lines without an entry are left as they are. */
function within(
  spans: Spans,
  line: Int32Array,
  range: Float64Array,
  put: (row: number, from: number, to: number) => void,
): void {
  line.forEach((one, row) => {
    const [from, to] = [at(range, row * 2), at(range, row * 2 + 1)];
    const list = spans.get(one);
    if (!list) put(row, from, to);
    for (const [low, high] of list ?? []) {
      const [a, b] = [Math.max(from, low), Math.min(to, high)];
      if (b - a > LEAST) put(row, a, b);
    }
  });
}

/** Parts of straight edges without what is beside the room's openings. */
export function edgesThrough(
  { edges }: SeenThrough,
  parts: EdgeParts,
  { edgeSets }: LinesLooked,
  sight: Sight,
): EdgeParts {
  const [edge, along, picture, hiddenBy]: [number[], number[], number[], number[]] = [[], [], [], []];
  const endsOf = (index: number): Float64Array => {
    let first = 0;
    for (const { count, ends } of edgeSets) {
      if (index < first + count) return ends.subarray((index - first) * 6, (index - first) * 6 + 6);
      first += count;
    }
    return new Float64Array(6);
  };
  within(edges, parts.edge, parts.along, (row, from, to) => {
    edge.push(at(parts.edge, row));
    along.push(from, to);
    hiddenBy.push(at(parts.hiddenBy, row));
    const ends = endsOf(at(parts.edge, row));
    [from, to].forEach((s, i) => {
      const whole = s === at(parts.along, row * 2 + i);
      if (whole) picture.push(at(parts.picture, row * 4 + i * 2), at(parts.picture, row * 4 + i * 2 + 1));
      else picture.push(...pictureAlong(ends, s, sight));
    });
  });
  return {
    count: edge.length,
    edge: Int32Array.from(edge),
    along: Float64Array.from(along),
    picture: Float64Array.from(picture),
    hiddenBy: Int32Array.from(hiddenBy),
  };
}

/** The picture, mm, of a point so far along an edge whose ends are x, y, z and x, y, z. */
function pictureAlong(
  ends: Float64Array,
  s: number,
  { eye, right, up, forward, viewingDistance }: Sight,
): readonly [number, number] {
  const between = (i: number): number => at(ends, i) + (at(ends, i + 3) - at(ends, i)) * s;
  const away = { x: between(0) - eye.x, y: between(1) - eye.y, z: between(2) - eye.z };
  const depth = dot3(away, forward);
  return [(viewingDistance * dot3(away, right)) / depth, (viewingDistance * dot3(away, up)) / depth];
}

/** Parts of curves without what is beside the room's openings. A part or stretch across a circle's seam ends beyond a whole turn. */
export function curvesThrough({ curves }: SeenThrough, parts: CurveParts): CurveParts {
  const [curve, range, hiddenBy]: [number[], number[], number[]] = [[], [], []];
  const turned: Spans = new Map(
    [...curves].map(([line, spans]) => [
      line,
      [-TURN, 0, TURN].flatMap((turn) => spans.map(([from, to]): Span => [from + turn, to + turn])),
    ]),
  );
  within(turned, parts.curve, parts.range, (row, from, to) => {
    curve.push(at(parts.curve, row));
    range.push(from, to);
    hiddenBy.push(at(parts.hiddenBy, row));
  });
  return {
    count: curve.length,
    curve: Int32Array.from(curve),
    range: Float64Array.from(range),
    hiddenBy: Int32Array.from(hiddenBy),
  };
}
