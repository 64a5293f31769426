import { ok, type Result } from '@/core/base';
import { composeDrawing, type Drawing, type LayersLaid } from '@/core/drawing';
import {
  draft,
  operationsOf,
  planBox,
  type ConstructionError,
  type ConstructionPlan,
  type Drafted,
} from '@/core/construction';
import {
  footprintOf,
  levelOf,
  mmOf,
  pieceOf,
  type Id,
  type MeasuredRoom,
  type Project,
  type View,
} from '@/core/record';
import { boxBody, keepBodies, type BodiesKept, type Body } from '@/core/solids';
import { groupServing, placementOf, type Stand } from '@/core/view';
import {
  prepareBodies,
  sceneFrom,
  type PreparedBodies,
  type PreparedScene,
  type VisibleLines,
} from '@/core/visibility';
import { visiblePartsOf } from './visible-parts';

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

export interface Construction {
  readonly plan: ConstructionPlan;
  readonly drafted: Drafted;
}

export interface ConstructionRefusal {
  readonly reason: ConstructionError['reason'] | 'no-place' | 'cannot-be-drawn';
  readonly message: string;
}

/** The chosen piece's construction, carried out on paper. */
export function constructionOf(
  project: Project,
  view: View,
  pieceId: Id,
  scene: Scene,
  stand: Stand,
  lines: VisibleLines,
): Result<Construction, ConstructionRefusal> {
  const piece = pieceOf(project, pieceId);
  const footprint = footprintOf(project, piece);
  if (!footprint.ok) return { ok: false, error: { reason: 'no-place', message: footprint.error.message } };
  const made = scene.bodies.find((one) => one.id === pieceId);
  if (!made) return { ok: false, error: { reason: 'no-place', message: `${piece.name} has no body yet.` } };
  const floorZ = mmOf(levelOf(project, piece.levelId).elevation);
  // Crate first, then cut into it: of any kind but a box the crate is constructed, all of its edges.
  const isBox = made.edges.some((edge) => edge.role.is === 'crate');
  const body = isBox ? made : boxBody(piece, footprint.value, floorZ);
  const plan = planBox({
    setUp: stand.setUp,
    placement: placementOf(view),
    piece,
    footprint: footprint.value,
    body,
    floorZ,
    visible:
      body === made
        ? visiblePartsOf(lines, scene.prepared, stand.setUp)
        : new Map(body.edges.map((edge) => [edge.id, [[0, 1] as const]])),
    pointSuffix: groupServing(stand.setOut, pieceId)?.suffix ?? '',
  });
  if (!plan.ok) return plan;
  const paper = draft(operationsOf(plan.value));
  if (!paper.ok)
    return {
      ok: false,
      error: {
        reason: 'cannot-be-drawn',
        message: `${piece.name} cannot be constructed from here: ${paper.error.message} Move the station point a little.`,
      },
    };
  return ok({ plan: plan.value, drafted: paper.value });
}

/** The sheet, with the construction up to a step where one is given. */
export function sheetOf(
  project: Project,
  view: View,
  scene: Scene,
  stand: Stand,
  lines: VisibleLines,
  pieceId: Id | null,
  construction?: Construction & { readonly steps: number },
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
