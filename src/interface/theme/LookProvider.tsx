'use client';
import { createContext, useContext, useMemo, type ReactNode } from 'react';
import CssBaseline from '@mui/material/CssBaseline';
import { ThemeProvider } from '@mui/material/styles';
import { LOOKS, type Look, type LookName } from './looks';
import { themeOf } from './theme';

interface LookChoice {
  readonly look: Look;
  readonly choose: (name: LookName) => void;
}

const LookContext = createContext<LookChoice>({ look: LOOKS.day, choose: () => undefined });

export function LookProvider({
  name,
  choose,
  children,
}: {
  readonly name: LookName;
  readonly choose: (name: LookName) => void;
  readonly children: ReactNode;
}) {
  const look = LOOKS[name];
  const theme = useMemo(() => themeOf(look), [look]);
  const choice = useMemo(() => ({ look, choose }), [look, choose]);
  return (
    <LookContext.Provider value={choice}>
      <ThemeProvider theme={theme}>
        <CssBaseline />
        {children}
      </ThemeProvider>
    </LookContext.Provider>
  );
}

export const useLook = (): LookChoice => useContext(LookContext);
