import { at } from '@/core/base';
import { tolerance } from '@/core/numeric';
import type { Frame, Id } from '@/core/record';
import type { WorldPoint } from '@/core/space';
import { projectPoint, type SetUp } from '@/core/view';
import { FrameCells, type Rect } from './frame-cells';
import type { PreparedCurve, PreparedEdge, PreparedFace, PreparedScene } from './scene';
import type { SpaceConic } from './space-conic';
import type { VisibleLines } from './visible-lines';
import { visibleLinesExact } from './visible-lines-exact';

/** The scene before an edit, and what was seen of it from the same place in the same frame. */
export interface SeenBefore {
  readonly scene: PreparedScene;
  readonly lines: VisibleLines;
  /** Where things lie in the picture, as far as it was asked before; kept from one edit to the next. */
  readonly places?: Places;
}

/** Rectangles about things in the picture, by the thing; null for what lies beside or behind the eye. */
export type Places = WeakMap<object, Rect | null>;

/** Above this share of changed faces everything is looked at anew: little would be left to keep. */
const MOST_CHANGED = 0.2;
/** Rectangles that miss each other by less than this may touch, mm. */
const TOUCH_MM = tolerance.samePointMm;

/** The rectangle about the picture of points; null when any of them lies beside or behind the eye. */
function rectOf(
  { station: s, right: r, forward: f, eyeZ, viewingDistance: k }: SetUp,
  points: readonly WorldPoint[],
): Rect | null {
  let [left, right, bottom, top] = [Infinity, -Infinity, Infinity, -Infinity];
  for (const p of points) {
    const [dx, dy] = [p.x - s.x, p.y - s.y];
    const depth = dx * f.x + dy * f.y;
    if (depth <= 2 * tolerance.nearMm) return null;
    const [u, v] = [(k * (dx * r.x + dy * r.y)) / depth, (k * (p.z - eyeZ)) / depth];
    left = Math.min(left, u);
    right = Math.max(right, u);
    bottom = Math.min(bottom, v);
    top = Math.max(top, v);
  }
  return { left, right, bottom, top };
}

const touch = (a: Rect, b: Rect): boolean =>
  a.left <= b.right + TOUCH_MM &&
  b.left <= a.right + TOUCH_MM &&
  a.bottom <= b.top + TOUCH_MM &&
  b.bottom <= a.top + TOUCH_MM;

/** Corners of a box that holds a circle or a part of one; null for another conic. */
function boxAbout(conic: SpaceConic): readonly WorldPoint[] | null {
  if (conic[7] !== 0 || conic[11] !== 0) return null;
  const w = at(conic, 3);
  const half = (i: number): number => Math.hypot(at(conic, 4 + i), at(conic, 8 + i)) / w;
  const middle = (i: number): number => at(conic, i) / w;
  return [-1, 1].flatMap((x) =>
    [-1, 1].flatMap((y) =>
      [-1, 1].map(
        (z) =>
          ({
            x: middle(0) + x * half(0),
            y: middle(1) + y * half(1),
            z: middle(2) + z * half(2),
          }) as WorldPoint,
      ),
    ),
  );
}

const pointsOfFace = ({ loops, bulges }: PreparedFace): readonly WorldPoint[] => [
  ...loops.flat(),
  ...(bulges ?? []).flat().filter((one) => one !== null),
];

/** The rectangle about a thing in the picture, looked up if it has been asked before. */
function placeOf<T extends object>(
  one: T,
  pointsOf: (one: T) => readonly WorldPoint[] | null,
  setUp: SetUp,
  places: Places,
): Rect | null {
  const known = places.get(one);
  if (known !== undefined) return known;
  const points = pointsOf(one);
  const rect = points && rectOf(setUp, points);
  places.set(one, rect);
  return rect;
}

/** Where in the picture anything may have changed, by bodies; null where that cannot be told. */
function changedParts(scene: PreparedScene, before: PreparedScene, setUp: SetUp): readonly Rect[] | null {
  const [now, then] = [new Set(scene.faces), new Set(before.faces)];
  const changed = [...scene.faces.filter((one) => !then.has(one)), ...before.faces.filter((one) => !now.has(one))];
  if (changed.length > MOST_CHANGED * scene.faces.length) return null;
  // Whether a face is there at all may hang on another's: then more than its own place is at stake.
  if (changed.some(({ face }) => face.seen === 'room-side' || face.belongsTo.length > 0)) return null;
  const bodies = new Map<Id, WorldPoint[]>();
  for (const one of changed) bodies.set(one.body, [...(bodies.get(one.body) ?? []), ...pointsOfFace(one)]);
  const rects = [...bodies.values()].map((points) => rectOf(setUp, points));
  return rects.every((one) => one !== null) ? rects : null;
}

