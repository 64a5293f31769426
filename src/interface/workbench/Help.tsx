'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useLook } from '@/interface/theme';
import { TRADE_TERMS } from '@/interface/words';
import type { Stage } from '@/interface/services';
import { SHORTCUTS } from './use-shortcuts';

const STAGE_WORDS: Readonly<Record<Stage, string>> = {
  measure: 'Measure',
  stand: 'Stand',
  'set-out': 'Set out',
  draw: 'Draw',
};

/** Keys and terms, on one sheet. */
export function Help({ close }: { readonly close: () => void }) {
  const { look } = useLook();
  return (
    <Box
      role="dialog"
      aria-label="Keys and terms"
      sx={{
        position: 'absolute',
        inset: '5% 8%',
        overflow: 'auto',
        backgroundColor: look.sheet,
        border: `1px solid ${look.graphite}`,
        p: 3,
        zIndex: 6,
        '& dl': { display: 'grid', gridTemplateColumns: 'max-content 1fr', gap: '3px 16px', m: 0 },
        '& dd': { m: 0 },
      }}
    >
      <Box sx={{ display: 'flex', justifyContent: 'space-between', mb: 1.5 }}>
        <Box component="h2" sx={{ m: 0, fontSize: 20, fontWeight: 500 }}>
          Keys and terms
        </Box>
        <Button onClick={close} autoFocus>
          lay it aside (Esc)
        </Button>
      </Box>
      <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', md: '2fr 3fr' }, gap: 4 }}>
        <Box>
          <dl>
            {SHORTCUTS.map((one) => [
              <dt key={`${one.action}-key`} className="figure">
                {one.shown}
              </dt>,
              <dd key={one.action}>
                {one.does}
                {one.stages?.length === 1 ? `, in ${STAGE_WORDS[one.stages[0] ?? 'stand']}` : ''}
              </dd>,
            ])}
          </dl>
          <p>
            Handles on the paper are reached with Tab. Arrows nudge what is chosen by 10 mm, half an inch or one degree;
            with Shift by ten times that. A figure in a sentence takes up and down arrows too.
          </p>
          <p>
            Lengths are typed as you are used to: 2400, 2.4 m, 240 cm, 7&apos;-10 1/2&quot;, or a sum such as 600 + 3 x
            450.
          </p>
          <p>
            Bathyskop draws what was measured; it judges nothing. Sizes of stairs, guards, clearances and tall furniture
            are for local codes and a licensed professional to decide.
          </p>
        </Box>
        <dl>
          {TRADE_TERMS.map((one) => [
            <dt key={`${one.term}-term`}>
              <em>{one.term}</em>
            </dt>,
            <dd key={one.term}>{one.means}</dd>,
          ])}
        </dl>
      </Box>
    </Box>
  );
}
