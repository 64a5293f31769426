'use client';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { useRouter } from 'next/navigation';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useSnackbar } from 'notistack';
import {
  BARE_DESK,
  ServicesProvider,
  STAGES,
  type DeskTools,
  type SaveStatus,
  type Services,
  type Stage,
} from '@/interface/services';
import { Workbench } from '@/interface/workbench';
import { Autosave, lockProject, type WriteLock } from '@/persistence';
import { createWork, newWork, type WorkStore } from '@/state';
import {
  createLinesClient,
  createFindClient,
  createRasterClient,
  createPrintClient,
  startLinesWorker,
  startFindWorker,
  startRasterWorker,
  startPrintWorker,
  type LinesClient,
  type FindClient,
  type PrintClient,
} from '@/workers';
import { DEMOS } from './demo';
import { datedPrints, keepTools, keptTools, NO_DATABASE, projectStore, seedOnce } from './composition';

type Opened =
  | { readonly kind: 'opening' }
  | { readonly kind: 'problem'; readonly message: string }
  | { readonly kind: 'open'; readonly store: WorkStore };

/** The stage is in the address, but changing it must not open the project anew: the address is changed in place. */
export function OpenProject({ id, stage: first }: { readonly id: string; readonly stage: Stage }) {
  const router = useRouter();
  const { enqueueSnackbar } = useSnackbar();
  const [opened, setOpened] = useState<Opened>({ kind: 'opening' });
  const [saveStatus, setSaveStatus] = useState<SaveStatus>('saved');
  const [stage, setStage] = useState<Stage>(first);
  const lock = useRef<WriteLock | null>(null);
  const autosave = useRef<Autosave | null>(null);
  const [lines] = useState<LinesClient>(() => createLinesClient(startLinesWorker));
  const [raster] = useState(() => createRasterClient(startRasterWorker));
  const [find] = useState<FindClient>(() => createFindClient(startFindWorker));
  const [print] = useState<PrintClient>(() => createPrintClient(startPrintWorker));
  const [tools, setTools] = useState<DeskTools>(BARE_DESK);

  const load = useCallback(async (): Promise<void> => {
    const loaded = await (await projectStore()).load(id);
    if (!loaded.ok) {
      setOpened({ kind: 'problem', message: loaded.error.message });
      return;
    }
    if (loaded.value.notice) enqueueSnackbar(loaded.value.notice, { autoHideDuration: 10_000 });
    const store = createWork(loaded.value.work, () => Date.now());
    setOpened({ kind: 'open', store });
  }, [id, enqueueSnackbar]);

  useEffect(() => {
    let gone = false;
    void (async () => {
      try {
        await seedOnce(await projectStore());
      } catch {
        // Without a database one can still work on a demonstration and take it away.
        const demo = DEMOS.find((one) => one.id === id);
        setSaveStatus('no-database');
        setOpened(
          demo
            ? { kind: 'open', store: createWork(newWork(demo), () => Date.now()) }
            : { kind: 'problem', message: NO_DATABASE },
        );
        return;
      }
      const held = await lockProject(id, {
        lost: () => setSaveStatus('reading-only'),
        savedElsewhere: () => void load(),
      });
      if (gone) return held.release();
      lock.current = held;
      setSaveStatus(held.holds() ? 'saved' : 'reading-only');
      await load();
    })();
    return () => {
      gone = true;
      const closing = lock.current;
      void (autosave.current?.flush() ?? Promise.resolve()).finally(() => closing?.release());
      lock.current = null;
    };
  }, [id, load]);

  const store = opened.kind === 'open' ? opened.store : null;
  useEffect(() => {
    if (!store) return undefined;
    const saver = new Autosave(
      async ({ history, desk }) => {
        await (await projectStore()).save(id, { history, desk });
        lock.current?.saved();
      },
      (state) => {
        if (lock.current?.holds() !== false) setSaveStatus(state);
      },
    );
    autosave.current = saver;
    const unsubscribe = store.onSave((work) => {
      if (lock.current?.holds()) saver.changed(work);
    });
    // Closing the page saves what has not been saved yet.
    const flush = (): void => void saver.flush();
    window.addEventListener('pagehide', flush);
    document.addEventListener('visibilitychange', flush);
    return () => {
      unsubscribe();
      window.removeEventListener('pagehide', flush);
      document.removeEventListener('visibilitychange', flush);
      void saver.flush();
    };
  }, [store, id]);

  useEffect(() => () => lines.end(), [lines]);
  useEffect(() => () => print.cancel(), [print]);
  useEffect(() => () => find.cancel(), [find]);
  useEffect(() => {
    // Without a database the desk stays bare; nothing else depends on it.
    keptTools().then(setTools, () => undefined);
  }, []);

  useEffect(() => {
    const back = (): void => {
      // The last part of the address names the stage: /project/<id>/<stage>.
      const last = window.location.pathname.split('/').at(-1);
      setStage(STAGES.find((one) => one === last) ?? 'stand');
    };
    window.addEventListener('popstate', back);
    return () => window.removeEventListener('popstate', back);
  }, []);

  const services = useMemo(
    (): Services => ({
      lines,
      saveStatus,
      takeOver: () =>
        void lock.current?.takeOver().then(async () => {
          // What the other tab saved last is what is taken over.
          await load();
          setSaveStatus('saved');
        }),
      saveAgain: () => void autosave.current?.flush(),
      print: datedPrints(print),
      find,
      raster,
      tools,
      keepTools: (next) => {
        setTools(next);
        keepTools(next).catch(() => undefined);
      },
      takeAway: (fileName, type, content) => {
        const url = URL.createObjectURL(new Blob([content], { type }));
        const link = document.createElement('a');
        link.href = url;
        link.download = fileName;
        link.click();
        setTimeout(() => URL.revokeObjectURL(url), 10_000);
        enqueueSnackbar(`${fileName} was taken away.`, { autoHideDuration: 3000 });
      },
      goHome: () => router.push('/'),
      goTo: (next) => {
        setStage(next);
        window.history.pushState(null, '', `/project/${encodeURIComponent(id)}/${next}`);
      },
    }),
    [lines, print, find, raster, tools, saveStatus, load, router, id, enqueueSnackbar],
  );

  if (opened.kind === 'opening') return <Box sx={{ p: 4, fontSize: 18 }}>Unrolling the sheet …</Box>;
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
      <Workbench store={opened.store} stage={stage} />
    </ServicesProvider>
  );
}
