import { DRAWING_SCALES, radiansFromDegrees, type UnitSystem } from '@/core/units';
import { outlineOf } from './outline';
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

/**
 * Where one stands by rule, before anybody has chosen a place: square before the middle of the room, south of it and looking north, the picture plane in its nearest
 * point, so far off that the whole near side lies within the cone of vision; the scale the largest usual one at which that side has room on the sheet.
 */
export function standByRule(
  space: Space,
  { eyeHeight, sheet, margins }: Pick<View, 'eyeHeight' | 'sheet' | 'margins'>,
  units: UnitSystem,
): StandByRule {
  const corners = outlineOf(space).corners.map((corner) => corner.at);
  const [x0, x1] = [Math.min(...corners.map((p) => p.x)), Math.max(...corners.map((p) => p.x))];
  const near = Math.min(...corners.map((p) => p.y));
  const [wide, below, above] = [x1 - x0, eyeHeight.mm, Math.max(0, mmOf(space.ceilingHeight) - eyeHeight.mm)];
  const [step, least] = STEPS[units];
  const off = Math.hypot(wide / 2, Math.max(below, above)) / Math.tan(radiansFromDegrees(FILLS_DEG));
  const away = Math.max(least, Math.ceil(off / step) * step);
  const [across, up] = [
    sheet.width - margins.left - margins.right - 2 * AROUND_MM,
    sheet.height - margins.bottom - margins.top - 2 * AROUND_MM,
  ];
  const scales = DRAWING_SCALES[units];
  const fits = (scale: number): boolean => wide / scale <= across && (below + above) / scale <= up;
  const scale = scales.find(fits) ?? scales.at(-1) ?? 1;
  const half = wide / 2 / scale + AROUND_MM;
  const frame = { left: -half, right: half, bottom: -below / scale - AROUND_MM, top: above / scale + AROUND_MM };
  return {
    levelId: space.levelId,
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

/** Views that stand by rule go with their room as it is measured anew; all others stay where they were put. */
export function followRooms(before: Project, after: Project): Project {
  if (before.spaces === after.spaces && before.views === after.views) return after;
  const views = after.views.map((view) => {
    if (view.standsBy !== 'rule') return view;
    const room = roomOfRule(after.spaces, view);
    const was = before.views.find((one) => one.id === view.id);
    const same =
      was !== undefined &&
      roomOfRule(before.spaces, was) === room &&
      was.standsBy === 'rule' &&
      (['eyeHeight', 'sheet', 'margins', 'levelId'] as const).every((field) => was[field] === view[field]);
    return room && !same ? { ...view, ...standByRule(room, view, after.units) } : view;
  });
  return views.every((view, i) => view === after.views[i]) ? after : { ...after, views };
}
