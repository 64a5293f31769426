import type { Id, View } from '@/core/record';
import { formatBareLength, formatLength, formatPaper, type LengthStyle } from '@/core/units';
import type { SetUp } from './set-up';
import { CLEAR_MM, PENCIL_LINE_MM, roundedOut, type ViewWarning } from './view-warning';

/** A seen part of an edge: its picture, and the depths of its two ends. */
export interface SeenPart {
  readonly edge: Id;
  readonly body: Id;
  readonly bodyName: string;
  readonly u0: number;
  readonly v0: number;
  readonly u1: number;
  readonly v1: number;
  readonly depth0: number;
  readonly depth1: number;
}

/** Shorter overlaps than this on paper, mm, mislead nobody. */
const LEAST_OVERLAP_MM = 15;
/**
 * Edges nearer to each other in depth than this, mm, are a joint or a board's thickness, and nearer than this part of their distance they are read as side by
 * side from wherever one stands: no coincidence.
 */
const [LEAST_APART_MM, LEAST_APART] = [100, 0.05];
/** Parts whose directions differ by more, radians, only cross. */
const SAME_DIRECTION = 0.02;

interface Lined extends SeenPart {
  /** Direction in [0, π), distance of the line from the centre of vision. */
  readonly angle: number;
  readonly offset: number;
  readonly length: number;
}

function lined(part: SeenPart): Lined {
  const length = Math.hypot(part.u1 - part.u0, part.v1 - part.v0);
  let angle = Math.atan2(part.v1 - part.v0, part.u1 - part.u0);
  if (angle < 0) angle += Math.PI;
  if (angle >= Math.PI - 1e-12) angle = 0;
  const [du, dv] = [Math.cos(angle), Math.sin(angle)];
  return { ...part, angle, length, offset: ((part.u0 + part.u1) / 2) * -dv + ((part.v0 + part.v1) / 2) * du };
}

/** Where two parts run within a pencil's line of each other: the overlap's length, their distance and their depths there. */
function overlap(a: Lined, b: Lined): { length: number; apart: number; depths: readonly [number, number] } | null {
  const [du, dv] = [Math.cos(a.angle), Math.sin(a.angle)];
  const along = (u: number, v: number): number => u * du + v * dv;
  const [a0, a1] = [along(a.u0, a.v0), along(a.u1, a.v1)];
  const [b0, b1] = [along(b.u0, b.v0), along(b.u1, b.v1)];
  const low = Math.max(Math.min(a0, a1), Math.min(b0, b1));
  const high = Math.min(Math.max(a0, a1), Math.max(b0, b1));
  if (high - low < LEAST_OVERLAP_MM) return null;
  const middle = (low + high) / 2;
  const read = (p: Lined, s0: number, s1: number) => {
    const f = (middle - s0) / (s1 - s0);
    const u = p.u0 + (p.u1 - p.u0) * f;
    const v = p.v0 + (p.v1 - p.v0) * f;
    // On paper 1/t runs evenly along a straight edge.
    return { across: v * du - u * dv, depth: 1 / ((1 - f) / p.depth0 + f / p.depth1) };
  };
  const [p, q] = [read(a, a0, a1), read(b, b0, b1)];
  return { length: high - low, apart: Math.abs(p.across - q.across), depths: [p.depth, q.depth] };
}

/**
 * Two seen edges of different things, clearly apart in depth, that fall on one line of the picture: nobody can tell which is nearer. The
 * remedy is the step aside, or up, that sets them 2 mm apart: a step s moves a point at depth t by k·s/t on paper.
 */
export function warnOneLine(
  view: View,
  setUp: SetUp,
  parts: readonly SeenPart[],
  style: LengthStyle,
): readonly ViewWarning[] {
  const lines = parts.map(lined).filter((one) => one.length >= LEAST_OVERLAP_MM);
  // Sorted by their distance from the centre of vision: only neighbours within a pencil's line can coincide.
  const sorted = [...lines].sort((a, b) => a.offset - b.offset);
  const found = new Map<
    string,
    { a: Lined; b: Lined; length: number; apart: number; depths: readonly [number, number] }
  >();
  sorted.forEach((a, i) => {
    for (let j = i + 1; j < sorted.length; j += 1) {
      const b = sorted[j] as Lined;
      // Two parts of slightly different direction differ in offset by at most direction times distance; taken generously.
      if (b.offset - a.offset > PENCIL_LINE_MM + 2) break;
      if (a.body === b.body || Math.abs(a.angle - b.angle) > SAME_DIRECTION) continue;
      const meets = overlap(a, b);
      if (!meets || meets.apart >= PENCIL_LINE_MM) continue;
      const [near, far] = [Math.min(...meets.depths), Math.max(...meets.depths)];
      if (far - near < Math.max(LEAST_APART_MM, LEAST_APART * near)) continue;
      const key = [a.body, b.body].sort().join(' ');
      const known = found.get(key);
      if (!known || meets.length > known.length) found.set(key, { a, b, ...meets });
    }
  });
  return [...found.values()].map(({ a, b, length, apart, depths }): ViewWarning => {
    const perMm = setUp.viewingDistance * Math.abs(1 / depths[0] - 1 / depths[1]);
    const [acrossU, acrossV] = [Math.abs(Math.sin(a.angle)), Math.abs(Math.cos(a.angle))];
    const aside = acrossU >= acrossV;
    const by = roundedOut((CLEAR_MM + apart) / (perMm * Math.max(acrossU, acrossV)), style.units);
    const eye = view.eyeHeight.mm + by;
    return {
      kind: 'one-line',
      about: a.body,
      message: `An edge of ${a.bodyName} and one of ${b.bodyName}, ${formatLength(Math.abs(depths[0] - depths[1]), style)} apart in depth, fall on one line for ${formatPaper(length, style)}. ${aside ? `Stand ${formatLength(by, style)} aside` : `Raise the eye by ${formatLength(by, style)}`} to set them ${formatPaper(CLEAR_MM, style)} apart.`,
      remedies: aside
        ? ([1, -1] as const).map((side) => ({
            label: `Stand ${formatLength(by, style)} to the ${side > 0 ? 'right' : 'left'}`,
            change: {
              station: {
                x: view.station.x + setUp.right.x * by * side,
                y: view.station.y + setUp.right.y * by * side,
              },
            },
          }))
        : [
            {
              label: `Raise the eye by ${formatLength(by, style)}`,
              change: { eyeHeight: { mm: eye, asTyped: formatBareLength(eye, style) } },
            },
          ],
    };
  });
}
