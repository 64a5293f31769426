'use client';
import { memo, useCallback, type ReactNode } from 'react';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useServices } from '@/interface/services';
import { useSession, useSurroundings, type Rings, useWorkedOut } from '@/interface/session';
import { useLook } from '@/interface/theme';
import { RingsMenu } from './RingsMenu';
import { useOpenSheet, type Sheet } from './sheet';
import { stageAfter, useStages } from './stage';
import { useLatest } from './use-latest';

/** The next thing to do: what its button says, and does. */
export interface Next {
  readonly words: string;
  readonly act: () => void;
}

/** What a stage says of its foot row. */
export interface Foot {
  readonly says: ReactNode;
  /** Whether the buttons of the sheets stand in the foot row. */
  readonly sheets: 'in-the-foot' | 'elsewhere';
  /** What is ringed on the drawing, counted; null where the foot has no room for it. */
  readonly rings: Rings | null;
  /** The next thing to do here; without one the frame leads to the next stage. */
  readonly next: Next | null;
  /** In Draw the foot is as high as its sentence. */
  readonly high: 'a-row' | 'a-sentence';
}

/** Heights of the foot row, px: of a window with a margin, and of one without. */
const HEIGHTS = {
  'a-row': { wide: 52, narrow: 56 },
  'a-sentence': { wide: 124, narrow: 216 },
} as const;

/** Where one is, what is ringed on the drawing, and the next thing to do; in Draw, the sentence to follow. */
export function FootRow({
  foot,
  sheets,
  stands,
}: {
  readonly foot: Foot;
  readonly sheets: readonly Sheet<never>[];
  /** Whether there is something the sheets could be about. */
  readonly stands: boolean;
}) {
  const { look } = useLook();
  const { narrow } = useSurroundings();
  return (
    <Box
      component="footer"
      sx={{
        // As high as it is at first: a foot that grows with its words would push the paper about.
        [foot.high === 'a-row' ? 'minHeight' : 'height']: HEIGHTS[foot.high][narrow ? 'narrow' : 'wide'],
        flexShrink: 0,
        display: 'flex',
        alignItems: 'center',
        gap: 2,
        px: 2,
        py: 0.75,
        borderTop: `1px solid ${look.rule}`,
        backgroundColor: look.margin,
        fontSize: 15,
      }}
    >
      {foot.says}
      {foot.sheets === 'in-the-foot' ? <SheetButtons sheets={sheets} stands={stands} /> : null}
      {foot.rings ? (
        <>
          <Box sx={{ flex: 1 }} />
          <RingsMenu rings={foot.rings} />
          <NextButton next={foot.next} />
        </>
      ) : null}
    </Box>
  );
}

const SheetButtons = memo(function SheetButtons({
  sheets,
  stands,
}: {
  readonly sheets: readonly Sheet<never>[];
  readonly stands: boolean;
}) {
  const { narrow, readOnly } = useSurroundings();
  const { open, toggle } = useOpenSheet();
  return (
    <Box component="nav" aria-label="Sheets to lay over the board" sx={{ display: 'flex', gap: narrow ? 0 : 0.5 }}>
      {sheets
        .filter((sheet) => sheet.button !== null && !(readOnly && sheet.changes))
        .map((sheet) => (
          <Button
            key={sheet.key.keys}
            aria-pressed={open === sheet}
            disabled={!stands}
            onClick={() => toggle(sheet)}
            sx={{ whiteSpace: 'nowrap', ...(narrow ? { minWidth: 44, minHeight: 44, px: 0.75 } : {}) }}
          >
            {sheet.button} ({sheet.key.shown})
          </Button>
        ))}
    </Box>
  );
});

/** The next thing to do here, or the way to the next stage. */
function NextButton({ next }: { readonly next: Next | null }) {
  const at = { ...useSession(), ...useWorkedOut() };
  const { goTo } = useServices();
  const after = stageAfter(useStages());
  const invitation = after?.invites(at) ?? null;
  const shown = next ?? (after && invitation !== null ? { words: invitation, act: () => goTo(after.id) } : null);
  const latest = useLatest(shown);
  const act = useCallback(() => latest()?.act(), [latest]);
  return shown ? <NextSaid words={shown.words} act={act} /> : null;
}

/** Most edits leave its words as they are. */
const NextSaid = memo(function NextSaid({ words, act }: Next) {
  return (
    <Button variant="contained" onClick={act} sx={{ whiteSpace: 'nowrap' }}>
      {words}
    </Button>
  );
});
