import type { Id, View } from '@/core/record';
import type { Body, Face } from '@/core/solids';
import { at } from '@/core/base';
import { radiansFromDegrees, formatBareLength, formatLength, formatPaper, type LengthStyle } from '@/core/units';
import { eyeFromWorld, type SetUp } from './set-up';
import { LEAST_ON_PAPER_MM } from './warn-cone';
import { CLEAR_MM, PENCIL_LINE_MM, roundedOut, type ViewWarning } from './view-warning';

/** A face counts as level when its normal is within 0.1° of upright. */
const LEVEL = Math.cos(radiansFromDegrees(0.1));
/** Shallower than this, mm, a face is an edge anyhow: a rail, the top of a frame. */
const LEAST_DEPTH_MM = 60;

const depthsOf = (setUp: SetUp, body: Body, face: Face): readonly number[] =>
  (face.loops[0] ?? []).map((corner) => eyeFromWorld(setUp, at(body.vertices, corner).at).depth);

/** How broad a face comes out on paper, mm; nothing where it reaches behind the eye. */
function broadOnPaper(setUp: SetUp, body: Body, face: Face): number {
  const eyes = (face.loops[0] ?? []).map((corner) => eyeFromWorld(setUp, at(body.vertices, corner).at));
  if (eyes.some(({ depth }) => depth <= 0)) return 0;
  const across = eyes.map(({ lateral, depth }) => (lateral * setUp.viewingDistance) / depth);
  return Math.max(...across) - Math.min(...across);
}

/**
 * A level face whose nearest edge comes within a pencil's line of the horizon: it is seen neither from above nor from below, and shelf, line
 * of sight and horizon fall on one line. Only faces whose names are in `seen`.
 */
export function warnEyeLevel(
  view: View,
  setUp: SetUp,
  bodies: readonly Body[],
  seen: ReadonlySet<Id>,
  style: LengthStyle,
  stairs: ReadonlySet<Id> = new Set(),
): readonly ViewWarning[] {
  const k = setUp.viewingDistance;
  return bodies.flatMap((body): ViewWarning[] => {
    // Of a stair's treads one always lies near the eye: that is how a stair looks.
    if (body.kind !== 'piece' || stairs.has(body.id)) return [];
    let worst: { rise: number; paperMm: number; near: number } | null = null;
    for (const face of body.faces) {
      if (Math.abs(face.normal.z) < LEVEL || !seen.has(face.id)) continue;
      const depths = depthsOf(setUp, body, face);
      const near = Math.min(...depths);
      if (broadOnPaper(setUp, body, face) < LEAST_ON_PAPER_MM) continue;
      if (near <= 0 || Math.max(...depths) - near < LEAST_DEPTH_MM) continue;
      const rise = face.offset / face.normal.z - setUp.eyeZ;
      const paperMm = (k * Math.abs(rise)) / near;
      if (paperMm < PENCIL_LINE_MM && (!worst || paperMm < worst.paperMm)) worst = { rise, paperMm, near };
    }
    if (!worst) return [];
    const clear = (CLEAR_MM * worst.near) / k;
    const by = (up: 1 | -1): number => roundedOut(up * (clear + up * worst.rise), style.units);
    const remedy = (delta: number) => {
      const mm = view.eyeHeight.mm + delta;
      return {
        label: `${delta > 0 ? 'Raise' : 'Lower'} the eye by ${formatLength(Math.abs(delta), style)}`,
        change: { eyeHeight: { mm, asTyped: formatBareLength(mm, style) } },
      };
    };
    return [
      {
        kind: 'eye-level',
        about: body.id,
        message: `A level face of ${body.name} lies at eye level, ${formatPaper(worst.paperMm, style)} from the horizon: one sees neither its top nor its underside. Raise the eye by ${formatLength(by(1), style)} or lower it by ${formatLength(-by(-1), style)}.`,
        remedies: [remedy(by(1)), remedy(by(-1))].filter((one) => one.change.eyeHeight.mm > 0),
      },
    ];
  });
}
