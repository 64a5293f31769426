import { drain, inPart } from '@/core/base';
import { composeDrawing, type Constructed, type Drawing, type LayersLaid } from '@/core/drawing';
import type { Id, MeasuredRoom, Project, View } from '@/core/record';
import { keepBodies, keepBodiesInSteps, type BodiesKept, type Body } from '@/core/solids';
import type { Stand } from '@/core/view';
import {
  prepareBodies,
  prepareBodiesInSteps,
  sceneFrom,
  sceneFromInSteps,
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
  readonly kept: {
    readonly bodies: BodiesKept;
    /** Each body ready to be looked at. */
    readonly prepared: PreparedBodies;
    /** The same as far as it is made: what is not asked for of one scene is not made for the next. */
    readonly made: PreparedBodies;
  };
}

/**
 * The scene of a room; of an edited room, everything that the edit left alone is taken over from the scene before, and what the edit made anew is made
 * ready when first asked for: the plan is painted without it.
 */
export function sceneOf(project: MeasuredRoom, before?: Scene): Scene {
  if (!before) return drain(sceneInSteps(project));
  const bodies = keepBodies(project, before.kept.bodies);
  return sceneWith(bodies, before.kept.made, null);
}

/**
 * The same in small steps, put together as well: nothing of it is left to be made at once. Yields what part of the work is done. For large rooms, of
 * which the whole takes longer than anybody can be kept waiting without a word.
 */
export function* wholeSceneInSteps(project: MeasuredRoom, before?: Scene): Generator<number, Scene> {
  const scene = yield* inPart(sceneInSteps(project, before), 0, 0.8);
  // Put together once in steps, it is put together at once the next time: bodies keep their lines of intersection.
  yield* inPart(sceneFromInSteps(scene.kept.prepared), 0.8, 0.2);
  return scene;
}

function* sceneInSteps(project: MeasuredRoom, before?: Scene): Generator<number, Scene> {
  const bodies = yield* inPart(keepBodiesInSteps(project, before?.kept.bodies), 0, 0.6);
  const prepared = yield* inPart(prepareBodiesInSteps(bodies.bodies, before?.kept.made), 0.6, 0.4);
  return sceneWith(bodies, prepared, prepared);
}

/** @param known what is ready of these bodies or of those before; @param all what is ready of these, where it is. */
function sceneWith(bodies: BodiesKept, known: PreparedBodies, all: PreparedBodies | null): Scene {
  let made = known;
  let prepared = all;
  let together: PreparedScene | null = null;
  let edgeCount = 0;
  // Of what is not ready all edges count, also those between parts that lie in one plane.
  for (const body of bodies.bodies) edgeCount += (known.get(body) ?? body).edges.length;
  const ready = (): PreparedBodies => (made = prepared ??= prepareBodies(bodies.bodies, made));
  return {
    bodies: bodies.bodies,
    get prepared() {
      together ??= sceneFrom(ready());
      return together;
    },
    edgeCount,
    kept: {
      bodies,
      get prepared() {
        return ready();
      },
      get made() {
        return made;
      },
    },
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
