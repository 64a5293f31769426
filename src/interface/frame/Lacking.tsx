'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useServices } from '@/interface/services';
import type { Lack } from './stage';

/** What a stage lacks, where its own words would stand; and the way to where it is mended. */
export function Lacking({ lack }: { readonly lack: Lack }) {
  const { goTo } = useServices();
  return (
    <Box role="alert">
      {lack.says}{' '}
      <Button onClick={() => goTo(lack.stage)} sx={{ color: 'secondary.main' }}>
        {lack.way}
      </Button>
    </Box>
  );
}
