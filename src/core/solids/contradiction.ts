import type { Change, Finding, Project } from '@/core/record';

/** One way out of a contradiction: what it does in words, and the change that does it. */
export interface Remedy {
  readonly label: string;
  readonly change: Change;
}

export interface Contradiction extends Omit<Finding, 'kind'> {
  readonly kind:
    | Finding['kind']
    | 'ceiling'
    | 'kind-refused'
    | 'through-wall'
    | 'through-piece'
    | 'divisions'
    | 'offsets-disagree'
    | 'stair-short'
    | 'floats'
    | 'too-fine'
    | 'nothing-laid'
    | 'in-doorway'
    | 'in-swing'
    | 'over-opening'
    | 'rooms-overlap';
  readonly remedies: readonly Remedy[];
}

export interface Reading {
  readonly project: Project;
  readonly show: (mm: number) => string;
  readonly print: (mm: number) => string;
}

/** Reaching into something by less than this is the thickness of paint and of a tape's reading, mm. */
export const LEAST_REACH_MM = 1;
