import { at } from '@/core/base';
import { tolerance } from '@/core/numeric';
import type { Millimetres } from '@/core/units';
import { eyeFromWorld, type SetUp } from '@/core/view';
import type { HandPrecision } from './acts';
import { Desk, type Table } from './desk';
import { errorEllipse } from './error-ellipse';
import { worldAt, type AxisFrame, type Place } from './frame';
import type { FramePoints, Measuring } from './frame-points';
import { ReachByMeasure, type Reference } from './reach-by-measure';
import { BEGINNING, edgeOperations, groundOperations, type SheetEdges } from './set-out-operations';

/** What a corner to measure through is chosen by. */
export interface MeasuredFrom {
  readonly measuring: Measuring;
  readonly setUp: SetUp;
  readonly table: Table;
  readonly hand: HandPrecision;
  readonly edges: SheetEdges;
  /** The level plane that is measured on. */
  readonly plane: Millimetres;
}

/** The corner a frame is measured through: the one that tells the lengths in it best; null where none can be had. */
export const measuredCorner = (
  frame: AxisFrame,
  points: FramePoints,
  places: readonly Place[],
  from: MeasuredFrom,
): Reference | null =>
  bestReference(referencesOf(frame, from.setUp, from.plane, places), (one) =>
    errorWith(one, frame, points, places, from),
  );

/** Of corners that tell the lengths nearly as well, the errors of the worst may be so many times those of the best. */
const NEARLY_AS_WELL = 3;

/**
 * The corner nearest to the eye, of those that tell the lengths nearly as well as the best: what is repeated from there grows smaller, and its error with it.
 * Square to the picture plane the best, for all lie on the ground line. Null where none can be had.
 */
export function nearestCorner(
  frame: AxisFrame,
  points: FramePoints,
  places: readonly Place[],
  from: MeasuredFrom,
): Reference | null {
  const told = referencesOf(frame, from.setUp, from.plane, places).flatMap((one) => {
    const error = errorWith(one, frame, points, places, from);
    return error === null ? [] : [{ one, error }];
  });
  const least = Math.min(...told.map(({ error }) => error));
  if (frame.turnDeg === 0) return told.find(({ error }) => error === least)?.one ?? null;
  const good = told.filter(({ error }) => error <= least * NEARLY_AS_WELL);
  return good.sort((a, b) => a.one.x + a.one.y - b.one.x - b.one.y)[0]?.one ?? null;
}

/** Places on the measured lines must lie clearly in front of the eye: at this share of the picture plane's distance. */
export const LEAST_DEPTH = 0.08;

/** Lengths in their order, those that are one only once. */
const apart = (lengths: readonly number[]): readonly number[] =>
  [...lengths].sort((a, b) => a - b).filter((one, i, all) => i === 0 || one - (all[i - 1] ?? 0) >= tolerance.touchMm);

/** So many places of each direction are tried as corners to measure through, and so many measured from each to judge it by. */
const CORNERS = 5;
const TRIED = 7;

/** At most so many of different lengths, the first and the last among them, evenly in their order. */
function spread(lengths: readonly number[], most: number): readonly number[] {
  const values = apart(lengths);
  const places = Array.from({ length: most }, (_, i) => Math.round(((values.length - 1) * i) / (most - 1)));
  return [...new Set(places)].flatMap((place) => values[place] ?? []);
}

/** A plane that passes the eye nearer than this share of the picture plane's distance is seen too nearly as a line. */
const EDGE_ON = 0.02;

/** Corners that a frame might be measured through: the outermost and the middle ones of what stands in it. */
function referencesOf(frame: AxisFrame, setUp: SetUp, z: Millimetres, places: readonly Place[]): readonly Reference[] {
  // Through a plane in which the eye lies nothing is carried: it is seen as one line.
  const few = (of: (place: Place) => number): readonly number[] => {
    const all = places.map(of);
    const beside = all.filter((one) => Math.abs(one) > EDGE_ON * setUp.pictureDistance);
    return spread(beside.length > 0 ? beside : all, CORNERS);
  };
  const xs = few((place) => place.x);
  // Square to the picture plane the x line is the ground line.
  const ys = frame.turnDeg === 0 ? [setUp.pictureDistance] : few((place) => place.y);
  return xs.flatMap((x) => ys.map((y) => ({ x, y, z })));
}

/** Mean expected error of the places on both measured lines; null where one of them cannot be had. */
function errorWith(
  reference: Reference,
  frame: AxisFrame,
  points: FramePoints,
  places: readonly Place[],
  { setUp, table, hand, edges, plane, measuring }: MeasuredFrom,
): number | null {
  const desk = new Desk(table, hand);
  desk.tapeOn(points.strips);
  desk.carryOut(BEGINNING);
  desk.carryOut(groundOperations(setUp, plane));
  desk.carryOut(edgeOperations(edges));
  if (!desk.carryOut(points.operations)) return null;
  const reacher = new ReachByMeasure(desk, setUp, frame, points.vanishing, measuring, reference, edges);
  if (!reacher.begin()) return null;
  const measured = [
    ...spread(
      places.map((place) => place.x),
      TRIED,
    ).map((x): Place => ({ ...reference, x })),
    ...spread(
      places.map((place) => place.y),
      TRIED,
    ).map((y): Place => ({ ...reference, y })),
  ];
  let [sum, missed] = [0, 0];
  for (const place of measured) {
    if (eyeFromWorld(setUp, worldAt(frame, setUp, place)).depth < LEAST_DEPTH * setUp.pictureDistance) {
      missed += 1;
      continue;
    }
    const mark = reacher.measure(place);
    if (mark === null) missed += 1;
    else sum += errorEllipse(desk.errors.covarianceOf(mark)).major;
  }
  return missed === measured.length ? null : (sum + missed * MISSED_MM) / measured.length;
}

/** A place that cannot be measured weighs as much as so large an error, mm. */
const MISSED_MM = 50;

/** The corner a frame is measured through: of those that keep all in front of the eye and on the board the one that tells the lengths best. */
function bestReference(
  candidates: readonly Reference[],
  errorWith: (reference: Reference) => number | null,
): Reference | null {
  const told = candidates.flatMap((reference) => {
    const error = errorWith(reference);
    return error === null ? [] : [{ reference, error }];
  });
  return told.length === 0
    ? null
    : at(
        [...told].sort((a, b) => a.error - b.error),
        0,
      ).reference;
}
