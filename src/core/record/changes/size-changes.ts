import { claimSize, correctSize, putInForce, resize } from '../edits';
import { movedSize, settledSize, sizeSource, withdrawClaim } from '../piece-edits';
import type { Id, NewClaim, Source } from '../size';
import type { Handlers } from './handlers';

/** Changes of one size, wherever it stands. */
export interface SizeChanges {
  /** Corrects the figure in force, keeping its source. */
  readonly 'correct-size': { readonly sizeId: Id; readonly mm: number; readonly asTyped: string };
  /** Puts a new claim in force beside what was said before. */
  readonly 'claim-size': { readonly sizeId: Id; readonly claim: NewClaim };
  readonly 'put-in-force': { readonly sizeId: Id; readonly claimId: Id };
  readonly 'withdraw-claim': { readonly sizeId: Id; readonly claimId: Id };
  /** Says where the figure in force comes from; without an uncertainty, the one usual for that source. */
  readonly 'source-size': { readonly sizeId: Id; readonly source: Source; readonly uncertaintyMm?: number };
  /** Decides a size anew: the figure in force gives way to an estimate. */
  readonly 'settle-size': { readonly sizeId: Id; readonly mm: number };
  /** A size changed by eye: an estimate beside what was measured. */
  readonly 'move-size': { readonly sizeId: Id; readonly mm: number };
}

export const SIZE_CHANGES: Handlers<SizeChanges> = {
  'correct-size': (project, { sizeId, mm, asTyped }) => correctSize(project, sizeId, { mm, asTyped }),
  'claim-size': (project, { sizeId, claim }) => claimSize(project, sizeId, claim),
  'put-in-force': (project, { sizeId, claimId }) => putInForce(project, sizeId, claimId),
  'withdraw-claim': (project, { sizeId, claimId }) => withdrawClaim(project, sizeId, claimId),
  'source-size': (project, { sizeId, source, uncertaintyMm }) => sizeSource(project, sizeId, source, uncertaintyMm),
  'settle-size': (project, { sizeId, mm }, print) =>
    resize(project, sizeId, mm, (size) => settledSize(size, mm, print)),
  'move-size': (project, { sizeId, mm }, print) => resize(project, sizeId, mm, (size) => movedSize(size, mm, print)),
};
