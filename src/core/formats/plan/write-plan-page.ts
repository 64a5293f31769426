import {
  say,
  type ToldCrossing,
  type ToldMeasure,
  type ToldPart,
  type WholeCheck,
  type WholePlan,
  type WholeStep,
} from '@/core/construction';
import { formatLength, formatPaper, type LengthStyle } from '@/core/units';

export interface PageGiven {
  readonly title: string;
  readonly plan: WholePlan;
  readonly style: LengthStyle;
}

/** Nothing a person has typed becomes markup. */
const plain = (text: string): string => text.replace(/[\\`*_{}[\]<>#|]/g, '\\$&');

const SIDES: Readonly<Record<ToldMeasure['toward'], string>> = { right: 'right', left: 'left', up: 'up', down: 'down' };

function measureTable(rows: readonly ToldMeasure[], style: LengthStyle): readonly string[] {
  if (rows.length === 0) return [];
  return [
    '',
    '| mark | at scale | on paper | |',
    '|---|---|---|---|',
    ...rows.map(
      ({ label, real, paperMm, toward }) =>
        `| ${label} | ${formatLength(real, style)} | ${formatPaper(paperMm, style)} | ${SIDES[toward]} |`,
    ),
  ];
}

function crossingTable(rows: readonly ToldCrossing[]): readonly string[] {
  if (rows.length === 0) return [];
  return [
    '',
    '| mark | where | crosses |',
    '|---|---|---|',
    ...rows.map(
      ({ label, lines, counted }) =>
        `| ${label}${counted === null ? '' : ` at ${counted}`} | ${lines[0]} | ${lines[1]} |`,
    ),
  ];
}

function partTable(rows: readonly ToldPart[], style: LengthStyle): readonly string[] {
  if (rows.length === 0) return [];
  const place = (one: ToldPart['from']): string => (typeof one === 'string' ? one : formatPaper(one, style));
  return [
    '',
    '| line | from | to |',
    '|---|---|---|',
    ...rows.map(({ line, from, to }) => `| ${line} | ${place(from)} | ${place(to)} |`),
  ];
}

/** Where to look when marks do not meet. */
const atFault = (likely: WholeCheck['likely'], { steps }: WholePlan): string => {
  const numbers = likely.map(({ step }) => steps.findIndex((one) => one.id === step) + 1);
  return numbers.length === 0 ? '' : ` If it is more, look first at step ${numbers.join(', then ')}.`;
};

function stepLines(step: WholeStep, number: number, { plan, style }: PageGiven): readonly string[] {
  const checks = plan.checks.filter((one) => one.step === step.id);
  const name = (mark: string): string => plan.labels.get(mark) ?? '';
  return [
    '',
    `## ${number}. ${plain(step.title)}`,
    '',
    ...step.says.map((one) => plain(say(one, style))),
    ...measureTable(step.measures, style),
    ...crossingTable(step.crossings),
    ...partTable(step.parts, style),
    ...checks.flatMap(({ marks, allowMm, likely }) => [
      '',
      `Check: ${name(marks[1])} must fall on ${name(marks[0])}; up to ${formatPaper(allowMm, style)} apart is the hand’s own miss.${atFault(likely, plan)}`,
    ]),
    '',
    `*${plain(step.because)}*`,
  ];
}

/** A whole plan as a page to read, in Markdown. */
export function writePlanPage(given: PageGiven): string {
  const { title, plan } = given;
  const { moves, marks, rulings, constructionMm, minutes } = plan.counts;
  const order = plan.order === 'by-pass' ? 'by pass' : 'by piece';
  return [
    `# ${plain(title)}`,
    '',
    `A whole plan ${order}: ${plan.steps.length} steps, ${moves} ruler moves, ${marks} marks, ${rulings} lines, ${(constructionMm / 1000).toFixed(1)} m of construction, about ${Math.round(minutes / 5) * 5} minutes.`,
    ...plan.steps.flatMap((step, i) => stepLines(step, i + 1, given)),
    '',
  ].join('\n');
}
