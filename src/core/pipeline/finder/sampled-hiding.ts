import type { Vector3 } from '@/core/geometry';
import type { Id } from '@/core/record';
import type { Body } from '@/core/solids';
import type { PreparedScene } from '@/core/visibility';
import { FaceTree, type TreeFace } from './face-tree';

/** Points asked of each marked thing, and of all together: enough to tell a quarter hidden from a half. */
const SAMPLES = 20;
const MOST_SAMPLES = 60;

/**
 * Hiding told roughly and fast: points of the marked things, and sight lines held against flat faces, round ones by the boxes about them. For choosing
 * among thousands of places; the figures shown come from the exact engine.
 */
export class SampledHiding {
  private readonly tree: FaceTree;
  readonly points: readonly { readonly body: Id; readonly owner: number; readonly at: Vector3 }[];

  constructor(scene: PreparedScene, bodies: readonly Body[], marked: ReadonlySet<Id>) {
    const owners = new Map<Id, number>(bodies.map((body, i) => [body.id, i]));
    const owner = (id: Id): number => owners.get(id) ?? -1;
    this.tree = new FaceTree(
      scene.faces.flatMap(({ face, body, loops, shape }): TreeFace[] =>
        shape?.kind === 'round'
          ? loops.map((loop) => ({ ...planeThrough(loop), loops: [loop], oneSided: false, owner: owner(body) }))
          : [{ n: face.normal, offset: face.offset, loops, oneSided: face.seen === 'room-side', owner: owner(body) }],
      ),
    );
    const chosen = bodies.filter((body) => marked.has(body.id));
    const each = Math.max(4, Math.min(SAMPLES, Math.floor(MOST_SAMPLES / Math.max(1, chosen.length))));
    this.points = chosen.flatMap(({ id, vertices }) => {
      const stride = Math.max(1, Math.ceil(vertices.length / each));
      return vertices.filter((_, i) => i % stride === 0).map(({ at }) => ({ body: id, owner: owner(id), at }));
    });
  }

  /** Whether anything but the thing's own body lies before one of its points. */
  hidden(eye: Vector3, { at, owner }: SampledHiding['points'][number]): boolean {
    return this.tree.blocks(eye, at, owner);
  }
}

function planeThrough(loop: readonly Vector3[]): { n: Vector3; offset: number } {
  const [a, b, c] = loop as readonly [Vector3, Vector3, Vector3];
  const [p, q] = [
    { x: b.x - a.x, y: b.y - a.y, z: b.z - a.z },
    { x: c.x - a.x, y: c.y - a.y, z: c.z - a.z },
  ];
  const n = { x: p.y * q.z - p.z * q.y, y: p.z * q.x - p.x * q.z, z: p.x * q.y - p.y * q.x };
  return { n, offset: n.x * a.x + n.y * a.y + n.z * a.z };
}
