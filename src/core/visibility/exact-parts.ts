import { EdgeAgainstFace, layPlane, sightedEdge } from './edge-against-face';
import { HiddenStretches } from './hidden-stretches';
import { AgainstShapes } from './against-shapes';
import { occludersOf, type Occluders } from './occluders';
import { PartsWriter } from './parts-writer';
import { CLEARLY_BEHIND, pictureGrid, type PictureGrid } from './picture-grid';
import type { EdgeParts, EdgeSet, PolygonSet, Sight } from './polygon-set';

/** Edges between two signs of progress: well below a millisecond's work. */
const EDGES_A_STEP = 128;

/**
 * Exact seen and hidden parts of straight edges among polygons. Each edge is cut to frame and near plane, walked through the cells its picture
 * crosses, and asked of the faces listed there, each once; where a cell is covered by a face wholly before the edge nothing is asked. The cost
 * grows with the crossings in the picture, not with edges times faces.
 * @param there for each face, 1 when it is there from this eye.
 * @param drawn for each edge of the sets in turn, 1 when it is to be drawn.
 */
export function* exactParts(
  set: PolygonSet,
  edgeSets: readonly EdgeSet[],
  there: Uint8Array,
  drawn: Uint8Array,
  sight: Sight,
): Generator<number, EdgeParts> {
  const looked = yield* lookAt(
    set,
    there,
    sight,
    edgeSets.reduce((sum, one) => sum + one.count, 0),
  );
  return yield* edgeParts(looked, edgeSets, drawn);
}

/** What one eye sees of a scene's faces: all that lines are held against. */
export interface LookedAt {
  readonly set: PolygonSet;
  readonly sight: Sight;
  readonly occluders: Occluders;
  readonly grid: PictureGrid;
  readonly shapes: AgainstShapes;
}

/** @param lines how many lines are to be held against it. */
export function* lookAt(set: PolygonSet, there: Uint8Array, sight: Sight, lines: number): Generator<number, LookedAt> {
  const occluders = occludersOf(set, there, sight);
  yield 0.02;
  const steps = pictureGrid(set, occluders, sight, lines);
  let step = steps.next();
  for (; !step.done; step = steps.next()) yield 0.02 + 0.08 * step.value;
  const grid = step.value;
  yield 0.1;
  return { set, sight, occluders, grid, shapes: new AgainstShapes(set, occluders, sight) };
}

