'use client';
import { type Stand } from '@/core/view';
import { PRINT_PARTS, type PrintPart } from '@/core/pipeline';
import { useEffect, useId, useRef, useState, type ReactNode } from 'react';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useSnackbar } from 'notistack';
import { correctedBy, NO_CORRECTION, setOutDrawing } from '@/core/drawing';
import { writeSvg } from '@/core/formats/svg';
import type { Project, View } from '@/core/record';
import { formatPaper, type LengthStyle } from '@/core/units';
import { Choice, PaperField } from '@/interface/fields';
import { PaperSheet } from '@/interface/paper';
import { useServices } from '@/interface/services';
import { useLook } from '@/interface/theme';
import { usePixelRatio } from './use-pixel-ratio';

interface PrintSheetProps {
  readonly project: Project;
  readonly view: View;
  readonly stand: Stand;
  readonly style: LengthStyle;
  readonly close: () => void;
}

const PART_WORDS: Readonly<Record<PrintPart, string>> = {
  table: 'the set-out table, with the board',
  'set-out': 'the set-out at true size',
  grid: 'the grid, to lay under',
  picture: 'the picture itself',
};

/** Parts, paper and printer of a print; the printer's own stretch; the screen's ruler. */
export function PrintSheet({ project, view, stand, style, close }: PrintSheetProps) {
  const { print, tools, keepTools, takeAway } = useServices();
  const { enqueueSnackbar } = useSnackbar();
  const { look } = useLook();
  const [parts, setParts] = useState<readonly PrintPart[]>(['table', 'set-out']);
  const [paper, setPaper] = useState<string>('sheet');
  const [printerName, setPrinterName] = useState(tools.printers[0]?.name ?? '');
  const [done, setDone] = useState<number | null>(null);
  const gone = useRef(false);
  useEffect(() => {
    gone.current = false;
    return () => {
      gone.current = true;
      print?.cancel();
    };
  }, [print]);
  const printer = tools.printers.find((one) => one.name === printerName) ?? null;
  const chosen = parts.filter((part) => part !== 'grid' || view.grid !== null);
  const fileName = `${project.id}-${view.id}-${chosen.join('-')}`;
  const make = async (): Promise<void> => {
    if (!print) return;
    setDone(0);
    const reply = await print.print(
      {
        project,
        job: { viewId: view.id, parts: chosen, paper, correction: printer?.correction ?? NO_CORRECTION },
        title: `${project.name}: ${view.name}`,
      },
      (share) => {
        if (!gone.current) setDone(share);
      },
    );
    if (gone.current) return;
    setDone(null);
    if (reply?.kind === 'pdf') takeAway(`${fileName}.pdf`, 'application/pdf', reply.bytes);
    else if (reply)
      enqueueSnackbar(reply.kind === 'refused' ? reply.message : `The print could not be made: ${reply.detail}`, {
        variant: 'error',
      });
  };
  const row = (children: ReactNode) => (
    <Box component="p" sx={{ m: 0, mb: 1, lineHeight: 1.5 }}>
      {children}
    </Box>
  );
  return (
    <PaperSheet label="Print" title="Print at true size" high="66%" close={close}>
      <Box sx={{ display: 'flex', gap: 4, flexWrap: 'wrap' }}>
        <Box sx={{ flex: '1 1 380px' }}>
          <Box
            component="fieldset"
            sx={{ border: 0, m: 0, p: 0, mb: 1, '& input': { accentColor: look.ink, width: 16, height: 16 } }}
          >
            <Box component="legend" sx={{ p: 0, color: look.faint }}>
              What is to be printed
            </Box>
            {PRINT_PARTS.map((part) => (
              <Box
                component="label"
                key={part}
                sx={{ display: 'block', minHeight: 26, color: part === 'grid' && !view.grid ? look.faint : look.text }}
              >
                <input
                  type="checkbox"
                  checked={chosen.includes(part)}
                  disabled={part === 'grid' && view.grid === null}
                  onChange={(event) =>
                    setParts(event.target.checked ? [...parts, part] : parts.filter((one) => one !== part))
                  }
                />{' '}
                {PART_WORDS[part]}
                {part === 'grid' && view.grid === null ? ' (lay a grid first)' : ''}
              </Box>
            ))}
          </Box>
          {row(
            <>
              on{' '}
              <Choice
                label="Paper of the printer"
                value={paper}
                options={[
                  { value: 'sheet', words: `the ${view.sheet.name} sheet itself` },
                  { value: 'A4', words: 'A4, in tiles to be joined' },
                  { value: 'A3', words: 'A3, in tiles to be joined' },
                  { value: 'letter', words: 'letter, in tiles to be joined' },
                  { value: 'double letter', words: 'double letter, in tiles to be joined' },
                ]}
                onChange={setPaper}
              />{' '}
              by{' '}
              <Choice
                label="Printer"
                value={printerName}
                options={[
                  { value: '', words: 'a printer that is true' },
                  ...tools.printers.map((one) => ({ value: one.name, words: one.name })),
                ]}
                onChange={setPrinterName}
              />
              {printer
                ? `, corrected ${percent(printer.correction.across)} across and ${percent(printer.correction.down)} down`
                : ''}
              . Print at 100 %, not fitted to the page.
            </>,
          )}
          <Button
            variant="contained"
            disabled={!print || chosen.length === 0 || done !== null}
            onClick={() => void make()}
          >
            {done === null ? 'Make the PDF' : `Making it … ${Math.round(done * 100)} %`}
          </Button>{' '}
          {done !== null ? (
            <Button
              onClick={() => {
                print?.cancel();
                setDone(null);
              }}
            >
              give it up
            </Button>
          ) : null}
          <Button
            onClick={() =>
              takeAway(
                `${project.id}-${view.id}-set-out.svg`,
                'image/svg+xml',
                writeSvg(setOutDrawing(project, view, stand, style)),
              )
            }
          >
            the set-out as SVG
          </Button>
        </Box>
        <Box sx={{ flex: '1 1 320px' }}>
          <ControlLine
            style={style}
            names={tools.printers.map((one) => one.name)}
            current={printerName}
            correct={(name, measured) => {
              const before = tools.printers.find((one) => one.name === name)?.correction ?? NO_CORRECTION;
              const correction = correctedBy(before, measured);
              if (!correction) return false;
              keepTools({
                ...tools,
                printers: [...tools.printers.filter((one) => one.name !== name), { name, correction }],
              });
              setPrinterName(name);
              return true;
            }}
            forget={(name) => {
              keepTools({ ...tools, printers: tools.printers.filter((one) => one.name !== name) });
              setPrinterName('');
            }}
          />
          <ScreenRuler style={style} />
        </Box>
      </Box>
    </PaperSheet>
  );
}

const percent = (factor: number): string => {
  const by = (factor - 1) * 100;
  return `${by < 0 ? '−' : '+'}${Math.abs(by).toFixed(2)} %`;
};

/** What the control lines measured on the last print, by which the next one of this printer is corrected. */
function ControlLine({
  style,
  names,
  current,
  correct,
  forget,
}: {
  readonly style: LengthStyle;
  readonly names: readonly string[];
  readonly current: string;
  readonly correct: (name: string, measured: { readonly across: number; readonly down: number }) => boolean;
  readonly forget: (name: string) => void;
}) {
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
      <PaperField label="Control line across" mm={across} style={fine} onChange={setAcross} /> and the one down{' '}
      <PaperField label="Control line down" mm={down} style={fine} onChange={setDown} /> instead of{' '}
      {formatPaper(100, fine)}.{' '}
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
function ScreenRuler({ style }: { readonly style: LengthStyle }) {
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
