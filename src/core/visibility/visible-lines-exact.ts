import type { WorldPoint } from '@/core/space';
import { eyePoint } from '@/core/space';
import { tolerance } from '@/core/numeric';
import { worldFromEye, type SetUp } from '@/core/view';
import type { Frame, Id } from '@/core/record';
import { framedSpans } from './framed-spans';
import { curveParts } from './curve-parts';
import { edgeParts, lookAt } from './exact-parts';
import { curvesDrawnWith, curveSet, drawnWith, edgeSet, polygonsOf, presenceFrom } from './polygons';
import type { CurveParts, EdgeParts, Sight } from './polygon-set';
import { curvesThrough, edgesThrough, seenThrough } from './seen-through';
import { silhouetteLines, type PreparedCurve, type PreparedEdge, type PreparedScene } from './scene';
import type { VisibleCurves, VisibleLinesMethod } from './visible-lines';

export interface SceneParts {
  readonly parts: EdgeParts;
  readonly curveParts: CurveParts;
  readonly silhouettes: readonly PreparedEdge[];
  readonly silhouetteCurves: readonly PreparedCurve[];
}

/**
 * A scene as it is looked at from one place: its edges and curves, then the silhouettes of its round faces as seen from there.
 * @param room the room the view is of, where it is of one: what lies in others is seen through its openings only.
 */
export function* sceneParts(scene: PreparedScene, sight: Sight, room?: Id): Generator<number, SceneParts> {
  const ready = polygonsOf(scene);
  const eye = sight.eye as WorldPoint;
  const silhouettes = silhouetteLines(scene, eye);
  const surfaceOf = (id: string): number => ready.surfaces.get(id) ?? -1;
  const edgeSets =
    silhouettes.edges.length === 0 ? [ready.edges] : [ready.edges, edgeSet(silhouettes.edges, surfaceOf)];
  const curveSets =
    silhouettes.curves.length === 0 ? [ready.curves] : [ready.curves, curveSet(silhouettes.curves, surfaceOf)];
  const presence = presenceFrom(ready, eye, room);
  const asked =
    edgeSets.reduce((sum, one) => sum + one.count, 0) + curveSets.reduce((sum, one) => sum + one.conics.length, 0);
  const lines = {
    edges: [...scene.edges, ...silhouettes.edges],
    curves: [...scene.curves, ...silhouettes.curves],
    ...{ edgeSets, curveSets },
  };
  const through = yield* seenThrough(scene, room, sight, lines);
  const there = through ? presence.faces.map((is, f) => is & (through.faces[f] as number)) : presence.faces;
  const looked = yield* lookAt(ready.polygons, there, sight, asked);
  const parts = yield* edgeParts(looked, edgeSets, drawnWith(edgeSets, presence));
  const curves = yield* curveParts(looked, curveSets, curvesDrawnWith(curveSets, presence));
  return {
    parts: through ? edgesThrough(through, parts, lines, sight) : parts,
    curveParts: through ? curvesThrough(through, curves) : curves,
    silhouettes: silhouettes.edges,
    silhouetteCurves: silhouettes.curves,
  };
}

/** Where a set-up's eye is and looks. */
export const sightOf = (setUp: SetUp, frame: Frame): Sight => ({
  eye: worldFromEye(setUp, eyePoint(0, 0, 0)),
  right: { x: setUp.right.x, y: setUp.right.y, z: 0 },
  up: { x: 0, y: 0, z: 1 },
  forward: { x: setUp.forward.x, y: setUp.forward.y, z: 0 },
  viewingDistance: setUp.viewingDistance,
  frame,
  near: tolerance.nearMm,
});

/** All curves as far as they lie in the frame, nothing hidden: the quick picture's. */
export function framedCurves(scene: PreparedScene, setUp: SetUp, frame: Frame): VisibleCurves {
  const sight = sightOf(setUp, frame);
  const rows = scene.curves.flatMap(({ conic, from, to }, curve) =>
    framedSpans(conic, from, to, sight).map((span) => ({ curve, span })),
  );
  return {
    silhouettes: [],
    curve: Int32Array.from(rows, (row) => row.curve),
    range: Float64Array.from(rows.flatMap((row) => row.span)),
    seen: new Uint8Array(rows.length).fill(1),
    hiddenBy: new Int32Array(rows.length).fill(-1),
  };
}

/** Visible and hidden parts of edges, curves, and silhouettes where the eye puts them. Source: geometry "Seeing, what hides". */
export const visibleLinesExact: VisibleLinesMethod = function* (scene, setUp, frame) {
  const { parts, curveParts, silhouettes, silhouetteCurves } = yield* sceneParts(
    scene,
    sightOf(setUp, frame),
    setUp.room,
  );
  return {
    silhouettes,
    picture: parts.picture,
    along: parts.along,
    edge: parts.edge,
    seen: Uint8Array.from(parts.hiddenBy, (by) => (by < 0 ? 1 : 0)),
    hiddenBy: parts.hiddenBy,
    curves: {
      silhouettes: silhouetteCurves,
      curve: curveParts.curve,
      range: curveParts.range,
      seen: Uint8Array.from(curveParts.hiddenBy, (by) => (by < 0 ? 1 : 0)),
      hiddenBy: curveParts.hiddenBy,
    },
  };
};
