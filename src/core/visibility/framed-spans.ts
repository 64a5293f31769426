import { trigonometricAt, trigonometricRoots, type Trigonometric, type Vector3 } from '@/core/geometry';
import type { Sight } from './polygon-set';
import type { SpaceConic } from './space-conic';

/** n·(P − eye) for three directions, as rows over the conic: lateral, rise and depth times w. */
export function sightRows(
  conic: SpaceConic,
  { eye, right, up, forward }: Sight,
): readonly [Trigonometric, Trigonometric, Trigonometric] {
  const row = (n: Vector3): Trigonometric => {
    const e = n.x * eye.x + n.y * eye.y + n.z * eye.z;
    const one = (i: number): number => n.x * conic[i]! + n.y * conic[i + 1]! + n.z * conic[i + 2]! - e * conic[i + 3]!;
    return [one(0), one(4), one(8)];
  };
  return [row(right), row(up), row(forward)];
}

const mix = (p: Trigonometric, a: number, q: Trigonometric, b: number): Trigonometric => [
  p[0] * a + q[0] * b,
  p[1] * a + q[1] * b,
  p[2] * a + q[2] * b,
];

/** What of a conic lies beyond the near plane and within the frame, as stretches of its angle: cut before anything is divided. */
export function framedSpans(
  conic: SpaceConic,
  from: number,
  to: number,
  sight: Sight,
): readonly (readonly [number, number])[] {
  const { viewingDistance: k, frame, near } = sight;
  const [a, h, t] = sightRows(conic, sight);
  const w: Trigonometric = [conic[3]!, conic[7]!, conic[11]!];
  const limits = [
    mix(t, 1, w, -near),
    mix(a, k, t, -frame.left),
    mix(a, -k, t, frame.right),
    mix(h, k, t, -frame.bottom),
    mix(h, -k, t, frame.top),
  ];
  const marks = [from, ...limits.flatMap((one) => trigonometricRoots(one, from, to)), to].sort((p, q) => p - q);
  const spans: [number, number][] = [];
  for (let i = 0; i + 1 < marks.length; i += 1) {
    const [p, q] = [marks[i]!, marks[i + 1]!];
    if (q - p < 1e-12) continue;
    const middle = (p + q) / 2;
    if (limits.some((one) => trigonometricAt(one, middle) < 0)) continue;
    const last = spans[spans.length - 1];
    if (last && last[1] === p) last[1] = q;
    else spans.push([p, q]);
  }
  return spans;
}
