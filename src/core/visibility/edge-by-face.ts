import { at } from '@/core/base';
import { cross3, difference3, dot3, type Vector3 } from '@/core/geometry';
import { tolerance } from '@/core/numeric';
import type { Id } from '@/core/record';
import { worldPoint, type WorldPoint } from '@/core/space';
import { eyeFromWorld, frameInterval, pictureFromEye, worldFromEye, type SetUp } from '@/core/view';
import type { Frame } from '@/core/record';
import { eyePoint } from '@/core/space';
import { HiderGrid } from './hider-grid';
import { activeFaces, inInterior, limbEdges, type PreparedEdge, type PreparedFace, type PreparedScene } from './scene';
import type { VisibleLines, VisibleLinesMethod } from './visible-lines';

/** Parameters closer than this along an edge are one: 1e-9 of a 10 m edge is far below the touching tolerance. */
const SAME_PARAMETER = 1e-9;

export interface Box {
  readonly left: number;
  readonly right: number;
  readonly bottom: number;
  readonly top: number;
}
const EVERYWHERE: Box = { left: -Infinity, right: Infinity, bottom: -Infinity, top: Infinity };

/** Bounds in the picture; everywhere when a corner is not in front of the eye. */
function pictureBounds(set: SetUp, points: readonly WorldPoint[]): Box {
  let [left, right, bottom, top] = [Infinity, -Infinity, Infinity, -Infinity];
  for (const point of points) {
    const eye = eyeFromWorld(set, point);
    if (eye.depth <= tolerance.nearMm) return EVERYWHERE;
    const { u, v } = pictureFromEye(set.viewingDistance, eye);
    left = Math.min(left, u);
    right = Math.max(right, u);
    bottom = Math.min(bottom, v);
    top = Math.max(top, v);
  }
  return { left, right, bottom, top };
}

export interface Hider {
  readonly prepared: PreparedFace;
  readonly bounds: Box;
  /** Signed distance of the eye from the face's plane. */
  readonly eyeSide: number;
}

export const pointAlong = (edge: PreparedEdge, along: number): WorldPoint =>
  worldPoint(
    edge.from.x + (edge.to.x - edge.from.x) * along,
    edge.from.y + (edge.to.y - edge.from.y) * along,
    edge.from.z + (edge.to.z - edge.from.z) * along,
  );

/** Signed distance of a point beyond a face's plane, seen from the eye: positive strictly behind it. */
function behind(hider: Hider, point: Vector3): number {
  const { normal, offset } = hider.prepared.face;
  const beyond = offset - normal.x * point.x - normal.y * point.y - normal.z * point.z;
  return hider.eyeSide > 0 ? beyond : -beyond;
}

/**
 * Where, along an edge, the sight lines through a face's outline pass, and where the edge pierces the face's plane. Worked in the
 * plane through eye and edge, so that nothing is divided by a depth. Extra parameters do no harm: every interval is tested.
 * Written out in scalars: this is the innermost loop of a drag.
 */
function breaks(edge: PreparedEdge, eye: WorldPoint, m: Vector3, hider: Hider, into: number[]): void {
  const atFrom = behind(hider, edge.from);
  const atTo = behind(hider, edge.to);
  if (atFrom > 0 !== atTo > 0) into.push(atFrom / (atFrom - atTo));
  const [fx, fy, fz] = [edge.from.x - eye.x, edge.from.y - eye.y, edge.from.z - eye.z];
  const [rx, ry, rz] = [edge.to.x - edge.from.x, edge.to.y - edge.from.y, edge.to.z - edge.from.z];
  // λ where the ray (x, y, z) from the eye meets the edge's line: −((from − eye) × ray)·m / (run × ray)·m.
  const through = (x: number, y: number, z: number): void => {
    const slope = (ry * z - rz * y) * m.x + (rz * x - rx * z) * m.y + (rx * y - ry * x) * m.z;
    if (slope !== 0) into.push(-((fy * z - fz * y) * m.x + (fz * x - fx * z) * m.y + (fx * y - fy * x) * m.z) / slope);
  };
  for (const loop of hider.prepared.loops) {
    const last = at(loop, loop.length - 1);
    let [cx, cy, cz] = [last.x - eye.x, last.y - eye.y, last.z - eye.z];
    let cSide = m.x * cx + m.y * cy + m.z * cz;
    for (const corner of loop) {
      const [dx, dy, dz] = [corner.x - eye.x, corner.y - eye.y, corner.z - eye.z];
      const dSide = m.x * dx + m.y * dy + m.z * dz;
      if (cSide === 0) through(cx, cy, cz);
      // An outline side lying in the sight plane itself ends at both its corners; each is the start of a side once.
      if (cSide > 0 !== dSide > 0 && cSide !== dSide) {
        const share = cSide / (cSide - dSide);
        through(cx + (dx - cx) * share, cy + (dy - cy) * share, cz + (dz - cz) * share);
      }
      [cx, cy, cz, cSide] = [dx, dy, dz, dSide];
    }
  }
}

