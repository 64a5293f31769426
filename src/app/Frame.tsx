'use client';
import { useCallback, useEffect, useState, type ReactNode } from 'react';
import { SnackbarProvider } from 'notistack';
import { LOOKS, LookProvider, type LookName } from '@/interface/theme';
import { BuildNotices } from './BuildNotices';
import { keptLook, keepLook } from './composition';

/** What all pages stand in: the look of the room, and short notices. */
export function Frame({ children }: { readonly children: ReactNode }) {
  const [name, setName] = useState<LookName>('day');
  useEffect(() => {
    keptLook().then(
      (kept) => {
        if (typeof kept === 'string' && Object.hasOwn(LOOKS, kept)) setName(kept as LookName);
      },
      () => undefined,
    );
  }, []);
  const choose = useCallback((next: LookName) => {
    setName(next);
    void keepLook(next);
  }, []);
  return (
    <LookProvider name={name} choose={choose}>
      <SnackbarProvider maxSnack={3} anchorOrigin={{ vertical: 'bottom', horizontal: 'left' }}>
        <BuildNotices />
        {children}
      </SnackbarProvider>
    </LookProvider>
  );
}
