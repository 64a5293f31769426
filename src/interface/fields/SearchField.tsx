'use client';
import Box from '@mui/material/Box';
import { useLook } from '@/interface/theme';

/** Words that a list is narrowed down by while one types. */
export function SearchField({
  label,
  wanted,
  autoFocus = false,
  onChange,
  onTake,
}: {
  readonly label: string;
  readonly wanted: string;
  readonly autoFocus?: boolean;
  readonly onChange: (wanted: string) => void;
  /** Enter takes the first that is found. The words are chosen then, ready for others. */
  readonly onTake?: () => void;
}) {
  const { look } = useLook();
  return (
    <Box
      component="input"
      aria-label={label}
      placeholder="look for …"
      value={wanted}
      autoFocus={autoFocus}
      onChange={(event) => onChange((event.target as HTMLInputElement).value)}
      onKeyDown={(event) => {
        if (event.key !== 'Enter' || !onTake || wanted.trim() === '') return;
        onTake();
        (event.target as HTMLInputElement).select();
      }}
      sx={{
        font: 'inherit',
        border: 0,
        borderBottom: `1.5px dotted ${look.ink}`,
        background: 'transparent',
        color: look.ink,
        width: 200,
      }}
    />
  );
}