/** A face hides a point only if it lies strictly between eye and point and the sight line passes through its interior. */
function hides(hider: Hider, eye: WorldPoint, point: WorldPoint): boolean {
  const beyond = behind(hider, point);
  if (beyond <= tolerance.touchMm) return false;
  const share = Math.abs(hider.eyeSide) / (Math.abs(hider.eyeSide) + beyond);
  return inInterior(hider.prepared, {
    x: eye.x + (point.x - eye.x) * share,
    y: eye.y + (point.y - eye.y) * share,
    z: eye.z + (point.z - eye.z) * share,
  });
}

export interface Row {
  readonly edge: number;
  readonly from: number;
  readonly to: number;
  readonly seen: boolean;
}

/** The faces that may hide some of an edge: whose picture overlaps its own, and that have some of it behind them. */
function candidatesFor(edge: PreparedEdge, bounds: Box, grid: HiderGrid): Hider[] {
  const { left, right, bottom, top } = bounds;
  const candidates: Hider[] = [];
  grid.near(bounds, (hider) => {
    const box = hider.bounds;
    if (box.left > right || left > box.right || box.bottom > top || bottom > box.top) return;
    if (behind(hider, edge.from) > tolerance.touchMm || behind(hider, edge.to) > tolerance.touchMm)
      candidates.push(hider);
  });
  return candidates;
}

/**
 * An edge's seen and hidden parts. Each face by itself says which stretches it hides, by its own breaks alone; the hidden stretches are
 * then joined. So the cost grows with the breaks, not with breaks times faces.
 */
function edgeRows(
  edge: PreparedEdge,
  index: number,
  interval: readonly [number, number],
  eye: WorldPoint,
  candidates: readonly Hider[],
): Row[] {
  if (candidates.length === 0) return [{ edge: index, from: interval[0], to: interval[1], seen: true }];
  const sightNormal = cross3(difference3(edge.from, eye), difference3(edge.to, eye));
  const [start, end] = interval;
  const hidden: [number, number][] = [];
  const own: number[] = [];
  for (const hider of candidates) {
    own.length = 0;
    breaks(edge, eye, sightNormal, hider, own);
    own.push(end);
    own.sort(ascending);
    let from = start;
    for (const parameter of own) {
      const to = parameter > end ? end : parameter;
      if (to - from <= SAME_PARAMETER) continue;
      if (hides(hider, eye, pointAlong(edge, (from + to) / 2))) hidden.push([from, to]);
      from = to;
    }
  }
  if (hidden.length === 0) return [{ edge: index, from: start, to: end, seen: true }];
  hidden.sort((a, b) => a[0] - b[0]);
  const rows: Row[] = [];
  let at = start;
  let [low, high] = hidden[0] as [number, number];
  const close = (): void => {
    if (low - at > SAME_PARAMETER) rows.push({ edge: index, from: at, to: low, seen: true });
    rows.push({ edge: index, from: Math.max(at, low), to: high, seen: false });
    at = high;
  };
  for (let i = 1; i < hidden.length; i += 1) {
    const [from, to] = hidden[i] as [number, number];
    if (from <= high + SAME_PARAMETER) high = Math.max(high, to);
    else {
      close();
      [low, high] = [from, to];
    }
  }
  close();
  if (end - at > SAME_PARAMETER) rows.push({ edge: index, from: at, to: end, seen: true });
  return rows;
}

const ascending = (a: number, b: number): number => a - b;

/** One way of looking: where the eye is, what of an edge is in the picture, and bounds there. */
export interface Sight {
  readonly eye: WorldPoint;
  readonly interval: (edge: PreparedEdge) => readonly [number, number] | null;
  readonly bounds: (points: readonly WorldPoint[]) => Box;
}

