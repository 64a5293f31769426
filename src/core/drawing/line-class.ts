import type { Vector3 } from '@/core/geometry';
import type { Id } from '@/core/record';
import type { WorldPoint } from '@/core/space';
import {
  outerSide,
  spaceConicPoint,
  type LineRole,
  type PreparedCurve,
  type PreparedEdge,
  type PreparedFace,
  type PreparedScene,
} from '@/core/visibility';
import type { EdgeClass } from './drawing';

/** Places along a curve at which its class is looked at before the changes between them are found. */
const PLACES = 24;

/** Faces by name, once for each scene: every look at it asks for them. */
const facesOf = new WeakMap<PreparedScene, ReadonlyMap<Id, PreparedFace>>();

/**
 * Of what kind a line is to the eye: a profile where one of its faces is turned away, so that beside it something farther is seen; an inner edge
 * where both faces are; a pattern on its surface. Sides are told at a point of the line: along the rim of something round they change.
 */
export class LineClasses {
  private readonly faces: ReadonlyMap<Id, PreparedFace>;

  constructor(
    scene: PreparedScene,
    private readonly eye: WorldPoint,
    private readonly patterns: ReadonlySet<Id>,
  ) {
    let faces = facesOf.get(scene);
    if (!faces) facesOf.set(scene, (faces = new Map(scene.faces.map((one) => [one.face.id, one]))));
    this.faces = faces;
  }

  ofEdge({ role, body, faces, from, to }: PreparedEdge): EdgeClass {
    return this.at(role, body, faces, {
      x: (from.x + to.x) / 2,
      y: (from.y + to.y) / 2,
      z: (from.z + to.z) / 2,
    });
  }

  /** A curve between two angles, cut where its class changes: pairs of an angle up to which and the class. */
  ofCurve(
    { role, body, faces, conic }: PreparedCurve,
    from: number,
    to: number,
  ): readonly (readonly [number, EdgeClass])[] {
    const at = (angle: number): EdgeClass => this.at(role, body, faces, spaceConicPoint(conic, angle));
    const first = at(from + (to - from) * 0.5);
    if (this.patterns.has(body) || faces.length < 2 || role.line === 'crossing') return [[to, first]];
    const parts: [number, EdgeClass][] = [];
    let [angle, now] = [from, at(from + (to - from) * 1e-6)];
    for (let i = 1; i <= PLACES; i += 1) {
      const next = i === PLACES ? to - (to - from) * 1e-6 : from + ((to - from) * i) / PLACES;
      const there = at(next);
      if (there !== now) {
        let [low, high] = [angle, next];
        for (let step = 0; step < 50; step += 1) {
          const middle = (low + high) / 2;
          if (at(middle) === now) low = middle;
          else high = middle;
        }
        parts.push([(low + high) / 2, now]);
        now = there;
      }
      angle = next;
    }
    parts.push([to, now]);
    return parts;
  }

  private at(role: LineRole, body: Id, faces: readonly Id[], point: Vector3): EdgeClass {
    if (this.patterns.has(body)) return 'pattern';
    if (role.line === 'crossing') return 'inner';
    if (faces.length < 2) return 'profile';
    let facing = 0;
    for (const name of faces) {
      const face = this.faces.get(name);
      if (face && outerSide(face, point, this.eye)) facing += 1;
    }
    return facing === 1 ? 'profile' : 'inner';
  }
}
