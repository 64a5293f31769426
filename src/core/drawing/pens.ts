import type { EdgeClass, Stroke, StrokeFamily, StrokeWeight } from './drawing';

/** A pen: colour on white paper, dash in mm (empty for a full line). */
export interface Pen {
  readonly colour: string;
  readonly dashMm: readonly number[];
}

/** One colour and one dash for each family, told apart without colour by the dash. Used by every output; looks may darken or lighten. */
export const FAMILY_PENS: Readonly<Record<StrokeFamily, Pen>> = {
  right: { colour: '#8a4b6e', dashMm: [6, 1.2] },
  left: { colour: '#2f6f73', dashMm: [3, 1.2] },
  centre: { colour: '#8a4b6e', dashMm: [6, 1.2] },
  elsewhere: { colour: '#7a6a1f', dashMm: [4, 1, 1, 1] },
  round: { colour: '#5f6a3c', dashMm: [2.4, 0.8, 0.8, 0.8] },
  vertical: { colour: '#4a4a46', dashMm: [] },
  level: { colour: '#5b6b83', dashMm: [1.6, 1] },
  measuring: { colour: '#a5521c', dashMm: [0.5, 1.1] },
  ray: { colour: '#a08a5c', dashMm: [2, 1, 0.5, 1] },
  sheet: { colour: '#6b675e', dashMm: [] },
};

/** Line widths on paper, mm: a soft pencil for what stays, a hard one for construction. */
export const WEIGHT_MM: Readonly<Record<StrokeWeight, number>> = {
  firm: 0.5,
  faint: 0.18,
  hidden: 0.13,
  hairline: 0.1,
};

/** Pens of what stays: the profile firmest, what lies within it lighter, patterns lighter still; in a crowd as patterns, or half of that. */
export const EDGE_MM: Readonly<Record<EdgeClass, number>> = {
  profile: 0.5,
  inner: 0.35,
  pattern: 0.18,
  crowded: 0.18,
  dense: 0.09,
};

export const widthMm = ({ weight, edge }: Pick<Stroke, 'weight' | 'edge'>): number =>
  weight === 'firm' && edge ? EDGE_MM[edge] : WEIGHT_MM[weight];

/** What stays is drawn in graphite, whatever its family; what is hidden is dotted. */
export const GRAPHITE = '#2b2a27';
export const HIDDEN_DASH_MM: readonly number[] = [0.8, 1.2];

export function penFor(family: StrokeFamily, weight: StrokeWeight): Pen {
  if (weight === 'firm') return { colour: GRAPHITE, dashMm: [] };
  if (weight === 'hidden') return { colour: FAMILY_PENS[family].colour, dashMm: HIDDEN_DASH_MM };
  return FAMILY_PENS[family];
}
