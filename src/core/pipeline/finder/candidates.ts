import { radiansFromDegrees } from '@/core/units';
import { at } from '@/core/base';
import type { Vector2 } from '@/core/geometry';
import type { Project, View } from '@/core/record';
import { roomBearing, type ViewChange } from '@/core/view';

/** A standing place to be tried. */
export interface Candidate {
  readonly change: ViewChange & Pick<View, 'station' | 'eyeHeight' | 'lineOfSightBearingDeg'>;
}

/** How the room is to lie to the picture plane: square on, turned, or either. */
export type HeldTo = 'either' | 'one-point' | 'two-point';

/** A two-point view is turned at least so far out of the square, degrees: less looks like a one-point view gone wrong. */
const LEAST_TURN = 10;

/** Turns of the room that are set with a set-square; zero is one-point. */
const TURNS = [0, 0, 15, 30, 30, 45, 60, 60, 75] as const;
/** Eye heights people draw from, mm: a child's, sitting, standing, on a step. */
const EYES = [1050, 1200, 1500, 1600, 1700, 2100] as const;
/** A place is given to the centimetre, or the half inch: it is to be paced off. */
const STEP = { metric: 10, imperial: 12.7 } as const;

/** Where the marked things are: their middle in plan, and how far they reach from it. */
export interface Target {
  readonly middle: Vector2;
  readonly reach: number;
}

/**
 * Standing places about a target, drawn by a seeded random: every direction, from close by to across the room and beyond, at set-square turns of the
 * room and between them, the line of sight at the target or a little past it. The picture plane stays where the view has it as long as it lies before
 * the eye; else it goes through the target's middle.
 */
export function candidateAt(
  project: Pick<Project, 'spaces' | 'units'>,
  view: View,
  target: Target,
  random: () => number,
  print: (mm: number) => string,
  heldTo: HeldTo = 'either',
): Candidate {
  const room = roomBearing(project, view);
  const quarter = Math.floor(random() * 4) * 90;
  // Half of them at set-square turns, half at any.
  const free = random() < 0.5 ? at(TURNS, Math.floor(random() * TURNS.length)) : Math.round(random() * 90 * 2) / 2;
  const turn = turnHeld(free, heldTo);
  const bearing = (((room - turn + quarter) % 360) + 360) % 360;
  const radians = radiansFromDegrees(bearing);
  const forward = { x: Math.sin(radians), y: Math.cos(radians) };
  const right = { x: forward.y, y: -forward.x };
  const far = target.reach * (1.5 + 3.5 * random()) + 500 + 2500 * random() * random();
  const aside = (random() - 0.5) * far * 0.7;
  const step = STEP[project.units];
  const paced = (mm: number): number => Math.round(mm / step) * step;
  const eye = random() < 0.7 ? at(EYES, Math.floor(random() * EYES.length)) : 900 + 1400 * random();
  const eyeMm = paced(eye);
  return {
    change: {
      station: {
        x: paced(target.middle.x - forward.x * far + right.x * aside),
        y: paced(target.middle.y - forward.y * far + right.y * aside),
      },
      eyeHeight: { mm: eyeMm, asTyped: print(eyeMm) },
      lineOfSightBearingDeg: Math.round(bearing * 1e6) / 1e6,
    },
  };
}

/** A turn of the room as it is held: none, or clearly one. */
function turnHeld(turn: number, heldTo: HeldTo): number {
  if (heldTo === 'either') return turn;
  if (heldTo === 'one-point') return 0;
  return turn === 0 ? 30 : Math.min(90 - LEAST_TURN, Math.max(LEAST_TURN, turn));
}
