'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useLook } from '@/interface/theme';

/** A project of which something is kept in this browser alone. */
export interface KeptOnlyHere {
  readonly name: string;
  /** When a file of it was last taken away, ISO; null where none was. */
  readonly since: string | null;
}

const DAY = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'long' });
/** Names beyond this many are counted. */
const NAMED = 4;

const told = ({ name, since }: KeptOnlyHere): string =>
  since === null ? `${name} (never taken away)` : `${name} (changed since ${DAY.format(new Date(since))})`;

/** Says what would be lost with this browser, and offers all of it as one file. */
export function OnlyHere({
  projects,
  takeEverything,
}: {
  readonly projects: readonly KeptOnlyHere[];
  readonly takeEverything: () => void;
}) {
  const { look } = useLook();
  if (projects.length === 0) return null;
  const more = projects.length - NAMED;
  return (
    <Box
      role="note"
      aria-label="Only in this browser"
      sx={{ mb: 2, pl: 1.5, borderLeft: `3px solid ${look.accent}`, fontSize: 15, lineHeight: 1.45 }}
    >
      Kept in this browser alone: {projects.slice(0, NAMED).map(told).join('; ')}
      {more > 0 ? ` and ${more} more` : ''}. Clearing the browser would lose it.{' '}
      <Button size="small" onClick={takeEverything} sx={{ color: 'secondary.main' }}>
        take everything away as one file
      </Button>
    </Box>
  );
}
