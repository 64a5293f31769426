import { lyingWords, type ListedMark, type ListedPass } from '@/core/construction';
import { capital } from '@/core/base';
import { formatLength, formatPaper, type LengthStyle } from '@/core/units';
import type { Drawing } from './drawing';
import { PageFlow, sharedColumns } from './page-flow';
import type { PageSize } from './table-pages';

export interface MarksGiven {
  /** Project and view, as pages are headed. */
  readonly title: string;
  readonly passes: readonly ListedPass[];
  readonly scaleDenominator: number;
  /** The scale as it is written, and of which sheet. */
  readonly scale: string;
  readonly style: LengthStyle;
}

/** What one lays the tool on, in a few words. */
function madeWords({ made }: ListedMark): string {
  switch (made.by) {
    case 'laid-off':
      return `on ${made.on}, ${made.toward} of ${made.zero}`;
    case 'stepped-off':
      return `with dividers on ${made.on}, ${made.toward} of ${made.zero}`;
    case 'crossed':
      return `${made.lines[0]} crosses ${made.lines[1]}`;
    case 'carried':
      return `by strip from ${made.of} to ${made.on}, zero at ${made.zero}`;
    case 'dropped':
      return `straight down from ${made.of} to ${made.on}`;
    case 'taken':
      return 'on the paper from the beginning';
  }
}

/** The figure a mark is set with, or where it must come to lie; once as each rule reads it. */
function figures(one: ListedMark, scaleDenominator: number, style: LengthStyle): readonly [string, string] {
  const { made } = one;
  if (made.by === 'laid-off' || made.by === 'stepped-off')
    return [formatPaper(made.paperMm, style), formatLength(made.paperMm * scaleDenominator, style)];
  const { across, up } = lyingWords(one.lies, scaleDenominator);
  return [
    `(${formatPaper(across.paperMm, style)} ${across.toward}, ${formatPaper(up.paperMm, style)} ${up.toward})`,
    `(${formatLength(across.real, style)} ${across.toward}, ${formatLength(up.real, style)} ${up.toward})`,
  ];
}

/** Every mark of a plan by passes, as a list to work down: from which zero, how far, and to which point lines are ruled from it. */
export function marksPages(
  { title, passes, scaleDenominator, scale, style }: MarksGiven,
  page: PageSize,
): readonly Drawing[] {
  const flow = new PageFlow(page, `Marks of ${title}`, [
    `${title}: every mark, pass by pass`,
    `${capital(scale)}. The plain ruler’s reading first, then the scale rule’s.`,
    'In brackets: where a mark must come to lie, from the centre of vision CV, on the plan from C; to look at when it is made.',
  ]);
  const columns = sharedColumns(flow.width, [
    { head: 'mark', share: 9 },
    { head: 'how', share: 34 },
    { head: 'on the ruler', share: 24, anchor: 'end' },
    { head: 'at scale', share: 24, anchor: 'end' },
    { head: 'ruled to', share: 11 },
  ]);
  for (const { step, title: of, marks } of passes) {
    flow.heading(`${step}  ${of}`);
    flow.table(
      columns.map((one, i) => (i === 4 ? { ...one, x: one.x + 2 } : one)),
      marks.map((one) => [one.label, madeWords(one), ...figures(one, scaleDenominator, style), one.ruledTo.join(', ')]),
    );
  }
  return flow.done();
}
