'use client';
import { err, ok } from '@/core/base';
import { boundsWords, isWithin, type Bounds } from '@/core/record';
import { formatBarePaper, MM_PER_INCH, parseLength, type LengthRules, type LengthStyle } from '@/core/units';
import { useAhead } from './ahead';
import { TypedField } from './TypedField';

interface PaperFieldProps {
  readonly label: string;
  readonly mm: number;
  readonly style: LengthStyle;
  readonly rules?: Omit<LengthRules, 'units'>;
  /** What it may be: the same as what is kept of it. */
  readonly within: Bounds;
  readonly onChange: (mm: number, nudged: boolean) => void;
  readonly disabled?: boolean;
  /** Without its unit, where the next figure of the sentence says it. */
  readonly bare?: boolean;
}

/** One nudge by key on paper: 1 mm, or a sixteenth of an inch. */
export const paperNudge = (style: LengthStyle): number => (style.units === 'imperial' ? MM_PER_INCH / 16 : 1);

/** A distance on paper as read on the user's ruler; typed in any of the forms of a length. */
export function PaperField({ label, mm: said, style, rules = {}, within, onChange, disabled, bare }: PaperFieldProps) {
  const [mm, goAhead] = useAhead(said);
  const change = (to: number, nudged: boolean): void => {
    onChange(to, nudged);
    goAhead(to);
  };
  return (
    <TypedField
      label={label}
      shown={formatBarePaper(mm, style)}
      disabled={disabled ?? false}
      {...(style.units === 'metric' && !bare ? { unit: 'mm' } : {})}
      hint={style.units === 'metric' ? 'Millimetres on the paper.' : 'Inches on the paper; fractions may be typed.'}
      read={(text) => {
        const read = parseLength(text, { units: style.units, on: 'paper', ...rules });
        if (!read.ok) return err({ message: read.error.message, offers: read.error.offers });
        const { mm: typed, asTyped } = read.value;
        return isWithin(typed, within)
          ? ok(() => change(typed, false))
          : err({ message: `“${asTyped}” ${boundsWords(within, style.units)}.` });
      }}
      nudge={(steps) => {
        const step = paperNudge(style);
        const next = (Math.round(mm / step) + steps) * step;
        if (isWithin(next, within)) change(next, true);
      }}
    />
  );
}
