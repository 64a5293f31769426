'use client';
import { useCallback, useEffect, useMemo, useState } from 'react';
import { useRouter } from 'next/navigation';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useSnackbar } from 'notistack';
import {
  BARE_DESK,
  SavingProvider,
  ServicesProvider,
  type DeskTools,
  type Saving,
  type Services,
} from '@/interface/services';
import { FIRST_STAGE, STAGES } from '@/interface/stages';
import { Workbench } from '@/interface/workbench';
import {
  createLinesClient,
  createFindClient,
  createRasterClient,
  createPlanClient,
  createPrintClient,
  startLinesWorker,
  startFindWorker,
  startRasterWorker,
  startPlanWorker,
  startPrintWorker,
} from '@/workers';
import { Boundary } from './Boundary';
import { datedPrints, keepTools, keptTools, noteTakenAway } from './composition';
import { handOver } from './hand-over';
import { Leaving } from './Leaving';
import { Unrolling } from './Unrolling';
import { useOpenProject } from './use-open-project';

/** The workers of one open project; ended with it. */
function useWorkers() {
  const [lines] = useState(() => createLinesClient(startLinesWorker));
  const [raster] = useState(() => createRasterClient(startRasterWorker));
  const [find] = useState(() => createFindClient(startFindWorker));
  const [print] = useState(() => createPrintClient(startPrintWorker));
  const [plan] = useState(() => createPlanClient(startPlanWorker));
  useEffect(() => () => lines.end(), [lines]);
  useEffect(() => () => print.cancel(), [print]);
  useEffect(() => () => find.cancel(), [find]);
  useEffect(() => () => plan.cancel(), [plan]);
  return { lines, raster, find, print, plan };
}

/** Printers and screen of this desk. */
function useTools(): readonly [DeskTools, (tools: DeskTools) => void] {
  const [tools, setTools] = useState<DeskTools>(BARE_DESK);
  useEffect(() => {
    // Without a database the desk stays bare; nothing else depends on it.
    keptTools().then(setTools, () => undefined);
  }, []);
  const keep = useCallback((next: DeskTools): void => {
    setTools(next);
    keepTools(next).catch(() => undefined);
  }, []);
  return [tools, keep];
}

/** The stage is in the address, but changing it must not open the project anew: the address is changed in place. */
function useStageInAddress(id: string, first: string): readonly [string, (stageId: string) => void] {
  const [stage, setStage] = useState(first);
  useEffect(() => {
    const back = (): void => {
      // The last part of the address names the stage: /project/<id>/<stage>.
      const last = window.location.pathname.split('/').at(-1);
      setStage((STAGES.find((one) => one.id === last) ?? FIRST_STAGE).id);
    };
    window.addEventListener('popstate', back);
    return () => window.removeEventListener('popstate', back);
  }, []);
  const goTo = useCallback(
    (next: string): void => {
      setStage(next);
      window.history.pushState(null, '', `/project/${encodeURIComponent(id)}/${next}`);
    },
    [id],
  );
  return [stage, goTo];
}

/** One project at the desk, with everything it asks of the application around it. */
export function OpenProject({ id, stage: first }: { readonly id: string; readonly stage: string }) {
  const router = useRouter();
  const { enqueueSnackbar } = useSnackbar();
  const { opened, keeping, takeOver, saveAgain, settle, states } = useOpenProject(id);
  const [leaving, setLeaving] = useState(false);
  const { lines, raster, find, print, plan } = useWorkers();
  const [tools, keep] = useTools();
  const [stage, goTo] = useStageInAddress(id, first);
  const services = useMemo(
    (): Services => ({
      ...{ lines, find, plan, raster, tools, goTo },
      print: datedPrints(print),
      keepTools: keep,
      states,
      takeAway: (fileName, type, content, holds) => {
        handOver(fileName, type, content);
        if (holds) void settle().then((kept) => (kept ? noteTakenAway([id]) : undefined));
        enqueueSnackbar(`${fileName} was taken away.`, { autoHideDuration: 3000 });
      },
      goHome: () =>
        // Where the last change cannot be kept one is asked first.
        void settle().then((kept) => (kept ? router.push('/') : setLeaving(true))),
    }),
    [lines, print, find, plan, raster, tools, keep, settle, states, id, router, goTo, enqueueSnackbar],
  );
  const saving = useMemo(
    (): Saving => ({
      ...{ saveStatus: keeping.status, saveTrouble: keeping.trouble, takeOver },
      saveAgain: keeping.mends ? saveAgain : null,
    }),
    [keeping, takeOver, saveAgain],
  );
  if (opened.kind === 'opening') return <Unrolling />;
  if (opened.kind === 'problem') {
    return (
      <Box role="alert" sx={{ p: 4, fontSize: 18, maxWidth: 560 }}>
        {opened.message}
        <Box sx={{ mt: 2 }}>
          <Button variant="contained" onClick={() => router.push('/')}>
            All projects
          </Button>
        </Box>
      </Box>
    );
  }
  return (
    <ServicesProvider value={services}>
      <SavingProvider value={saving}>
        <Boundary store={opened.store} projectId={id} trouble={keeping.trouble}>
          <Workbench store={opened.store} stageId={stage} />
        </Boundary>
        {leaving ? (
          <Leaving
            store={opened.store}
            trouble={keeping.trouble}
            stay={() => setLeaving(false)}
            leave={() => router.push('/')}
          />
        ) : null}
      </SavingProvider>
    </ServicesProvider>
  );
}
