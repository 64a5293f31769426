import { describe, expect, it } from 'vitest';
import { DEMOS } from '@/app/demo';
import { at } from '@/core/base';
import { allSizes, applyChange, claimOf, SOURCE_WORDS } from '@/core/record';
import { IMPERIAL_STYLE, METRIC_STYLE } from '@/core/units';
import { columnsOf, editOf, rowsOf } from './size-rows';

const project = at(DEMOS, 0);
const rows = rowsOf(project, METRIC_STYLE);
const row = at(rows, 0);
const after = (edit: ReturnType<typeof editOf>) => {
  const next = edit && applyChange(project, edit.change);
  if (!next?.ok) throw new Error('refused');
  return claimOf(at(allSizes(next.value), 0).size);
};

describe('the table of sizes', () => {
  it('has every size of the record, in the units one works in', () => {
    expect(rows).toHaveLength(allSizes(project).length);
    expect(new Set(rows.map((one) => one.id)).size).toBe(rows.length);
    expect(row.figure).toMatch(/ mm$/);
    expect(at(rowsOf(project, IMPERIAL_STYLE), 0).figure).toMatch(/["']/);
  });
  it('sorts figures by length, not by their letters, and is typed into only by one who may', () => {
    const all = [
      { ...row, id: 'a', mm: 900, figure: '900 mm' },
      { ...row, id: 'b', mm: 1200, figure: '1 200 mm' },
    ];
    const figure = columnsOf(all, false).find((one) => one.field === 'figure');
    const compare = figure?.sortComparator as unknown as (a: string, b: string, p: object, q: object) => number;
    expect(compare('900 mm', '1 200 mm', { id: 'a' }, { id: 'b' })).toBeLessThan(0);
    expect(columnsOf(all, true).some((one) => one.editable === true)).toBe(false);
    expect(columnsOf(all, false).filter((one) => one.editable === true)).toHaveLength(3);
  });
  it('a figure typed over corrects the size, or is kept beside what was said', () => {
    const typed = { ...row, figure: '1.25 m' };
    const corrected = editOf(typed, row, false, METRIC_STYLE);
    expect(after(corrected)).toMatchObject({ mm: 1250, asTyped: '1.25 m' });
    expect(corrected?.row.mm).toBe(1250);
    const beside = editOf(typed, row, true, METRIC_STYLE);
    expect(beside?.change).toMatchObject({ kind: 'claim-size', claim: { mm: 1250, source: 'measured' } });
    expect(() => editOf({ ...row, figure: 'long' }, row, false, METRIC_STYLE)).toThrow(/of .*: .*not a length/);
  });
  it('source and give-or-take change by themselves; nothing changed is nothing', () => {
    const source = editOf({ ...row, source: SOURCE_WORDS.estimated }, row, false, METRIC_STYLE);
    expect(after(source)).toMatchObject({ source: 'estimated', mm: row.mm });
    const loose = editOf({ ...row, uncertainty: '12' }, row, false, METRIC_STYLE);
    expect(after(loose)).toMatchObject({ uncertaintyMm: 12, mm: row.mm });
    expect(editOf(row, row, false, METRIC_STYLE)).toBeNull();
  });
});
