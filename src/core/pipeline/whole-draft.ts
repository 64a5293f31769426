import {
  draftWhole,
  ORDINARY_HAND,
  wholePlan,
  type Order,
  type WholePlan,
  type HandPrecision,
  type Targets,
  type WholeDraft,
} from '@/core/construction';
import type { Id, Project, View } from '@/core/record';
import type { Body } from '@/core/solids';
import { MM_PER_INCH, type PaperMillimetres } from '@/core/units';
import { eyeFromWorld, type SetUp } from '@/core/view';
import type { VisibleLines } from '@/core/visibility';
import type { Scene } from './perspective';
import { boardAbout, targetsOf } from './targets';

/** Nearer together than this nothing is measured, mm on paper, to begin with. */
export const DETAIL_MM: PaperMillimetres = 2;

/** An ordinary hand with the project's own ruler. */
export const handWith = ({ units, fractions, rulerStepMm }: Project): HandPrecision => ({
  ...ORDINARY_HAND,
  rulerStepMm: units === 'imperial' ? MM_PER_INCH / fractions.ruler : rulerStepMm,
});

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
  { hand = handWith(project), detailMm = DETAIL_MM }: WholeWays = {},
): { readonly targets: Targets; readonly whole: WholeDraft } {
  const order = thingsInOrder(project, scene.bodies, setUp);
  const targets = targetsOf(scene.prepared, lines, setUp, view, detailMm, new Set(order));
  const whole = draftWhole({
    ...{ setUp, hand, targets, order },
    table: { board: boardAbout(view), straightedgeMm: view.straightedge },
    frame: view.frame,
  });
  return { targets, whole };
}

/** The whole drawing as a plan in one of the two orders, told with the names of the record. */
export function wholePlanOf(
  project: Project,
  view: View,
  scene: Scene,
  setUp: SetUp,
  lines: VisibleLines,
  ways: WholeWays & { readonly order: Order },
): { readonly plan: WholePlan; readonly whole: WholeDraft; readonly targets: Targets } {
  const { whole, targets } = wholeDraftOf(project, view, scene, setUp, lines, ways);
  const { spaces, openings, surfaces, pieces } = project;
  const names = new Map([...spaces, ...openings, ...surfaces, ...pieces].map((one) => [one.id, one.name]));
  const nameOf = (id: Id): string => names.get(id) ?? 'the room';
  return { plan: wholePlan(whole, { order: ways.order, byEye: targets.byEye, setUp, nameOf }), whole, targets };
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
