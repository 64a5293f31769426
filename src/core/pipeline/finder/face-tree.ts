import type { Vector3 } from '@/core/geometry';

/** A flat face that may lie before something: its plane, its loops, and whether it hides only from its normal's side. */
export interface TreeFace {
  readonly n: Vector3;
  readonly offset: number;
  readonly loops: readonly (readonly Vector3[])[];
  readonly oneSided: boolean;
  /** What it is a face of. */
  readonly owner: number;
}

/** Faces to a leaf: fewer make a deeper tree, more are asked in vain. */
const LEAF = 4;

/**
 * Faces sorted into boxes within boxes, halved along their longest side: a sight line is held only against the faces whose boxes it passes. For rough
 * answers many times over; the exact engine sorts by the picture instead.
 */
export class FaceTree {
  /** Six bounds to a node; children of node i at `next[i]` and the one after it, a leaf's faces from `first[i]`, `count[i]` of them. */
  private readonly bounds: Float64Array;
  private readonly next: Int32Array;
  private readonly first: Int32Array;
  private readonly count: Int32Array;
  private readonly order: TreeFace[];
  /** Normal and offset of each face in that order. */
  private readonly planes: Float64Array;
  private readonly stack = new Int32Array(256);

  constructor(faces: readonly TreeFace[]) {
    this.order = [...faces];
    const [bounds, next, first, count]: [number[], number[], number[], number[]] = [[], [], [], []];
    const boxes = new Map(faces.map((face) => [face, boxOf(face)] as const));
    const add = (): number => {
      next.push(-1);
      first.push(0);
      count.push(0);
      bounds.push(0, 0, 0, 0, 0, 0);
      return next.length - 1;
    };
    const fill = (node: number, from: number, to: number): void => {
      const box = [Infinity, Infinity, Infinity, -Infinity, -Infinity, -Infinity];
      for (let i = from; i < to; i += 1) {
        const own = boxes.get(this.order[i] as TreeFace) as readonly number[];
        for (let k = 0; k < 3; k += 1) {
          box[k] = Math.min(box[k] as number, own[k] as number);
          box[k + 3] = Math.max(box[k + 3] as number, own[k + 3] as number);
        }
      }
      for (let k = 0; k < 6; k += 1) bounds[node * 6 + k] = (box[k] as number) + (k < 3 ? -0.01 : 0.01);
      if (to - from <= LEAF) {
        first[node] = from;
        count[node] = to - from;
        return;
      }
      const size = [0, 1, 2].map((k) => (box[k + 3] as number) - (box[k] as number));
      const axis = size.indexOf(Math.max(...size));
      const middle = (face: TreeFace): number => {
        const own = boxes.get(face) as readonly number[];
        return (own[axis] as number) + (own[axis + 3] as number);
      };
      const sorted = this.order.slice(from, to).sort((a, b) => middle(a) - middle(b));
      sorted.forEach((face, i) => (this.order[from + i] = face));
      const half = from + Math.floor((to - from) / 2);
      const left = add();
      add();
      next[node] = left;
      fill(left, from, half);
      fill(left + 1, half, to);
    };
    fill(add(), 0, faces.length);
    this.bounds = Float64Array.from(bounds);
    this.next = Int32Array.from(next);
    this.first = Int32Array.from(first);
    this.count = Int32Array.from(count);
    this.planes = Float64Array.from(this.order.flatMap(({ n, offset }) => [n.x, n.y, n.z, offset]));
  }

  /** Whether a face not of `own` lies between eye and point. */
  blocks(eye: Vector3, point: Vector3, own: number): boolean {
    const { bounds, next, first, count, stack, order, planes } = this;
    const { x: ex, y: ey, z: ez } = eye;
    const [dx, dy, dz] = [point.x - ex, point.y - ey, point.z - ez];
    const ix = 1 / (dx === 0 ? 1e-12 : dx);
    const iy = 1 / (dy === 0 ? 1e-12 : dy);
    const iz = 1 / (dz === 0 ? 1e-12 : dz);
    let top = 1;
    stack[0] = 0;
    while (top > 0) {
      top -= 1;
      const node = stack[top]!;
      const b = node * 6;
      let from = 0;
      let to = 0.999;
      let p = (bounds[b]! - ex) * ix;
      let q = (bounds[b + 3]! - ex) * ix;
      if (p < q) {
        if (p > from) from = p;
        if (q < to) to = q;
      } else {
        if (q > from) from = q;
        if (p < to) to = p;
      }
      p = (bounds[b + 1]! - ey) * iy;
      q = (bounds[b + 4]! - ey) * iy;
      if (p < q) {
        if (p > from) from = p;
        if (q < to) to = q;
      } else {
        if (q > from) from = q;
        if (p < to) to = p;
      }
      p = (bounds[b + 2]! - ez) * iz;
      q = (bounds[b + 5]! - ez) * iz;
      if (p < q) {
        if (p > from) from = p;
        if (q < to) to = q;
      } else {
        if (q > from) from = q;
        if (p < to) to = p;
      }
      if (from > to) continue;
      const child = next[node]!;
      if (child >= 0) {
        stack[top] = child;
        stack[top + 1] = child + 1;
        top += 2;
        continue;
      }
      const start = first[node]!;
      for (let i = start; i < start + count[node]!; i += 1) {
        const f = i * 4;
        const side = planes[f]! * ex + planes[f + 1]! * ey + planes[f + 2]! * ez - planes[f + 3]!;
        const share = -side / (planes[f]! * dx + planes[f + 1]! * dy + planes[f + 2]! * dz);
        if (!(share > 0 && share < 0.999)) continue;
        const face = order[i]!;
        if (face.owner === own || (face.oneSided && side <= 0)) continue;
        if (inside(face, ex + dx * share, ey + dy * share, ez + dz * share)) return true;
      }
    }
    return false;
  }
}

function boxOf({ loops }: TreeFace): readonly number[] {
  const box = [Infinity, Infinity, Infinity, -Infinity, -Infinity, -Infinity];
  for (const p of loops[0] ?? [])
    [p.x, p.y, p.z].forEach((value, k) => {
      box[k] = Math.min(box[k] as number, value);
      box[k + 3] = Math.max(box[k + 3] as number, value);
    });
  return box;
}

/** Even-odd in the projection along the normal's largest part. */
function inside({ n, loops }: TreeFace, x: number, y: number, z: number): boolean {
  const [ax, ay, az] = [Math.abs(n.x), Math.abs(n.y), Math.abs(n.z)];
  const drop = az >= ax && az >= ay ? 2 : ax >= ay ? 0 : 1;
  const u = (q: Vector3): number => (drop === 0 ? q.y : q.x);
  const v = (q: Vector3): number => (drop === 2 ? q.y : q.z);
  const [p, q] = [drop === 0 ? y : x, drop === 2 ? y : z];
  let odd = false;
  for (const loop of loops) {
    let before = loop[loop.length - 1] as Vector3;
    for (const now of loop) {
      const [v0, v1] = [v(before), v(now)];
      if (v0 > q !== v1 > q && u(before) + ((q - v0) / (v1 - v0)) * (u(now) - u(before)) > p) odd = !odd;
      before = now;
    }
  }
  return odd;
}
