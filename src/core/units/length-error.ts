/** Why a typed length was refused. Closed: every reader can handle each. */
export type LengthErrorReason =
  | 'empty'
  | 'not-a-length'
  | 'ambiguous-comma'
  | 'several-commas'
  | 'exponent'
  | 'inches-over-eleven'
  | 'fraction-of-feet-with-inches'
  | 'zero-denominator'
  | 'improper-fraction'
  | 'fraction-without-inch-mark'
  | 'unit-missing-in-product'
  | 'not-positive'
  | 'out-of-range';

export interface LengthError {
  readonly reason: LengthErrorReason;
  /** What was typed. */
  readonly text: string;
  /** Says what is wrong and shows the right form. */
  readonly message: string;
  /** Right forms a person can take with one click; empty when none can be guessed. */
  readonly offers: readonly string[];
}