/** Bodies whose bounds hold the eye: from inside, their faces' backs hide too. */
function bodiesAround(scene: PreparedScene, eye: WorldPoint): ReadonlySet<Id> {
  const low = new Map<Id, [number, number, number, number, number, number]>();
  for (const { body, closed, loops } of scene.faces) {
    if (!closed) continue;
    let box = low.get(body);
    if (!box) low.set(body, (box = [Infinity, -Infinity, Infinity, -Infinity, Infinity, -Infinity]));
    for (const p of loops[0] ?? []) {
      if (p.x < box[0]) box[0] = p.x;
      if (p.x > box[1]) box[1] = p.x;
      if (p.y < box[2]) box[2] = p.y;
      if (p.y > box[3]) box[3] = p.y;
      if (p.z < box[4]) box[4] = p.z;
      if (p.z > box[5]) box[5] = p.z;
    }
  }
  const around = new Set<Id>();
  for (const [body, [x0, x1, y0, y1, z0, z1]] of low)
    if (eye.x >= x0 && eye.x <= x1 && eye.y >= y0 && eye.y <= y1 && eye.z >= z0 && eye.z <= z1) around.add(body);
  return around;
}

/** Every edge against every face near it in the picture; the rows in the order of the edges. */
export function* rowsOf(
  scene: PreparedScene,
  edges: readonly PreparedEdge[],
  { eye, interval: intervalOf, bounds: boundsOf }: Sight,
): Generator<number, Row[]> {
  const active = activeFaces(scene, eye);
  const around = bodiesAround(scene, eye);
  const backs = new Set<Id>();
  const hiders = scene.faces.flatMap((prepared): Hider[] => {
    const eyeSide = dot3(prepared.face.normal, eye) - prepared.face.offset;
    // Seen edge-on a face hides nothing.
    if (!active.has(prepared.face.id) || Math.abs(eyeSide) <= tolerance.touchMm) return [];
    if (eyeSide < 0 && prepared.closed && !around.has(prepared.body)) {
      // What the back of a closed piece hides, its front hides too.
      backs.add(prepared.face.id);
      return [];
    }
    return [{ prepared, bounds: boundsOf(prepared.loops.flat()), eyeSide }];
  });
  const grid = new HiderGrid(hiders);
  const rows: Row[] = [];
  for (let index = 0; index < edges.length; index += 1) {
    if (index % 16 === 0) yield index / edges.length;
    const edge = at(edges, index);
    if (!edge.faces.some((face) => active.has(face))) continue;
    const interval = intervalOf(edge);
    if (!interval) continue;
    // Both its faces turned away: it lies behind its own piece.
    if (edge.faces.length > 1 && edge.faces.every((face) => backs.has(face))) {
      rows.push({ edge: index, from: interval[0], to: interval[1], seen: false });
      continue;
    }
    const bounds = boundsOf([pointAlong(edge, interval[0]), pointAlong(edge, interval[1])]);
    rows.push(...edgeRows(edge, index, interval, eye, candidatesFor(edge, bounds, grid)));
  }
  return rows;
}

/**
 * Visible and hidden parts of edges, arcs as chords and limbs where the eye puts them: every edge against the faces near it. Simple and
 * right; its cost grows as edges times faces, which serves some hundred edges within a screen frame. Source: geometry "Seeing, what hides".
 */
export const visibleLinesEdgeByFace: VisibleLinesMethod = function* (scene: PreparedScene, set: SetUp, frame: Frame) {
  const eye = worldFromEye(set, eyePoint(0, 0, 0));
  const limbs = limbEdges(scene, eye);
  const edges = limbs.length === 0 ? scene.edges : [...scene.edges, ...limbs];
  const rows = yield* rowsOf(scene, edges, {
    eye,
    interval: (edge) => frameInterval(set, frame, eyeFromWorld(set, edge.from), eyeFromWorld(set, edge.to)),
    bounds: (points) => pictureBounds(set, points),
  });
  return toArrays(edges, limbs, set, rows);
};

function toArrays(
  edges: readonly PreparedEdge[],
  limbs: readonly PreparedEdge[],
  set: SetUp,
  rows: readonly Row[],
): VisibleLines {
  const picture = new Float64Array(rows.length * 4);
  const along = new Float64Array(rows.length * 2);
  const edge = new Int32Array(rows.length);
  const seen = new Uint8Array(rows.length);
  rows.forEach((row, i) => {
    const line = at(edges, row.edge);
    [row.from, row.to].forEach((parameter, end) => {
      const { u, v } = pictureFromEye(set.viewingDistance, eyeFromWorld(set, pointAlong(line, parameter)));
      picture[i * 4 + end * 2] = u;
      picture[i * 4 + end * 2 + 1] = v;
    });
    along[i * 2] = row.from;
    along[i * 2 + 1] = row.to;
    edge[i] = row.edge;
    seen[i] = row.seen ? 1 : 0;
  });
  const edgeIds: readonly Id[] = edges.map((one) => one.id);
  return { edgeIds, limbs, picture, along, edge, seen };
}
