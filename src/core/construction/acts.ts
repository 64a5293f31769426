import type { PaperMillimetres } from '@/core/units';
import { makes, type MarkId, type Operation } from './operation';

/** How well a person draws: standard deviations, mm on the paper. */
export interface HandPrecision {
  /** A mark set along the horizon, laid off, or pricked with dividers. */
  readonly markMm: PaperMillimetres;
  /** The straightedge, or a square, beside the mark it is laid on. */
  readonly ruleMm: PaperMillimetres;
  /** Step of the figures as they are printed: what is laid off is rounded to it. */
  readonly rulerStepMm: PaperMillimetres;
  /** The turn of a parallel drawn with two squares, radians. */
  readonly parallelRad: number;
}

/** A practised hand with an ordinary scale rule, to begin with. Source: geometry, Pencil error. */
export const ORDINARY_HAND: HandPrecision = { markMm: 0.2, ruleMm: 0.15, rulerStepMm: 0.5, parallelRad: 0 };

/** One independent thing the hand does: what it is, at which mark, and how much it misses by, as a standard deviation. */
export interface Act {
  readonly operation: number;
  /** Its number among the acts of its operation. */
  readonly act: number;
  readonly what: 'slide' | 'measure' | 'rule' | 'turn' | 'divide' | 'shift' | 'carry';
  readonly at: MarkId;
  /** mm, or radians for a turn. */
  readonly sigma: number;
}

/** The independent acts of an operation, in the order in which the machine asks for them. Source: construction, 5. */
export function actsOf(one: Operation, operation: number, hand: HandPrecision): readonly Act[] {
  const act = (what: Act['what'], at: MarkId, sigma: number, number: number): Act => ({
    operation,
    act: number,
    what,
    at,
    sigma,
  });
  switch (one.op) {
    case 'take':
      return one.slides === 'u' ? [act('slide', one.mark, hand.markMm, 0)] : [];
    case 'lay-off':
      // Rounding to a step is even over it: its deviation is a twelfth of the step's square, under the root.
      return [act('measure', one.mark, Math.sqrt(hand.markMm ** 2 + hand.rulerStepMm ** 2 / 12), 0)];
    case 'rule':
      return one.through.map((mark, i) => act('rule', mark, hand.ruleMm, i));
    case 'level':
    case 'upright':
      return [act('rule', one.through, hand.ruleMm, 0)];
    case 'parallel':
      return [act('rule', one.through, hand.ruleMm, 0), act('turn', one.through, hand.parallelRad, 1)];
    case 'transfer':
      return one.between.map((mark, i) => act('divide', mark, hand.markMm, i));
    case 'strip':
      return [
        act('shift', one.zero[0], hand.markMm, 0),
        ...makes(one).marks.map((mark, i) => act('carry', mark, hand.markMm, i + 1)),
      ];
    case 'cross':
    case 'curve':
      return [];
  }
}
