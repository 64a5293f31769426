import type { WorldPoint } from '@/core/space';
import { eyeFromWorld, pictureFromEye, type SetUp } from '@/core/view';
import {
  conicOfRow,
  curveOfRow,
  edgeOfRow,
  spaceConicPoint,
  type PreparedScene,
  type VisibleLines,
} from '@/core/visibility';

/** One part of a line as the engine tells it. */
export interface LinePart {
  readonly name: string;
  /** Which line of the scene it is a part of. */
  readonly line: string;
  /** The faces the line lies on. */
  readonly own: readonly string[];
  readonly seen: boolean;
  readonly from: number;
  readonly to: number;
  readonly point: (s: number) => WorldPoint;
}

export function linePartsOf(scene: PreparedScene, lines: VisibleLines): readonly LinePart[] {
  const straight = Array.from(lines.edge, (index, row): LinePart => {
    const { id, faces, from, to } = edgeOfRow(scene, lines, row);
    return {
      name: id,
      line: `e${index}`,
      own: faces,
      seen: lines.seen[row] === 1,
      from: lines.along[row * 2] ?? NaN,
      to: lines.along[row * 2 + 1] ?? NaN,
      point: (s) =>
        ({
          x: from.x + (to.x - from.x) * s,
          y: from.y + (to.y - from.y) * s,
          z: from.z + (to.z - from.z) * s,
        }) as WorldPoint,
    };
  });
  const curved = Array.from(lines.curves.curve, (index, row): LinePart => {
    const { id, faces, conic } = curveOfRow(scene, lines, row);
    const { from, to } = conicOfRow(scene, NOWHERE, lines, row);
    return {
      name: id,
      line: `c${index}`,
      own: faces,
      seen: lines.curves.seen[row] === 1,
      from,
      to,
      point: (s) => spaceConicPoint(conic, s),
    };
  });
  return [...straight, ...curved];
}

const NOWHERE = {
  station: { x: 0, y: 0 },
  right: { x: 1, y: 0 },
  forward: { x: 0, y: 1 },
  viewingDistance: 1,
  eyeZ: 0,
} as SetUp;

export interface HeldAgainst {
  /** What differs by more than the bound, in words. */
  readonly wrong: readonly string[];
  /** Seen length on paper, mm, as the engine tells it, and with its ends where the slow check finds them. */
  readonly seenMm: number;
  readonly slowMm: number;
  readonly partly: number;
}

/**
 * The engine's parts held against a slow check: asked along them every `spacing` mm of paper and just within both ends, and where one part ends and the
 * next begins the true change is sought by halving.
 */
export function heldAgainst(
  parts: readonly LinePart[],
  setUp: SetUp,
  hidden: (point: WorldPoint, run: WorldPoint, own: readonly string[]) => boolean,
  { near, spacing }: { readonly near: number; readonly spacing: number },
): HeldAgainst {
  const wrong: string[] = [];
  let [seenMm, slowMm, partly] = [0, 0, 0];
  const place = (part: LinePart, s: number) =>
    pictureFromEye(setUp.viewingDistance, eyeFromWorld(setUp, part.point(s)));
  const lengthOf = (part: LinePart): number => {
    let length = 0;
    let p = place(part, part.from);
    for (let i = 1; i <= 16; i += 1) {
      const q = place(part, part.from + ((part.to - part.from) * i) / 16);
      length += Math.hypot(q.u - p.u, q.v - p.v);
      p = q;
    }
    return length;
  };
  const isHidden = (part: LinePart, s: number): boolean => {
    const step = (part.to - part.from) * 1e-6;
    const [p, q] = [part.point(s - step), part.point(s + step)];
    return hidden(part.point(s), { x: q.x - p.x, y: q.y - p.y, z: q.z - p.z } as WorldPoint, part.own);
  };
  parts.forEach((part, row) => {
    const length = lengthOf(part);
    if (part.seen) [seenMm, slowMm] = [seenMm + length, slowMm + length];
    const { from, to, seen, name } = part;
    if (length > 2.5 * near) {
      const n = Math.ceil(length / spacing);
      const inner = (near / length) * 1.05;
      for (const share of [inner, 1 - inner, ...Array.from({ length: n }, (_, i) => (i + 0.5) / n)]) {
        if (share < inner || share > 1 - inner) continue;
        if (isHidden(part, from + (to - from) * share) === seen)
          wrong.push(
            `${name} ${seen ? 'drawn but hidden' : 'hidden but seen'} at ${share.toFixed(5)} of ${length.toFixed(3)} mm`,
          );
      }
    }
    const next = parts[row + 1];
    if (!next || next.line !== part.line || Math.abs(next.from - to) > 1e-9 || next.seen === seen) return;
    partly += 1;
    let [low, high] = [
      to - (to - from) * Math.min(0.45, near / length),
      to + (next.to - next.from) * Math.min(0.45, near / lengthOf(next)),
    ];
    if (isHidden(part, low) === seen || isHidden(next, high) === next.seen) return;
    for (let i = 0; i < 40; i += 1) {
      const middle = (low + high) / 2;
      if (isHidden(part, middle) === isHidden(part, low)) low = middle;
      else high = middle;
    }
    const [p, q] = [place(part, to), place(part, (low + high) / 2)];
    const off = Math.hypot(q.u - p.u, q.v - p.v);
    if (off > near) wrong.push(`${name}: ends ${off.toFixed(5)} mm off`);
    slowMm += (high > to === seen ? 1 : -1) * off;
  });
  return { wrong, seenMm, slowMm, partly };
}
