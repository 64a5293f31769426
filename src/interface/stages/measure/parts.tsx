'use client';
import type { ReactNode } from 'react';
import Box from '@mui/material/Box';
import { err, ok } from '@/core/base';
import { useLook } from '@/interface/theme';
import { TypedField } from '@/interface/fields';

export function Sentence({ children }: { readonly children: ReactNode }) {
  return (
    <Box component="p" sx={{ m: 0, mb: 1, lineHeight: 1.5, fontSize: 15 }}>
      {children}
    </Box>
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
  const { look } = useLook();
  return (
    <Box
      component="select"
      aria-label={label}
      value={value}
      disabled={disabled}
      onChange={(event) => onChange((event.target as unknown as HTMLSelectElement).value as T)}
      sx={{
        font: 'inherit',
        color: look.ink,
        border: 0,
        borderBottom: `1.5px dotted ${look.ink}`,
        background: 'transparent',
        maxWidth: 190,
        minHeight: 24,
        '& option': { background: look.sheet, color: look.text },
      }}
    >
      {among.map(([one, words]) => (
        <option key={one} value={one}>
          {words}
        </option>
      ))}
    </Box>
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
