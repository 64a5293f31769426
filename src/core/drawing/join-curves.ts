import { tolerance } from '@/core/numeric';
import { ellipseArc, type EllipseArc } from '@/core/geometry';
import type { Stroke } from './drawing';

/** Ellipses whose centres and axes agree this nearly, mm, fall on one another. */
const SAME_MM = 1e-5;
const TURN = 2 * Math.PI;

interface Placed {
  readonly layer: string;
  readonly stroke: Stroke;
}

/**
 * Curves that fall on one another are drawn once: the longest first. What lies wholly on a drawn one is remembered by it; what only overlaps one
 * keeps its own stroke, since its rest must be drawn.
 */
export function joinCurves(strokes: readonly Placed[]): readonly Placed[] {
  const cells = new Map<string, { ellipse: EllipseArc; index: number }[]>();
  const ellipses = strokes.map(({ stroke }) => (stroke.curve ? ellipseArc(stroke.curve) : null));
  const order = strokes.map((_, i) => i).sort((a, b) => spanOf(ellipses[b]) - spanOf(ellipses[a]) || a - b);
  const also = new Map<number, Stroke[]>();
  const gone = new Set<number>();
  for (const index of order) {
    const ellipse = ellipses[index];
    if (!ellipse) continue;
    const cell = (v: number): number => Math.round(v * 100);
    const [i, j, k] = [cell(ellipse.centre.x), cell(ellipse.centre.y), cell(ellipse.major)];
    let on: number | null = null;
    for (let a = i - 1; a <= i + 1 && on === null; a += 1)
      for (let b = j - 1; b <= j + 1 && on === null; b += 1)
        for (let c = k - 1; c <= k + 1 && on === null; c += 1)
          for (const other of cells.get(`${a},${b},${c}`) ?? [])
            if (same(ellipse, other.ellipse) && within(ellipse, other.ellipse)) on = other.index;
    if (on !== null) {
      gone.add(index);
      const list = also.get(on) ?? [];
      const own = strokes[index]?.stroke;
      if (own) list.push(own);
      also.set(on, list);
      continue;
    }
    const key = `${i},${j},${k}`;
    cells.set(key, [...(cells.get(key) ?? []), { ellipse, index }]);
  }
  return strokes.flatMap((one, index): readonly Placed[] => {
    if (gone.has(index)) return [];
    const others = also.get(index);
    if (!others) return [one];
    const bodies = others.flatMap(({ role }) => (role.is === 'line' ? [role.body] : []));
    return [{ ...one, stroke: { ...one.stroke, also: others.map(({ of }) => of), alsoBodies: bodies } }];
  });
}

const spanOf = (ellipse: EllipseArc | null | undefined): number =>
  ellipse ? Math.abs(ellipse.to - ellipse.from) * ellipse.major : 0;

function same(a: EllipseArc, b: EllipseArc): boolean {
  if (Math.hypot(a.centre.x - b.centre.x, a.centre.y - b.centre.y) > SAME_MM) return false;
  if (Math.abs(a.major - b.major) > SAME_MM || Math.abs(a.minor - b.minor) > SAME_MM) return false;
  // Of what is nearly a circle the turn says nothing.
  return a.major - a.minor < SAME_MM || Math.abs(Math.sin(a.turn - b.turn)) * (a.major - a.minor) < SAME_MM;
}

/** Whether one arc lies wholly on the other, by angles measured on the paper. */
function within(a: EllipseArc, b: EllipseArc): boolean {
  const shift = a.turn - b.turn;
  const [low, high] = a.from < a.to ? [a.from, a.to] : [a.to, a.from];
  const [from, to] = b.from < b.to ? [b.from, b.to] : [b.to, b.from];
  if (to - from >= TURN - tolerance.wholeTurnRad) return true;
  // The major axis has no sense: the same ellipse may be told with its other end first; a circle from anywhere.
  const round = a.major - a.minor < SAME_MM ? shift : Math.cos(shift) < 0 ? Math.PI : 0;
  const start = low + round;
  const turns = Math.floor((start - from + 1e-6) / TURN) * TURN;
  return start - turns >= from - 1e-6 && start - turns + (high - low) <= to + 1e-6;
}
