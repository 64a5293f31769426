import { finite, roundEven } from '@/core/numeric';
import {
  INCHES_PER_FOOT,
  MM_PER_INCH,
  type InchFraction,
  type Millimetres,
  type PaperMillimetres,
  type UnitSystem,
} from './quantity';

/** How a project shows lengths. */
export interface LengthStyle {
  readonly units: UnitSystem;
  /** Smallest inch division for real sizes. */
  readonly realFraction: InchFraction;
  /** The user's ruler: smallest division read on paper, in mm (metric) or as an inch fraction (imperial). */
  readonly rulerStepMm: 1 | 0.5 | 0.1;
  readonly rulerFraction: InchFraction;
}

export const METRIC_STYLE: LengthStyle = { units: 'metric', realFraction: 16, rulerStepMm: 0.1, rulerFraction: 32 };
export const IMPERIAL_STYLE: LengthStyle = { units: 'imperial', realFraction: 8, rulerStepMm: 0.1, rulerFraction: 32 };

// A no-break space: the narrow one is all but invisible in a condensed face.
const GROUP = '\u00a0';
const MINUS = '−';

const grouped = (digits: string): string => digits.replace(/\B(?=(\d{3})+(?!\d))/g, GROUP);

function decimal(value: number, decimals: number): string {
  // Scaled first, so that 0.25 at one decimal is a tie and goes to the even digit, not where binary noise sends it.
  const scaled = roundEven(Math.abs(value) * 10 ** decimals);
  const digits = scaled.toString().padStart(decimals + 1, '0');
  const whole = grouped(digits.slice(0, digits.length - decimals));
  const rest = decimals > 0 ? `.${digits.slice(digits.length - decimals)}` : '';
  return `${value < 0 && scaled !== 0 ? MINUS : ''}${whole}${rest}`;
}

const greatestDivisor = (a: number, b: number): number => (b === 0 ? a : greatestDivisor(b, a % b));

function inchText(parts: number, fraction: InchFraction, afterFeet = false): string {
  const whole = Math.floor(parts / fraction);
  const rest = parts % fraction;
  if (rest === 0) return `${whole}"`;
  const divisor = greatestDivisor(rest, fraction);
  const over = `${rest / divisor}/${fraction / divisor}`;
  // After feet the zero is written: 15'-0 13/16" cannot be taken for 13 inches.
  return whole === 0 && !afterFeet ? `${over}"` : `${whole} ${over}"`;
}

/** Feet and inches to the nearest fraction, ties to even, carried: never 6'-12". */
export function formatFeetInches(mm: Millimetres, fraction: InchFraction): string {
  const parts = roundEven((Math.abs(finite(mm, 'length')) / MM_PER_INCH) * fraction);
  const perFoot = INCHES_PER_FOOT * fraction;
  const feet = Math.floor(parts / perFoot);
  const sign = mm < 0 && parts !== 0 ? MINUS : '';
  const inches = inchText(parts % perFoot, fraction, feet > 0);
  return feet === 0 ? `${sign}${inches}` : `${sign}${feet}'-${inches}`;
}

/** Inches only, as on a ruler. */
export function formatInches(mm: Millimetres, fraction: InchFraction): string {
  const parts = roundEven((Math.abs(finite(mm, 'length')) / MM_PER_INCH) * fraction);
  return `${mm < 0 && parts !== 0 ? MINUS : ''}${inchText(parts, fraction)}`;
}

/** A real size with its unit: `1 840 mm`, `6'-0 1/2"`. */
export function formatLength(mm: Millimetres, style: LengthStyle): string {
  return style.units === 'imperial' ? formatFeetInches(mm, style.realFraction) : `${formatBareLength(mm, style)} mm`;
}

/** A real size without its unit, for a field or sentence that says it: `1 840` (mm), or feet and inches, which carry their marks. */
export function formatBareLength(mm: Millimetres, style: LengthStyle): string {
  if (style.units === 'imperial') return formatFeetInches(mm, style.realFraction);
  // Board thicknesses are told to a tenth; from one metre up a tenth is less than anybody measures.
  const step = Math.abs(finite(mm, 'length')) < 1000 ? 0.1 : 1;
  const rounded = Math.round(mm / step) * step;
  return decimal(rounded, Math.abs(rounded - Math.round(rounded)) < 1e-6 ? 0 : 1);
}

/** A distance on paper as read on the user's ruler, with unit: `43.2 mm`, `1 11/16"`. */
export function formatPaper(mm: PaperMillimetres, style: LengthStyle): string {
  if (style.units === 'imperial') return formatInches(mm, style.rulerFraction);
  return `${formatBarePaper(mm, style)} mm`;
}

/** As formatPaper, without the unit in metric. */
export function formatBarePaper(mm: PaperMillimetres, style: LengthStyle): string {
  if (style.units === 'imperial') return formatInches(mm, style.rulerFraction);
  const step = style.rulerStepMm;
  return decimal(roundEven(finite(mm, 'paper distance') / step) * step, step === 1 ? 0 : 1);
}
