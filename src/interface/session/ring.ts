import type { Change, Id } from '@/core/record';
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
}

export const ringOfWarning = (viewId: Id, warning: ViewWarning): Ring => ({
  ...warning,
  remedies: warning.remedies.map(({ label, change }) => ({
    label,
    change: { kind: 'change-view', viewId, fields: change },
  })),
});
