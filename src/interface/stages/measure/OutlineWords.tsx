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
      <OneOf
        label="Outlines of the block"
        names={outlines.map((one, i) => `${i + 1} ${VIEW_WORDS[one.view]}`)}
        atHand={hand.outline}
        take={desk.take}
        more={['one outline more', desk.add]}
        strike={outlines.length > 1 ? ['strike this one out', desk.strike] : null}
      />
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
      <OneOf
        label="Ways round of the outline"
        names={now.loops.map((_, i) => (i === 0 ? 'the outline' : `hole ${i}`))}
        atHand={hand.loop}
        take={(loop) => desk.take(hand.outline, loop)}
        more={['a hole more', desk.addHole]}
        strike={hand.loop > 0 ? ['strike out this hole', desk.strikeHole] : null}
      />
    </Box>
  );
}

type Command = readonly [words: string, act: () => void];

/** Some of a kind in a row, one of them at hand; one more, and the one at hand struck out. */
function OneOf({
  label,
  names,
  atHand,
  take,
  more,
  strike,
}: {
  readonly label: string;
  readonly names: readonly string[];
  readonly atHand: number;
  readonly take: (index: number) => void;
  readonly more: Command;
  readonly strike: Command | null;
}) {
  return (
    <Box role="group" aria-label={label}>
      {names.map((name, i) => (
        <Button
          key={name}
          size="small"
          aria-pressed={i === atHand}
          sx={{ py: 0.25, textDecoration: i === atHand ? 'underline' : 'none' }}
          onClick={() => take(i)}
        >
          {name}
        </Button>
      ))}
      {[more, ...(strike ? [strike] : [])].map(([words, act]) => (
        <Button key={words} size="small" sx={{ color: 'secondary.main', py: 0.25 }} onClick={act}>
          {words}
        </Button>
      ))}
    </Box>
  );
}
