import { at, seededRandom } from '@/core/base';
import { conicChain } from '@/core/geometry';
import { lengthStyleOf, type Id, type Project, type View } from '@/core/record';
import { formatLength } from '@/core/units';
import {
  angleOffSight,
  outOfReach,
  resolveSetUp,
  roomBearing,
  standOf,
  turnOfPair,
  type SetUp,
  type ViewChange,
  type ViewWarning,
} from '@/core/view';
import {
  conicOfRow,
  curveOfRow,
  drain,
  edgeOfRow,
  sceneFrom,
  visibleLinesExact,
  type PreparedScene,
  type VisibleLines,
} from '@/core/visibility';
import type { Scene } from '../perspective';
import { seenPath } from '../thumbnail';
import { standWarnings } from '../stand-warnings';
import { candidateAt, type HeldTo, type Target } from './candidates';
import { coarseScene, coarseScore, withHiding } from './coarse-score';
import { SampledHiding } from './sampled-hiding';

export interface FindStations {
  readonly viewId: Id;
  /** Pieces and openings that must be seen. */
  readonly marked: readonly Id[];
  readonly seed: number;
  /** Square on, or turned, where that is wanted. */
  readonly heldTo?: HeldTo;
  /** Places tried roughly. */
  readonly candidates?: number;
}

/** A standing place that was found, with exact figures. */
export interface FoundStation {
  readonly change: ViewChange;
  readonly score: number;
  /** Of each marked thing, how much of what could be seen of it from there is seen, 0 to 1. */
  readonly shown: readonly { readonly id: Id; readonly name: string; readonly share: number }[];
  /** The marked corner farthest from the line of sight, degrees. */
  readonly offSightDeg: number;
  readonly turnDeg: number;
  readonly outOfReach: readonly string[];
  readonly warnings: readonly ViewWarning[];
  /** What speaks for it and against it, in sentences. */
  readonly reasons: readonly string[];
  /** The picture, small: an SVG path in frame mm, y down from the frame's upper left corner. */
  readonly path: string;
}

export interface FoundStations {
  /** The best that differ, best first; at most six. */
  readonly found: readonly FoundStation[];
  readonly tried: number;
  readonly exact: number;
  /** Where one stands now, by the same measure; null where nothing can be seen from there, or nothing marked has a body. */
  readonly now: number | null;
}

const CANDIDATES = 5000;
const FINALISTS = 40;
const BEST = 6;
/** Candidates between two signs of progress. */
const STEP = 16;

/** Two places are one when they lie nearer than this and look the same way. */
const differ = (a: ViewChange, b: ViewChange, mm: number, degrees: number): boolean => {
  const apart = Math.hypot((a.station?.x ?? 0) - (b.station?.x ?? 0), (a.station?.y ?? 0) - (b.station?.y ?? 0));
  const turned = Math.abs(
    (((((a.lineOfSightBearingDeg ?? 0) - (b.lineOfSightBearingDeg ?? 0)) % 360) + 540) % 360) - 180,
  );
  return apart > mm || turned > degrees || Math.abs((a.eyeHeight?.mm ?? 0) - (b.eyeHeight?.mm ?? 0)) > mm * 0.7;
};

/**
 * Looks for standing places from which what is marked is seen: thousands are tried roughly (frame, cone, reach, coincidences, sampled hiding), the best
 * forty that differ drawn exactly, and of these the best six that differ clearly come back with their figures. The same seed finds the same.
 * Yields progress, 0 to 1. Where nothing marked has a body the list is empty.
 */
