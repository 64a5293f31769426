'use client';
import { useEffect } from 'react';
import Button from '@mui/material/Button';
import { useSnackbar, type SnackbarKey } from 'notistack';
import { watchBuild } from './build-in-use';

const SHORT_MS = 5000;

/** Says what becomes of the build in use: kept for use without a network, a newer one waiting. */
export function BuildNotices() {
  const { enqueueSnackbar, closeSnackbar } = useSnackbar();
  useEffect(
    () =>
      watchBuild({
        kept: () =>
          enqueueSnackbar('The application is kept in this browser and opens without a network from now on.', {
            autoHideDuration: SHORT_MS,
          }),
        newer: (takeUp) => {
          const ask = async (key: SnackbarKey): Promise<void> => {
            if (await takeUp()) return closeSnackbar(key);
            enqueueSnackbar('Something in this or another tab is not saved yet: the build in use stays until it is.', {
              autoHideDuration: SHORT_MS * 2,
            });
          };
          enqueueSnackbar('A newer build of the application is here. It waits until you take it up.', {
            persist: true,
            preventDuplicate: true,
            action: (key) => (
              <Button color="inherit" onClick={() => void ask(key)}>
                take it up
              </Button>
            ),
          });
        },
        outdated: () =>
          enqueueSnackbar(
            'Another tab took up a newer build. Take your file away here if it cannot be saved, then reload this page.',
            { persist: true },
          ),
      }),
    [enqueueSnackbar, closeSnackbar],
  );
  return null;
}
