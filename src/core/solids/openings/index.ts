import { archway } from './archway';
import { closet } from './closet';
import { door } from './door';
import { hatch } from './hatch';
import { niche } from './niche';
import type { OpeningKind } from './opening-kind';
import { window } from './window';

/** Every kind of opening, in the order of the template sheet. */
export const OPENINGS: readonly OpeningKind[] = [door, window, archway, niche, closet, hatch];

export const openingKindOf = (id: string): OpeningKind | undefined => OPENINGS.find((one) => one.id === id);

export type { Fitted, OpeningKind, OpenLeaf, Sweep } from './opening-kind';
export { trimWidthOf } from './trim';