export function* findStations(project: Project, scene: Scene, asked: FindStations): Generator<number, FoundStations> {
  const view = project.views.find((one) => one.id === asked.viewId) ?? at(project.views, 0);
  const marked = new Set(asked.marked);
  const bodies = scene.bodies.filter((body) => marked.has(body.id));
  const hiding = new SampledHiding(scene.prepared, scene.bodies, marked);
  if (bodies.length === 0 || hiding.points.length === 0) return { found: [], tried: 0, exact: 0, now: null };
  const style = lengthStyleOf(project);
  const print = (mm: number): string => formatLength(mm, style);
  const target = targetOf(hiding.points.map((one) => one.at));
  const coarse = coarseScene(project, scene.bodies, marked, hiding);
  const random = seededRandom(asked.seed);
  const total = asked.candidates ?? CANDIDATES;
  const open: { change: ViewChange; setUp: SetUp; score: number; index: number }[] = [];
  for (let i = 0; i < total; i += 1) {
    if (i % STEP === STEP - 1) yield (0.25 * i) / total;
    const { change } = candidateAt(project, view, target, random, print, asked.heldTo);
    const placed = placedBy(project, view, change, target);
    if (!placed) continue;
    const score = coarseScore(coarse, { ...view, ...placed.change }, placed.setUp);
    if (score !== null) open.push({ ...placed, score, index: i });
  }
  const best = (a: { score: number; index: number }, b: { score: number; index: number }): number =>
    b.score - a.score || a.index - b.index;
  open.sort(best);
  const rough: { change: ViewChange; score: number; index: number }[] = [];
  // Hiding is asked of the better third only: nothing hidden does not make up for lying out of frame, cone and reach.
  const asks = open.slice(0, Math.ceil(total / 3));
  for (const [i, { change, setUp, score, index }] of asks.entries()) {
    if (i % STEP === STEP - 1) yield 0.25 + (0.25 * i) / asks.length;
    rough.push({ change, score: withHiding(coarse, setUp, score), index });
  }
  rough.sort(best);
  const finalists: ViewChange[] = [];
  for (const { change } of rough) {
    if (finalists.length === FINALISTS) break;
    if (finalists.every((one) => differ(one, change, 350, 8))) finalists.push(change);
  }
  const alone = new Map(bodies.map((body) => [body.id, aloneScene(scene, body.id)]));
  const judged: FoundStation[] = [];
  for (const [i, change] of finalists.entries()) {
    yield 0.5 + (0.5 * i) / finalists.length;
    const one = judge(project, { ...view, ...change }, change, scene, alone, asked.marked);
    if (one) judged.push(one);
  }
  judged.sort((a, b) => b.score - a.score);
  const found: FoundStation[] = [];
  // Clearly different ones first; if there are too few, nearer relations of theirs.
  for (const [mm, degrees] of [
    [1200, 35],
    [700, 20],
    [350, 8],
  ] as const)
    for (const one of judged) {
      if (found.length === BEST) break;
      if (!found.includes(one) && found.every((other) => differ(other.change, one.change, mm, degrees)))
        found.push(one);
    }
  found.sort((a, b) => b.score - a.score);
  const now = judge(project, view, {}, scene, alone, asked.marked)?.score ?? null;
  return { found, tried: total, exact: finalists.length, now };
}

function targetOf(points: readonly { readonly x: number; readonly y: number }[]): Target {
  const [x0, x1] = [Math.min(...points.map((p) => p.x)), Math.max(...points.map((p) => p.x))];
  const [y0, y1] = [Math.min(...points.map((p) => p.y)), Math.max(...points.map((p) => p.y))];
  return { middle: { x: (x0 + x1) / 2, y: (y0 + y1) / 2 }, reach: Math.max(500, Math.hypot(x1 - x0, y1 - y0) / 2) };
}

/** The place with its picture plane: the view's own where it lies before the eye, else through the target. */
function placedBy(
  project: Project,
  view: View,
  change: ViewChange,
  { middle }: Target,
): { readonly change: ViewChange; readonly setUp: SetUp } | null {
  const own = resolveSetUp(project, { ...view, ...change });
  if (own.ok && own.value.viewingDistance >= 150) return { change, setUp: own.value };
  const bound: ViewChange = { ...change, picturePlane: { through: 'point', x: middle.x, y: middle.y } };
  const setUp = resolveSetUp(project, { ...view, ...bound });
  return setUp.ok ? { change: bound, setUp: setUp.value } : null;
}

function aloneScene(scene: Scene, bodyId: Id): PreparedScene {
  const body = scene.bodies.find((one) => one.id === bodyId);
  const ready = body && scene.kept.prepared.get(body);
  const alone = sceneFrom(body && ready ? new Map([[body, ready]]) : new Map());
  // What belongs to a wall is there although its wall is not.
  return { ...alone, faces: alone.faces.map((one) => ({ ...one, face: { ...one.face, belongsTo: [] } })) };
}

