import { tolerance } from '@/core/numeric';
import type { Id } from '@/core/record';
import type { ViewChange } from './view-change';

export type ViewWarningKind =
  | 'viewing-distance'
  | 'behind-eye'
  | 'outside-cone'
  | 'frame-outside-cone'
  | 'eye-level'
  | 'edge-on'
  | 'one-line'
  | 'corridor'
  | 'shallow-box'
  | 'over-margins'
  | 'out-of-reach';

/** Something about where one stands that spoils the drawing. `about` names the thing to ring, if any. */
export interface ViewWarning {
  readonly kind: ViewWarningKind;
  readonly about: Id | null;
  /** Further things that are ringed with it. */
  readonly also?: readonly Id[];
  readonly message: string;
  /** What makes it go, worked out; taken with one click. */
  readonly remedies: readonly { readonly label: string; readonly change: ViewChange }[];
}

/** A pencil's line on paper, mm: what lies closer together than this is drawn as one line. */
export const PENCIL_LINE_MM = 0.5;
/** What a remedy brings it to: clearly two lines. */
export const CLEAR_MM = 2;

/** Rounded outward to what a person would pace off or set: whole centimetres, or half inches. */
export function roundedOut(mm: number, units: 'metric' | 'imperial'): number {
  const step = units === 'imperial' ? 12.7 : 10;
  return Math.sign(mm) * Math.ceil(Math.abs(mm) / step - tolerance.wholeNumber) * step;
}
