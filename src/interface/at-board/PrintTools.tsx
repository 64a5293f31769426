'use client';
import { useId, useState } from 'react';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import type { Bounds } from '@/core/record';
import { formatPaper } from '@/core/units';
import { PaperField } from '@/interface/fields';
import { useServices } from '@/interface/services';
import { useLook } from '@/interface/theme';
import { useSession } from '@/interface/session';
import { usePixelRatio } from './use-pixel-ratio';

/** What the control lines measured on the last print, by which the next one of this printer is corrected. */
/** A line of 100 mm as a printer may have made it, and as far off as a wrong unit makes it: how far is told where it is taken. */
const CONTROL_LINE: Bounds = { least: 1, most: 1000, in: 'mm on paper' };
/** What is measured on a screen, from the finest to a wall of light. */
const SCREEN_LINE: Bounds = { least: 10, most: 2000, in: 'mm on paper' };

export function ControlLine({
  names,
  current,
  correct,
  forget,
}: {
  readonly names: readonly string[];
  readonly current: string;
  readonly correct: (name: string, measured: { readonly across: number; readonly down: number }) => boolean;
  readonly forget: (name: string) => void;
}) {
  const { style } = useSession();
  const { look } = useLook();
  const [name, setName] = useState<string | null>(null);
  const [across, setAcross] = useState(100);
  const [down, setDown] = useState(100);
  const [said, setSaid] = useState<string | null>(null);
  const id = useId();
  const shown = name ?? current;
  // Measured with whatever ruler is at hand, to the tenth: coarser readings would not correct anything.
  const fine = { ...style, rulerStepMm: 0.1 as const, rulerFraction: 64 as const };
  return (
    <Box sx={{ mb: 2, lineHeight: 1.5 }}>
      On the last print of{' '}
      <Box
        component="input"
        aria-label="Name of the printer"
        list={id}
        placeholder="name the printer"
        value={shown}
        onChange={(event) => setName((event.target as HTMLInputElement).value)}
        sx={{
          font: 'inherit',
          color: look.ink,
          background: 'transparent',
          border: 0,
          borderBottom: `1.5px dotted ${look.ink}`,
          width: 150,
        }}
      />
      <datalist id={id}>
        {names.map((one) => (
          <option key={one} value={one} />
        ))}
      </datalist>{' '}
      the control line across measured{' '}
      <PaperField label="Control line across" within={CONTROL_LINE} mm={across} style={fine} onChange={setAcross} /> and
      the one down{' '}
      <PaperField label="Control line down" within={CONTROL_LINE} mm={down} style={fine} onChange={setDown} /> instead
      of {formatPaper(100, fine)}.{' '}
      <Button
        size="small"
        sx={{ color: 'secondary.main' }}
        onClick={() => {
          if (shown.trim() === '') return setSaid('Name the printer first: each stretches in its own way.');
          if (!correct(shown.trim(), { across, down }))
            return setSaid(
              'More than a tenth off is no printer’s stretch: print at 100 %, not fitted to the page, and measure again.',
            );
          setSaid(`The next print of ${shown.trim()} is corrected.`);
          setAcross(100);
          setDown(100);
          setName(null);
        }}
      >
        correct the next print
      </Button>
      {names.includes(shown) ? (
        <Button size="small" onClick={() => forget(shown)}>
          forget this printer
        </Button>
      ) : null}
      {said ? (
        <Box role="status" sx={{ fontSize: 14, color: look.accent }}>
          {said}
        </Box>
      ) : null}
    </Box>
  );
}

/** Length of the line that is measured on the screen, CSS pixels. */
const RULER_PIXELS = 300;

/** The screen measured once with a ruler; then true size holds, until zoom or another screen comes between. */
export function ScreenRuler() {
  const { style } = useSession();
  const { tools, keepTools } = useServices();
  const { look } = useLook();
  const ratio = usePixelRatio();
  const { screen } = tools;
  // Before it is measured: the length a browser takes a pixel for, 96 to the inch.
  const guess = (RULER_PIXELS / 96) * 25.4;
  const mm = screen ? RULER_PIXELS / screen.pixelsPerMm : guess;
  const broken = screen !== null && Math.abs(screen.ratio - ratio) > 1e-6;
  const fine = { ...style, rulerStepMm: 0.1 as const, rulerFraction: 64 as const };
  return (
    <Box sx={{ lineHeight: 1.5 }}>
      Lay a ruler on the screen: this line measures{' '}
      <PaperField
        label="Line on the screen"
        within={SCREEN_LINE}
        mm={mm}
        style={fine}
        onChange={(measured) => keepTools({ ...tools, screen: { pixelsPerMm: RULER_PIXELS / measured, ratio } })}
      />
      .
      <Box
        aria-hidden="true"
        sx={{
          width: RULER_PIXELS,
          height: 12,
          my: 0.75,
          borderLeft: `1px solid ${look.graphite}`,
          borderRight: `1px solid ${look.graphite}`,
          position: 'relative',
        }}
      >
        <Box sx={{ position: 'absolute', left: 0, right: 0, top: 6, borderTop: `1px solid ${look.graphite}` }} />
      </Box>
      <Box data-testid="screen-ruler" role="status" sx={{ fontSize: 14, color: broken ? look.warning : look.faint }}>
        {screen === null
          ? 'The screen has not been measured yet: true size is only the browser’s guess.'
          : broken
            ? `True size does not hold now: the browser’s zoom is ${Math.round((ratio / screen.ratio) * 100)} % of what it was when the screen was measured, or this is another screen. Set the zoom back, or measure again.`
            : 'Measured: key 1 shows the sheet at its true size.'}
        {screen === null ? (
          <Button
            size="small"
            sx={{ color: 'secondary.main' }}
            onClick={() => keepTools({ ...tools, screen: { pixelsPerMm: RULER_PIXELS / guess, ratio } })}
          >
            it measures just that
          </Button>
        ) : null}
      </Box>
    </Box>
  );
}