/** Seen length on paper of each marked body, mm. */
function seenLengths(scene: PreparedScene, setUp: SetUp, lines: VisibleLines): ReadonlyMap<Id, number> {
  const seen = new Map<Id, number>();
  const add = (id: Id, mm: number): void => void seen.set(id, (seen.get(id) ?? 0) + mm);
  lines.seen.forEach((is, row) => {
    if (is !== 1) return;
    const [u0, v0, u1, v1] = [0, 1, 2, 3].map((k) => at(lines.picture, row * 4 + k)) as [
      number,
      number,
      number,
      number,
    ];
    add(edgeOfRow(scene, lines, row).body, Math.hypot(u1 - u0, v1 - v0));
  });
  lines.curves.seen.forEach((is, row) => {
    if (is !== 1) return;
    const chain = conicChain(conicOfRow(scene, setUp, lines, row), 0.1);
    const length = chain
      .slice(1)
      .reduce((sum, q, i) => sum + Math.hypot(q.x - at(chain, i).x, q.y - at(chain, i).y), 0);
    add(curveOfRow(scene, lines, row).body, length);
  });
  return seen;
}

function judge(
  project: Project,
  view: View,
  change: ViewChange,
  scene: Scene,
  alone: ReadonlyMap<Id, PreparedScene>,
  marked: readonly Id[],
): FoundStation | null {
  const stand = standOf(project, view);
  if (!stand.ok) return null;
  const { setUp, setOut } = stand.value;
  const lines = drain(visibleLinesExact(scene.prepared, setUp, view.frame));
  const seen = seenLengths(scene.prepared, setUp, lines);
  // Against all that could be seen of it, in the frame or out: what the frame cuts off counts as not shown.
  const wide = { left: -5000, right: 5000, bottom: -5000, top: 5000 };
  const shown = marked.flatMap((id) => {
    const own = alone.get(id);
    const body = scene.bodies.find((one) => one.id === id);
    if (!own || !body) return [];
    const whole = seenLengths(own, setUp, drain(visibleLinesExact(own, setUp, wide))).get(id) ?? 0;
    return [{ id, name: body.name, share: whole > 0 ? Math.min(1, (seen.get(id) ?? 0) / whole) : 0 }];
  });
  const warnings = standWarnings(project, view, scene, stand.value, lines, lengthStyleOf(project));
  const offSightDeg = Math.max(
    0,
    ...scene.bodies
      .filter((body) => marked.includes(body.id))
      .flatMap((body) => body.vertices.map((vertex) => angleOffSight(setUp, vertex.at))),
  );
  const far = outOfReach(view, setOut).map((one) => one.mark.label);
  const least = Math.min(...shown.map((one) => one.share), 1);
  const mean = shown.reduce((sum, one) => sum + one.share, 0) / Math.max(1, shown.length);
  const about = warnings.filter((one) => one.about !== null && marked.includes(one.about)).length;
  const score =
    40 * mean +
    30 * least +
    15 * Math.min(1, 30 / Math.max(1, offSightDeg)) +
    15 / (1 + far.length) -
    4 * (warnings.length - about) -
    8 * about;
  const turnDeg = turnOfPair(setUp, roomBearing(project, view));
  return {
    change,
    score,
    shown,
    offSightDeg,
    turnDeg,
    outOfReach: far,
    warnings,
    reasons: reasonsFor({ shown, offSightDeg, far, warnings, turnDeg }),
    path: seenPath({ project, view, setUp, scene: scene.prepared, lines }, 0.2),
  };
}

const percent = (share: number): string => `${Math.floor(share * 100 + 1e-6)} %`;

function reasonsFor(found: {
  readonly shown: FoundStation['shown'];
  readonly offSightDeg: number;
  readonly far: readonly string[];
  readonly warnings: readonly ViewWarning[];
  readonly turnDeg: number;
}): readonly string[] {
  const whole = found.shown.filter((one) => one.share > 0.995).map((one) => one.name);
  const partly = found.shown.filter((one) => one.share <= 0.995);
  const list = (names: readonly string[]): string =>
    names.length < 2 ? names.join('') : `${names.slice(0, -1).join(', ')} and ${at(names, names.length - 1)}`;
  return [
    found.turnDeg === 0 ? 'One-point.' : `Two-point, the room turned ${Math.round(found.turnDeg * 10) / 10}°.`,
    ...(whole.length > 0 ? [`Nothing hides ${list(whole)}.`] : []),
    ...partly.map((one) => `${one.name}: ${percent(one.share)} of its lines are seen.`),
    `What is marked reaches ${Math.round(found.offSightDeg)}° from the line of sight${found.offSightDeg > 30 ? ', outside the usual cone' : ''}.`,
    found.far.length === 0 ? 'Every point it needs lies within reach.' : `Out of reach: ${found.far.join(', ')}.`,
    found.warnings.length === 0
      ? 'Nothing falls on one line.'
      : `${found.warnings.length} ${found.warnings.length === 1 ? 'ring' : 'rings'}: ${at(found.warnings, 0).message}`,
  ];
}
