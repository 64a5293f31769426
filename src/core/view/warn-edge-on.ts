import { nameOfThing, type Id, type Project, type View } from '@/core/record';
import { ownerOf, type Body, type Face, type Role } from '@/core/solids';
import { at } from '@/core/base';
import { dot2 } from '@/core/geometry';
import { radiansFromDegrees, formatLength, formatPaper, type LengthStyle } from '@/core/units';
import { sizeOnPaper } from './body-segments';
import { pictureFromEye } from './project-point';
import { eyeFromWorld, type SetUp } from './set-up';
import { CLEAR_MM, PENCIL_LINE_MM, roundedOut, type ViewWarning } from './view-warning';

/** Shallower than this along the sight, mm, a face seen edge-on is nothing to speak of. */
const LEAST_DEPTH_MM = 100;
/** A face that comes clear only by a step of more than this part of its distance is a shallow one far away, and no coincidence. */
const MOST_ASIDE = 0.15;
/** A face shorter than this part of its piece is one among many, as a book on a shelf: another is edge-on wherever one stands. */
const LEAST_PART = 0.25;
/** Shorter than this on paper, mm, nobody takes it for a line of its own. */
const LEAST_LENGTH_MM = 15;
const LEVEL = Math.cos(radiansFromDegrees(0.1));
/** A probe step to the side, mm: the picture's breadth grows in proportion to it. */
const PROBE_MM = 100;

/** How broad a face is on paper across its longest extent; null when it is not wholly in front of the eye or too small to matter. */
function breadth(setUp: SetUp, body: Body, face: Face): number | null {
  const eyes = (face.loops[0] ?? []).map((corner) => eyeFromWorld(setUp, at(body.vertices, corner).at));
  const depths = eyes.map((p) => p.depth);
  if (eyes.length < 3 || Math.min(...depths) <= 1 || Math.max(...depths) - Math.min(...depths) < LEAST_DEPTH_MM)
    return null;
  const points = eyes.map((p) => pictureFromEye(setUp.viewingDistance, p));
  let longest = { length: 0, u: 1, v: 0 };
  for (const p of points)
    for (const q of points) {
      const length = Math.hypot(q.u - p.u, q.v - p.v);
      if (length > longest.length) longest = { length, u: (q.u - p.u) / length, v: (q.v - p.v) / length };
    }
  if (longest.length < Math.max(LEAST_LENGTH_MM, body.kind === 'piece' ? LEAST_PART * sizeOnPaper(setUp, body) : 0))
    return null;
  const across = points.map((p) => p.v * longest.u - p.u * longest.v);
  return Math.max(...across) - Math.min(...across);
}

/** How far the nearest corner of a face lies before the eye, mm. */
const nearest = (setUp: SetUp, body: Body, face: Face): number =>
  Math.min(...(face.loops[0] ?? []).map((corner) => eyeFromWorld(setUp, at(body.vertices, corner).at).depth));

/** The same view with the eye `aside` mm to the right. */
const steppedAside = (setUp: SetUp, aside: number): SetUp => ({
  ...setUp,
  station: { x: setUp.station.x + setUp.right.x * aside, y: setUp.station.y + setUp.right.y * aside },
});

/** The face of a body that is seen most nearly edge-on, if any is within a pencil's line. */
function mostEdgeOn(setUp: SetUp, body: Body, seen: ReadonlySet<Id>): { face: Face; breadth: number } | null {
  let worst: { face: Face; breadth: number } | null = null;
  for (const face of body.faces) {
    if (Math.abs(face.normal.z) >= LEVEL || !seen.has(face.id)) continue;
    // A plane passes near the eye only if the eye is near it: nearly all faces are told by this alone.
    const away = Math.abs(dot2(face.normal, setUp.station) + face.normal.z * setUp.eyeZ - face.offset);
    if (away > 400) continue;
    const broad = breadth(setUp, body, face);
    if (broad !== null && broad < PENCIL_LINE_MM && (!worst || broad < worst.breadth)) worst = { face, breadth: broad };
  }
  return worst;
}

/** A face of a room as one speaks of it: the wall, or what is in it or on it. */
function faceName(project: Project, role: Role): string {
  const name = nameOfThing(project, ownerOf(role));
  switch (role.is) {
    case 'opening':
      return role.layer === 'leaf' ? `The leaf of ${name}` : `The reveal of ${name}`;
    case 'moulding':
      return `The ${role.moulding} of ${name}`;
    case 'ceiling':
    case 'ceiling-joint':
      return `The ceiling of ${name}`;
    case 'wall':
    case 'floor':
    case 'room-corner':
    case 'corner-upright':
    case 'part':
    case 'crate':
    case 'pattern':
    case 'grid':
      return name;
  }
}

/** Upright and raked faces that are seen edge-on: their two long edges fall on one line. Level ones have a warning of their own. */
export function warnEdgeOn(
  project: Project,
  view: View,
  setUp: SetUp,
  bodies: readonly Body[],
  seen: ReadonlySet<Id>,
  style: LengthStyle,
): readonly ViewWarning[] {
  return bodies.flatMap((body): ViewWarning[] => {
    if (body.kind !== 'piece' && body.kind !== 'room') return [];
    const worst = mostEdgeOn(setUp, body, seen);
    if (!worst) return [];
    const { face, breadth: broad } = worst;
    // To one side the breadth grows by c for each mm from here on, to the other it first shrinks: the larger is c.
    const perMm = Math.max(
      0,
      ...[1, -1].map(
        (side) => ((breadth(steppedAside(setUp, side * PROBE_MM), body, face) ?? broad) - broad) / PROBE_MM,
      ),
    );
    const needed = perMm > 0 ? (CLEAR_MM + broad) / perMm : null;
    if (needed !== null && needed > MOST_ASIDE * nearest(setUp, body, face)) return [];
    // A step that sets this face clear may bring the next one edge-on: longer steps are tried then.
    const clear = (side: 1 | -1): number | null =>
      needed === null
        ? null
        : ([1, 1.25, 1.6, 2]
            .map((times) => roundedOut(needed * times, style.units))
            .find((by) => mostEdgeOn(steppedAside(setUp, side * by), body, seen) === null) ?? null);
    const steps = ([1, -1] as const).flatMap((side) => {
      const by = clear(side);
      return by === null ? [] : [{ by, word: side > 0 ? 'right' : 'left', side }];
    });
    const what = body.kind === 'room' ? faceName(project, face.role) : `A side of ${body.name}`;
    return [
      {
        kind: 'edge-on',
        about: body.kind === 'room' ? ownerOf(face.role) : body.id,
        message: `${what} is seen edge-on: it is ${formatPaper(broad, style)} broad on paper, a single line. ${steps.length === 0 ? 'Stand a little aside.' : `Stand ${steps.map(({ by, word }) => `${formatLength(by, style)} to the ${word}`).join(' or ')}.`}`,
        remedies: steps.map(({ by, word, side }) => ({
          label: `Stand ${formatLength(by, style)} to the ${word}`,
          change: {
            station: { x: view.station.x + setUp.right.x * by * side, y: view.station.y + setUp.right.y * by * side },
          },
        })),
      },
    ];
  });
}
