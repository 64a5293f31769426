import { ORDER_WORDS, stillToDraw, type Order, type Pace, type StillToDraw, type WholePlan } from '@/core/construction';
import { laidStrokes, planChange, type LaidStroke, type PlanChange } from '@/core/drawing';
import { playerData, type PlayerData } from '@/core/formats/player';
import { planStrokes, type PlannedView, type Scene } from '@/core/pipeline';
import { lengthStyleOf, type Project, type SchoolName, type View } from '@/core/record';
import type { SetUp } from '@/core/view';

/** A plan as it was taken to the board: it stays so, whatever becomes of its view and its record. */
export interface FrozenPlan {
  /** Told from its strokes: what lies on the paper by it. */
  readonly digest: string;
  /** ISO date and time. */
  readonly frozenAt: string;
  /** The record it was made from, as a digest. */
  readonly record: string;
  readonly school: SchoolName;
  readonly order: Order;
  readonly strokes: readonly LaidStroke[];
  /** Its steps as they are read without the application. */
  readonly page: PlayerData;
  /** Strokes that nothing rested on which was still to be drawn, when it was gone on by. */
  readonly spare: readonly string[];
}

export interface FrozenGiven {
  readonly project: Project;
  readonly view: View;
  readonly setUp: SetUp;
  readonly scene: Scene;
  readonly planned: PlannedView;
  readonly order: Order;
  readonly at: Date;
  /** What is not asked for any more. */
  readonly spare?: readonly string[];
  /** Strokes as they were laid out already. */
  readonly strokes?: readonly LaidStroke[];
}

/** A plan as it is now, to be kept. */
export function frozenPlan({
  project,
  view,
  setUp,
  scene,
  planned,
  order,
  at,
  spare = [],
  strokes,
}: FrozenGiven): FrozenPlan {
  const constructed = { plan: planned.plans[order], paper: planned.paper };
  const own = strokes ?? laidStrokes(view, setUp, constructed);
  const digest = digestOf(own);
  return {
    ...{ digest, frozenAt: at.toISOString(), record: digestOfText(JSON.stringify(project)), order, spare },
    school: constructed.plan.school,
    strokes: own.map(rounded),
    page: playerData({
      ...{ projectId: project.id, view, digest, constructed, drawn: [] },
      title: `${project.name}: ${view.name}, ${ORDER_WORDS[order]}`,
      plan: planStrokes(view, setUp, scene, planned.paper),
      style: lengthStyleOf(project),
    }),
  };
}

/** What became of a plan at the board since. */
export interface SinceFrozen {
  /** Null while the plan is the one that was taken to the board. */
  readonly change: PlanChange | null;
  readonly still: StillToDraw | null;
  /** Strokes of the plan as it is now that are drawn, and rightly. */
  readonly drawn: ReadonlySet<string>;
  /** Strokes of it that are not drawn and need not be. */
  readonly spare: ReadonlySet<string>;
}

const NONE: ReadonlySet<string> = new Set();

/** @param ticks names of strokes of the frozen plan that are drawn. @param strokes of the plan as it is now. */
export function sinceFrozen(
  frozen: Pick<FrozenPlan, 'digest' | 'strokes' | 'spare'> | null,
  ticks: readonly string[],
  plan: WholePlan,
  strokes: readonly LaidStroke[],
  pace: Pace,
): SinceFrozen {
  const drawn = new Set(ticks);
  if (!frozen) return { change: null, still: null, drawn, spare: NONE };
  if (frozen.digest === digestOf(strokes)) return { change: null, still: null, drawn, spare: new Set(frozen.spare) };
  const change = planChange(frozen.strokes, strokes, (id) => drawn.has(id));
  const still = stillToDraw(plan, (id) => change.kept.has(id), pace);
  const spare = strokes.flatMap(({ id }) => (change.kept.has(id) || still.strokes.has(id) ? [] : [id]));
  return { change, still, drawn: change.kept, spare: new Set(spare) };
}

const digests = new WeakMap<readonly LaidStroke[], string>();

/** The same for the same strokes, in whatever order they are drawn. */
function digestOf(strokes: readonly LaidStroke[]): string {
  const known = digests.get(strokes);
  if (known !== undefined) return known;
  const told = strokes.map(
    ({ id, chains }) => `${id} ${chains.map((chain) => chain.map(hundredths).join()).join(';')}`,
  );
  const digest = digestOfText(told.sort().join('\n'));
  digests.set(strokes, digest);
  return digest;
}

const hundredths = (mm: number): number => Math.round(mm * 100);
const thousandths = (mm: number): number => Math.round(mm * 1000) / 1000;
const rounded = (one: LaidStroke): LaidStroke => ({
  ...one,
  chains: one.chains.map((chain) => chain.map(thousandths)),
});

/** FNV-1a, 64 bits in two halves. Source: Fowler, Noll and Vo. */
function digestOfText(text: string): string {
  let [a, b] = [0x811c9dc5, 0xc9dc5118];
  for (let i = 0; i < text.length; i += 1) {
    const code = text.charCodeAt(i);
    a = Math.imul(a ^ code, 0x01000193);
    b = Math.imul(b ^ (code + i), 0x01000193);
  }
  return [a, b].map((half) => (half >>> 0).toString(16).padStart(8, '0')).join('');
}
