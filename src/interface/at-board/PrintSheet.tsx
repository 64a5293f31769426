'use client';
import { type Stand } from '@/core/view';
import { PRINTED, type PrintError, type PrintJob, type PrintPart } from '@/core/pipeline';
import { useEffect, useRef, useState } from 'react';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useSnackbar } from 'notistack';
import { correctedBy, NO_CORRECTION, setOutDrawing } from '@/core/drawing';
import { writeSvg } from '@/core/formats/svg';
import { Choice } from '@/interface/fields';
import { PaperSheet } from '@/interface/paper';
import { useServices } from '@/interface/services';
import { useLook } from '@/interface/theme';
import { useSession } from '@/interface/session';
import type { Project, View } from '@/core/record';
import type { Sheet } from '@/interface/frame';
import type { Seen } from './use-at-board';

import { PlanPrintWords, usePlanPrint } from './PlanPrintWords';
import { ControlLine, ScreenRuler } from './PrintTools';

interface PrintSheetProps {
  readonly stand: Stand;
  readonly close: () => void;
}

/** Parts, paper and printer of a print; the printer's own stretch; the screen's ruler. */
function PrintSheet({ stand, close }: PrintSheetProps) {
  const { project, view, style } = useSession();
  const { print, tools, keepTools, takeAway } = useServices();
  const { done, make, giveUp } = usePrinting();
  const [parts, setParts] = useState<readonly PrintPart[]>(['table', 'set-out']);
  const [paper, setPaper] = useState<string>('sheet');
  const [printerName, setPrinterName] = useState(tools.printers[0]?.name ?? '');
  const printer = tools.printers.find((one) => one.name === printerName) ?? null;
  const [plan, setPlan] = usePlanPrint();
  const chosen = printable(parts, project, view);
  return (
    <PaperSheet label="Print" title="Print at true size" high="66%" close={close}>
      <Box sx={{ display: 'flex', gap: 4, flexWrap: 'wrap' }}>
        <Box sx={{ flex: '1 1 280px' }}>
          <PartsChoice parts={parts} setParts={setParts} />
        </Box>
        <Box sx={{ flex: '1 1 260px' }}>
          <PlanPrintWords parts={chosen} plan={plan} setPlan={setPlan} />
          <PaperAndPrinter
            paper={paper}
            setPaper={setPaper}
            printerName={printerName}
            setPrinterName={setPrinterName}
          />
          <Button
            variant="contained"
            autoFocus
            disabled={!print || chosen.length === 0 || done !== null}
            onClick={() =>
              make(
                { viewId: view.id, parts: chosen, paper, correction: printer?.correction ?? NO_CORRECTION, plan },
                `${project.id}-${view.id}-${chosen.join('-')}.pdf`,
              )
            }
          >
            {done === null ? 'Make the PDF' : `Making it … ${Math.round(done * 100)} %`}
          </Button>{' '}
          {done !== null ? <Button onClick={giveUp}>give it up</Button> : null}
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
        <Box sx={{ flex: '1 1 280px' }}>
          <ControlLine
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
          <ScreenRuler />
        </Box>
      </Box>
    </PaperSheet>
  );
}

/** What is to be done first, in a few words. */
const LACK_WORDS: Readonly<Partial<Record<PrintError['reason'], string>>> = {
  'no-grid': 'lay a grid first',
  'no-plan': 'nothing is drawn from the plan',
};

/** Parts that the view has. */
const printable = (parts: readonly PrintPart[], project: Project, view: View): readonly PrintPart[] =>
  PRINTED.filter(({ part, lacks }) => parts.includes(part) && lacks(project, view) === null).map(({ part }) => part);

/** A print on its way: how far it has come, from 0 to 1, or null; it is given up with the sheet. */
function usePrinting() {
  const { project, view } = useSession();
  const { print, takeAway } = useServices();
  const { enqueueSnackbar } = useSnackbar();
  const [done, setDone] = useState<number | null>(null);
  const gone = useRef(false);
  useEffect(() => {
    gone.current = false;
    return () => {
      gone.current = true;
      print?.cancel();
    };
  }, [print]);
  const make = async (job: PrintJob, fileName: string): Promise<void> => {
    if (!print) return;
    setDone(0);
    const reply = await print.print(
      {
        project,
        job,
        title: `${project.name}: ${view.name}`,
      },
      (share) => {
        if (!gone.current) setDone(share);
      },
    );
    if (gone.current) return;
    setDone(null);
    if (reply?.kind === 'pdf') takeAway(fileName, 'application/pdf', reply.bytes);
    else if (reply)
      enqueueSnackbar(reply.kind === 'refused' ? reply.message : `The print could not be made: ${reply.detail}`, {
        variant: 'error',
      });
  };
  return {
    done,
    make: (job: PrintJob, fileName: string) => void make(job, fileName),
    giveUp: () => {
      print?.cancel();
      setDone(null);
    },
  };
}

function PartsChoice({
  parts,
  setParts,
}: {
  readonly parts: readonly PrintPart[];
  readonly setParts: (parts: readonly PrintPart[]) => void;
}) {
  const { project, view } = useSession();
  const { look } = useLook();
  const chosen = printable(parts, project, view);
  return (
    <Box
      component="fieldset"
      sx={{ border: 0, m: 0, p: 0, mb: 1, '& input': { accentColor: look.ink, width: 16, height: 16 } }}
    >
      <Box component="legend" sx={{ p: 0, color: look.faint }}>
        What is to be printed
      </Box>
      {PRINTED.map(({ part, words, lacks }) => {
        const lack = lacks(project, view);
        return (
          <Box
            component="label"
            key={part}
            title={lack?.message}
            sx={{ display: 'block', minHeight: 26, color: lack ? look.faint : look.text }}
          >
            <input
              type="checkbox"
              checked={chosen.includes(part)}
              disabled={lack !== null}
              onChange={(event) =>
                setParts(event.target.checked ? [...parts, part] : parts.filter((one) => one !== part))
              }
            />{' '}
            {words}
            {lack ? ` (${LACK_WORDS[lack.reason] ?? 'not yet'})` : ''}
          </Box>
        );
      })}
    </Box>
  );
}

function PaperAndPrinter({
  paper,
  setPaper,
  printerName,
  setPrinterName,
}: {
  readonly paper: string;
  readonly setPaper: (paper: string) => void;
  readonly printerName: string;
  readonly setPrinterName: (name: string) => void;
}) {
  const { view } = useSession();
  const { tools } = useServices();
  const printer = tools.printers.find((one) => one.name === printerName) ?? null;
  return (
    <Box component="p" sx={{ m: 0, mb: 1, lineHeight: 1.5 }}>
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
    </Box>
  );
}

const percent = (factor: number): string => {
  const by = (factor - 1) * 100;
  return `${by < 0 ? '−' : '+'}${Math.abs(by).toFixed(2)} %`;
};

export const print: Sheet<Seen> = {
  button: 'print',
  takesAway: 'a print at true size (PDF) …',
  key: { keys: 'i', shown: 'I', does: 'print' },
  changes: false,
  Dialog: ({ given, close }) => <PrintSheet stand={given.perspective.stand} close={close} />,
};