/** Seen and hidden parts of straight edges. */
export function* edgeParts(
  { set, sight, occluders, grid, shapes }: LookedAt,
  edgeSets: readonly EdgeSet[],
  drawn: Uint8Array,
): Generator<number, EdgeParts> {
  const { eye, right, up, forward, viewingDistance: k, frame, near } = sight;
  const { columns, rows, cellWidth, cellHeight, start, list, cover, coveredBy, bounds } = grid;
  const asked = new Int32Array(occluders.count).fill(-1);
  const against = new EdgeAgainstFace(set, occluders, near);
  const hidden = new HiddenStretches();
  const out = new PartsWriter();
  const edge = sightedEdge();
  const { a, b } = edge;
  const total = edgeSets.reduce((sum, one) => sum + one.count, 0);
  const { left, bottom } = frame;
  let index = -1;
  /** The cut edge's own picture, and its parameters in the world. */
  let [from, to] = [0, 1];
  const cut = [0, 1];

  /** Cuts to near plane and frame in homogeneous form: nothing is divided before it is in front. */
  const cutEdge = (): boolean => {
    cut[0] = 0;
    cut[1] = 1;
    const clip = (d0: number, d1: number): boolean => {
      if (d0 < 0 && d1 < 0) return false;
      if (d0 < 0) cut[0] = Math.max(cut[0]!, d0 / (d0 - d1));
      else if (d1 < 0) cut[1] = Math.min(cut[1]!, d0 / (d0 - d1));
      return cut[0]! < cut[1]!;
    };
    const [a0, a1, a2, b0, b1, b2] = [a[0]!, a[1]!, a[2]!, b[0]!, b[1]!, b[2]!];
    return (
      clip(a2 - near, b2 - near) &&
      clip(k * a0 - frame.left * a2, k * b0 - frame.left * b2) &&
      clip(frame.right * a2 - k * a0, frame.right * b2 - k * b0) &&
      clip(k * a1 - frame.bottom * a2, k * b1 - frame.bottom * b2) &&
      clip(frame.top * a2 - k * a1, frame.top * b2 - k * b1)
    );
  };

  /** The cut edge in the world and the way square to it and the sight lines: what a curved face is asked with. Laid when first wanted. */
  const world = new Float64Array(8);
  const beside = { x: 0, y: 0, z: 0 };
  let laid = false;
  let ends: readonly [Float64Array, number] = [new Float64Array(6), 0];
  /** Whether a occluder is one of the surfaces the edge lies between. */
  const own = (h: number): boolean => {
    const surface = set.surface[occluders.face[h]!]!;
    for (let i = ownSurfaces[0]; i < ownSurfaces[1]; i += 1) if (ownSurfaces[2][i] === surface) return true;
    return false;
  };
  let ownSurfaces: readonly [number, number, Int32Array] = [0, 0, new Int32Array()];
  const layRows = (): void => {
    laid = true;
    const [list, e] = ends;
    for (let i = 0; i < 3; i += 1) {
      const [p, q] = [list[e + i]!, list[e + 3 + i]!];
      world[i] = p + (q - p) * from;
      world[i + 4] = p + (q - p) * to;
    }
    world[3] = world[7] = 1;
    const { m } = edge;
    beside.x = m[0]! * right.x + m[1]! * up.x + m[2]! * forward.x;
    beside.y = m[0]! * right.y + m[1]! * up.y + m[2]! * forward.y;
    beside.z = m[0]! * right.z + m[1]! * up.z + m[2]! * forward.z;
  };

  /** Asks the faces of every cell the edge's picture crosses. */
  const walk = (u0: number, v0: number, u1: number, v1: number): void => {
    const [q0, q1] = [1 / a[2]!, 1 / b[2]!];
    const farthest = Math.min(q0, q1) * CLEARLY_BEHIND;
    let column = Math.min(columns - 1, Math.max(0, Math.floor((u0 - left) / cellWidth)));
    let row = Math.min(rows - 1, Math.max(0, Math.floor((v0 - bottom) / cellHeight)));
    const [lastColumn, lastRow] = [
      Math.min(columns - 1, Math.max(0, Math.floor((u1 - left) / cellWidth))),
      Math.min(rows - 1, Math.max(0, Math.floor((v1 - bottom) / cellHeight))),
    ];
    const [stepU, stepV] = [Math.sign(lastColumn - column), Math.sign(lastRow - row)];
    const [du, dv] = [u1 - u0, v1 - v0];
    let at = 0;
    for (;;) {
      // Where the picture leaves this cell.
      const nextU =
        stepU === 0 || column === lastColumn ? 1 : (left + (column + (stepU > 0 ? 1 : 0)) * cellWidth - u0) / du;
      const nextV = stepV === 0 || row === lastRow ? 1 : (bottom + (row + (stepV > 0 ? 1 : 0)) * cellHeight - v0) / dv;
      const over = nextU < nextV;
      const end = Math.min(1, Math.max(at, over ? nextU : nextV));
      const cell = row * columns + column;
      const [qa, qb] = [q0 + (q1 - q0) * at, q0 + (q1 - q0) * end];
      if ((qa > qb ? qa : qb) < cover[cell]! * CLEARLY_BEHIND)
        hidden.add('both', at, end, occluders.face[coveredBy[cell]!]!);
      else
        for (let i = start[cell]!; i < start[cell + 1]!; i += 1) {
          const h = list[i]!;
          // Nearest first: from here on all lie behind the whole edge.
          if (occluders.nearest[h]! < farthest) break;
          if (asked[h] === index) continue;
          asked[h] = index;
          if (occluders.shape[h]! >= 0) {
            const b = h * 4;
            // Their pictures lie apart.
            if (
              bounds[b]! > Math.max(u0, u1) ||
              bounds[b + 1]! < Math.min(u0, u1) ||
              bounds[b + 2]! > Math.max(v0, v1) ||
              bounds[b + 3]! < Math.min(v0, v1)
            )
              continue;
            if (!laid) layRows();
            shapes.test(edge, world, beside, h, own(h), hidden);
          } else against.test(edge, h, hidden);
          if (hidden.whole) return;
        }
      if (column === lastColumn && row === lastRow) return;
      at = end;
      if (over ? column !== lastColumn : row === lastRow) column += stepU;
      else row += stepV;
    }
  };

  for (const one of edgeSets)
    for (let e = 0; e < one.count; e += 1) {
      index += 1;
      if (index % EDGES_A_STEP === 0) yield 0.1 + (0.9 * index) / total;
      if (drawn[index] === 0) continue;
      for (let i = 0; i < 2; i += 1) {
        const x = one.ends[e * 6 + i * 3]! - eye.x;
        const y = one.ends[e * 6 + i * 3 + 1]! - eye.y;
        const z = one.ends[e * 6 + i * 3 + 2]! - eye.z;
        const end = i === 0 ? a : b;
        end[0] = x * right.x + y * right.y + z * right.z;
        end[1] = x * up.x + y * up.y + z * up.z;
        end[2] = x * forward.x + y * forward.y + z * forward.z;
      }
      if (!cutEdge()) continue;
      [from, to] = [cut[0]!, cut[1]!];
      if (from > 0 || to < 1)
        for (let i = 0; i < 3; i += 1) {
          const [x, r] = [a[i]!, b[i]! - a[i]!];
          if (to < 1) b[i] = x + r * to;
          if (from > 0) a[i] = x + r * from;
        }
      const [u0, v0] = [(k * a[0]!) / a[2]!, (k * a[1]!) / a[2]!];
      const [u1, v1] = [(k * b[0]!) / b[2]!, (k * b[1]!) / b[2]!];
      if (!layPlane(edge)) continue;
      const edgeIndex = index;
      if (allTurnedAway(one, e, occluders.backs)) {
        out.put(
          edgeIndex,
          from,
          to,
          u0,
          v0,
          u1,
          v1,
          set.surfaceCount === set.faceCount ? one.surfaces[one.surfaceStart[e]!]! : 0,
        );
        continue;
      }
      hidden.clear(Math.hypot(u1 - u0, v1 - v0));
      laid = false;
      ends = [one.ends, e * 6];
      ownSurfaces = [one.surfaceStart[e]!, one.surfaceStart[e + 1]!, one.surfaces];
      walk(u0, v0, u1, v1);
      const [ta, tb] = [a[2]!, b[2]!];
      // From the picture's parameter back to the world's.
      const along = (mu: number): number =>
        mu <= 0 ? from : mu >= 1 ? to : from + (to - from) * ((mu * ta) / ((1 - mu) * tb + mu * ta));
      let [done, doneAlong] = [0, from];
      const put = (until: number, by: number): void => {
        const next = along(until);
        out.put(
          edgeIndex,
          doneAlong,
          next,
          u0 + (u1 - u0) * done,
          v0 + (v1 - v0) * done,
          until >= 1 ? u1 : u0 + (u1 - u0) * until,
          until >= 1 ? v1 : v0 + (v1 - v0) * until,
          by,
        );
        [done, doneAlong] = [until, next];
      };
      if (!hidden.empty)
        hidden.each((x, y, by) => {
          if (x > done) put(x, -1);
          put(y, by);
        });
      if (done < 1) put(1, -1);
    }
  return out.parts();
}

/** All its surfaces turned away: it lies behind its own solid. */
function allTurnedAway({ surfaceStart, surfaces }: EdgeSet, e: number, backs: Uint8Array): boolean {
  const [first, end] = [surfaceStart[e]!, surfaceStart[e + 1]!];
  if (end - first < 2) return false;
  for (let i = first; i < end; i += 1) if (backs[surfaces[i]!] === 0) return false;
  return true;
}
