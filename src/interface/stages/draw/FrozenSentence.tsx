'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { formatPaper } from '@/core/units';
import { useOpenSheet } from '@/interface/frame';
import { useSession } from '@/interface/session';
import { useLook } from '@/interface/theme';
import { dayAndTime } from '@/interface/words';
import { since as sinceSheet } from './SinceSheet';
import { countWords } from './since-words';
import type { AtTheBoard } from './use-frozen';

/** Which plan lies at the board, and whether it still is the one of the record. */
export function FrozenSentence({ atBoard }: { readonly atBoard: AtTheBoard }) {
  const { readOnly, style } = useSession();
  const { lay } = useOpenSheet();
  const { look } = useLook();
  const newest = atBoard.frozen.at(-1);
  const { change } = atBoard.since;
  return (
    <Box
      component="p"
      data-testid="frozen-sentence"
      role={change ? 'status' : undefined}
      sx={{ m: 0, mb: 1, fontSize: 14.5, lineHeight: 1.5, color: change ? look.warning : undefined }}
    >
      {!newest ? (
        <>
          Not at the board yet. The first tick takes this plan there, and later changes are told stroke by stroke.{' '}
          <Button size="small" disabled={readOnly} onClick={atBoard.takeUp}>
            take it there now
          </Button>
        </>
      ) : change ? (
        <>
          Changed since it went to the board ({dayAndTime(newest.frozenAt)}):{' '}
          {change.wrong.length === 0
            ? 'nothing that is drawn is wrong. '
            : `${countWords(change.wrong.length)} of what is drawn ${change.wrong.length === 1 ? 'is' : 'are'} wrong, by up to ${formatPaper(change.wrong[0]?.byMm ?? 0, style)}. `}
          <Button size="small" onClick={() => lay(sinceSheet)}>
            what to do (Shift B)
          </Button>
        </>
      ) : (
        `At the board as it is since ${dayAndTime(newest.frozenAt)}.`
      )}
    </Box>
  );
}
