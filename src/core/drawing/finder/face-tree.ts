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
  private readonly bounds: number[] = [];
  private readonly next: number[] = [];
  private readonly first: number[] = [];
  private readonly count: number[] = [];
  private readonly order: TreeFace[];
  private readonly stack: number[] = [];

  constructor(faces: readonly TreeFace[]) {
    this.order = [...faces];
    const boxes = new Map(faces.map((face) => [face, boxOf(face)] as const));
    const add = (): number => {
      this.next.push(-1);
      this.first.push(0);
      this.count.push(0);
      this.bounds.push(0, 0, 0, 0, 0, 0);
      return this.next.length - 1;
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
      for (let k = 0; k < 6; k += 1) this.bounds[node * 6 + k] = (box[k] as number) + (k < 3 ? -0.01 : 0.01);
      if (to - from <= LEAF) {
        this.first[node] = from;
        this.count[node] = to - from;
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
      this.next[node] = left;
      fill(left, from, half);
      fill(left + 1, half, to);
    };
    fill(add(), 0, faces.length);
  }

  /** Whether a face not of `own` lies between eye and point. */
  blocks(eye: Vector3, point: Vector3, own: number): boolean {
    const { bounds, next, first, count, stack, order } = this;
    const [dx, dy, dz] = [point.x - eye.x, point.y - eye.y, point.z - eye.z];
    const [ix, iy, iz] = [1 / (dx || 1e-12), 1 / (dy || 1e-12), 1 / (dz || 1e-12)];
    stack.length = 0;
    stack.push(0);
    for (let node = stack.pop(); node !== undefined; node = stack.pop()) {
      const b = node * 6;
      const [x0, x1] = [((bounds[b] as number) - eye.x) * ix, ((bounds[b + 3] as number) - eye.x) * ix];
      const [y0, y1] = [((bounds[b + 1] as number) - eye.y) * iy, ((bounds[b + 4] as number) - eye.y) * iy];
      const [z0, z1] = [((bounds[b + 2] as number) - eye.z) * iz, ((bounds[b + 5] as number) - eye.z) * iz];
      const from = Math.max(0, Math.min(x0, x1), Math.min(y0, y1), Math.min(z0, z1));
      const to = Math.min(0.999, Math.max(x0, x1), Math.max(y0, y1), Math.max(z0, z1));
      if (from > to) continue;
      const child = next[node] as number;
      if (child >= 0) {
        stack.push(child, child + 1);
        continue;
      }
      const start = first[node] as number;
      for (let i = start; i < start + (count[node] as number); i += 1) {
        const face = order[i] as TreeFace;
        if (face.owner === own) continue;
        const { n } = face;
        const side = n.x * eye.x + n.y * eye.y + n.z * eye.z - face.offset;
        if (face.oneSided && side <= 0) continue;
        const share = -side / (n.x * dx + n.y * dy + n.z * dz);
        if (!(share > 0 && share < 0.999)) continue;
        if (inside(face, eye.x + dx * share, eye.y + dy * share, eye.z + dz * share)) return true;
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
