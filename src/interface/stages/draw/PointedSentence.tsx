'use client';
import Box from '@mui/material/Box';
import { useSession, useWorkedOut } from '@/interface/session';
import type { SetUp } from '@/core/view';
import { pointedWords } from './pointed-words';
import type { DrawnStep } from './use-drawing';

/** What is pointed at on the paper, spoken as it changes. */
export function PointedSentence({ drawn, setUp }: { readonly drawn: DrawnStep; readonly setUp: SetUp }) {
  const { project, style } = useSession();
  const { scene } = useWorkedOut();
  const { laid, pointed } = drawn;
  const says = pointed ? pointedWords({ laid, pointed, project, bodies: scene.bodies, setUp, style }) : null;
  return (
    <Box
      component="div"
      aria-live="polite"
      data-testid="pointed-sentence"
      sx={{ minHeight: 66, mb: 1, fontSize: 14.5, lineHeight: 1.4, color: says ? 'secondary.main' : 'text.secondary' }}
    >
      {says
        ? says.map((one, i) => (
            <Box component="p" key={i} sx={{ m: 0, mb: 0.4 }}>
              {one}
            </Box>
          ))
        : 'Point at a mark or a line to see what it is and what rests on it; press it to go to its step.'}
    </Box>
  );
}
