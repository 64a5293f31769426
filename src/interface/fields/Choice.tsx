'use client';
import { useAhead } from './ahead';

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

// No wider than what is chosen, where the browser knows how: the sentence closes up behind it.
const CLOSE = { maxWidth: '100%', fieldSizing: 'content' } as const;

/** A choice within a sentence: written as a figure is, underlined by dots. */
export function Choice<T extends string>({ label, value: said, options, onChange, disabled }: ChoiceProps<T>) {
  const [value, goAhead] = useAhead(said);
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
    <select
      className="choice"
      aria-label={label}
      value={value}
      disabled={disabled ?? false}
      onChange={(event) => {
        onChange(event.target.value as T);
        goAhead(event.target.value as T);
      }}
      style={CLOSE}
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
    </select>
  );
}
