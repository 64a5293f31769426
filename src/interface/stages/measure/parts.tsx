'use client';
import type { ReactNode } from 'react';
import { err, ok } from '@/core/base';
import { TypedField } from '@/interface/fields';

const CLOSER = { marginBottom: 8 } as const;

export function Sentence({ children }: { readonly children: ReactNode }) {
  return (
    <p className="sentence" style={CLOSER}>
      {children}
    </p>
  );
}

const NO_WIDER = { maxWidth: 190 } as const;

/** A choice inside a sentence: underlined as by hand, no box. */
export function Choice<T extends string>({
  label,
  value,
  among,
  disabled,
  onChange,
}: {
  readonly label: string;
  readonly value: T;
  readonly among: readonly (readonly [value: T, words: string])[];
  readonly disabled?: boolean;
  readonly onChange: (value: T) => void;
}) {
  return (
    <select
      className="choice"
      aria-label={label}
      value={value}
      disabled={disabled}
      onChange={(event) => onChange(event.target.value as T)}
      style={NO_WIDER}
    >
      {among.map(([one, words]) => (
        <option key={one} value={one}>
          {words}
        </option>
      ))}
    </select>
  );
}

/** A whole number inside a sentence. */
export function CountField({
  label,
  count,
  least,
  most,
  disabled,
  onChange,
}: {
  readonly label: string;
  readonly count: number;
  readonly least: number;
  readonly most: number;
  readonly disabled?: boolean;
  readonly onChange: (count: number) => void;
}) {
  return (
    <TypedField
      label={label}
      shown={String(count)}
      disabled={disabled ?? false}
      hint={`A whole number from ${least} to ${most}.`}
      read={(text) => {
        const value = Number(text.trim());
        return Number.isInteger(value) && value >= least && value <= most && text.trim() !== ''
          ? ok(() => onChange(value))
          : err({
              message: `Write a whole number from ${least} to ${most}, such as ${Math.max(least, Math.min(4, most))}.`,
            });
      }}
      nudge={(steps) => onChange(Math.min(most, Math.max(least, count + Math.sign(steps))))}
    />
  );
}
