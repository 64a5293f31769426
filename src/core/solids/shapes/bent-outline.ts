import { at as nth } from '@/core/base';
import type { OutlinePoint } from '../parts';

/** Signed area of a closed outline, its arcs included; positive counter-clockwise. */
export const area = (outline: readonly OutlinePoint[]): number =>
  outline.reduce((sum, a, i) => {
    const b = nth(outline, (i + 1) % outline.length);
    // A bent side adds its circular segment: r²(θ − sin θ)/2, signed as its bulge.
    const chord = Math.hypot(b.p - a.p, b.q - a.q);
    const bulge = a.bulge ?? 0;
    const theta = 4 * Math.atan(bulge);
    const r = bulge === 0 ? 0 : (chord * (1 + bulge * bulge)) / (4 * Math.abs(bulge));
    return sum + (a.p * b.q - b.p * a.q) / 2 + (r * r * (theta - Math.sin(theta))) / 2;
  }, 0);

/** The same outline walked the other way: each side keeps its arc, bent to the other hand. */
export function reversed(outline: readonly OutlinePoint[]): OutlinePoint[] {
  const n = outline.length;
  return outline.map((_, i) => {
    const { p, q } = nth(outline, (n - i) % n);
    const bulge = -(nth(outline, (2 * n - i - 1) % n).bulge ?? 0);
    return bulge === 0 ? { p, q } : { p, q, bulge };
  });
}

interface Arc2 {
  readonly p: number;
  readonly q: number;
  readonly radius: number;
  readonly from: number;
  readonly to: number;
}

/** The arc of a bent side: bulge b = tan(sweep/4), radius c(1 + b²)/4|b|, centre to the left by (c/4)(1/b − b). */
export function arcOf(a: OutlinePoint, b: { readonly p: number; readonly q: number }, bulge: number): Arc2 {
  const [dp, dq] = [b.p - a.p, b.q - a.q];
  const offset = (1 / bulge - bulge) / 4;
  const p = (a.p + b.p) / 2 - dq * offset;
  const q = (a.q + b.q) / 2 + dp * offset;
  const start = Math.atan2(a.q - q, a.p - p);
  const sweep = 4 * Math.atan(bulge);
  const [from, to] = sweep > 0 ? [start, start + sweep] : [start + sweep, start];
  return { p, q, radius: (Math.hypot(dp, dq) * (1 + bulge * bulge)) / (4 * Math.abs(bulge)), from, to };
}

/** Direction of travel where a side begins and ends, for telling a crease from a smooth joint. */
export function travel(a: OutlinePoint, b: OutlinePoint): readonly [begin: number, end: number] {
  const chord = Math.atan2(b.q - a.q, b.p - a.p);
  const half = 2 * Math.atan(a.bulge ?? 0);
  return [chord - half, chord + half];
}
