'use client';
import { memo } from 'react';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useSession } from '@/interface/session';
import { useOpenSheet, type Sheet } from './sheet';

/** Sheets that the margin leads to. */
export const MarginButtons = memo(function MarginButtons({ sheets }: { readonly sheets: readonly Sheet<never>[] }) {
  const { readOnly } = useSession();
  const { lay } = useOpenSheet();
  return (
    <Box sx={{ mb: 0.5 }}>
      {sheets
        .filter((sheet) => sheet.inMargin !== undefined && !(readOnly && sheet.changes))
        .map((sheet) => (
          <Button key={sheet.key.keys} size="small" sx={{ color: 'secondary.main' }} onClick={() => lay(sheet)}>
            {sheet.inMargin}
          </Button>
        ))}
    </Box>
  );
});
