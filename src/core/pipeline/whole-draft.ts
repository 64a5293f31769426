import { draftWhole, ORDINARY_HAND, type HandPrecision, type Targets, type WholeDraft } from '@/core/construction';
import type { Id, Project, View } from '@/core/record';
import type { Body } from '@/core/solids';
import type { PaperMillimetres } from '@/core/units';
import { eyeFromWorld, type SetUp } from '@/core/view';
import type { VisibleLines } from '@/core/visibility';
import type { Scene } from './perspective';
import { boardAbout, targetsOf } from './targets';

/** Nearer together than this nothing is measured, mm on paper, to begin with. */
export const DETAIL_MM: PaperMillimetres = 2;

/** How a whole drawing is made: by whose hand, and how finely. */
export interface WholeWays {
  readonly hand?: HandPrecision;
  readonly detailMm?: PaperMillimetres;
}

/** Everything that is seen, drawn from the plan, with what it was to reach. */
export function wholeDraftOf(
  project: Project,
  view: View,
  scene: Scene,
  setUp: SetUp,
  lines: VisibleLines,
  { hand = ORDINARY_HAND, detailMm = DETAIL_MM }: WholeWays = {},
): { readonly targets: Targets; readonly whole: WholeDraft } {
  const targets = targetsOf(scene.prepared, lines, setUp, view, detailMm);
  const whole = draftWhole({
    ...{ setUp, hand, targets },
    table: { board: boardAbout(view), straightedgeMm: view.straightedge },
    frame: view.frame,
    order: thingsInOrder(project, scene.bodies, setUp),
  });
  return { targets, whole };
}

/** Rooms, what is in their walls, what lies on them; then the pieces from far to near. */
function thingsInOrder(
  { spaces, openings, surfaces, pieces }: Project,
  bodies: readonly Body[],
  setUp: SetUp,
): readonly Id[] {
  const depths = new Map(
    bodies.map((body) => [body.id, Math.max(...body.vertices.map(({ at }) => eyeFromWorld(setUp, at).depth))]),
  );
  const farFirst = [...pieces].sort((a, b) => (depths.get(b.id) ?? 0) - (depths.get(a.id) ?? 0));
  return [...spaces, ...openings, ...surfaces, ...farFirst].map((one) => one.id);
}
