import type { WorldPoint } from '@/core/space';
import { eyePoint } from '@/core/space';
import { tolerance } from '@/core/numeric';
import { worldFromEye } from '@/core/view';
import { exactParts } from './exact-parts';
import { drawnWith, edgeSet, polygonsOf, presenceFrom } from './polygons';
import type { EdgeParts, Sight } from './polygon-set';
import { limbEdges, type PreparedEdge, type PreparedScene } from './scene';
import type { VisibleLinesMethod } from './visible-lines';

/** A scene as it is looked at from one place: its edges, then the limbs of its round faces as seen from there. */
export function* sceneParts(
  scene: PreparedScene,
  sight: Sight,
): Generator<number, { readonly parts: EdgeParts; readonly limbs: readonly PreparedEdge[] }> {
  const ready = polygonsOf(scene);
  const eye = sight.eye as WorldPoint;
  const limbs = limbEdges(scene, eye);
  const sets = limbs.length === 0 ? [ready.edges] : [ready.edges, edgeSet(limbs, (id) => ready.surfaces.get(id) ?? -1)];
  const presence = presenceFrom(ready, eye);
  const parts = yield* exactParts(ready.polygons, sets, presence.faces, drawnWith(sets, presence), sight);
  return { parts, limbs };
}

/** Visible and hidden parts of edges, arcs as chords, and limbs where the eye puts them. Source: geometry "Seeing, what hides". */
export const visibleLinesExact: VisibleLinesMethod = function* (scene, set, frame) {
  const { parts, limbs } = yield* sceneParts(scene, {
    eye: worldFromEye(set, eyePoint(0, 0, 0)),
    right: { x: set.right.x, y: set.right.y, z: 0 },
    up: { x: 0, y: 0, z: 1 },
    forward: { x: set.forward.x, y: set.forward.y, z: 0 },
    viewingDistance: set.viewingDistance,
    frame,
    near: tolerance.nearMm,
  });
  const { edgeIds } = polygonsOf(scene);
  return {
    edgeIds: limbs.length === 0 ? edgeIds : [...edgeIds, ...limbs.map((limb) => limb.id)],
    limbs,
    picture: parts.picture,
    along: parts.along,
    edge: parts.edge,
    seen: Uint8Array.from(parts.hiddenBy, (by) => (by < 0 ? 1 : 0)),
    hiddenBy: parts.hiddenBy,
  };
};
