import type { Project, View } from '@/core/record';
import type { Degrees, Millimetres, PaperMillimetres } from '@/core/units';
import { resolveSetUp } from './resolve';
import { turnPlan } from './turn-plan';
import type { ViewChange } from './view-change';

export interface StandingPlace {
  readonly turnDeg?: Degrees;
  /** Station point to picture plane, mm. */
  readonly pictureDistance?: Millimetres;
}

/**
 * The station point brought to a turn of the room and a distance from the picture plane. The picture plane stays where it is in the room:
 * the plan turns about the point it is bound to, and the station steps back or forth along the line of sight.
 */
export function standAt(project: Project, view: View, place: StandingPlace): ViewChange {
  const turned = place.turnDeg === undefined ? {} : turnPlan(project, view, place.turnDeg);
  const now = { ...view, ...turned };
  const setUp = resolveSetUp(project, now);
  if (!setUp.ok || place.pictureDistance === undefined) return turned;
  const back = place.pictureDistance - setUp.value.pictureDistance;
  return {
    ...turned,
    station: {
      x: now.station.x - setUp.value.forward.x * back,
      y: now.station.y - setUp.value.forward.y * back,
    },
    ...(view.picturePlane.through === 'distance'
      ? { picturePlane: { through: 'distance' as const, mm: place.pictureDistance } }
      : {}),
  };
}

/**
 * In one-point, the vanishing point moved sideways on the sheet while the measured plane keeps its place on the paper: the station steps
 * aside by u·N, and the frame, held to the sheet, moves the other way about the new centre of vision.
 */
export function slideCentreOfVision(project: Project, view: View, by: PaperMillimetres): ViewChange {
  const setUp = resolveSetUp(project, view);
  if (!setUp.ok) return {};
  const aside = by * view.scaleDenominator;
  const { right } = setUp.value;
  return {
    station: { x: view.station.x + right.x * aside, y: view.station.y + right.y * aside },
    frame: { ...view.frame, left: view.frame.left - by, right: view.frame.right - by },
    centreOfVisionOnSheet: { ...view.centreOfVisionOnSheet, x: view.centreOfVisionOnSheet.x + by },
    guesses: view.guesses.map((guess) => ({ ...guess, at: { ...guess.at, u: guess.at.u - by } })),
  };
}

/**
 * The horizon moved up or down on the sheet while the ground line stays: the eye rises by v·N, the frame stays on the paper.
 * `print` writes the new eye height as the person would have typed it.
 */
export function raiseHorizon(view: View, by: PaperMillimetres, print: (mm: Millimetres) => string): ViewChange {
  const mm = view.eyeHeight.mm + by * view.scaleDenominator;
  return {
    eyeHeight: { mm, asTyped: print(mm) },
    frame: { ...view.frame, bottom: view.frame.bottom - by, top: view.frame.top - by },
    centreOfVisionOnSheet: { ...view.centreOfVisionOnSheet, y: view.centreOfVisionOnSheet.y + by },
    guesses: view.guesses.map((guess) => ({ ...guess, at: { ...guess.at, v: guess.at.v - by } })),
  };
}
