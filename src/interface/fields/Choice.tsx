'use client';
import Box from '@mui/material/Box';
import { useLook } from '@/interface/theme';

export interface ChoiceOption<T extends string> {
  readonly value: T;
  readonly words: string;
  /** Options of one group stand together under its name. */
  readonly group?: string;
}

interface ChoiceProps<T extends string> {
  readonly label: string;
  readonly value: T;
  readonly options: readonly ChoiceOption<T>[];
  readonly onChange: (value: T) => void;
  readonly disabled?: boolean;
}

/** A choice within a sentence: written as a figure is, underlined by dots. */
export function Choice<T extends string>({ label, value, options, onChange, disabled }: ChoiceProps<T>) {
  const { look } = useLook();
  const groups = [...new Set(options.map((one) => one.group ?? ''))];
  const shown = (group: string) =>
    options
      .filter((one) => (one.group ?? '') === group)
      .map((one) => (
        <option key={one.value} value={one.value}>
          {one.words}
        </option>
      ));
  return (
    <Box
      component="select"
      aria-label={label}
      value={value}
      disabled={disabled ?? false}
      onChange={(event) => onChange((event.target as unknown as HTMLSelectElement).value as T)}
      sx={{
        font: 'inherit',
        color: look.ink,
        background: 'transparent',
        border: 0,
        borderBottom: `1.5px dotted ${look.ink}`,
        maxWidth: '100%',
        // No wider than what is chosen, where the browser knows how: the sentence closes up behind it.
        fieldSizing: 'content',
        minHeight: 24,
        '& option, & optgroup': { background: look.sheet, color: look.text },
        '@media (pointer: coarse)': { minHeight: 44 },
      }}
    >
      {groups.map((group) =>
        group === '' ? (
          shown(group)
        ) : (
          <optgroup key={group} label={group}>
            {shown(group)}
          </optgroup>
        ),
      )}
    </Box>
  );
}