/** Things that are as they were and lie clear of all that changed, by their place in the list before. */
function untouched<T extends object>(
  now: readonly T[],
  before: readonly T[],
  place: (one: T) => Rect | null,
  parts: readonly Rect[],
): ReadonlyMap<number, number> {
  const numbers = new Map(before.map((one, i) => [one, i]));
  const kept = new Map<number, number>();
  now.forEach((one, i) => {
    const old = numbers.get(one);
    const rect = old === undefined ? null : place(one);
    if (old !== undefined && rect && !parts.some((part) => touch(part, rect))) kept.set(old, i);
  });
  return kept;
}

/**
 * Lines found again after an edit: what of the scene before is as it was, and clear in the picture of all that changed, keeps what was seen of it;
 * the rest is looked at anew, against everything. The same lines as `visibleLinesExact` finds, in another order.
 * @param before of the same set-up and frame.
 */
export function* visibleLinesAgain(
  scene: PreparedScene,
  setUp: SetUp,
  frame: Frame,
  before: SeenBefore,
): Generator<number, VisibleLines> {
  const parts = changedParts(scene, before.scene, setUp);
  if (!parts) return yield* visibleLinesExact(scene, setUp, frame);
  const places: Places = before.places ?? new WeakMap();
  const ofEdge = (one: PreparedEdge) => placeOf(one, ({ from, to }) => [from, to], setUp, places);
  const ofCurve = (one: PreparedCurve) => placeOf(one, ({ conic }) => boxAbout(conic), setUp, places);
  const ofFace = (one: PreparedFace) => placeOf(one, pointsOfFace, setUp, places);
  const enclosures = new Map(
    [...before.scene.faces, ...scene.faces].flatMap((one) => (one.shape?.kind === 'round' ? [[one.face.id, one]] : [])),
  );
  const ofRound = ({ round }: PreparedScene['rounds'][number]): Rect | null => {
    const enclosure = enclosures.get(round.id);
    return enclosure ? ofFace(enclosure) : null;
  };
  const edges = untouched(scene.edges, before.scene.edges, ofEdge, parts);
  const curves = untouched(scene.curves, before.scene.curves, ofCurve, parts);
  const rounds = untouched(scene.rounds, before.scene.rounds, ofRound, parts);
  const left = <T>(list: readonly T[], kept: ReadonlyMap<number, number>): { list: T[]; place: number[] } => {
    const there = new Set(kept.values());
    const place = [...list.keys()].filter((i) => !there.has(i));
    return { list: place.map((i) => at(list, i)), place };
  };
  const [edgesLeft, curvesLeft, roundsLeft] = [
    left(scene.edges, edges),
    left(scene.curves, curves),
    left(scene.rounds, rounds),
  ];
  const cells = cellsOf(setUp, frame, edgesLeft.list, [
    ...curvesLeft.list.map(ofCurve),
    ...roundsLeft.list.map(ofRound),
  ]);
  const inTheWay = cells ? beforeThem(scene.faces, ofFace, cells) : [...scene.faces.keys()];
  const again = yield* visibleLinesExact(
    {
      faces: inTheWay.map((i) => at(scene.faces, i)),
      ...{ edges: edgesLeft.list, curves: curvesLeft.list, rounds: roundsLeft.list },
      ...(scene.homes ? { homes: scene.homes } : {}),
    },
    setUp,
    frame,
  );
  /** The face that hides a line found anew, by its place among all. */
  const hiding = (i: number): number => (i < 0 ? i : at(inTheWay, i));
  const keptRounds = new Set([...rounds.keys()].map((i) => at(before.scene.rounds, i).round.id));
  const faces = new Map(scene.faces.map((one, i) => [one, i]));
  const faceNow = (i: number): number => (i < 0 ? i : (faces.get(at(before.scene.faces, i)) ?? -1));
  const { lines } = before;
  const straight = joined(
    scene.edges.length,
    { count: before.scene.edges.length, kept: edges, silhouettes: lines.silhouettes, rows: lines.edge },
    { count: edgesLeft.list.length, place: edgesLeft.place, silhouettes: again.silhouettes, rows: again.edge },
    keptRounds,
  );
  const round = joined(
    scene.curves.length,
    {
      count: before.scene.curves.length,
      kept: curves,
      silhouettes: lines.curves.silhouettes,
      rows: lines.curves.curve,
    },
    {
      count: curvesLeft.list.length,
      place: curvesLeft.place,
      silhouettes: again.curves.silhouettes,
      rows: again.curves.curve,
    },
    keptRounds,
  );
  const hiddenBy = (rows: Int32Array, old: Int32Array, fresh: Int32Array): Int32Array => {
    const all = new Int32Array(rows.length + fresh.length);
    rows.forEach((row, i) => (all[i] = faceNow(at(old, row))));
    fresh.forEach((by, i) => (all[rows.length + i] = hiding(by)));
    return all;
  };
  const seen = (by: Int32Array): Uint8Array => Uint8Array.from(by, (one) => (one < 0 ? 1 : 0));
  const straightBy = hiddenBy(straight.old, lines.hiddenBy, again.hiddenBy);
  const roundBy = hiddenBy(round.old, lines.curves.hiddenBy, again.curves.hiddenBy);
  return {
    silhouettes: straight.silhouettes,
    picture: numbersOf(4, straight.old, lines.picture, again.picture),
    along: numbersOf(2, straight.old, lines.along, again.along),
    edge: straight.line,
    seen: seen(straightBy),
    hiddenBy: straightBy,
    curves: {
      silhouettes: round.silhouettes,
      curve: round.line,
      range: numbersOf(2, round.old, lines.curves.range, again.curves.range),
      seen: seen(roundBy),
      hiddenBy: roundBy,
    },
  };
}

