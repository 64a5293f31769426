import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { at } from '@/core/base';
import { changeView, viewOf, type GuessedInterval, type Project, type View } from '@/core/record';
import { boxView, runs, smallRoom } from '@/testing';
import {
  guessesAgree,
  intervalEnd,
  intervalSign,
  onWallLine,
  readGuess,
  resolveSetUp,
  standAt,
  wallLine,
} from './index';
import { picturePoint } from '@/core/space';

function standing(project: Project) {
  const view = at(project.views, 0);
  const setUp = resolveSetUp(project, view);
  if (!setUp.ok) throw new Error(setUp.error.message);
  return { project, view, setUp: setUp.value };
}
const square = (change: Partial<View> = {}) => standing(smallRoom([], boxView(change)));
const cornered = (turnDeg: number, pictureDistance = 3600) => {
  const view = boxView({ picturePlane: { through: 'corner', cornerId: 'se' } });
  const project = smallRoom([], view);
  return standing(changeView(project, view.id, standAt(project, view, { turnDeg, pictureDistance })));
};
type Given = ReturnType<typeof standing>;
const lineOn = ({ project, view, setUp }: Given, wallId: string) => {
  const line = wallLine(project, view, setUp, wallId);
  if (!line.ok) throw new Error(line.error.message);
  return line.value;
};
const guessOn = (given: Given, wallId: string, mm: number, at: { u: number; v: number }): GuessedInterval => ({
  wallId,
  interval: { mm, asTyped: `${mm}` },
  at,
});
const read = (given: Given, guess: GuessedInterval) => {
  const reading = readGuess(given.project, given.view, given.setUp, guess);
  if (!reading.ok) throw new Error(reading.error.message);
  return reading.value;
};
/** Where the interval truly ends, taken as the guess. */
const trueGuess = (given: Given, wallId: string, mm: number): GuessedInterval => {
  const line = lineOn(given, wallId);
  const end = intervalEnd(given.project, given.view, given.setUp, line, mm * intervalSign(line));
  if (!end) throw new Error('in front of the eye');
  return guessOn(given, wallId, mm, end);
};

