import Papa from 'papaparse';
import { lyingWords, type ListedMark, type ListedPass } from '@/core/construction';
import { finite } from '@/core/numeric';
import { formatLength, formatPaper, type LengthStyle } from '@/core/units';

const COLUMNS = [
  'step',
  'title',
  'pass',
  'label',
  'paper',
  'made',
  'on',
  'zero',
  'toward',
  'distance_paper_mm',
  'distance_real_mm',
  'reads_on_paper',
  'reads_at_scale',
  'across_mm',
  'up_mm',
  'across_on_paper',
  'across_at_scale',
  'up_on_paper',
  'up_at_scale',
  'ruled_to',
] as const;

const figure = (value: number): string => finite(value, 'mark').toFixed(4);

/** What one lays the tool on, column by column. */
function laid({ made }: ListedMark, scaleDenominator: number, style: LengthStyle): Readonly<Record<string, string>> {
  switch (made.by) {
    case 'laid-off':
    case 'stepped-off':
      return {
        ...{ on: made.on, zero: made.zero, toward: made.toward },
        distance_paper_mm: figure(made.paperMm),
        distance_real_mm: figure(made.paperMm * scaleDenominator),
        reads_on_paper: formatPaper(made.paperMm, style),
        reads_at_scale: formatLength(made.paperMm * scaleDenominator, style),
      };
    case 'crossed':
      return { on: made.lines.join(' and ') };
    case 'carried':
      return { on: `${made.on}, of ${made.of}`, zero: made.zero };
    case 'dropped':
      return { on: `${made.on}, below ${made.of}` };
    case 'taken':
      return {};
  }
}

/**
 * Every mark of a plan as CSV (RFC 4180, UTF-8), by passes: from which zero, how far, and to which points lines are ruled from it. Where it must come to
 * lie is counted from the centre of vision, on the plan from where the line of sight crosses the picture plane; both readings of each figure.
 * @param scaleDenominator of the picture plane.
 */
export function writeMarks(passes: readonly ListedPass[], scaleDenominator: number, style: LengthStyle): string {
  const rows = passes.flatMap(({ step, title, pass, marks }) =>
    marks.map((one) => {
      const { across, up } = lyingWords(one.lies, scaleDenominator);
      return {
        ...{ step, title, pass, label: one.label, paper: one.paper, made: one.made.by },
        ...laid(one, scaleDenominator, style),
        ...{ across_mm: figure(one.lies.u), up_mm: figure(one.lies.v) },
        across_on_paper: `${formatPaper(across.paperMm, style)} ${across.toward}`,
        across_at_scale: `${formatLength(across.real, style)} ${across.toward}`,
        up_on_paper: `${formatPaper(up.paperMm, style)} ${up.toward}`,
        up_at_scale: `${formatLength(up.real, style)} ${up.toward}`,
        ruled_to: one.ruledTo.join(' '),
      };
    }),
  );
  return `${Papa.unparse({ fields: [...COLUMNS], data: rows }, { newline: '\r\n' })}\r\n`;
}
