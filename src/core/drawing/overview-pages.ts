import { minutesAt, timeWords, type MarkId, type Pace, type WholePlan, type WholeStep } from '@/core/construction';
import type { Id } from '@/core/record';
import { formatLength, formatPaper, type LengthStyle, type PaperMillimetres } from '@/core/units';
import type { Drawing } from './drawing';
import { PageFlow, sharedColumns } from './page-flow';
import type { PageSize } from './table-pages';

export interface OverviewGiven {
  readonly title: string;
  readonly plan: WholePlan;
  readonly pace: Pace;
  readonly nameOf: (thing: Id) => string;
  /** What must lie on the table, line by line. */
  readonly sheet: { readonly name: string; readonly width: PaperMillimetres; readonly height: PaperMillimetres };
  readonly board: { readonly width: PaperMillimetres; readonly height: PaperMillimetres };
  readonly straightedge: PaperMillimetres;
  readonly scale: string;
  readonly scaleDenominator: number;
  readonly style: LengthStyle;
}

/** The tool that each kind of work is done with; null where it needs none of its own. */
const TOOLS: Readonly<Record<WholeStep['does']['pass'], string | null>> = {
  points: null,
  plan: 'the plan sheet, at the scale of the picture plane',
  scale: 'a scale rule',
  'to-a-point': null,
  levels: 'a parallel rule or a T-square',
  uprights: 'a set square',
  squares: 'a set square',
  parallels: 'two set squares',
  'one-line': null,
  dividers: 'dividers',
  strip: 'strips of paper, as long as the plan is wide',
  drop: 'a set square',
  'by-hand': 'a French curve',
  crossings: null,
  firm: null,
  'by-eye': null,
};

export const PASS_WORDS: Readonly<Record<WholeStep['does']['pass'], string>> = {
  points: 'points of the set-out',
  plan: 'corners found on the plan',
  scale: 'layings of the scale rule',
  'to-a-point': 'the straightedge turned about a point',
  levels: 'levels',
  uprights: 'uprights',
  squares: 'squares on the plan',
  parallels: 'parallels',
  'one-line': 'lines from mark to mark',
  dividers: 'with dividers',
  strip: 'strips carried',
  drop: 'drops from the plan',
  'by-hand': 'curves by hand',
  crossings: 'where lines cross',
  firm: 'firm lines',
  'by-eye': 'by eye',
};

/** What must lie on the table, which points are set out, and all passes with their counts and minutes. */
export function overviewPages(given: OverviewGiven, page: PageSize): readonly Drawing[] {
  const { title, plan, pace, style, sheet, board } = given;
  const size = (mm: PaperMillimetres): string => formatPaper(mm, style);
  const minutes = (steps: readonly WholeStep[]): number => steps.reduce((sum, step) => sum + minutesAt(pace, step), 0);
  const flow = new PageFlow(page, `Overview of ${title}`, [
    `${title}: the work as a whole`,
    `${plan.steps.length} steps, ${plan.counts.moves} moves of the ruler, ${plan.counts.marks} marks, ${plan.counts.lines} lines; about ${timeWords(minutes(plan.steps))} at your pace.`,
  ]);
  flow.heading('On the table');
  const tools = [...new Set(plan.steps.flatMap(({ does }) => TOOLS[does.pass] ?? []))];
  for (const line of [
    `the sheet, ${sheet.name}, ${size(sheet.width)} by ${size(sheet.height)}, taped on a board of ${size(board.width)} by ${size(board.height)}`,
    `a straightedge of ${size(given.straightedge)}, and a ruler`,
    ...tools.map((tool) => (tool === 'a scale rule' ? `a scale rule for ${given.scale}` : tool)),
    'a hard pencil for construction, a soft one for what stays, an eraser, fineliners in two or three widths',
  ])
    flow.text(`– ${line}`);
  flow.heading('Points to set out');
  const points = plan.steps.flatMap((step) => step.operations.flatMap((one) => pointRow(one, plan.labels, given)));
  flow.table(
    sharedColumns(flow.width, [
      { head: 'point', share: 14 },
      { head: 'where', share: 46 },
      { head: 'on the ruler', share: 20, anchor: 'end' },
      { head: 'at scale', share: 20, anchor: 'end' },
    ]),
    points,
  );
  flow.heading('Passes');
  const kinds = [...new Set(plan.steps.map(({ does }) => does.pass))];
  const counted = (steps: readonly WholeStep[]): readonly string[] => [
    String(steps.length),
    String(steps.reduce((sum, { moves }) => sum + moves, 0)),
    String(steps.reduce((sum, { marks }) => sum + marks, 0)),
    String(steps.reduce((sum, { lines }) => sum + lines, 0)),
    timeWords(minutes(steps)),
  ];
  const counts = (head: string) =>
    sharedColumns(flow.width, [
      { head, share: 44 },
      ...(['steps', 'moves', 'marks', 'lines', 'time'] as const).map((one) => ({
        ...{ head: one, share: 11, anchor: 'end' as const },
      })),
    ]);
  flow.table(
    counts('what one does'),
    kinds.map((kind) => [PASS_WORDS[kind], ...counted(plan.steps.filter(({ does }) => does.pass === kind))]),
  );
  flow.heading(plan.order === 'by-piece' ? 'Thing by thing' : 'Pass by pass');
  flow.table(
    counts('steps'),
    partsOf(given).map(({ words, steps }) => [words, ...counted(steps)]),
  );
  return flow.done();
}

/** A point of the set-out as a row: from the centre of vision along the horizon. */
function pointRow(
  one: WholeStep['operations'][number],
  labels: ReadonlyMap<MarkId, string>,
  { style, scaleDenominator }: OverviewGiven,
): readonly (readonly string[])[] {
  if (one.op !== 'take' || one.paper === 'plan') return [];
  const label = labels.get(one.mark) ?? '';
  const { u } = one.point;
  if (one.slides !== 'u') return [[label, 'the centre of vision', '', '']];
  return [
    [
      label,
      `on the horizon, to the ${u < 0 ? 'left' : 'right'} of CV`,
      formatPaper(Math.abs(u), style),
      formatLength(Math.abs(u) * scaleDenominator, style),
    ],
  ];
}

/** So many passes are one row where they are not told apart by things. */
const A_STRETCH = 12;

/** Stretches of the plan: by piece its things, by pass so many steps each. */
function partsOf({
  plan,
  nameOf,
}: OverviewGiven): readonly { readonly words: string; readonly steps: readonly WholeStep[] }[] {
  const parts: { key: string; words: string; first: number; steps: WholeStep[] }[] = [];
  plan.steps.forEach((step, i) => {
    const [thing] = step.of;
    const own = plan.order === 'by-piece' || step.does.pass === 'firm' || step.does.pass === 'by-eye';
    const key = thing === undefined ? 'the set-out' : own ? nameOf(thing) : 'passes';
    const last = parts.at(-1);
    if (last?.key === key && (own || thing === undefined || last.steps.length < A_STRETCH)) last.steps.push(step);
    else parts.push({ key, words: key, first: i + 1, steps: [step] });
  });
  return parts.map(({ words, first, steps }) => ({
    words: `${first} to ${first + steps.length - 1}: ${words}`,
    steps,
  }));
}
