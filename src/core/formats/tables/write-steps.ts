import Papa from 'papaparse';
import { say, type ConstructionPlan } from '@/core/construction';
import { finite } from '@/core/numeric';
import type { LengthStyle } from '@/core/units';

const COLUMNS = [
  'step',
  'id',
  'part',
  'says',
  'because',
  'mark',
  'label',
  'from',
  'toward',
  'paper_mm',
  'real_mm',
] as const;

/** The construction as CSV (RFC 4180, UTF-8): one row for each measure of a step, one row for a step without. */
export function writeSteps(plan: ConstructionPlan, style: LengthStyle): string {
  const figure = (value: number): string => finite(value, 'measure').toFixed(4);
  const rows = plan.steps.flatMap((step, index) => {
    const head = {
      step: index + 1,
      id: step.id,
      part: step.part,
      says: say(step.says, style),
      because: say(step.because, style),
    };
    if (step.measures.length === 0)
      return [{ ...head, mark: '', label: '', from: '', toward: '', paper_mm: '', real_mm: '' }];
    return step.measures.map((measure) => ({
      ...head,
      mark: measure.mark,
      label: plan.labels[measure.mark] ?? '',
      from: measure.from,
      toward: measure.toward,
      paper_mm: figure(measure.paperMm),
      real_mm: measure.real === null ? '' : figure(measure.real),
    }));
  });
  return `${Papa.unparse({ fields: [...COLUMNS], data: rows }, { newline: '\r\n' })}\r\n`;
}
