import { at, invariant } from '@/core/base';
import { dot3, type Vector3 } from '@/core/geometry';
import type { Id } from '@/core/record';
import type { WorldPoint } from '@/core/space';
import { planeOf, type Body, type Edge, type Face, type Vertex } from './body';

interface FaceGiven {
  readonly id: Id;
  /** Names of the corners, outer loop first; each loop counter-clockwise seen from the side the normal points to, holes too. */
  readonly loops: readonly (readonly Id[])[];
  readonly normalToward: Vector3;
  readonly seen: Face['seen'];
  readonly belongsTo?: Id;
}

/** Collects vertices, faces and edges by name. Edges join the faces that name them. */
export class BodyBuilder {
  private readonly vertices: Vertex[] = [];
  private readonly index = new Map<Id, number>();
  private readonly faces: Face[] = [];
  private readonly edges: Edge[] = [];

  vertex(id: Id, point: WorldPoint): void {
    invariant(!this.index.has(id), `vertex ${id} is new`);
    this.index.set(id, this.vertices.length);
    this.vertices.push({ id, at: point });
  }

  face(given: FaceGiven): void {
    const loops = given.loops.map((loop) => loop.map((id) => this.indexOf(id)));
    const plane = planeOf(at(loops, 0).map((i) => at(this.vertices, i).at));
    // The loop's sense of turning is not trusted: the caller says which way the face looks.
    const sign = dot3(plane.normal, given.normalToward) >= 0 ? 1 : -1;
    const { normal } = plane;
    this.faces.push({
      id: given.id,
      loops,
      normal: { x: sign * normal.x, y: sign * normal.y, z: sign * normal.z },
      offset: sign * plane.offset,
      seen: given.seen,
      ...(given.belongsTo === undefined ? {} : { belongsTo: given.belongsTo }),
    });
  }

  edge(id: Id, from: Id, to: Id, faces: readonly Id[]): void {
    this.edges.push({ id, from: this.indexOf(from), to: this.indexOf(to), faces });
  }

  build(id: Id, kind: Body['kind'], name: string): Body {
    return { id, kind, name, vertices: this.vertices, faces: this.faces, edges: this.edges };
  }

  private indexOf(id: Id): number {
    const index = this.index.get(id);
    invariant(index !== undefined, `vertex ${id} is known`);
    return index;
  }
}
