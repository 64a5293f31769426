'use client';
import { useRef } from 'react';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useSnackbar } from 'notistack';
import { readTicks } from '@/core/formats/ticks';
import { useSession } from '@/interface/session';
import type { DrawnStep } from './use-drawing';
import type { AtTheBoard } from './use-frozen';
import { ticksTaken } from './ticks-taken';

/** Over neither the step one is at, which stands at the foot, nor the title line. */
const ABOVE = { anchorOrigin: { vertical: 'top', horizontal: 'center' }, style: { marginTop: 44 } } as const;

/** Ticks that were set in the plan's own page, away from here, taken over. */
export function TicksSentence({ drawn, atBoard }: { readonly drawn: DrawnStep; readonly atBoard: AtTheBoard }) {
  const { project, view, commands, readOnly } = useSession();
  const { enqueueSnackbar } = useSnackbar();
  const input = useRef<HTMLInputElement>(null);
  const take = async (file: File): Promise<void> => {
    const read = readTicks(await file.text());
    const { frozen, strokes } = atBoard;
    const { named } = drawn.laid;
    const taken = read.ok ? ticksTaken(read.value, { project, view, named, frozen, strokes: strokes() }) : read;
    if (!taken.ok) {
      enqueueSnackbar(taken.error.message, { ...ABOVE, variant: 'error', autoHideDuration: 8000 });
      return;
    }
    if (taken.value.of === 'the-plan-now') atBoard.takeUp();
    // Of the plan at the board just these are drawn.
    commands.setTicks(taken.value.drawn);
    enqueueSnackbar(taken.value.says, ABOVE);
  };
  return (
    <Box component="p" sx={{ m: 0, mb: 1, fontSize: 14.5, lineHeight: 1.5 }}>
      Ticks from a tablet:{' '}
      <Button size="small" disabled={readOnly} onClick={() => input.current?.click()}>
        take them over
      </Button>
      <input
        ref={input}
        type="file"
        accept=".json,application/json"
        aria-label="File of ticks"
        hidden
        onChange={(event) => {
          const file = event.target.files?.[0];
          event.target.value = '';
          if (file) void take(file);
        }}
      />
    </Box>
  );
}
