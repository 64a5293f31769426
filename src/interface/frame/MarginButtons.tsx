'use client';
import { memo } from 'react';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useSession } from '@/interface/session';
import { useOpenSheet, type Sheet } from './sheet';

/** Among sentences in a line or two they are no higher than those. */
const IN_LINE = { display: 'inline', '& .MuiButton-root': { py: 0, minHeight: 24 } } as const;

/** Sheets that the margin leads to. */
export const MarginButtons = memo(function MarginButtons({ sheets }: { readonly sheets: readonly Sheet<never>[] }) {
  const { readOnly, narrow } = useSession();
  const { lay } = useOpenSheet();
  return (
    <Box sx={narrow ? IN_LINE : { mb: 0.5 }}>
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
