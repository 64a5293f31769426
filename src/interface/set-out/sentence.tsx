'use client';
import type { ReactNode } from 'react';
import Box from '@mui/material/Box';
import { changeView, type Project, type View } from '@/core/record';
import type { LengthStyle } from '@/core/units';
import { resolveSetUp, setOutOf, whatMoved, type Held, type SetOut, type SetUp, type ViewChange } from '@/core/view';
import type { Commands } from '@/state';
import type { SetOutPaper } from './set-out-paper';

/** What all sentences of Set out are given. */
export interface SetOutSentencesProps {
  readonly project: Project;
  readonly view: View;
  readonly setUp: SetUp;
  readonly setOut: SetOut;
  readonly style: LengthStyle;
  readonly commands: Commands;
  readonly held: Held;
  readonly hold: (held: Held) => void;
  readonly told: readonly string[];
  readonly tell: (sentences: readonly string[]) => void;
  readonly open: (paper: SetOutPaper) => void;
  readonly readOnly: boolean;
}

export function Sentence({ children }: { readonly children: ReactNode }) {
  return (
    <Box component="p" sx={{ m: 0, mb: 1, lineHeight: 1.45, fontSize: 15 }}>
      {children}
    </Box>
  );
}

/** A small command within a sentence. */
export const inSentence = { color: 'secondary.main', py: 0.25 } as const;

/** Changes the view; when `moved` names what was moved on purpose (null: nothing one sees), tells what else moved with it. */
export function useChange({ commands, view, project, setUp, setOut, style, tell }: SetOutSentencesProps) {
  return (label: string, change: ViewChange, run?: string, moved?: string | null): void => {
    commands.change(label, { kind: 'change-view', viewId: view.id, fields: change }, run);
    if (moved === undefined) return tell([]);
    const next = { ...view, ...change };
    const room = changeView(project, view.id, change);
    const after = resolveSetUp(room, next);
    if (after.ok)
      tell(
        whatMoved(
          { view, setUp, setOut },
          { view: next, setUp: after.value, setOut: setOutOf(room, next, after.value) },
          moved,
          style,
        ),
      );
  };
}
