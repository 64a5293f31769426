'use client';
import { err, ok } from '@/core/base';
import { formatBareLength, MM_PER_INCH, parseLength, type LengthRules, type LengthStyle } from '@/core/units';
import { TypedField } from './TypedField';

interface LengthFieldProps {
  readonly label: string;
  readonly mm: number;
  readonly style: LengthStyle;
  readonly rules?: Omit<LengthRules, 'units'>;
  readonly onChange: (mm: number, asTyped: string, nudged: boolean) => void;
  readonly disabled?: boolean;
  /** Without its unit: on the drawing, where all figures have the same. */
  readonly bare?: boolean;
}

/** One nudge by key: 10 mm, or half an inch. */
export const nudgeMm = (style: LengthStyle): number => (style.units === 'imperial' ? MM_PER_INCH / 2 : 10);

/** A real length, in the forms people type. */
export function LengthField({ label, mm, style, rules = {}, onChange, disabled, bare }: LengthFieldProps) {
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
        return read.ok
          ? ok(() => onChange(read.value.mm, read.value.asTyped, false))
          : err({ message: read.error.message, offers: read.error.offers });
      }}
      nudge={(steps) => {
        const step = nudgeMm(style);
        // The first nudge brings the figure onto the grid of nudges; from there it moves by whole ones.
        const next = (Math.round(mm / step) + steps) * step;
        if (next > 0 || (next === 0 && rules.zero === 'allowed') || rules.negative === 'allowed')
          onChange(next, formatBareLength(next, style), true);
      }}
    />
  );
}
