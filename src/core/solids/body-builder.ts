import { tolerance } from '@/core/numeric';
import { at, invariant } from '@/core/base';
import { dot3, type Vector3 } from '@/core/geometry';
import type { Id } from '@/core/record';
import type { WorldPoint } from '@/core/space';
import type { Named } from './role';
import {
  circlePoint,
  planeOf,
  type ArcEdge,
  type Body,
  type Edge,
  type Face,
  type RoundFace,
  type Vertex,
} from './body';

/** A corner of a loop; `arc` names the arc edge that leads from it to the next corner. */
export interface LoopCorner {
  readonly corner: Id;
  readonly arc?: Id;
}

interface FaceGiven extends Named {
  readonly part: Id;
  /** Names of the corners, outer loop first, each in one sense of turning or the other. */
  readonly loops: readonly (readonly (Id | LoopCorner)[])[];
  readonly normalToward: Vector3;
  readonly seen: Face['seen'];
  readonly belongsTo?: readonly Id[];
}

const asCorner = (given: Id | LoopCorner): LoopCorner => (typeof given === 'string' ? { corner: given } : given);

/** Collects vertices, faces and edges by name. Edges join the faces that name them. */
export class BodyBuilder {
  private readonly vertices: Vertex[] = [];
  private readonly index = new Map<Id, number>();
  private readonly faces: Face[] = [];
  private readonly edges: Edge[] = [];
  private readonly arcs = new Map<Id, ArcEdge>();
  private readonly rounds: RoundFace[] = [];

  vertex({ id, role }: Named, point: WorldPoint): void {
    invariant(!this.index.has(id), `vertex ${id} is new`);
    this.index.set(id, this.vertices.length);
    this.vertices.push({ id, role, at: point });
  }

  has(id: Id): boolean {
    return this.index.has(id);
  }

  pointOf(id: Id): WorldPoint {
    return at(this.vertices, this.indexOf(id)).at;
  }

  /** Arcs come before the faces they bound: a face's plane is found from points on them too. */
  arc(arc: ArcEdge): void {
    this.arcs.set(arc.id, arc);
  }

  round(face: Omit<RoundFace, 'belongsTo'> & { readonly belongsTo?: readonly Id[] }): void {
    this.rounds.push({ ...face, belongsTo: face.belongsTo ?? [] });
  }

  face(given: FaceGiven): void {
    const corners = given.loops.map((loop) => loop.map(asCorner));
    const loops = corners.map((loop) => loop.map(({ corner }) => this.indexOf(corner)));
    const bends = corners.flatMap((loop, number) =>
      loop.flatMap(({ arc }, after) => (arc === undefined ? [] : [{ loop: number, after, arc }])),
    );
    const plane = planeOf(this.outline(at(corners, 0)));
    // The loop's sense of turning is not trusted: the caller says which way the face looks.
    const sign = dot3(plane.normal, given.normalToward) >= 0 ? 1 : -1;
    const { normal } = plane;
    this.faces.push({
      id: given.id,
      role: given.role,
      part: given.part,
      loops,
      bends,
      normal: { x: sign * normal.x, y: sign * normal.y, z: sign * normal.z },
      offset: sign * plane.offset,
      seen: given.seen,
      belongsTo: given.belongsTo ?? [],
    });
  }

  edge({ id, role }: Named, from: Id, to: Id, faces: readonly Id[]): void {
    this.edges.push({ id, role, from: this.indexOf(from), to: this.indexOf(to), faces });
  }

  build(id: Id, kind: Body['kind'], name: string): Body {
    const { vertices, faces, edges, rounds } = this;
    return { id, kind, name, vertices, faces, edges, rounds, arcs: [...this.arcs.values()] };
  }

  /** Corners of a loop, with three points of each arc between: enough to fix its plane. */
  private outline(loop: readonly LoopCorner[]): WorldPoint[] {
    return loop.flatMap(({ corner, arc }) => {
      const start = this.pointOf(corner);
      const bent = arc === undefined ? undefined : this.arcs.get(arc);
      if (!bent) return [start];
      const angles = [1, 2, 3].map((i) => bent.from + ((bent.to - bent.from) * i) / 4);
      const points = angles.map((angle) => circlePoint(bent.circle, angle));
      const near = (p: WorldPoint): number => Math.hypot(p.x - start.x, p.y - start.y, p.z - start.z);
      const [first, , last] = points;
      const whole = bent.to - bent.from > 2 * Math.PI - tolerance.wholeTurnRad;
      return [start, ...(!whole && first && last && near(last) < near(first) ? points.reverse() : points)];
    });
  }

  private indexOf(id: Id): number {
    const index = this.index.get(id);
    invariant(index !== undefined, `vertex ${id} is known`);
    return index;
  }
}
