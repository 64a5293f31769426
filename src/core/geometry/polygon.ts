import { sideOfLine } from '@/core/numeric';
import { cross2, type Vector2 } from './vector';
import { at } from '@/core/base';

/** Signed area: positive when the corners run counter-clockwise (x right, y up). */
export function signedArea(corners: readonly Vector2[]): number {
  let twice = 0;
  for (let i = 0; i < corners.length; i += 1) twice += cross2(at(corners, i), at(corners, (i + 1) % corners.length));
  return twice / 2;
}

/** Even-odd: inside an outline with holes when a ray to the right crosses the loops an odd number of times. */
export function insideLoops(loops: readonly (readonly Vector2[])[], x: number, y: number): boolean {
  let inside = false;
  for (const loop of loops) {
    for (let i = 0, j = loop.length - 1; i < loop.length; j = i, i += 1) {
      const a = at(loop, i);
      const b = at(loop, j);
      if (a.y > y !== b.y > y) {
        const side = a.y < b.y ? sideOfLine(a.x, a.y, b.x, b.y, x, y) : sideOfLine(b.x, b.y, a.x, a.y, x, y);
        if (side > 0) inside = !inside;
      }
    }
  }
  return inside;
}

/** Two sides that cross or touch, or a side that folds back: such an outline encloses no room. */
export function isSimple(corners: readonly Vector2[]): boolean {
  const n = corners.length;
  if (n < 3) return false;
  for (let i = 0; i < n; i += 1) {
    const a = at(corners, i);
    const b = at(corners, (i + 1) % n);
    if (a.x === b.x && a.y === b.y) return false;
    for (let j = i + 1; j < n; j += 1) {
      const neighbours = j === i + 1 || (i === 0 && j === n - 1);
      const c = at(corners, j);
      const d = at(corners, (j + 1) % n);
      if (neighbours ? foldsBack(a, b, c, d) : sidesTouch(a, b, c, d)) return false;
    }
  }
  return true;
}

/** Whether a side of one loop crosses or touches a side of the other; one wholly within the other does not. */
export const loopsTouch = (one: readonly Vector2[], other: readonly Vector2[]): boolean =>
  one.some((a, i) =>
    other.some((c, j) => sidesTouch(a, at(one, (i + 1) % one.length), c, at(other, (j + 1) % other.length))),
  );

const within = (a: number, b: number, value: number): boolean => Math.min(a, b) <= value && value <= Math.max(a, b);

function sidesTouch(a: Vector2, b: Vector2, c: Vector2, d: Vector2): boolean {
  const abc = sideOfLine(a.x, a.y, b.x, b.y, c.x, c.y);
  const abd = sideOfLine(a.x, a.y, b.x, b.y, d.x, d.y);
  const cda = sideOfLine(c.x, c.y, d.x, d.y, a.x, a.y);
  const cdb = sideOfLine(c.x, c.y, d.x, d.y, b.x, b.y);
  if (abc !== abd && cda !== cdb && abc * abd <= 0 && cda * cdb <= 0) return true;
  const on = (side: number, p: Vector2, q: Vector2, r: Vector2): boolean =>
    side === 0 && within(p.x, q.x, r.x) && within(p.y, q.y, r.y);
  return on(abc, a, b, c) || on(abd, a, b, d) || on(cda, c, d, a) || on(cdb, c, d, b);
}

function foldsBack(a: Vector2, b: Vector2, c: Vector2, d: Vector2): boolean {
  const shared = b.x === c.x && b.y === c.y;
  const [pivot, p, q] = shared ? [b, a, d] : [a, b, c];
  if (sideOfLine(pivot.x, pivot.y, p.x, p.y, q.x, q.y) !== 0) return false;
  return (p.x - pivot.x) * (q.x - pivot.x) + (p.y - pivot.y) * (q.y - pivot.y) > 0;
}
