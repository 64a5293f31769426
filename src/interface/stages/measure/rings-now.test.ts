import { describe, expect, it } from 'vitest';
import { applyChange, type Change } from '@/core/record';
import { contradictionsOf } from '@/core/solids';
import { boxPiece, smallRoom } from '@/testing';
import { ringsNow } from './rings-now';

describe('rings while walls are typed', () => {
  const typed: Change = { kind: 'correct-size', sizeId: 'south/length', mm: 3960, asTyped: '3960' };
  const edit = applyChange(smallRoom([boxPiece({ fromWest: -120 })]), typed);
  if (!edit.ok) throw new Error('refused');
  const project = edit.value;
  const found = contradictionsOf(project);
  const kinds = (chosen: string | null, last: readonly Change[] = [typed]): readonly string[] =>
    ringsNow(found, project, chosen, last)
      .map((one) => one.kind)
      .sort();
  const all = ['closing-error', 'through-wall'];
  it('the room is not ringed for not closing while one is at its walls, and all else is', () => {
    expect(found.map((one) => one.kind).sort()).toEqual(all);
    for (const chosen of ['south', 'north', 'room']) expect(kinds(chosen), chosen).toEqual(['through-wall']);
  });
  it('it is as soon as another thing is chosen, or none', () => {
    for (const chosen of [null, 'box', 'nothing-of-that-name']) expect(kinds(chosen)).toEqual(all);
  });
  it('it is where the walls were laid so, or something else was done since', () => {
    expect(kinds('room', [])).toEqual(all);
    expect(kinds('room', [{ kind: 'rename-thing', id: 'room', name: 'Hall' }])).toEqual(all);
    expect(kinds('room', [{ ...typed, sizeId: 'box/width' }])).toEqual(all);
    expect(kinds('room', [typed, typed])).toEqual(all);
  });
});
