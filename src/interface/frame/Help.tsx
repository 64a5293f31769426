'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useLook } from '@/interface/theme';
import { TRADE_TERMS } from '@/interface/words';
import { COMMON_KEYS, type ShownKey } from './key';
import { useStages, type Stage } from './stage';

/** Every key of a stage's own, sheets among them. */
export const keysOf = ({ keys, sheets }: Pick<Stage, 'keys' | 'sheets'>): readonly ShownKey[] => [
  ...keys,
  ...sheets.map((sheet) => sheet.key),
];

/** Keys that work in every stage. */
export const commonKeys = (all: readonly Stage[]): readonly ShownKey[] => [
  ...all.map((stage) => stage.key),
  ...Object.values(COMMON_KEYS),
];

function KeyList({ keys }: { readonly keys: readonly ShownKey[] }) {
  return (
    <dl>
      {keys.map((one) => [
        <dt key={`${one.keys}-key`} className="figure">
          {one.shown}
        </dt>,
        <dd key={one.keys}>{one.does}</dd>,
      ])}
    </dl>
  );
}

/** Keys and terms, on one sheet. */
export function Help({ close }: { readonly close: () => void }) {
  const { look } = useLook();
  const { all, here } = useStages();
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
        '& h3': { m: '14px 0 4px', fontSize: 15, fontWeight: 500 },
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
      <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', md: '2fr 3fr' }, gap: 4, alignItems: 'start' }}>
        <Box>
          <h3>Here, in {here.name}</h3>
          <KeyList keys={keysOf(here)} />
          <h3>Everywhere</h3>
          <KeyList keys={commonKeys(all)} />
        </Box>
        <Box>
          <h3>Terms</h3>
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
      <p>
        Handles on the paper are reached with Tab. Arrows nudge what is chosen by 10 mm, half an inch or one degree;
        with Shift by ten times that. A figure in a sentence takes up and down arrows too.
      </p>
      <p>
        Lengths are typed as you are used to: 2400, 2.4 m, 240 cm, 7&apos;-10 1/2&quot;, or a sum such as 600 + 3 x 450.
      </p>
      <p>
        Bathyskop draws what was measured; it judges nothing. Sizes of stairs, guards, clearances and tall furniture are
        for local codes and a licensed professional to decide.
      </p>
      <Box sx={{ columnWidth: 270, columnGap: 4, '& section': { breakInside: 'avoid' } }}>
        {all
          .filter((stage) => stage !== here)
          .map((stage) => (
            <section key={stage.id}>
              <h3>In {stage.name}</h3>
              <KeyList keys={keysOf(stage)} />
            </section>
          ))}
      </Box>
    </Box>
  );
}
