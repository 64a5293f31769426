'use client';
import { useMemo } from 'react';
import Box from '@mui/material/Box';
import { StagesProvider, type Stages } from '@/interface/frame';
import { useServices } from '@/interface/services';
import { SessionProvider, useReadied } from '@/interface/session';
import { FIRST_STAGE, STAGES } from '@/interface/stages';
import type { WorkStore } from '@/state';

/** The workbench for one open project, at one of the stages. */
export function Workbench({ store, stageId }: { readonly store: WorkStore; readonly stageId: string }) {
  const here = STAGES.find((one) => one.id === stageId) ?? FIRST_STAGE;
  const stages = useMemo((): Stages => ({ all: STAGES, here }), [here]);
  const { Screen } = here;
  const readied = useReadied(store, useServices().lines);
  if (readied.is === 'readying')
    return (
      <Box role="status" sx={{ p: 4, fontSize: 18 }}>
        {readied.done === null
          ? 'Unrolling the sheet …'
          : `Unrolling a large sheet … ${Math.floor(readied.done * 100)} %`}
      </Box>
    );
  return (
    <StagesProvider value={stages}>
      <SessionProvider store={store} readied={readied.scene} pictureFollows={here.picture === 'beside'}>
        <Screen />
      </SessionProvider>
    </StagesProvider>
  );
}
