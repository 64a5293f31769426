import { describe, expect, it } from 'vitest';
import { allSizes, claimOf, correctSize, lengthStyleOf } from '@/core/record';
import { contradictionsOf } from '@/core/solids';
import { parseLength } from '@/core/units';
import { DEMOS } from './index';

const WANTED: Readonly<
  Record<
    string,
    { readonly units: string; readonly scale: number; readonly sheet: string; readonly has: readonly string[] }
  >
> = {
  'tea-room': {
    units: 'metric',
    scale: 20,
    sheet: 'A2',
    has: ['counter', 'stool', 'shelves', 'pendant', 'opening niche arched', 'ceiling stepped', 'surface tiles floor'],
  },
  'weaving-loft': {
    units: 'metric',
    scale: 25,
    sheet: 'A3',
    has: ['quarter-stair', 'bench', 'chest-of-drawers', 'box', 'mirror', 'ceiling gabled', 'door ajar'],
  },
  'seed-shop': {
    units: 'imperial',
    scale: 24,
    sheet: '18 x 24 in',
    has: ['chest-of-drawers', 'lockers', 'round-table', 'side-chair', 'wall-clock', 'rug'],
  },
};

describe.each(DEMOS.map((demo) => [demo.id, demo] as const))('the demonstration %s', (id, demo) => {
  const wanted = WANTED[id];
  it('has all that its scenario names, on its sheet and at its scale', () => {
    expect(demo.units).toBe(wanted?.units);
    expect(demo.views[0]?.scaleDenominator).toBe(wanted?.scale);
    expect(demo.views[0]?.sheet.name).toBe(wanted?.sheet);
    const has = new Set([
      ...demo.pieces.map((piece) => piece.kind),
      ...demo.openings.map((one) => `opening ${one.kind} ${one.head}`),
      ...demo.openings.filter((one) => (one.counts['open by'] ?? 0) > 0).map((one) => `${one.kind} ajar`),
      ...demo.spaces.map((space) => `ceiling ${space.ceiling.shape}`),
      ...demo.surfaces.map((one) => `surface ${one.kind} ${one.on}`),
    ]);
    for (const one of wanted?.has ?? []) expect(has, one).toContain(one);
  });
  it('records at least sixty sizes, each with its source, and figures that are what was typed', () => {
    const sizes = allSizes(demo);
    expect(sizes.length).toBeGreaterThanOrEqual(60);
    expect(new Set(sizes.map(({ size }) => claimOf(size).source)).size).toBeGreaterThanOrEqual(3);
    const style = lengthStyleOf(demo);
    for (const { size, what, owner } of sizes) {
      const { mm, asTyped } = claimOf(size);
      const read = parseLength(asTyped, { units: style.units, zero: 'allowed', negative: 'allowed' });
      expect(read.ok && Math.abs(read.value.mm - mm), `${what} of ${owner}: ${asTyped}`).toBeLessThan(1e-6);
    }
  });
  it('has each of its sizes where an edit finds it', () => {
    for (const { size, what, owner } of allSizes(demo)) {
      const mm = claimOf(size).mm + 1;
      const next = correctSize(demo, size.id, { mm, asTyped: String(mm) });
      expect(next.ok, `${what} of ${owner}`).toBe(true);
      const found = next.ok ? allSizes(next.value).filter((one) => one.size.id === size.id) : [];
      expect(found.map((one) => claimOf(one.size).mm)).toEqual([mm]);
    }
  });
  it('contradicts itself nowhere', () => {
    expect(contradictionsOf(demo).map((one) => one.message)).toEqual([]);
  });
});