/** Cells of the frame that lines run through; null where one of them cannot be placed in the picture. */
function cellsOf(
  setUp: SetUp,
  frame: Frame,
  edges: readonly PreparedEdge[],
  rects: readonly (Rect | null)[],
): FrameCells | null {
  const cells = new FrameCells(frame);
  for (const { from, to } of edges) {
    const [a, b] = [projectPoint(setUp, from), projectPoint(setUp, to)];
    if (!a || !b) return null;
    cells.markLine(a.u, a.v, b.u, b.v);
  }
  for (const rect of rects) {
    if (!rect) return null;
    cells.markRect(rect);
  }
  return cells;
}

/**
 * Faces that may lie before lines in those cells, by their places: whole bodies, for what a solid's back hides its front hides too; with every room,
 * on whose faces others hang.
 */
function beforeThem(
  faces: readonly PreparedFace[],
  place: (one: PreparedFace) => Rect | null,
  cells: FrameCells,
): readonly number[] {
  const bodies = new Set<Id>();
  for (const one of faces) {
    if (bodies.has(one.body)) continue;
    const rect = place(one);
    const hangs = one.face.seen === 'room-side' || one.face.belongsTo.length > 0;
    if (!rect || hangs || cells.touches(rect)) bodies.add(one.body);
  }
  return [...faces.keys()].filter((i) => bodies.has(at(faces, i).body));
}

/** Numbers of kept rows, so many a row, then those of the new ones. */
function numbersOf(perRow: number, rows: Int32Array, old: Float64Array, fresh: Float64Array): Float64Array {
  const all = new Float64Array(rows.length * perRow + fresh.length);
  rows.forEach((row, i) => {
    for (let k = 0; k < perRow; k += 1) all[i * perRow + k] = at(old, row * perRow + k);
  });
  all.set(fresh, rows.length * perRow);
  return all;
}

/** Kept rows, then new ones, under the numbers of the scene as it is now; silhouettes of rounds that were kept come along. */
function joined<T extends { readonly faces: readonly Id[] }>(
  count: number,
  before: {
    readonly count: number;
    readonly kept: ReadonlyMap<number, number>;
    readonly silhouettes: readonly T[];
    readonly rows: Int32Array;
  },
  again: {
    readonly count: number;
    readonly place: readonly number[];
    readonly silhouettes: readonly T[];
    readonly rows: Int32Array;
  },
  keptRounds: ReadonlySet<Id>,
): { readonly line: Int32Array; readonly old: Int32Array; readonly silhouettes: readonly T[] } {
  const silhouettes = [...again.silhouettes];
  // The number that a line of before has now; −1 for one that is looked at anew or gone.
  const now = new Int32Array(before.count + before.silhouettes.length).fill(-1);
  for (const [old, next] of before.kept) now[old] = next;
  before.silhouettes.forEach((one, i) => {
    if (!one.faces.some((id) => keptRounds.has(id))) return;
    now[before.count + i] = count + silhouettes.length;
    silhouettes.push(one);
  });
  const old = new Int32Array(before.rows.length);
  let kept = 0;
  before.rows.forEach((line, row) => {
    if (at(now, line) < 0) return;
    old[kept] = row;
    kept += 1;
  });
  const line = new Int32Array(kept + again.rows.length);
  for (let i = 0; i < kept; i += 1) line[i] = at(now, at(before.rows, at(old, i)));
  again.rows.forEach((one, i) => {
    line[kept + i] = one < again.count ? at(again.place, one) : count + (one - again.count);
  });
  return { line, old: old.subarray(0, kept), silhouettes };
}
