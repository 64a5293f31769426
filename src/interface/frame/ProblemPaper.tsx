'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';

/** The paper when nothing can be drawn: what is wrong, and the way back. */
export function ProblemPaper({ message, undo }: { readonly message: string; readonly undo: (() => void) | null }) {
  return (
    <Box role="alert" sx={{ m: 'auto', maxWidth: 460, fontSize: 20, lineHeight: 1.5, p: 3 }}>
      {message}
      {undo ? (
        <Box sx={{ mt: 2 }}>
          <Button variant="contained" onClick={undo}>
            Take back the last change
          </Button>
        </Box>
      ) : null}
    </Box>
  );
}
