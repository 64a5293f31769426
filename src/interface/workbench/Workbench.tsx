'use client';
import { useMemo } from 'react';
import { StagesProvider, type Stages } from '@/interface/frame';
import { SessionProvider } from '@/interface/session';
import { FIRST_STAGE, STAGES } from '@/interface/stages';
import type { WorkStore } from '@/state';

/** The workbench for one open project, at one of the stages. */
export function Workbench({ store, stageId }: { readonly store: WorkStore; readonly stageId: string }) {
  const here = STAGES.find((one) => one.id === stageId) ?? FIRST_STAGE;
  const stages = useMemo((): Stages => ({ all: STAGES, here }), [here]);
  const { Screen } = here;
  return (
    <StagesProvider value={stages}>
      <SessionProvider store={store}>
        <Screen />
      </SessionProvider>
    </StagesProvider>
  );
}
