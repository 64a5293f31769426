'use client';
import { useState } from 'react';
import Box from '@mui/material/Box';
import { useLook } from '@/interface/theme';
import { useAhead } from './ahead';

/** A name, typed over in place: taken when one leaves it or presses Enter, given up by Escape; an empty one is none. */
export function NameField({
  label,
  name: said,
  disabled,
  sx = {},
  onChange,
}: {
  readonly label: string;
  readonly name: string;
  readonly disabled: boolean;
  /** How it looks where it stands. */
  readonly sx?: Readonly<Record<string, string | number>>;
  readonly onChange: (name: string) => void;
}) {
  const { look } = useLook();
  const [name, goAhead] = useAhead(said);
  const [typed, setTyped] = useState<string | null>(null);
  const take = (): void => {
    const next = typed?.trim() ?? '';
    if (next !== '' && next !== name) {
      onChange(next);
      goAhead(next);
    }
    setTyped(null);
  };
  return (
    <Box
      component="input"
      className="name"
      aria-label={label}
      value={typed ?? name}
      disabled={disabled}
      onChange={(event) => setTyped((event.target as HTMLInputElement).value)}
      onBlur={take}
      onKeyDown={(event) => {
        if (event.key === 'Enter') (event.target as HTMLInputElement).blur();
        if (event.key !== 'Escape' || typed === null) return;
        // Escape gives up the name, not the sheet it stands on.
        event.stopPropagation();
        setTyped(null);
      }}
      sx={{
        font: 'inherit',
        fontSize: 17,
        fontWeight: 500,
        color: look.ink,
        border: 0,
        borderBottom: `1.5px dotted ${look.ink}`,
        background: 'transparent',
        width: '100%',
        mb: 0.75,
        textOverflow: 'ellipsis',
        ...sx,
      }}
    />
  );
}
