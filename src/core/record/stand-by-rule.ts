import { invariant } from '@/core/base';
import { DRAWING_SCALES, radiansFromDegrees, type UnitSystem } from '@/core/units';
import { outlineOf } from './outline';
import { footprintOf } from './place';
import type { Id } from './size';
import type { Project, Space, View } from './project';
import { mmOf } from './size';

/** The near side of the room fills the cone of vision to here, degrees off the line of sight: a little within its 30°. */
const FILLS_DEG = 27;
/** One stands at whole steps, mm and quarter feet, and never nearer to the room than the second. */
const STEPS: Readonly<Record<UnitSystem, readonly [step: number, least: number]>> = {
  metric: [50, 1500],
  imperial: [76.2, 1524],
};
/** Blank round the near side of the room within the frame, paper mm. */
const AROUND_MM = 8;

/** All that the rule decides; eye height, sheet and board are the person's. */
export type StandByRule = Pick<
  View,
  | 'levelId'
  | 'station'
  | 'lineOfSightBearingDeg'
  | 'picturePlane'
  | 'scaleDenominator'
  | 'frame'
  | 'centreOfVisionOnSheet'
  | 'standsBy'
>;

/** What one stands before by rule: how far it reaches west and east, its nearest side to the south, and how high it is above its floor, mm. */
interface Before {
  readonly levelId: Id;
  readonly west: number;
  readonly east: number;
  readonly south: number;
  /** How far the frame reaches to both sides of its middle, mm of the real thing. */
  readonly half: number;
  /** How far it may come nearer than its near side as it is turned, mm: so much larger it is then. */
  readonly nearer: number;
  readonly high: number;
}

/**
 * What a view by rule stands before: the first room of its level; or, where the walls are left out, the pieces that stand there, as long as there are any.
 * Undefined where there is no room.
 */
function beforeOf(
  { spaces, pieces }: Pick<Project, 'spaces' | 'pieces'>,
  view: Pick<View, 'levelId' | 'walls'>,
): Before | undefined {
  const room = roomOfRule(spaces, view);
  if (!room) return undefined;
  const standing = pieces.flatMap((piece) => {
    const footprint = footprintOf({ spaces }, piece);
    return view.walls === 'left-out' && piece.levelId === room.levelId && footprint.ok
      ? [{ corners: Object.values(footprint.value.corners), high: mmOf(piece.lift) + mmOf(piece.height) }]
      : [];
  });
  const corners =
    standing.length > 0 ? standing.flatMap((one) => one.corners) : outlineOf(room).corners.map((corner) => corner.at);
  const [west, east] = [Math.min(...corners.map((p) => p.x)), Math.max(...corners.map((p) => p.x))];
  const [south, north] = [Math.min(...corners.map((p) => p.y)), Math.max(...corners.map((p) => p.y))];
  return {
    ...{ levelId: room.levelId, west, east, south },
    // What stands alone is turned as one likes it, about the middle of its near side: all of it stays in the frame.
    nearer: standing.length > 0 ? (east - west) / 2 : 0,
    half: standing.length > 0 ? Math.hypot((east - west) / 2, north - south) : (east - west) / 2,
    high: standing.length > 0 ? Math.max(...standing.map((one) => one.high)) : mmOf(room.ceilingHeight),
  };
}

/** Where one stands by rule in a record; undefined where there is nothing to stand before. */
export function standByRuleIn(
  project: Pick<Project, 'spaces' | 'pieces' | 'units'>,
  view: Pick<View, 'eyeHeight' | 'sheet' | 'margins' | 'levelId' | 'walls'>,
): StandByRule | undefined {
  const before = beforeOf(project, view);
  return before && standBefore(before, view, project.units);
}

/** The same before a room whose walls are drawn. */
export function standByRule(
  space: Space,
  view: Pick<View, 'eyeHeight' | 'sheet' | 'margins'>,
  units: UnitSystem,
): StandByRule {
  const given = { ...view, levelId: space.levelId, walls: 'drawn' } as const;
  const stands = standByRuleIn({ spaces: [space], pieces: [], units }, given);
  invariant(stands, 'there is a room to stand before');
  return stands;
}

/**
 * Where one stands by rule, before anybody has chosen a place: square before the middle of it, south of it and looking north, the picture plane in its nearest
 * point, so far off that the whole near side lies within the cone of vision; the scale the largest usual one at which that side has room on the sheet.
 */
function standBefore(
  { levelId, west, east, south: near, half, nearer, high }: Before,
  { eyeHeight, sheet, margins }: Pick<View, 'eyeHeight' | 'sheet' | 'margins'>,
  units: UnitSystem,
): StandByRule {
  const [x0, x1] = [west, east];
  const [below, above] = [eyeHeight.mm, Math.max(0, high - eyeHeight.mm)];
  const [step, least] = STEPS[units];
  const off = nearer + Math.hypot(half, Math.max(below, above)) / Math.tan(radiansFromDegrees(FILLS_DEG));
  const away = Math.max(least, Math.ceil(off / step) * step);
  const grown = away / (away - nearer);
  const [reach, under, over] = [half * grown, below * grown, above * grown];
  const [across, up] = [
    sheet.width - margins.left - margins.right - 2 * AROUND_MM,
    sheet.height - margins.bottom - margins.top - 2 * AROUND_MM,
  ];
  const scales = DRAWING_SCALES[units];
  const fits = (scale: number): boolean => (2 * reach) / scale <= across && (under + over) / scale <= up;
  const scale = scales.find(fits) ?? scales.at(-1) ?? 1;
  const side = reach / scale + AROUND_MM;
  const frame = { left: -side, right: side, bottom: -under / scale - AROUND_MM, top: over / scale + AROUND_MM };
  return {
    levelId,
    station: { x: (x0 + x1) / 2, y: near - away },
    lineOfSightBearingDeg: 0,
    picturePlane: { through: 'point', x: (x0 + x1) / 2, y: near },
    scaleDenominator: scale,
    frame,
    centreOfVisionOnSheet: {
      x: margins.left + (sheet.width - margins.left - margins.right) / 2,
      y: margins.bottom + (sheet.height - margins.bottom - margins.top) / 2 - (frame.bottom + frame.top) / 2,
    },
    standsBy: 'rule',
  };
}

/** The room a view by rule stands before: the first of its level. */
export const roomOfRule = (spaces: readonly Space[], view: Pick<View, 'levelId'>): Space | undefined =>
  spaces.find((space) => space.levelId === view.levelId) ?? spaces[0];

/** Views that stand by rule go with their room as it is measured anew, or without walls with what stands there; all others stay where they were put. */
export function followRooms(before: Project, after: Project): Project {
  if (before.spaces === after.spaces && before.views === after.views && before.pieces === after.pieces) return after;
  const views = after.views.map((view) => {
    if (view.standsBy !== 'rule') return view;
    const was = before.views.find((one) => one.id === view.id);
    const same =
      was !== undefined &&
      roomOfRule(before.spaces, was) === roomOfRule(after.spaces, view) &&
      (view.walls === 'drawn' || before.pieces === after.pieces) &&
      was.standsBy === 'rule' &&
      (['eyeHeight', 'sheet', 'margins', 'levelId', 'walls'] as const).every((field) => was[field] === view[field]);
    const stands = same ? undefined : standByRuleIn(after, view);
    return stands ? { ...view, ...stands } : view;
  });
  return views.every((view, i) => view === after.views[i]) ? after : { ...after, views };
}
