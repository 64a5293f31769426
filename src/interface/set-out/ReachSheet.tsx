'use client';
import { useState } from 'react';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { changeView, type Project, type View } from '@/core/record';
import { formatPaper, type LengthStyle } from '@/core/units';
import { reachesOf, reachRemedies, withoutAid, type Reach, type SetOut, type SetUp } from '@/core/view';
import { PaperSheet } from '@/interface/paper';
import { useLook } from '@/interface/theme';
import type { Commands } from '@/state';

interface ReachSheetProps {
  readonly project: Project;
  readonly view: View;
  readonly set: SetUp;
  readonly setOut: SetOut;
  /** The group of directions at hand: the room's, or the chosen piece's. */
  readonly group: number;
  readonly style: LengthStyle;
  readonly commands: Commands;
  readonly readOnly: boolean;
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
export function ReachSheet({ project, view, set, setOut, group, style, commands, readOnly, close }: ReachSheetProps) {
  const { look } = useLook();
  const reaches = reachesOf(view, setOut, group);
  const [asked, setAsked] = useState<string | null>(null);
  const first = reaches.find((one) => one.mark.id === asked) ?? reaches.find((one) => !one.usable) ?? null;
  const remedies = first && !first.within ? reachRemedies(project, view, set, setOut, first.mark, style) : [];
  return (
    <PaperSheet label="Reach" title="What the board and the ruler reach" high="66%" close={close}>
      <Box sx={{ display: 'flex', gap: 3, flexWrap: 'wrap' }}>
        <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0, flex: '0 0 300px' }} aria-label="Points">
          {reaches.map((one) => (
            <Box component="li" key={one.mark.id} sx={{ mb: 0.75, lineHeight: 1.35 }} data-reach={one.mark.id}>
              <Button
                aria-pressed={one.mark.id === first?.mark.id}
                onClick={() => setAsked(one.mark.id)}
                sx={{
                  fontWeight: one.mark.id === first?.mark.id ? 700 : 400,
                  color: one.usable ? undefined : 'error.main',
                }}
              >
                {one.mark.label}
              </Button>{' '}
              <Box component="span" sx={{ color: one.usable ? look.faint : look.warning, fontSize: 14 }}>
                {state(one, style)}
              </Box>
              {one.aid && !readOnly ? (
                <Button
                  size="small"
                  sx={{ color: 'secondary.main' }}
                  onClick={() =>
                    commands.change(`Give up what was done about ${one.mark.label}`, (now) =>
                      changeView(now, view.id, withoutAid(view, one.mark.id)),
                    )
                  }
                >
                  give that up
                </Button>
              ) : null}
            </Box>
          ))}
        </Box>
        <Box sx={{ flex: 1, minWidth: 320 }}>
          {first === null || first.within ? (
            <Box component="p" sx={{ m: 0 }}>
              {first
                ? `${first.mark.label} is within reach as it is.`
                : 'Every point is within reach, or was brought there.'}
            </Box>
          ) : (
            <Box component="ol" sx={{ m: 0, pl: 2.5 }} aria-label={`Remedies for ${first.mark.label}`}>
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
                      onClick={() => commands.change(remedy.label, (now) => changeView(now, view.id, remedy.change))}
                    >
                      take it
                    </Button>
                  ) : null}
                </Box>
              ))}
            </Box>
          )}
        </Box>
      </Box>
    </PaperSheet>
  );
}
