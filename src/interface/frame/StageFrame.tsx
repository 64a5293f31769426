'use client';
import { useEffect, useRef, type ReactNode } from 'react';
import Box from '@mui/material/Box';
import { useSnackbar } from 'notistack';
import { useStore } from 'zustand';
import { projectFileOf, type Desktop } from '@/interface/outputs';
import { useServices } from '@/interface/services';
import { UnhurriedSession, useSession } from '@/interface/session';
import { useLook } from '@/interface/theme';
import { COMMON_SHEETS } from './common-sheets';
import { FootRow, type Foot } from './FootRow';
import { COMMON_KEYS, type BoundKey } from './key';
import { useOpenSheet, type Sheet } from './sheet';
import { useStages } from './stage';
import { SaveTrouble } from './SaveTrouble';
import { TitleLine } from './TitleLine';
import { useFolding } from './use-folding';
import { useKeys } from './use-keys';
import { useLatest } from './use-latest';

interface StageFrameProps<Given> {
  /** Sentences of the margin, and what stands at its foot; they follow a drag at their own pace. */
  readonly margin: ReactNode;
  /** Where there is no room for a margin, its sentences stand in two lines above the foot; or nowhere. */
  readonly marginWhenNarrow: 'two-lines' | 'none';
  readonly paper: ReactNode;
  readonly sheets: readonly Sheet<Given>[];
  /** What the sheets are given; null while nothing stands that they could be about. */
  readonly given: Given | null;
  readonly keys: readonly BoundKey[];
  /** What Escape does when no drag is under way and no sheet lies over the paper. */
  readonly escape: () => void;
  readonly foot: Foot;
  /** What the stage shows, for what can be taken away. */
  readonly shows: Pick<Desktop, 'perspective' | 'elevation'>;
}

/** What every stage shares: title line, margin, paper with the sheets laid over it, foot row, keys and help. A stage fills it. */
export function StageFrame<Given>(props: StageFrameProps<Given>) {
  const { margin, marginWhenNarrow, paper, sheets, given, keys, escape, foot, shows } = props;
  const { commands, narrow, readOnly, store } = useSession();
  const { look } = useLook();
  const { goTo, takeAway } = useServices();
  const { all } = useStages();
  const { open, layAside, toggle } = useOpenSheet();
  const common = COMMON_SHEETS.find((one) => one === open);
  const own = given === null ? undefined : sheets.find((one) => one === open);
  const latest = useLatest(shows);
  useSaid();
  useKeys([
    ...keys,
    ...all.map((stage) => ({ keys: stage.key.keys, act: () => goTo(stage.id) })),
    ...sheets
      .filter((sheet) => !(readOnly && sheet.changes))
      .map((sheet) => ({ keys: sheet.key.keys, act: () => toggle(sheet) })),
    ...(readOnly
      ? []
      : [
          { keys: COMMON_KEYS.undo.keys, act: commands.undo },
          { keys: COMMON_KEYS.redo.keys, act: commands.redo },
        ]),
    ...COMMON_SHEETS.map((sheet) => ({ keys: sheet.key.keys, act: () => toggle(sheet) })),
    {
      keys: COMMON_KEYS.file.keys,
      act: () => takeAway(...projectFileOf(store.getState().history.present), 'the-project'),
    },
    {
      keys: COMMON_KEYS.layAside.keys,
      // A sheet of another stage is not in sight here: Escape does not spend itself on it.
      act: () => (store.getState().dragged ? commands.cancelDrag() : own || common ? layAside() : escape()),
    },
  ]);
  return (
    <Box sx={{ height: '100dvh', display: 'flex', flexDirection: 'column', overflow: 'hidden' }}>
      <TitleLine
        sheets={sheets}
        stands={shows.perspective !== null}
        elevations={shows.elevation !== null}
        shows={latest}
      />
      <SaveTrouble />
      <Box sx={{ flex: 1, minHeight: 0, display: 'flex', flexDirection: narrow ? 'column-reverse' : 'row' }}>
        <Margin whenNarrow={marginWhenNarrow}>{margin}</Margin>
        <Box
          component="main"
          sx={{
            position: 'relative',
            flex: 1,
            minWidth: 0,
            minHeight: 0,
            display: 'flex',
            backgroundColor: look.paper,
            backgroundImage: look.tooth > 0 ? toothOf(look.tooth) : 'none',
          }}
        >
          {paper}
          {own && given !== null ? <own.Dialog given={given} close={layAside} /> : null}
          {common ? <common.Dialog given={null} close={layAside} /> : null}
        </Box>
      </Box>
      <FootRow foot={foot} sheets={sheets} stands={given !== null} />
    </Box>
  );
}

const SHORT_IN_LINE = { display: 'inline', width: 'auto', mr: 1.5 } as const;
const NAME_IN_LINE = { display: 'inline-block', width: 170, mb: 0, mr: 1, fontSize: 15 } as const;

/** A faint tooth of the paper. */
const toothOf = (tooth: number): string =>
  `url("data:image/svg+xml,%3Csvg xmlns='http://www.w3.org/2000/svg' width='160' height='160'%3E%3Cfilter id='t'%3E%3CfeTurbulence type='fractalNoise' baseFrequency='.8' numOctaves='3'/%3E%3CfeColorMatrix values='0 0 0 0 .3 0 0 0 0 .27 0 0 0 0 .2 0 0 0 ${tooth} 0'/%3E%3C/filter%3E%3Crect width='160' height='160' filter='url(%23t)'/%3E%3C/svg%3E")`;

function Margin({ whenNarrow, children }: { readonly whenNarrow: 'two-lines' | 'none'; readonly children: ReactNode }) {
  const { look } = useLook();
  const { narrow } = useSession();
  const margin = useRef<HTMLElement>(null);
  useFolding(margin, !narrow || whenNarrow === 'two-lines');
  const lines = whenNarrow === 'none' ? { maxHeight: 0, p: 0 } : { maxHeight: 86, p: '6px 16px' };
  return (
    <Box
      component="aside"
      ref={margin}
      aria-label="Margin"
      sx={{
        width: narrow ? '100%' : 232,
        flexShrink: 0,
        overflow: 'auto',
        p: '12px 14px',
        backgroundColor: look.margin,
        [narrow ? 'borderTop' : 'borderRight']: `1px solid ${look.rule}`,
        // Beside the sentences a name is one of their words: whole lines of one height are seen.
        ...(narrow
          ? {
              ...lines,
              '& p': { display: 'inline', mr: 1 },
              '& .name': NAME_IN_LINE,
              '& p[data-folded] .short': SHORT_IN_LINE,
            }
          : {}),
      }}
    >
      <UnhurriedSession>{children}</UnhurriedSession>
    </Box>
  );
}

/** What was refused, or done otherwise, is said once. */
function useSaid(): void {
  const { store, commands } = useSession();
  const said = useStore(store, (state) => state.said);
  const { enqueueSnackbar } = useSnackbar();
  useEffect(() => {
    if (!said) return;
    enqueueSnackbar(said.message, { variant: said.kind === 'refuse' ? 'error' : 'warning', autoHideDuration: 8000 });
    commands.forgetSaid();
  }, [said, commands, enqueueSnackbar]);
}
