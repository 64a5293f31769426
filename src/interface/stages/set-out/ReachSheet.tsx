'use client';
import { Fragment, useMemo, useState } from 'react';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { formatPaper, type LengthStyle } from '@/core/units';
import {
  groupServing,
  outOfReach,
  reachesOf,
  reachRemedies,
  withoutAid,
  namesServed,
  type Reach,
  type SetOut,
  type SetOutMark,
  type SetUp,
} from '@/core/view';
import { PaperSheet } from '@/interface/paper';
import { useLook } from '@/interface/theme';
import { useSession } from '@/interface/session';
import type { Seen } from '@/interface/at-board';
import type { Sheet } from '@/interface/frame';

interface ReachSheetProps {
  readonly setUp: SetUp;
  readonly setOut: SetOut;
  readonly close: () => void;
}

function state({ mark, aid, within, usable, rulerNeeds, rulerReaches }: Reach, style: LengthStyle): string {
  const where =
    mark.lies.where === 'on-sheet'
      ? 'on the sheet'
      : mark.lies.where === 'on-board'
        ? 'on the board'
        : `${formatPaper(mark.lies.beyondBoard, style)} off the board on the ${mark.lies.side}`;
  const ruler = rulerReaches ? '' : `; the ruler would have to be ${formatPaper(rulerNeeds, style)} long`;
  const by = aid
    ? {
        fraction: `drawn at 1/${aid.by === 'fraction' ? aid.n : 1}`,
        ticks: 'by ticks on the edges',
        strip: 'on a strip',
      }[aid.by]
    : '';
  return `${where}${ruler}${aid ? `; ${by}${usable ? '' : ', but still out of reach'}` : within ? '' : ': out of reach'}`;
}

/** Every point with where it lies, and for one out of reach every remedy with its consequence, before it is taken. */
function ReachSheet({ setUp, setOut, close }: ReachSheetProps) {
  const { project, view, style, commands, readOnly, chosen } = useSession();
  const { look } = useLook();
  // The room's own directions, and those of the piece at hand.
  const group = (chosen === null ? undefined : groupServing(setOut, chosen)) ?? setOut.room;
  const [asked, setAsked] = useState<string | null>(null);
  const lists = [setOut.room, ...(group === setOut.room ? [] : [group])].map((pair) => ({
    pair,
    title: pair === setOut.room ? 'The room’s points' : `Points of ${namesServed(project, pair.serves)}`,
    reaches: reachesOf(view, setOut, pair),
  }));
  const needed = new Set(lists.flatMap(({ pair }) => outOfReach(view, setOut, pair).map(({ mark }) => mark.id)));
  const all = lists.flatMap((list) => list.reaches);
  const first = all.find((one) => one.mark.id === asked) ?? all.find((one) => needed.has(one.mark.id)) ?? null;
  return (
    <PaperSheet label="Reach" title="What the board and the ruler reach" high="66%" close={close}>
      <Box sx={{ display: 'flex', gap: 3, flexWrap: 'wrap' }}>
        <Box sx={{ flex: '0 0 300px' }}>
          {lists.map((list) => (
            <Fragment key={list.title}>
              <Box component="h3" sx={{ m: 0, mb: 0.5, fontSize: 15, fontWeight: 400, color: look.faint }}>
                {list.title}
              </Box>
              <Box component="ul" sx={{ listStyle: 'none', m: 0, mb: 1.5, p: 0 }} aria-label={list.title}>
                {list.reaches.map((one) => (
                  <Box component="li" key={one.mark.id} sx={{ mb: 0.75, lineHeight: 1.35 }} data-reach={one.mark.id}>
                    <Button
                      aria-pressed={one.mark.id === first?.mark.id}
                      onClick={() => setAsked(one.mark.id)}
                      sx={{
                        fontWeight: one.mark.id === first?.mark.id ? 700 : 400,
                        color: needed.has(one.mark.id) ? 'error.main' : undefined,
                      }}
                    >
                      {one.mark.label}
                    </Button>{' '}
                    <Box
                      component="span"
                      sx={{ color: needed.has(one.mark.id) ? look.warning : look.faint, fontSize: 14 }}
                    >
                      {state(one, style)}
                      {!one.usable && !needed.has(one.mark.id) ? '; one can do without it' : ''}
                    </Box>
                    {one.aid && !readOnly ? (
                      <Button
                        size="small"
                        sx={{ color: 'secondary.main' }}
                        onClick={() =>
                          commands.change(`Give up what was done about ${one.mark.label}`, {
                            kind: 'change-view',
                            viewId: view.id,
                            fields: withoutAid(view, one.mark.name),
                          })
                        }
                      >
                        give that up
                      </Button>
                    ) : null}
                  </Box>
                ))}
              </Box>
            </Fragment>
          ))}
        </Box>
        <Box sx={{ flex: 1, minWidth: 320 }}>
          {first === null || first.within ? (
            <Box component="p" sx={{ m: 0 }}>
              {first
                ? `${first.mark.label} is within reach as it is.`
                : 'Every point that is needed is within reach, or was brought there.'}
            </Box>
          ) : (
            <Remedies
              key={first.mark.id}
              {...{ setUp, setOut }}
              mark={first.mark}
              // One stays with the point one has just done something about.
              taken={() => setAsked(first.mark.id)}
            />
          )}
        </Box>
      </Box>
    </PaperSheet>
  );
}

/** Every remedy for one point. Each is tried before it is offered, which takes a while: worked out once for each view. */
function Remedies({
  setUp,
  setOut,
  mark,
  taken,
}: Omit<ReachSheetProps, 'group' | 'close'> & { readonly mark: SetOutMark; readonly taken: () => void }) {
  const { project, view, style, commands, readOnly } = useSession();
  const { look } = useLook();
  const remedies = useMemo(
    () => reachRemedies(project, view, setUp, setOut, mark, style),
    [project, view, setUp, setOut, mark, style],
  );
  return (
    <Box component="ol" sx={{ m: 0, pl: 2.5 }} aria-label={`Remedies for ${mark.label}`}>
      {remedies.map((remedy) => (
        <Box
          component="li"
          key={remedy.kind}
          data-remedy={remedy.kind}
          sx={{ mb: 1, lineHeight: 1.4, color: remedy.possible ? look.text : look.faint }}
        >
          <strong style={{ fontWeight: 500 }}>{remedy.label}.</strong>{' '}
          {remedy.possible ? remedy.consequences.join(' ') : remedy.why}
          {remedy.possible && !readOnly ? (
            <Button
              size="small"
              sx={{ color: 'secondary.main' }}
              aria-label={`Take it: ${remedy.label}`}
              onClick={() => {
                taken();
                commands.change(remedy.label, { kind: 'change-view', viewId: view.id, fields: remedy.change });
              }}
            >
              take it
            </Button>
          ) : null}
        </Box>
      ))}
    </Box>
  );
}

export const reach: Sheet<Seen> = {
  button: 'reach',
  key: { keys: 'r', shown: 'R', does: 'what the board and the ruler reach' },
  changes: false,
  Dialog: ({ given, close }) => <ReachSheet {...given.perspective.stand} close={close} />,
};
