'use client';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { projectFileOf } from '@/interface/outputs';
import type { WorkStore } from '@/state';
import { handOver } from './hand-over';

/** Asked before one leaves what is not kept. */
export function Leaving({
  store,
  trouble,
  stay,
  leave,
}: {
  readonly store: WorkStore;
  readonly trouble: string | null;
  readonly stay: () => void;
  readonly leave: () => void;
}) {
  return (
    <Dialog open onClose={stay} aria-labelledby="leaving">
      <DialogTitle id="leaving">Your last changes are not saved</DialogTitle>
      <DialogContent>{trouble ?? 'They are kept nowhere but here.'}</DialogContent>
      <DialogActions>
        <Button onClick={() => handOver(...projectFileOf(store.commands.present()))}>take the file away</Button>
        <Button onClick={leave} sx={{ color: 'error.main' }}>
          leave without them
        </Button>
        <Button variant="contained" onClick={stay}>
          stay
        </Button>
      </DialogActions>
    </Dialog>
  );
}
