import type { ReactNode } from 'react';
import { keptState, useKept, useSurroundings } from '@/interface/session';
import type { ShownKey } from './key';

/** A sheet that can be laid over the paper: its button, key and dialog come from this one entry. */
export interface Sheet<in Given> {
  /** What its button in the foot row says, before its key; null where none leads to it. */
  readonly button: string | null;
  /** What its button in the margin says, if there is one. */
  readonly inMargin?: string;
  /** What the list of things to take away says, if it leads there. */
  readonly takesAway?: string;
  readonly key: ShownKey;
  /** Whether it is of use only to one who may change the project. */
  readonly changes: boolean;
  readonly Dialog: (props: { readonly given: Given; readonly close: () => void }) => ReactNode;
}

const OPEN_SHEET = keptState<Sheet<never> | null>(null);

/** The sheet that lies over the paper; one at a time. */
export interface OpenSheet {
  readonly open: Sheet<never> | null;
  readonly lay: (sheet: Sheet<never>) => void;
  readonly layAside: () => void;
  /** Lays it over the paper, or aside if it lies there. */
  readonly toggle: (sheet: Sheet<never>) => void;
}

export function useOpenSheet(): OpenSheet {
  const { kept } = useSurroundings();
  const [open, setOpen] = useKept(kept, OPEN_SHEET);
  return {
    open,
    lay: (sheet) => setOpen(sheet),
    layAside: () => setOpen(null),
    toggle: (sheet) => setOpen((now) => (now === sheet ? null : sheet)),
  };
}
