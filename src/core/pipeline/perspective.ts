import { composeDrawing, type Constructed, type Drawing, type LayersLaid } from '@/core/drawing';
import type { Id, MeasuredRoom, Project, View } from '@/core/record';
import { keepBodies, type BodiesKept, type Body } from '@/core/solids';
import type { Stand } from '@/core/view';
import {
  prepareBodies,
  sceneFrom,
  type PreparedBodies,
  type PreparedScene,
  type VisibleLines,
} from '@/core/visibility';

/** Made once per change of the record. */
export interface Scene {
  readonly bodies: readonly Body[];
  /** All bodies ready to be looked at together; put together when first asked for. */
  readonly prepared: PreparedScene;
  /** Edges: what a look at it costs grows in proportion to them. */
  readonly edgeCount: number;
  /** What the next scene takes over where nothing changed. */
  readonly kept: { readonly bodies: BodiesKept; readonly prepared: PreparedBodies };
}

/** The scene of a room; of an edited room, everything that the edit left alone is taken over from the scene before. */
export function sceneOf(project: MeasuredRoom, before?: Scene): Scene {
  const bodies = keepBodies(project, before?.kept.bodies);
  const prepared = prepareBodies(bodies.bodies, before?.kept.prepared);
  let together: PreparedScene | null = null;
  let edgeCount = 0;
  for (const one of prepared.values()) edgeCount += one.edges.length;
  return {
    bodies: bodies.bodies,
    get prepared() {
      together ??= sceneFrom(prepared);
      return together;
    },
    edgeCount,
    kept: { bodies, prepared },
  };
}

/** The sheet, with the construction up to a step where one is given. */
export function sheetOf(
  project: Project,
  view: View,
  scene: Scene,
  stand: Stand,
  lines: VisibleLines,
  pieceId: Id | null,
  construction?: Constructed & { readonly steps: number },
  laid?: LayersLaid,
): Drawing {
  return composeDrawing({
    project,
    view,
    ...stand,
    scene: scene.prepared,
    lines,
    pieceId,
    ...(laid ? { laid } : {}),
    ...(construction ? { construction } : {}),
  });
}
