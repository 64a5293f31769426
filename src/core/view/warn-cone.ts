import type { Project, View } from '@/core/record';
import type { Body } from '@/core/solids';
import { formatLength, formatPaper, radiansFromDegrees, type LengthStyle } from '@/core/units';
import { sizeOnPaper } from './body-segments';
import { frameOffSight, offSightInFrame } from './cone-parts';
import { eyeFromWorld, type SetUp } from './set-up';
import { standAt } from './stand-at';
import { roundedOut, type ViewWarning } from './view-warning';
import { stretchAt } from './reach-report';

/** Below this the sheet cannot be looked at from its right place: the eye does not focus nearer in comfort. */
export const LEAST_VIEWING_DISTANCE_MM = 150;
/** Half of the usual cone of vision of 60°. */
export const HALF_CONE_DEG = 30;
/** What reaches past the cone by less than this is stretched as little as what lies on it. */
const SPARED_DEG = 1;
/** Less than this up, down or to a side is no direction worth a word. */
const LEAST_WAY_DEG = 5;
/** What comes out smaller than this on paper warns of nothing, mm. */
export const LEAST_ON_PAPER_MM = 1.5;

/** Whole degrees; near the limit itself a tenth, or “30° is outside 30°” would be read. */
const degrees = (value: number): string =>
  `${Math.abs(value - HALF_CONE_DEG) < 0.95 ? value.toFixed(1) : Math.round(value)}°`;

/** The sheet would have to be looked at from nearer than the eye can. */
export function warnViewingDistance(
  project: Project,
  view: View,
  setUp: SetUp,
  style: LengthStyle,
): readonly ViewWarning[] {
  if (setUp.viewingDistance >= LEAST_VIEWING_DISTANCE_MM) return [];
  const distance = roundedOut(LEAST_VIEWING_DISTANCE_MM * setUp.scaleDenominator, style.units);
  return [
    {
      kind: 'viewing-distance',
      about: null,
      message: `The sheet would have to be looked at from ${formatPaper(setUp.viewingDistance, style)}, nearer than the eye can. Stand farther from the picture plane, or draw at a larger scale.`,
      remedies: [
        {
          label: `Stand ${formatLength(distance, style)} before the picture plane`,
          change: standAt(project, view, { pictureDistance: distance }),
        },
      ],
    },
  ];
}

/** Pieces that reach behind the eye, and pieces of which what is drawn reaches out of the 60° cone, sideways or up and down. */
export function warnCone(
  project: Project,
  view: View,
  setUp: SetUp,
  bodies: readonly Body[],
  style: LengthStyle,
): readonly ViewWarning[] {
  return bodies.flatMap((body): ViewWarning[] => {
    if (body.kind !== 'piece') return [];
    const depths = body.vertices.map((vertex) => eyeFromWorld(setUp, vertex.at).depth);
    const off = offSightInFrame(setUp, view, body);
    if (!off) return [];
    if (Math.min(...depths) <= 0) {
      const back = roundedOut(100 - Math.min(...depths), style.units);
      return [
        {
          kind: 'behind-eye',
          about: body.id,
          message: `${body.name} reaches behind your eye. Stand ${formatLength(back, style)} farther back to see all of it.`,
          remedies: [farther(project, view, setUp, back, style)],
        },
      ];
    }
    if (off.offDeg <= HALF_CONE_DEG + SPARED_DEG || sizeOnPaper(setUp, body) < LEAST_ON_PAPER_MM) return [];
    const ways = [
      ...(off.upDownDeg >= LEAST_WAY_DEG ? [off.way] : []),
      ...(off.sidewaysDeg >= LEAST_WAY_DEG ? [`to the ${off.side}`] : []),
    ];
    const back = stepBack(setUp, off.offDeg, body);
    const rounded = roundedOut(back, style.units);
    return [
      {
        kind: 'outside-cone',
        about: body.id,
        message: `${body.name} reaches ${degrees(off.offDeg)} off the line of sight, ${ways.join(' and ')}, outside the 60° cone of vision (30° to each side). It is stretched ${stretchAt(off.offDeg).toFixed(2)} times there. Stand ${formatLength(rounded, style)} farther back, or turn toward it.`,
        remedies: [farther(project, view, setUp, rounded, style)],
      },
    ];
  });
}

/** How much farther back every corner of a body that is now in front of the eye comes within the cone. */
function stepBack(setUp: SetUp, offDeg: number, body: Body): number {
  const tan = Math.tan(radiansFromDegrees(HALF_CONE_DEG));
  let back = 0;
  for (const vertex of body.vertices) {
    const eye = eyeFromWorld(setUp, vertex.at);
    back = Math.max(back, Math.hypot(eye.lateral, eye.rise) / tan - eye.depth);
  }
  // A ball has no corners: told by its outline's own angle at its middle depth.
  return body.vertices.length > 0 ? back : setUp.pictureDistance * (Math.tan(radiansFromDegrees(offDeg)) / tan - 1);
}

const farther = (project: Project, view: View, setUp: SetUp, back: number, style: LengthStyle) => ({
  label: `Stand ${formatLength(back, style)} farther back`,
  change: standAt(project, view, { pictureDistance: setUp.pictureDistance + back }),
});

/** The frame itself reaches out of the cone: whatever is drawn in its corners will look stretched. */
export function warnFrame(view: View, setUp: SetUp, style: LengthStyle, project: Project): readonly ViewWarning[] {
  const off = frameOffSight(setUp, view);
  const sides = (['left', 'right', 'up', 'down'] as const).filter((side) => off[side] > HALF_CONE_DEG);
  if (sides.length === 0) return [];
  const { left, right, bottom, top } = view.frame;
  const half = Math.max(-left, right, -bottom, top);
  const needed = (half / Math.tan(radiansFromDegrees(HALF_CONE_DEG))) * setUp.scaleDenominator;
  const distance = roundedOut(needed, style.units);
  return [
    {
      kind: 'frame-outside-cone',
      about: null,
      message: `The frame reaches ${sides.map((side) => `${degrees(off[side])} ${side === 'left' || side === 'right' ? `to the ${side}` : side}`).join(', ')}: past the 60° cone of vision. Crop it, or stand ${formatLength(distance, style)} before the picture plane.`,
      remedies: [
        {
          label: `Stand ${formatLength(distance, style)} before the picture plane`,
          change: standAt(project, view, { pictureDistance: distance }),
        },
        {
          label: 'Crop the frame to the cone',
          change: {
            frame: cropped(view, setUp.viewingDistance * Math.tan(radiansFromDegrees(HALF_CONE_DEG))),
          },
        },
      ],
    },
  ];
}

const cropped = ({ frame }: View, reach: number): View['frame'] => ({
  left: Math.max(frame.left, -reach),
  right: Math.min(frame.right, reach),
  bottom: Math.max(frame.bottom, -reach),
  top: Math.min(frame.top, reach),
});
