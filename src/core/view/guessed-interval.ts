import { err, ok, type Result } from '@/core/base';
import { dot2 } from '@/core/geometry';
import { tolerance } from '@/core/numeric';
import { levelOf, mmOf, wallRunOf, type GuessedInterval, type Project, type View, type WallRun } from '@/core/record';
import { picturePoint, planPoint, worldFromPlan, type PicturePoint, type PlanPoint } from '@/core/space';
import { degreesFromRadians, type Degrees, type Millimetres, type PaperMillimetres } from '@/core/units';
import { projectPoint } from './project-point';
import { eyeFromWorld, type SetUp } from './set-up';
import { vanishingPoint } from './vanishing-point';

/** The floor line of a wall as it is drawn: from where it meets the picture plane toward its vanishing point. */
export interface WallLine {
  readonly wallId: string;
  /** Its trace: there it is at scale. */
  readonly trace: PicturePoint;
  readonly tracePlan: PlanPoint;
  readonly vanishing: PicturePoint;
  /** Unit direction in plan, away from the viewer. */
  readonly along: { readonly x: number; readonly y: number };
  /** Cosine of the angle between wall and line of sight. */
  readonly cosine: number;
  /** How far along the wall, from the trace, it stands for real: negative in front of the picture plane. */
  readonly extent: readonly [Millimetres, Millimetres];
}

/** What a guess stands for. */
export interface GuessReading {
  readonly wallId: string;
  /** Station point to picture plane that the guess asks for, mm. */
  readonly pictureDistance: Millimetres;
  /** The turn that goes with it while both vanishing points stay on the paper; the view's own in one-point. */
  readonly turnDeg: Degrees;
  readonly eyeHeight: Millimetres;
  /** Where the interval ends in this view, and how far off the mark is. */
  readonly trueAt: PicturePoint;
  readonly missMm: PaperMillimetres;
  /** The real length the mark stands for in this view: what the guess should have been called. */
  readonly trueLength: Millimetres;
}

export interface GuessError {
  readonly reason: 'no-such-wall' | 'does-not-recede' | 'not-between' | 'no-station';
  readonly message: string;
}

const name = (run: WallRun): string => run.wall.name;

/** A wall's floor line, or why no interval can be guessed on it. */
export function wallLine(project: Project, view: View, setUp: SetUp, wallId: string): Result<WallLine, GuessError> {
  const run = wallRunOf(project, wallId);
  if (!run) return err({ reason: 'no-such-wall', message: 'That wall is not in this project.' });
  const forward = dot2(run.run, setUp.forward);
  if (Math.abs(forward) < tolerance.directionRad)
    return err({
      reason: 'does-not-recede',
      message: `${name(run)} is parallel to the picture plane: nothing on it recedes, its lengths are measured with the ruler.`,
    });
  const sign = forward > 0 ? 1 : -1;
  const along = { x: run.run.x * sign, y: run.run.y * sign };
  const floor = mmOf(levelOf(project, view.levelId).elevation);
  const start = eyeFromWorld(setUp, worldFromPlan(run.start, floor));
  // Along the wall by s: depth = start.depth + s·forward. At the picture plane depth = d.
  const toTrace = (setUp.pictureDistance - start.depth) / forward;
  const tracePlan = planPoint(run.start.x + run.run.x * toTrace, run.start.y + run.run.y * toTrace);
  const trace = projectPoint(setUp, worldFromPlan(tracePlan, floor));
  const vanishing = vanishingPoint(setUp, { x: along.x, y: along.y, z: 0 });
  if (!trace || vanishing.kind !== 'point')
    return err({ reason: 'does-not-recede', message: `${name(run)} does not recede from here.` });
  const ends = [-toTrace * sign, (run.lengthMm - toTrace) * sign];
  return ok({
    wallId,
    trace,
    tracePlan,
    vanishing: vanishing.at,
    along,
    cosine: Math.abs(forward),
    extent: [Math.min(...ends), Math.max(...ends)],
  });
}

/** Where an interval measured from the trace ends in this view. */
export function intervalEnd(
  project: Project,
  view: View,
  setUp: SetUp,
  line: WallLine,
  mm: Millimetres,
): PicturePoint | null {
  const floor = mmOf(levelOf(project, view.levelId).elevation);
  return projectPoint(
    setUp,
    worldFromPlan(planPoint(line.tracePlan.x + line.along.x * mm, line.tracePlan.y + line.along.y * mm), floor),
  );
}

