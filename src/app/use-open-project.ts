'use client';
import { useCallback, useEffect, useRef, useState } from 'react';
import { useSnackbar } from 'notistack';
import type { SaveStatus, StatesService } from '@/interface/services';
import { Keeper, SaveRefused, type HandedOver } from '@/persistence';
import { createWork, newWork, type WorkStore } from '@/state';
import { asksBefore } from './build-in-use';
import { demos, projectStore, seedOnce } from './composition';
import { saveTrouble, storeTrouble } from './save-words';

/** A project on its way to the desk. */
export type Opened =
  | { readonly kind: 'opening' }
  | { readonly kind: 'problem'; readonly message: string }
  | { readonly kind: 'open'; readonly store: WorkStore; readonly states: StatesService | null };

/** How the work stands with what is kept; where it is not, why and what to do. */
interface Keeping {
  readonly status: SaveStatus;
  readonly trouble: string | null;
  /** Whether trying again may help. */
  readonly mends: boolean;
}

/** What the tab that takes over says of the one before. */
const HANDED_OVER: Readonly<Record<HandedOver, string | null>> = {
  free: null,
  'all-saved': 'The other tab has saved all it had, and only reads from here on.',
  'not-all-saved':
    'The other tab could not save its last changes. They are still to be seen there: take its file away.',
  'no-answer': 'The other tab did not answer. What it had not saved is not here: look there before you close it.',
};
const NOTICE_MS = 10_000;

/** Opens a project, holds its right to write while it may, and keeps what is done. */
export function useOpenProject(id: string): {
  readonly opened: Opened;
  readonly keeping: Keeping;
  readonly takeOver: () => void;
  readonly saveAgain: () => void;
  /** Saves what waits; resolves to whether all is kept. */
  readonly settle: () => Promise<boolean>;
  readonly states: StatesService | null;
} {
  const { enqueueSnackbar } = useSnackbar();
  const [opened, setOpened] = useState<Opened>({ kind: 'opening' });
  const [keeping, setKeeping] = useState<Keeping>({ status: 'saved', trouble: null, mends: false });
  const keeper = useRef<Keeper | null>(null);

  useEffect(() => {
    let mine: Keeper | null = null;
    let gone = false;
    void (async () => {
      try {
        await seedOnce(await projectStore());
      } catch (why) {
        // Without a database one can still work on a demonstration and take it away.
        const demo = (await demos()).find((one) => one.id === id);
        setKeeping({ status: 'no-database', trouble: storeTrouble(why), mends: false });
        setOpened(
          demo
            ? { kind: 'open', store: createWork(newWork(demo), () => Date.now()), states: null }
            : { kind: 'problem', message: storeTrouble(why) },
        );
        return;
      }
      const kept = await projectStore();
      if (gone) return;
      mine = new Keeper(id, kept, {
        loaded: (loaded) => {
          if (!loaded.ok) return setOpened({ kind: 'problem', message: loaded.error.message });
          if (loaded.value.notice) enqueueSnackbar(loaded.value.notice, { autoHideDuration: NOTICE_MS });
          const store = createWork(loaded.value.work, () => Date.now());
          setOpened({ kind: 'open', store, states: mine?.states ?? null });
        },
        status: (status, why) =>
          setKeeping({
            status,
            trouble: why === null ? null : saveTrouble(why, status === 'failed' ? 'saving' : 'taking-over'),
            mends: status === 'failed' && !(why instanceof SaveRefused),
          }),
      });
      keeper.current = mine;
      await mine.open();
    })();
    return () => {
      gone = true;
      keeper.current = null;
      void mine?.close();
    };
  }, [id, enqueueSnackbar]);

  const store = opened.kind === 'open' ? opened.store : null;
  useEffect(() => store?.onSave((work) => keeper.current?.changed(work)), [store]);
  useEffect(() => {
    // Closing the page saves what has not been saved yet, and asks first where something is not.
    const flush = (): void => void keeper.current?.settle();
    const ask = (event: BeforeUnloadEvent): void => {
      if (keeper.current?.settled === false) event.preventDefault();
    };
    window.addEventListener('pagehide', flush);
    window.addEventListener('beforeunload', ask);
    document.addEventListener('visibilitychange', flush);
    return () => {
      window.removeEventListener('pagehide', flush);
      window.removeEventListener('beforeunload', ask);
      document.removeEventListener('visibilitychange', flush);
    };
  }, []);

  const takeOver = useCallback(
    (): void =>
      void keeper.current?.takeOver().then((how) => {
        const said = how && HANDED_OVER[how];
        if (said) enqueueSnackbar(said, { autoHideDuration: NOTICE_MS });
      }),
    [enqueueSnackbar],
  );
  const settle = useCallback(async (): Promise<boolean> => (await keeper.current?.settle()) ?? true, []);
  useEffect(() => asksBefore(settle), [settle]);
  const saveAgain = useCallback((): void => void settle(), [settle]);
  const states = opened.kind === 'open' ? opened.states : null;
  return { opened, keeping, takeOver, saveAgain, settle, states };
}
