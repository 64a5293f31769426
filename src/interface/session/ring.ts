import {
  partRings,
  toldOfRecord,
  toldOfView,
  type Change,
  type Id,
  type Project,
  type RingsParted,
  type RingTold,
  type View,
} from '@/core/record';
import type { Contradiction } from '@/core/solids';
import type { ViewWarning } from '@/core/view';

/** What is ringed on the drawing: a contradiction of the record or a warning about where one stands, each with its ways out. */
export interface Ring {
  readonly kind: Contradiction['kind'] | ViewWarning['kind'];
  readonly about: Id | null;
  /** Further things that are ringed with it. */
  readonly also?: readonly Id[];
  readonly message: string;
  readonly remedies: readonly { readonly label: string; readonly change: Change }[];
  /** What makes it the same ring tomorrow. */
  readonly told: RingTold;
}

/** Rings of a drawing: those to be looked at, and those laid aside. */
export type Rings = RingsParted<Ring>;

export const NO_RINGS: Rings = { open: [], aside: [] };

/** Contradictions of the record and warnings of a view, those laid aside by themselves. */
export function ringsOf(
  project: Project,
  contradictions: readonly Contradiction[],
  warned: { readonly view: View; readonly warnings: readonly ViewWarning[] } | null,
): Rings {
  const rings: Ring[] = contradictions.map((one) => ({ ...one, told: toldOfRecord(one) }));
  if (warned) rings.push(...warned.warnings.map((one) => ringOfWarning(warned.view, one)));
  return partRings(rings, (ring) => ring.told, project);
}

const ringOfWarning = (view: View, warning: ViewWarning): Ring => ({
  ...warning,
  told: toldOfView(view, warning),
  remedies: warning.remedies.map(({ label, change }) => ({
    label,
    change: { kind: 'change-view', viewId: view.id, fields: change },
  })),
});
