import { realError, type MarkId, type RealError, type WholeDraft } from '@/core/construction';
import type { Project, View } from '@/core/record';
import type { WorldPoint } from '@/core/space';
import { DRAWING_SCALES, type Millimetres } from '@/core/units';
import { rescaled, seenIn, resolveSetUp, type SetUp } from '@/core/view';
import { visibleLinesExact } from '@/core/visibility';
import { sceneOf, type Scene } from './perspective';
import { draftingRoom, type WholeWays } from './whole-draft';

/** What comes of an error when something is done about it: what it is then, or why there is nothing to tell. */
export type Helped =
  | { readonly is: 'known'; readonly error: RealError }
  /** The mark is not drawn, or its error cannot be told, that way. */
  | { readonly is: 'untold' }
  /** There is no such way. */
  | { readonly is: 'none' };

/** A mark that may be missed by most, and what each remedy would make of it. */
export interface WorstMark {
  readonly mark: MarkId;
  readonly stands: WorldPoint;
  readonly error: RealError;
  readonly route: Helped;
  readonly station: Helped;
  readonly scale: Helped;
}

export interface WorstMarks {
  readonly marks: readonly WorstMark[];
  /** How much farther back one would stand (nearer, below 0), and the scale one would draw at; null where there is none. */
  readonly tried: { readonly back: Millimetres; readonly scaleDenominator: number | null };
}

const MOST = 10;
/** Where accuracy is dear a millimetre of error is worth so many times what it is worth otherwise. */
const DEARER = 12;
/** How far back one tries to stand, as a share of the picture plane's distance. */
const BACK = 0.25;
/** A place within this of another is the same, mm. */
const SAME_MM = 1e-3;

/**
 * The marks that may be missed by most on paper, and what would help: drawn again with accuracy dear, from a station farther back or nearer, whichever tells
 * more, and at the next larger scale. Each is drawn and told anew, none guessed. Yields how much is done, 0 to 1.
 */
export function* worstMarks(whole: Project, view: View, ways: WholeWays = {}): Generator<number, WorstMarks> {
  const project = seenIn(whole, view);
  const scene = sceneOf(project);
  yield 0.05;
  const here = yield* drafted(project, view, scene, ways, 0.05, 0.2);
  if (!here) return { marks: [], tried: { back: 0, scaleDenominator: null } };
  const worst = marksOf(here.whole)
    .flatMap(({ mark, stands }) => {
      const error = errorOf(here, mark, stands);
      return error ? [{ mark, stands, error }] : [];
    })
    .sort((a, b) => b.error.paperMm - a.error.paperMm)
    .slice(0, MOST);
  const dear = yield* drafted(project, view, scene, { ...ways, errorIsDearer: DEARER }, 0.2, 0.4);
  const step = BACK * here.setUp.pictureDistance;
  const stood = [
    { back: step, ...(yield* movedBy(project, view, scene, ways, here.setUp, step, 0.4)) },
    { back: -step, ...(yield* movedBy(project, view, scene, ways, here.setUp, -step, 0.6)) },
  ];
  const total = (one: Drafted | null): number =>
    worst.reduce((sum, { stands, error }) => {
      const now = helped(one, stands);
      return sum + (now.is === 'known' ? now.error.besides : error.besides);
    }, 0);
  const [farther, nearer] = stood;
  const best = farther && nearer && total(nearer.found) < total(farther.found) ? nearer : farther;
  const N = nextLarger(project, view.scaleDenominator);
  const larger = N === null ? null : yield* drafted(project, { ...view, ...rescaled(view, N) }, scene, ways, 0.8, 1);
  return {
    marks: worst.map((one) => ({
      ...one,
      route: helped(dear, one.stands),
      station: helped(best?.found ?? null, one.stands),
      scale: N === null ? { is: 'none' } : helped(larger, one.stands),
    })),
    tried: { back: best?.back ?? 0, scaleDenominator: N },
  };
}

interface Drafted {
  readonly setUp: SetUp;
  readonly whole: WholeDraft;
}

function* drafted(
  project: Project,
  view: View,
  scene: Scene,
  ways: WholeWays,
  from: number,
  to: number,
): Generator<number, Drafted | null> {
  const setUp = resolveSetUp(project, view);
  if (!setUp.ok) return null;
  const looking = visibleLinesExact(scene.prepared, setUp.value, view.frame);
  let seen = looking.next();
  while (!seen.done) {
    yield from;
    seen = looking.next();
  }
  const drafting = draftingRoom(project, view, scene, setUp.value, seen.value, ways);
  for (let step = drafting.next(); ; step = drafting.next()) {
    if (step.done) return { setUp: setUp.value, whole: step.value.whole };
    yield from + (to - from) * step.value;
  }
}

/** The same view from farther back along the line of sight, the picture plane where it is. */
function* movedBy(
  project: Project,
  view: View,
  scene: Scene,
  ways: WholeWays,
  { forward, pictureDistance }: SetUp,
  back: Millimetres,
  from: number,
): Generator<number, { readonly found: Drafted | null }> {
  const { x, y } = view.station;
  const bound = view.picturePlane.through === 'distance';
  const moved: View = {
    ...view,
    station: { x: x - forward.x * back, y: y - forward.y * back },
    ...(bound ? { picturePlane: { through: 'distance', mm: pictureDistance + back } } : {}),
  };
  return { found: yield* drafted(project, moved, scene, ways, from, from + 0.2) };
}

/** Ends of what stays: what one sees of a mark that is missed. */
function marksOf({ edges, curves, desk, stands }: WholeDraft): readonly { mark: MarkId; stands: WorldPoint }[] {
  const through = new Map(desk.operations.flatMap((one) => (one.op === 'curve' ? [[one.curve, one.through]] : [])));
  const marks = new Set([
    ...edges.flatMap(({ from, to }) => [from, to]),
    ...curves.flatMap(({ curve }) => through.get(curve) ?? []),
  ]);
  return [...marks].flatMap((mark) => {
    const place = stands.get(mark);
    return place ? [{ mark, stands: place }] : [];
  });
}

function errorOf({ setUp, whole: { desk } }: Drafted, mark: MarkId, stands: WorldPoint): RealError | null {
  return desk.errors.isFlat(mark) ? null : realError(setUp, stands, desk.errors.covarianceOf(mark));
}

/** The error of the mark that stands for a place, as it is drawn another way. */
function helped(drawn: Drafted | null, place: WorldPoint): Helped {
  if (!drawn) return { is: 'untold' };
  const found = marksOf(drawn.whole).find(
    ({ stands }) => Math.hypot(stands.x - place.x, stands.y - place.y, stands.z - place.z) < SAME_MM,
  );
  const error = found ? errorOf(drawn, found.mark, found.stands) : null;
  return error ? { is: 'known', error } : { is: 'untold' };
}

/** The next scale that draws larger; null at the largest. */
const nextLarger = ({ units }: Project, scaleDenominator: number): number | null =>
  DRAWING_SCALES[units].filter((one) => one < scaleDenominator * 0.999).at(-1) ?? null;
