import { describe, expect, it } from 'vitest';
import type { LaidStroke } from '@/core/drawing';
import { IMPERIAL_STYLE, METRIC_STYLE } from '@/core/units';
import { sinceWords, wrongParts } from './since-words';

const stroke = (is: LaidStroke['is'], called: string): LaidStroke => ({
  id: `${is} ${called}`,
  is,
  called,
  chains: [],
});
const wrong = [
  { stroke: stroke('stays', 'table'), byMm: 12.4 },
  { stroke: stroke('mark', 'k3'), byMm: 9 },
  { stroke: stroke('stays', 'chair'), byMm: 3 },
  { stroke: stroke('line', 'k3–VR'), byMm: 2 },
  { stroke: stroke('stays', 'table'), byMm: 1 },
  { stroke: stroke('mark', '7'), byMm: 0.5 },
];
const still = (count: number, steps: readonly number[], minutes: number) => ({
  strokes: new Set(Array.from({ length: count }, (_, i) => String(i))),
  ...{ steps, minutes },
});

describe('what became of the plan at the board, in words', () => {
  it('what is wrong by things, farthest first, then marks by their names, then construction', () => {
    const parts = wrongParts({ wrong, unwanted: [], kept: new Set() }, (id) => `the ${id}`);
    expect(parts.map(({ name, count, byMm }) => [name, count, byMm])).toEqual([
      ['the table', 2, 12.4],
      ['the chair', 1, 3],
      ['marks', 2, 9],
      ['construction lines', 1, 2],
    ]);
    expect(parts[2]?.marks).toEqual([
      { label: 'k3', byMm: 9 },
      { label: '7', byMm: 0.5 },
    ]);
  });
  it('how much is wrong and by how much, what is to be rubbed out, what may lie, and what is still to be drawn', () => {
    const unwanted = [stroke('stays', 'lamp'), stroke('mark', '4'), stroke('line', '4–5')];
    const said = sinceWords({ wrong, unwanted, kept: new Set(['a', 'b']) }, still(30, [4, 9], 26), 11, METRIC_STYLE);
    expect(said).toEqual([
      'Of 11 drawn strokes 6 are wrong by now, by up to 12.4 mm on paper; 2 are right and keep their ticks.',
      '1 line is wanted no more: rub it out.',
      '2 strokes of construction lead to nothing any more and may lie.',
      'The least still to be drawn is 30 strokes in 2 steps, about 25 min.',
    ]);
    expect(sinceWords({ wrong, unwanted, kept: new Set() }, still(1, [4], 1), 9, IMPERIAL_STYLE)[0]).toContain(
      'by up to 1/2"',
    );
  });
  it('where nothing is wrong and nothing to be drawn it says so', () => {
    const said = sinceWords({ wrong: [], unwanted: [], kept: new Set(['a']) }, still(0, [], 0), 1, METRIC_STYLE);
    expect(said).toEqual(['1 drawn stroke is right as it lies.', 'Nothing is to be drawn.']);
  });
});
