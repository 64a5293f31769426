'use client';
import type { ReactNode } from 'react';
import { err, ok } from '@/core/base';
import { Choice as ChoiceOf, TypedField, useAhead } from '@/interface/fields';

const CLOSER = { marginBottom: 8 } as const;

export function Sentence({ children }: { readonly children: ReactNode }) {
  return (
    <p className="sentence" style={CLOSER}>
      {children}
    </p>
  );
}

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
    <ChoiceOf
      {...{ label, value, onChange }}
      options={among.map(([one, words]) => ({ value: one, words }))}
      disabled={disabled ?? false}
    />
  );
}

/** A whole number inside a sentence. */
export function CountField({
  label,
  count: said,
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
  const [count, goAhead] = useAhead(said);
  const change = (to: number): void => {
    onChange(to);
    goAhead(to);
  };
  return (
    <TypedField
      label={label}
      shown={String(count)}
      disabled={disabled ?? false}
      hint={`A whole number from ${least} to ${most}.`}
      read={(text) => {
        const value = Number(text.trim());
        return Number.isInteger(value) && value >= least && value <= most && text.trim() !== ''
          ? ok(() => change(value))
          : err({
              message: `Write a whole number from ${least} to ${most}, such as ${Math.max(least, Math.min(4, most))}.`,
            });
      }}
      nudge={(steps) => change(Math.min(most, Math.max(least, count + Math.sign(steps))))}
    />
  );
}
