'use client';
import { err, ok } from '@/core/base';
import { BOUNDS, boundsWords, isWithin } from '@/core/record';
import { formatScale, parseScale, type UnitSystem } from '@/core/units';
import { useAhead } from './ahead';
import { TypedField } from './TypedField';

export function ScaleField({
  denominator: said,
  units,
  onChange,
  disabled,
}: {
  readonly denominator: number;
  readonly units: UnitSystem;
  readonly onChange: (denominator: number) => void;
  readonly disabled?: boolean;
}) {
  const [denominator, goAhead] = useAhead(said);
  const change = (to: number): void => {
    onChange(to);
    goAhead(to);
  };
  return (
    <TypedField
      label="Scale at the picture plane"
      shown={formatScale(denominator, units)}
      disabled={disabled ?? false}
      read={(text) => {
        const read = parseScale(text);
        if (!read.ok) return err(read.error);
        return isWithin(read.value, BOUNDS.scale)
          ? ok(() => change(read.value))
          : err({ message: `“${text.trim()}”: the second figure ${boundsWords(BOUNDS.scale)}.` });
      }}
    />
  );
}
