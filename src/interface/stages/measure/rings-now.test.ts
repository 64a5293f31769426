import { describe, expect, it } from 'vitest';
import { correctSize } from '@/core/record';
import { contradictionsOf } from '@/core/solids';
import { boxPiece, smallRoom } from '@/testing';
import { ringsNow } from './rings-now';

describe('rings while walls are typed', () => {
  const edit = correctSize(smallRoom([boxPiece({ fromWest: -120 })]), 'south/length', { mm: 3960, asTyped: '3960' });
  if (!edit.ok) throw new Error('refused');
  const project = edit.value;
  const found = contradictionsOf(project);
  const kinds = (chosen: string | null): readonly string[] => ringsNow(found, project, chosen).map((one) => one.kind);
  it('the room is not ringed for not closing while one is at one of its walls, and all else is', () => {
    expect(found.map((one) => one.kind).sort()).toEqual(['closing-error', 'through-wall']);
    expect(kinds('south')).toEqual(['through-wall']);
    expect(kinds('north')).toEqual(['through-wall']);
  });
  it('it is as soon as another thing is at hand, or none', () => {
    for (const chosen of [null, 'box', 'room', 'nothing-of-that-name'])
      expect([...kinds(chosen)].sort()).toEqual(['closing-error', 'through-wall']);
  });
});
