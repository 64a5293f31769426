/** Lengths of real things, in millimetres. */
export type Millimetres = number;
/** Lengths on the paper, in millimetres. At scale 1:N one paper millimetre in the picture plane stands for N real ones. */
export type PaperMillimetres = number;
/** Angles inside the core. */
export type Radians = number;
/** Angles where a person sees or stores them. */
export type Degrees = number;

export type UnitSystem = 'metric' | 'imperial';
/** The smallest division of an inch shown. */
export type InchFraction = 8 | 16 | 32 | 64;

export const MM_PER_INCH = 25.4;
export const INCHES_PER_FOOT = 12;