describe('an interval guessed by eye', () => {
  it('a true interval stands for the station one has: distance, turn, eye height, on every wall that recedes (seed 11)', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(0, 15, 30, 45, 61.5, 75),
        fc.integer({ min: 1500, max: 8000 }),
        fc.integer({ min: 300, max: 2500 }),
        (turnDeg, distance, mm) => {
          const given = turnDeg === 0 ? square({ station: { x: 1700, y: -distance } }) : cornered(turnDeg, distance);
          for (const wallId of turnDeg === 0 ? ['west', 'east'] : ['south', 'east']) {
            const reading = read(given, trueGuess(given, wallId, mm));
            expect(reading.pictureDistance / given.setUp.pictureDistance).toBeCloseTo(1, 9);
            expect(reading.eyeHeight).toBeCloseTo(1600, 6);
            expect(reading.missMm).toBeLessThan(1e-9);
            expect(reading.trueLength).toBeCloseTo(mm, 6);
            expect(reading.turnDeg).toBeCloseTo(turnDeg, 7);
          }
        },
      ),
      { numRuns: runs(), seed: 11 },
    );
  });
  it('in one-point: standing where a guess stands for makes the mark true', () => {
    const given = square();
    const line = lineOn(given, 'west');
    const at = onWallLine(line, picturePoint(-60, -45));
    const reading = read(given, guessOn(given, 'west', 1000, at));
    expect(reading.pictureDistance).not.toBeCloseTo(given.setUp.pictureDistance, 0);
    const there = standing(
      changeView(
        given.project,
        given.view.id,
        standAt(given.project, given.view, { pictureDistance: reading.pictureDistance }),
      ),
    );
    const end = intervalEnd(there.project, there.view, there.setUp, lineOn(there, 'west'), 1000);
    expect(end?.u).toBeCloseTo(at.u, 9);
    expect(end?.v).toBeCloseTo(at.v, 9);
  });
  it('in two-point: standing at its turn and distance, with the vanishing points on the paper, makes the mark true', () => {
    const given = cornered(30);
    for (const wallId of ['south', 'east']) {
      const line = lineOn(given, wallId);
      const halfway = onWallLine(
        line,
        picturePoint(line.trace.u + (line.vanishing.u - line.trace.u) * 0.28, line.trace.v * 0.72),
      );
      const reading = read(given, guessOn(given, wallId, 1200, halfway));
      const there = standing(
        changeView(
          given.project,
          given.view.id,
          standAt(given.project, given.view, { turnDeg: reading.turnDeg, pictureDistance: reading.pictureDistance }),
        ),
      );
      const now = lineOn(there, wallId);
      const end = intervalEnd(there.project, there.view, there.setUp, now, 1200);
      const share = (l: typeof now, p: { u: number } | null) =>
        ((p?.u ?? NaN) - l.trace.u) / (l.vanishing.u - l.trace.u);
      expect(share(now, end)).toBeCloseTo(share(line, halfway), 9);
      // The two vanishing points are as far apart as they were.
      const spread = (k: number, turn: number): number => (2 * k) / Math.sin((2 * turn * Math.PI) / 180);
      expect(spread(reading.pictureDistance / 20, reading.turnDeg)).toBeCloseTo(
        spread(given.setUp.viewingDistance, 30),
        6,
      );
    }
  });
  it('two walls agree when they stand for one station, and are told apart past three percent', () => {
    const given = square();
    const [west, east] = ['west', 'east'].map((wall) => read(given, trueGuess(given, wall, 1000)));
    if (!west || !east) throw new Error('both');
    expect(guessesAgree(west, east)).toMatchObject({ agree: true });
    expect(guessesAgree(west, { ...east, pictureDistance: west.pictureDistance * 1.029 }).agree).toBe(true);
    expect(guessesAgree({ ...west, pictureDistance: west.pictureDistance * 1.031 }, east)).toMatchObject({
      agree: false,
    });
    expect(guessesAgree({ ...west, pictureDistance: 2000 }, { ...east, pictureDistance: 2500 }).apartShare).toBeCloseTo(
      0.25,
      9,
    );
  });
  it('a mark too low stands for a higher eye, with the same depth', () => {
    const given = square();
    const guess = trueGuess(given, 'west', 1000);
    const low = read(given, { ...guess, at: { u: guess.at.u, v: guess.at.v * 1.1 } });
    expect(low.eyeHeight).toBeCloseTo(1760, 6);
    expect(low.pictureDistance).toBeCloseTo(given.setUp.pictureDistance, 6);
  });
  it('with the back wall measured the interval comes forward, and is read all the same', () => {
    const given = square({ picturePlane: { through: 'wall', wallId: 'north' } });
    expect(intervalSign(lineOn(given, 'east'))).toBe(-1);
    const reading = read(given, trueGuess(given, 'east', 800));
    expect(reading.pictureDistance).toBeCloseTo(5500, 6);
    expect(reading.trueLength).toBeCloseTo(800, 6);
  });
  it('refuses with a reason: a wall that does not recede, one that is not there, a mark beyond the vanishing point, no station at all', () => {
    const given = square();
    const refused = (on: Given, guess: GuessedInterval) => {
      const reading = readGuess(on.project, on.view, on.setUp, guess);
      return reading.ok ? 'read' : reading.error;
    };
    expect(refused(given, guessOn(given, 'north', 500, { u: 0, v: -20 }))).toMatchObject({ reason: 'does-not-recede' });
    expect(refused(given, guessOn(given, 'nowhere', 500, { u: 0, v: -20 }))).toMatchObject({ reason: 'no-such-wall' });
    expect(refused(given, guessOn(given, 'west', 500, { u: 5, v: 4 }))).toMatchObject({ reason: 'not-between' });
    expect(refused(given, guessOn(given, 'west', 500, { u: -110, v: -90 }))).toMatchObject({ reason: 'not-between' });
    const turned = cornered(30);
    const line = lineOn(turned, 'east');
    const near = { u: line.trace.u + (line.vanishing.u - line.trace.u) * 0.01, v: line.trace.v * 0.99 };
    expect(refused(turned, guessOn(turned, 'east', 2500, near))).toMatchObject({ reason: 'no-station' });
    expect(viewOf(turned.project, turned.view.id).guesses).toEqual([]);
  });
});
