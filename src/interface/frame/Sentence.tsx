'use client';
import type { ReactNode } from 'react';
import Box from '@mui/material/Box';

/** One sentence of the margin. */
export function Sentence({ children }: { readonly children: ReactNode }) {
  return (
    <Box component="p" sx={{ m: 0, mb: 1.1, lineHeight: 1.5, fontSize: 15 }}>
      {children}
    </Box>
  );
}
