import type { WholeStep } from '@/core/construction';
import { formatLength, formatPaper, type LengthStyle } from '@/core/units';

/** A row of a step's table, cell by cell, and what it tells. */
export interface StepRow {
  readonly tells: 'measure' | 'crossing' | 'part';
  readonly cells: readonly string[];
}

/** What a step tells in tables: the scale rule's reading before the plain ruler's, as in its sentences. */
export function stepRows({ measures, crossings, parts }: WholeStep, style: LengthStyle): readonly StepRow[] {
  const place = (one: string | number): string => (typeof one === 'string' ? one : formatPaper(one, style));
  return [
    ...measures.map(({ label, real, paperMm, toward }): StepRow => {
      const cells = [label, formatLength(real, style), formatPaper(paperMm, style), toward];
      return { tells: 'measure', cells };
    }),
    ...crossings.map(({ label, lines, counted }): StepRow => ({
      tells: 'crossing',
      cells: [label, ...lines, ...(counted === null ? [] : [counted])],
    })),
    ...parts.map(({ line, from, to }): StepRow => ({ tells: 'part', cells: [line, place(from), place(to)] })),
  ];
}
