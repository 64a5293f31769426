'use client';
import { err, ok } from '@/core/base';
import { BOUNDS, boundsWords, isWithin, type Bounds } from '@/core/record';
import { formatBareLength, MM_PER_INCH, parseLength, type LengthRules, type LengthStyle } from '@/core/units';
import { useAhead } from './ahead';
import { TypedField } from './TypedField';

interface LengthFieldProps {
  readonly label: string;
  readonly mm: number;
  readonly style: LengthStyle;
  readonly rules?: Omit<LengthRules, 'units'>;
  /** What it may be, where that is not told by the rules. */
  readonly within?: Bounds;
  readonly onChange: (mm: number, asTyped: string, nudged: boolean) => void;
  readonly disabled?: boolean;
  /** Without its unit: on the drawing, where all figures have the same. */
  readonly bare?: boolean;
}

/** One nudge by key: 10 mm, or half an inch. */
export const nudgeMm = (style: LengthStyle): number => (style.units === 'imperial' ? MM_PER_INCH / 2 : 10);

/** The bounds of what is either side of nought, of what there may be none of, and of what is there. */
const boundsBy = ({ negative, zero }: Omit<LengthRules, 'units'>): Bounds =>
  negative === 'allowed' ? BOUNDS.claim : zero === 'allowed' ? BOUNDS.some : BOUNDS.extent;

/** A real length, in the forms people type. */
export function LengthField({
  label,
  mm: said,
  style,
  rules = {},
  within = boundsBy(rules),
  onChange,
  disabled,
  bare,
}: LengthFieldProps) {
  const [mm, goAhead] = useAhead(said);
  const change = (to: number, asTyped: string, nudged: boolean): void => {
    onChange(to, asTyped, nudged);
    goAhead(to);
  };
  return (
    <TypedField
      label={label}
      shown={formatBareLength(mm, style)}
      disabled={disabled ?? false}
      {...(style.units === 'metric' && !bare ? { unit: 'mm' } : {})}
      hint={
        style.units === 'metric'
          ? 'A bare number is millimetres; other units may be typed.'
          : 'A bare number is inches; feet, inches and metric units may be typed.'
      }
      read={(text) => {
        const read = parseLength(text, { units: style.units, ...rules });
        if (!read.ok) return err({ message: read.error.message, offers: read.error.offers });
        const { mm: typed, asTyped } = read.value;
        // Nought is none of it, where that may be.
        return isWithin(typed, within) || (typed === 0 && rules.zero === 'allowed')
          ? ok(() => change(typed, asTyped, false))
          : err({ message: `“${asTyped}” ${boundsWords(within, style.units)}.` });
      }}
      nudge={(steps) => {
        const step = nudgeMm(style);
        // The first nudge brings the figure onto the grid of nudges; from there it moves by whole ones.
        const next = (Math.round(mm / step) + steps) * step;
        if (isWithin(next, within) || (next === 0 && rules.zero === 'allowed'))
          change(next, formatBareLength(next, style), true);
      }}
    />
  );
}
