import { describe, expect, it } from 'vitest';
import { at } from '@/core/base';
import { allSizes, applyChange, newSize, type Division, type Piece, type Project } from '@/core/record';
import { smallRoom } from '@/testing';
import { contradictionsOf, kindOf, newPiece, valuesOf } from './index';
import type { Block, Part } from './parts';

const sizes = (...all: number[]): Division => ({
  by: 'sizes',
  sizes: all.map((mm, i) => newSize(`s${i}-${mm}`, { mm, asTyped: String(mm), source: 'measured', uncertaintyMm: 1 })),
});
function made(kind: string, change: Partial<Pick<Piece, 'divisions' | 'divisionsEach' | 'choices'>> = {}): Piece {
  const from = [
    { wallId: 'north', mm: 0 },
    { wallId: 'west', mm: 500 },
  ] as const;
  const piece = newPiece(kind, { id: 'one', name: 'the case', levelId: 'ground', from }, String);
  if (!piece) throw new Error(kind);
  return {
    ...piece,
    ...change,
    divisions: { ...piece.divisions, ...change.divisions },
    choices: { ...piece.choices, ...change.choices },
  };
}
function blocksOf(piece: Piece, named: RegExp): Block[] {
  const kind = kindOf(piece.kind);
  const parts: readonly Part[] = kind?.parts(valuesOf(kind, piece)) ?? [];
  return parts.filter((part): part is Block => part.part === 'block' && named.test(part.name));
}
/** What is clear between boards along one axis, from board to board. */
function clear(boards: readonly Block[], axis: 'x' | 'z'): number[] {
  const ranges = boards.map((one) => one[axis]).sort((a, b) => a[0] - b[0]);
  return ranges.slice(1).map(([from], i) => Math.round((from - (ranges[i]?.[1] ?? 0)) * 1e6) / 1e6);
}
const high = (piece: Piece, bay: number): number[] =>
  clear(blocksOf(piece, new RegExp(`^(bottom|top|shelf-${bay}-\\d+)$`)), 'z');
const wide = (piece: Piece): number[] => clear(blocksOf(piece, /^(end-left|end-right|upright-\d+)$/), 'x');

