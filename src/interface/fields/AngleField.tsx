'use client';
import { err, ok } from '@/core/base';
import { formatAngle, parseAngle } from '@/core/units';
import { useAhead } from './ahead';
import { TypedField } from './TypedField';

interface AngleFieldProps {
  readonly label: string;
  readonly degrees: number;
  readonly range: readonly [from: number, below: number];
  readonly onChange: (degrees: number, nudged: boolean) => void;
  readonly disabled?: boolean;
}

/** An angle in degrees; nudged by 1, or 10 with Shift, round the circle of its range. */
export function AngleField({ label, degrees: said, range, onChange, disabled }: AngleFieldProps) {
  const [degrees, goAhead] = useAhead(said);
  const change = (to: number, nudged: boolean): void => {
    onChange(to, nudged);
    goAhead(to);
  };
  const [from, below] = range;
  return (
    <TypedField
      label={label}
      shown={formatAngle(degrees)}
      disabled={disabled ?? false}
      read={(text) => {
        const read = parseAngle(text);
        if (!read.ok) return err(read.error);
        if (read.value < from || read.value >= below)
          return err({ message: `Type an angle from ${from}° to below ${below}°.` });
        return ok(() => change(read.value, false));
      }}
      nudge={(steps) => {
        const span = below - from;
        const next = degrees + steps - from;
        change(from + (((next % span) + span) % span), true);
      }}
    />
  );
}
