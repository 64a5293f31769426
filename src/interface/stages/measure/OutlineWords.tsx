'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useLook } from '@/interface/theme';
import { VIEW_WORDS } from './OutlineFigure';
import { Choice } from './parts';
import type { Outlines, OutlineView } from './use-outlines';

/** Which outline, and which way round of it, is at hand; its view, and from where to where it is pushed through. */
export function OutlineWords({ desk, deep }: { readonly desk: Outlines; readonly deep: string }) {
  const { look } = useLook();
  const { outlines, now, hand } = desk;
  if (!now) return null;
  const underlined = (is: boolean) => ({ py: 0.25, textDecoration: is ? 'underline' : 'none' });
  const depth = (label: string, value: string, put: (text: string) => void) => (
    <input
      className="figure"
      aria-label={label}
      value={value}
      onChange={(event) => put(event.target.value)}
      style={{
        ...{ font: 'inherit', border: 0, background: 'transparent', color: look.ink, width: 64 },
        borderBottom: `1.5px dotted ${look.ink}`,
      }}
    />
  );
  return (
    <Box sx={{ mb: 1 }}>
      <Box role="group" aria-label="Outlines of the block">
        {outlines.map((one, i) => (
          <Button
            key={one.id}
            size="small"
            aria-pressed={i === hand.outline}
            sx={underlined(i === hand.outline)}
            onClick={() => desk.take(i)}
          >
            {`${i + 1} ${VIEW_WORDS[one.view]}`}
          </Button>
        ))}
        <Button size="small" sx={{ color: 'secondary.main', py: 0.25 }} onClick={desk.add}>
          one outline more
        </Button>
        {outlines.length > 1 ? (
          <Button size="small" sx={{ color: 'secondary.main', py: 0.25 }} onClick={desk.strike}>
            strike this one out
          </Button>
        ) : null}
      </Box>
      <p className="sentence">
        {`Outline ${hand.outline + 1} `}
        <Choice
          label="View of the outline"
          value={now.view}
          among={(Object.keys(VIEW_WORDS) as OutlineView[]).map((one) => [one, VIEW_WORDS[one]])}
          onChange={desk.lookFrom}
        />
        , from the lower left corner, pushed through from{' '}
        {depth('Pushed through from', now.from, (from) => desk.put({ from }))} to{' '}
        {depth('Pushed through to', now.to, (to) => desk.put({ to }))} of {deep}.
      </p>
      <Box role="group" aria-label="Ways round of the outline">
        {now.loops.map((_, i) => (
          <Button
            key={i}
            size="small"
            aria-pressed={i === hand.loop}
            sx={underlined(i === hand.loop)}
            onClick={() => desk.take(hand.outline, i)}
          >
            {i === 0 ? 'the outline' : `hole ${i}`}
          </Button>
        ))}
        <Button size="small" sx={{ color: 'secondary.main', py: 0.25 }} onClick={desk.addHole}>
          a hole more
        </Button>
        {hand.loop > 0 ? (
          <Button size="small" sx={{ color: 'secondary.main', py: 0.25 }} onClick={desk.strikeHole}>
            strike out this hole
          </Button>
        ) : null}
      </Box>
    </Box>
  );
}
