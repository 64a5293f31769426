'use client';
import { useCallback, useEffect, useRef, useState } from 'react';
import { useSnackbar } from 'notistack';
import type { SaveStatus } from '@/interface/services';
import { Autosave, lockProject, type WriteLock } from '@/persistence';
import { createWork, newWork, type WorkStore } from '@/state';
import { NO_DATABASE, projectStore, seedOnce } from './composition';
import { DEMOS } from './demo';

/** A project on its way to the desk. */
export type Opened =
  | { readonly kind: 'opening' }
  | { readonly kind: 'problem'; readonly message: string }
  | { readonly kind: 'open'; readonly store: WorkStore };

/** Opens a project, holds its right to write while it may, and keeps what is done. */
export function useOpenProject(id: string): {
  readonly opened: Opened;
  readonly saveStatus: SaveStatus;
  readonly takeOver: () => void;
  readonly saveAgain: () => void;
} {
  const { enqueueSnackbar } = useSnackbar();
  const [opened, setOpened] = useState<Opened>({ kind: 'opening' });
  const [saveStatus, setSaveStatus] = useState<SaveStatus>('saved');
  const lock = useRef<WriteLock | null>(null);
  const autosave = useRef<Autosave | null>(null);

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

  const takeOver = useCallback(
    (): void =>
      void lock.current?.takeOver().then(async () => {
        // What the other tab saved last is what is taken over.
        await load();
        setSaveStatus('saved');
      }),
    [load],
  );
  const saveAgain = useCallback((): void => void autosave.current?.flush(), []);
  return { opened, saveStatus, takeOver, saveAgain };
}
