'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { projectFileOf } from '@/interface/outputs';
import { useSaving, useServices } from '@/interface/services';
import { useSession } from '@/interface/session';
import { useLook } from '@/interface/theme';

/** Why what one does is not kept, and what to do: over the whole width, until it is. */
export function SaveTrouble() {
  const { look } = useLook();
  const { saveTrouble, saveAgain } = useSaving();
  const { takeAway } = useServices();
  const { store } = useSession();
  if (saveTrouble === null) return null;
  return (
    <Box
      role="alert"
      data-testid="save-trouble"
      sx={{
        display: 'flex',
        alignItems: 'center',
        gap: 1,
        px: 1.5,
        fontSize: 14.5,
        color: look.warning,
        backgroundColor: look.sheet,
        borderBottom: `1px solid ${look.warning}`,
      }}
    >
      <Box sx={{ flex: 1 }}>Not saved. {saveTrouble}</Box>
      {saveAgain ? (
        <Button size="small" onClick={saveAgain}>
          try again
        </Button>
      ) : null}
      <Button size="small" onClick={() => takeAway(...projectFileOf(store.commands.present()))}>
        take the file away
      </Button>
    </Box>
  );
}