/** Whether an interval on this wall runs back from the picture plane, or forward from it where the room lies before it. */
export const intervalSign = ({ extent }: WallLine): 1 | -1 => (extent[1] > -extent[0] ? 1 : -1);

/**
 * What station a guessed interval stands for. On the paper the mark lies f of the way from trace T to vanishing point V; a point L along the
 * wall lies at depth t = d + L·cos φ and f = 1 − d/t, so d = L·cos φ·(1 − f)/f.
 *
 * In one-point cos φ = 1. In two-point both vanishing points have their place on the paper, W apart, and only the turn is free: with
 * k = W·sin φ·cos φ the right-going wall gives sin φ = L·g/(N·W), the left-going one cos φ = L·g/(N·W), where g = (1 − f)/f.
 * The eye height comes from how high the mark lies: v = −(e/N)·(1 − f) there.
 */
export function readGuess(
  project: Project,
  view: View,
  setUp: SetUp,
  guess: GuessedInterval,
): Result<GuessReading, GuessError> {
  const made = wallLine(project, view, setUp, guess.wallId);
  if (!made.ok) return made;
  const line = made.value;
  const run = line.vanishing.u - line.trace.u;
  const rise = line.vanishing.v - line.trace.v;
  // Read across where the line runs across, else by its height: a floor line straight ahead is upright on the paper.
  const across = Math.abs(run) >= Math.abs(rise) * 0.2;
  const f = across ? (guess.at.u - line.trace.u) / run : (guess.at.v - line.trace.v) / rise;
  const sign = intervalSign(line);
  if (!(f * sign > 1e-6) || f >= 1 - 1e-6)
    return err({
      reason: 'not-between',
      message:
        sign > 0
          ? 'The mark must lie between the picture plane and the vanishing point.'
          : 'The mark must lie in front of the picture plane, on the far side of it from the vanishing point.',
    });
  const g = (1 - f) / f;
  const length = guess.interval.mm * sign;
  const N = setUp.scaleDenominator;
  let turnDeg = 0;
  let pictureDistance: number;
  if (line.cosine > 1 - tolerance.noiseCosine) pictureDistance = length * g;
  else {
    const phi = Math.acos(line.cosine);
    const spread = setUp.viewingDistance / (Math.sin(phi) * Math.cos(phi));
    const sine = (length * g) / (N * spread);
    if (!(sine > 0 && sine < 1))
      return err({
        reason: 'no-station',
        message:
          'No station point has these two vanishing points and this interval. Mark it nearer to the picture plane, or call it shorter.',
      });
    const turn = Math.asin(sine);
    // For a left-going wall the angle from the line of sight is 90° − φ; told as the turn of the right-going lines in both cases.
    turnDeg = line.vanishing.u > 0 ? degreesFromRadians(turn) : 90 - degreesFromRadians(turn);
    pictureDistance = N * spread * Math.sin(turn) * Math.cos(turn);
  }
  const trueAt = intervalEnd(project, view, setUp, line, length);
  if (!trueAt) return err({ reason: 'no-station', message: 'The interval would end behind your eye.' });
  return ok({
    wallId: guess.wallId,
    pictureDistance,
    turnDeg,
    eyeHeight: (-guess.at.v * N) / (1 - f),
    trueAt,
    missMm: Math.hypot(guess.at.u - trueAt.u, guess.at.v - trueAt.v),
    trueLength: (setUp.pictureDistance * f) / ((1 - f) * line.cosine) / sign,
  });
}

/** Guesses on two walls agree when their station distances differ by less than this share. */
const AGREE_SHARE = 0.03;

export interface GuessVerdict {
  readonly agree: boolean;
  /** The larger of the two station distances over the smaller, less one. */
  readonly apartShare: number;
}

/** Whether two walls' guesses stand for one station: the eye sees a difference of some percent in depth, not less. */
export function guessesAgree(first: GuessReading, second: GuessReading): GuessVerdict {
  const [low, high] = [first.pictureDistance, second.pictureDistance].sort((a, b) => a - b) as [number, number];
  const apartShare = high / low - 1;
  return { agree: apartShare <= AGREE_SHARE, apartShare };
}

/** The point of the guessed interval put on its wall's line, as far along as the mark is: marks are kept on the line they divide. */
export function onWallLine(line: WallLine, at: PicturePoint): PicturePoint {
  const du = line.vanishing.u - line.trace.u;
  const dv = line.vanishing.v - line.trace.v;
  const along = ((at.u - line.trace.u) * du + (at.v - line.trace.v) * dv) / (du * du + dv * dv);
  return picturePoint(line.trace.u + du * along, line.trace.v + dv * along);
}