// A shelf wall of 1800 by 2100, boards of 25, a plinth of 60.
describe('divisions are clear of what lies between them', () => {
  it('equal shelves leave equal openings, the lowest and the highest too; equal bays likewise', () => {
    const shelves = made('shelves');
    expect(high(shelves, 1)).toEqual(Array.from({ length: 5 }, () => (2100 - 60 - 6 * 25) / 5));
    expect(wide(shelves)).toEqual(Array.from({ length: 3 }, () => Math.round(((1800 - 4 * 25) / 3) * 1e6) / 1e6));
  });
  it('openings typed are the openings made, boards are added to them', () => {
    const typed = made('shelves', { divisions: { openings: sizes(600, 500, 400, 390), bays: sizes(900, 825) } });
    // 4 openings and 5 boards: 2100 − 60 − 125 = 1915 to fill, and 1890 were typed.
    expect(at(contradictionsOf(smallRoom([typed])), 0).message).toMatch(
      /^The openings of the case add up to 1\s890 mm, but there is 1\s915 mm to fill, clear of the boards/u,
    );
    const filled = made('shelves', { divisions: { openings: sizes(600, 500, 400, 415), bays: sizes(900, 825) } });
    expect(contradictionsOf(smallRoom([filled]))).toEqual([]);
    expect([high(filled, 1), wide(filled)]).toEqual([
      [600, 500, 400, 415],
      [900, 825],
    ]);
  });
  it('drawers, lockers, niches and glazing bars: fronts as typed, panes alike', () => {
    // 900 − 80 − 2 × 20 − 5 × 4 = 760 for four fronts; 900 − 3 × 20 − 4 × 4 = 824 for two columns.
    const chest = made('chest-of-drawers', {
      divisions: { drawers: sizes(300, 200, 160, 100), columns: sizes(500, 324) },
    });
    const fronts = blocksOf(chest, /^drawer-/).map(({ x, z }) => [x[1] - x[0], z[1] - z[0]]);
    expect(fronts).toHaveLength(8);
    expect(fronts.slice(0, 3)).toEqual([
      [500, 300],
      [324, 300],
      [500, 200],
    ]);
    expect(contradictionsOf(smallRoom([chest]))).toEqual([]);
    const lockers = made('lockers', { divisions: { doors: sizes(300, 300, 270, 210) } });
    expect(blocksOf(lockers, /^latch-/)).toHaveLength(4);
    expect(contradictionsOf(smallRoom([lockers]))).toEqual([]);
  });
  it('dividers may differ from row to row, shelves from bay to bay, drawers too', () => {
    const bays = made('shelves', { divisionsEach: { openings: [null, { by: 'equal', count: 2 }] } });
    expect([1, 2, 3].map((bay) => high(bays, bay).length)).toEqual([5, 2, 5]);
    expect(high(bays, 2)).toEqual([(2100 - 60 - 75) / 2, (2100 - 60 - 75) / 2]);
    const rows = made('shelves', {
      choices: { 'running through': 'shelves' },
      divisionsEach: { bays: [{ by: 'equal', count: 1 }, null, sizes(1000, 400, 275)] },
    });
    const uprights = (row: number): number[] => clear(blocksOf(rows, new RegExp(`^(end-|upright-${row}-)`)), 'x');
    expect([1, 2, 3].map((row) => uprights(row).length)).toEqual([1, 3, 3]);
    const measured = uprights(3).map((mm) => Math.round(mm));
    expect(measured[0]).toBeGreaterThan(1000);
    // 1800 − 4 × 25 = 1700 to fill in the third row, 1675 typed: told of that row.
    expect(at(contradictionsOf(smallRoom([rows])), 0).message).toMatch(/bays of the case in opening 3 add up/);
    const chest = made('chest-of-drawers', {
      divisionsEach: { columns: [null, null, null, { by: 'equal', count: 2 }] },
    });
    expect(blocksOf(chest, /^drawer-/)).toHaveLength(5);
  });
  it('what is said of one part holds only where parts may differ', () => {
    const own = { drawers: [{ by: 'equal' as const, count: 2 }] };
    const rows = made('chest-of-drawers', { divisionsEach: own });
    expect(blocksOf(rows, /^drawer-/)).toHaveLength(4);
    const columns = made('chest-of-drawers', { divisionsEach: own, choices: { 'running through': 'columns' } });
    expect(blocksOf(columns, /^drawer-/)).toHaveLength(2);
  });
  it('a part’s own division is set and given up again by one change each', () => {
    const project = smallRoom([made('shelves')]);
    const change = (to: Project, part: number, division: Division | null) =>
      applyChange(to, { kind: 'set-division-of', pieceId: 'one', name: 'openings', part, division });
    const set = change(project, 1, { by: 'equal', count: 3 });
    if (!set.ok) throw new Error(set.error.message);
    expect(at(set.value.pieces, 0).divisionsEach).toEqual({ openings: [null, { by: 'equal', count: 3 }] });
    const again = change(set.value, 1, null);
    expect(again.ok && high(at(again.value.pieces, 0), 2)).toHaveLength(5);
    expect(change(project, -1, null).ok).toBe(false);
    // Taken over from the others, measured sizes are sizes of their own.
    const measured = smallRoom([made('shelves', { divisions: { openings: sizes(600, 500, 400, 415) } })]);
    const over = change(measured, 1, at(measured.pieces, 0).divisions.openings ?? null);
    if (!over.ok) throw new Error(over.error.message);
    expect(high(at(over.value.pieces, 0), 2)).toEqual([600, 500, 400, 415]);
    const ids = allSizes(over.value).map(({ size }) => size.id);
    expect(new Set(ids).size).toBe(ids.length);
  });
});
