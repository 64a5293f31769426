import Papa from 'papaparse';
import { say, type WholePlan } from '@/core/construction';
import { finite } from '@/core/numeric';
import type { LengthStyle } from '@/core/units';

const COLUMNS = [
  'step',
  'id',
  'title',
  'pass',
  'says',
  'because',
  'mark',
  'label',
  'from',
  'toward',
  'paper_mm',
  'real_mm',
] as const;

/**
 * A whole plan as CSV (RFC 4180, UTF-8): one row for each mark that a step measures, one row for a step that measures none.
 * @param scaleDenominator of the picture plane: a length there is so many times what it is on paper.
 */
export function writeSteps({ steps, labels }: WholePlan, scaleDenominator: number, style: LengthStyle): string {
  const figure = (value: number): string => finite(value, 'measure').toFixed(4);
  const rows = steps.flatMap((step, index) => {
    const head = {
      ...{ step: index + 1, id: step.id, title: step.title, pass: step.does.pass },
      ...{ says: step.says.map((one) => say(one, style)).join(' '), because: step.because },
    };
    const measured = step.operations.flatMap((one) => (one.op === 'lay-off' ? [one] : []));
    if (measured.length === 0)
      return [{ ...head, mark: '', label: '', from: '', toward: '', paper_mm: '', real_mm: '' }];
    return measured.map(({ mark, from, toward, distance }) => ({
      ...{ ...head, mark, label: labels.get(mark) ?? '', from: labels.get(from) ?? '', toward },
      ...{ paper_mm: figure(distance), real_mm: figure(distance * scaleDenominator) },
    }));
  });
  return `${Papa.unparse({ fields: [...COLUMNS], data: rows }, { newline: '\r\n' })}\r\n`;
}
