import { tolerance } from '@/core/numeric';
import { at } from '@/core/base';
import type { Vector2 } from './vector';

export interface Split {
  /** Parts where the distance is negative, and where it is positive. */
  readonly near: readonly (readonly Vector2[])[];
  readonly far: readonly (readonly Vector2[])[];
}

/** Corners this close to the line, mm, are taken as just beyond it: a cut through a corner makes no sliver. */
const ON_LINE = tolerance.touchMm;

/**
 * Cuts a simple outline along a line. `distance` is the signed distance from the line, `along` the place on it. Crossings sorted along
 * the line pair up as the parts of it that lie inside.
 */
export function splitOutline(
  outline: readonly Vector2[],
  distance: (p: Vector2) => number,
  along: (p: Vector2) => number,
): Split {
  interface Node {
    readonly p: Vector2;
    readonly far: boolean;
    crossing: boolean;
    next: number;
    partner: number;
  }
  const nodes: Node[] = [];
  const sides = outline.map((p) => {
    const d = distance(p);
    return Math.abs(d) < ON_LINE ? ON_LINE : d;
  });
  outline.forEach((p, i) => {
    const j = (i + 1) % outline.length;
    const [a, b] = [at(sides, i), at(sides, j)];
    nodes.push({ p, far: a > 0, crossing: false, next: -1, partner: -1 });
    if (a > 0 === b > 0) return;
    const q = at(outline, j);
    const share = a / (a - b);
    nodes.push({
      p:
        Math.abs(a) <= ON_LINE
          ? p
          : Math.abs(b) <= ON_LINE
            ? q
            : { x: p.x + (q.x - p.x) * share, y: p.y + (q.y - p.y) * share },
      far: b > 0,
      crossing: true,
      next: -1,
      partner: -1,
    });
  });
  const crossings = nodes
    .flatMap((node, i) => (node.crossing ? [i] : []))
    .sort((a, b) => along(at(nodes, a).p) - along(at(nodes, b).p));
  for (let i = 0; i + 1 < crossings.length; i += 2) {
    const [a, b] = [at(crossings, i), at(crossings, i + 1)];
    at(nodes, a).partner = b;
    at(nodes, b).partner = a;
  }
  if (crossings.length === 0) return at(sides, 0) > 0 ? { near: [], far: [outline] } : { near: [outline], far: [] };
  const parts: { near: Vector2[][]; far: Vector2[][] } = { near: [], far: [] };
  const used = new Set<number>();
  // Each crossing begins one part on the side it enters; the walk goes round, leaping to the partner at each way out.
  for (const start of crossings) {
    if (used.has(start)) continue;
    const loop: Vector2[] = [];
    const side = at(nodes, start).far;
    let i = start;
    do {
      used.add(i);
      const entered = at(nodes, i);
      loop.push(entered.p);
      let k = (i + 1) % nodes.length;
      while (!at(nodes, k).crossing) {
        loop.push(at(nodes, k).p);
        k = (k + 1) % nodes.length;
      }
      loop.push(at(nodes, k).p);
      i = at(nodes, k).partner;
    } while (i !== start && i >= 0);
    const distinct = loop.filter((p, n) => {
      const q = at(loop, (n + 1) % loop.length);
      return Math.hypot(p.x - q.x, p.y - q.y) > ON_LINE * 2;
    });
    if (distinct.length >= 3) parts[side ? 'far' : 'near'].push(distinct);
  }
  return parts;
}

/** Where a line p + t·d runs inside outlines with holes (even-odd): intervals of t. */
export function lineInside(
  loops: readonly (readonly Vector2[])[],
  p: Vector2,
  d: Vector2,
): readonly (readonly [number, number])[] {
  const cuts: number[] = [];
  for (const loop of loops)
    loop.forEach((a, i) => {
      const b = at(loop, (i + 1) % loop.length);
      const sideA = d.x * (a.y - p.y) - d.y * (a.x - p.x);
      const sideB = d.x * (b.y - p.y) - d.y * (b.x - p.x);
      if (sideA > 0 === sideB > 0) return;
      const share = sideA / (sideA - sideB);
      const [x, y] = [a.x + (b.x - a.x) * share - p.x, a.y + (b.y - a.y) * share - p.y];
      cuts.push((x * d.x + y * d.y) / (d.x * d.x + d.y * d.y));
    });
  cuts.sort((a, b) => a - b);
  const inside: [number, number][] = [];
  for (let i = 0; i + 1 < cuts.length; i += 2)
    if (at(cuts, i + 1) - at(cuts, i) > tolerance.touchMm) inside.push([at(cuts, i), at(cuts, i + 1)]);
  return inside;
}
