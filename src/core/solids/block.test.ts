import { describe, expect, it } from 'vitest';
import { at } from '@/core/base';
import type { BlockOutline, OutlineCorner } from '@/core/record';
import { boxPiece, expectClosedAndOutward, smallRoom, volumeOf } from '@/testing';
import { bodiesOf, contradictionsOf, lieWithin, meet } from './index';

const corners = (...list: readonly (readonly [number, number, number?])[]): readonly OutlineCorner[] =>
  list.map(([x, y, bulge = 0]) => ({ x, y, bulge }));
const box = (left: number, right: number, low: number, high: number) =>
  corners([left, low], [right, low], [right, high], [left, high]);
const outline = (given: Partial<BlockOutline> & Pick<BlockOutline, 'id'>): BlockOutline => ({
  ...{ view: 'front', corners: box(0, 900, 0, 700), holes: [], from: 0, to: 400 },
  ...given,
});
const cut = (...outlines: readonly BlockOutline[]) =>
  smallRoom([{ ...boxPiece({ id: 'cut', width: 900, depth: 400, height: 700 }), kind: 'block', outlines }]);
const bodyOf = (...outlines: readonly BlockOutline[]) => {
  const body = bodiesOf(cut(...outlines)).find(({ id }) => id === 'cut');
  if (!body) throw new Error('it is made');
  return body;
};

describe('a block cut by several outlines with holes', () => {
  it('each has its own view and depths, and its holes go all the way through', () => {
    const front = outline({
      id: 'front',
      holes: [box(100, 300, 100, 300), box(500, 800, 100, 600)],
      from: 50,
      to: 350,
    });
    const body = bodyOf(front);
    expectClosedAndOutward(body, 'a block with holes');
    expect(volumeOf(body)).toBeCloseTo((900 * 700 - 200 * 200 - 300 * 500) * 300, 3);
    // Eight edges more for each face's holes, and four across for each hole.
    expect(body.edges).toHaveLength(12 + 2 * 12);
    const plan = outline({ id: 'plan', view: 'plan', corners: box(0, 900, 0, 400), from: 700, to: 740 });
    const both = bodyOf(front, plan);
    expect(volumeOf(both)).toBeCloseTo(volumeOf(body) + 900 * 400 * 40, 3);
    const heights = both.vertices.map((one) => one.at.z);
    expect(Math.max(...heights)).toBe(740);
  });
  it('cut with each other it takes up no more than they have in common: what stands beside its slopes is not in it', () => {
    const gable = outline({ id: 'front', corners: corners([0, 0], [900, 0], [450, 700]) });
    const upper = outline({ id: 'side', view: 'side', corners: box(0, 400, 0, 700), from: 0, to: 900 });
    const project = cut(gable, upper);
    const block = at(project.pieces, 0);
    const ringed = (choice: string, given: Parameters<typeof boxPiece>[0]): boolean =>
      contradictionsOf({
        ...project,
        pieces: [{ ...block, choices: { 'outlines are': choice } }, boxPiece({ id: 'beside', ...given })],
      }).some(({ kind }) => kind === 'through-piece');
    const cutTo = 'cut with each other';
    // The block stands 700 from the west and 500 from the north: its peak in the middle of it, its upper corners empty.
    const inCorner = { fromWest: 700, fromNorth: 500, width: 150, depth: 400, height: 200, lift: 480 };
    const inPeak = { ...inCorner, fromWest: 1080 };
    expect([ringed(cutTo, inCorner), ringed(cutTo, inPeak)]).toEqual([false, true]);
    expect(ringed('added together', inCorner)).toBe(true);
    expect(ringed(cutTo, { ...inCorner, lift: 0, fromWest: 760 })).toBe(true);
  });
  it('a bend of next to nothing is a straight side', () => {
    for (const bulge of [5e-324, -1e-300, 1e-12]) {
      const body = bodyOf(outline({ id: 'front', corners: corners([0, 0, bulge], [900, 0], [900, 700], [0, 700]) }));
      expectClosedAndOutward(body, `${bulge}`);
      expect([body.rounds.length, body.faces.length]).toEqual([0, 6]);
    }
  });
  it('a round hole is a quarter-turned cylinder’s inside: the volume of its circle is missing', () => {
    const round = corners([400, 350, 1], [600, 350, 1]);
    const volume = volumeOf(bodyOf(outline({ id: 'front', holes: [round] })));
    expect(volume / ((900 * 700 - Math.PI * 100 * 100) * 400)).toBeCloseTo(1, 2);
  });
  it('a hole that leaves its outline, crosses itself, or runs into another is told, and the block drawn whole', () => {
    for (const [holes, words] of [
      [[box(800, 1000, 100, 300)], /does not lie within it/],
      [[corners([100, 100], [300, 300], [300, 100], [100, 300])], /crosses itself/],
      [[box(100, 300, 100, 300), box(200, 400, 200, 400)], /run into each other/],
      [[box(100, 400, 100, 400), box(200, 300, 200, 300)], /run into each other/],
    ] as const) {
      const told = contradictionsOf(cut(outline({ id: 'front', holes })));
      expect(told.map((one) => one.message).join(' ')).toMatch(words);
      expect(told.map((one) => one.message).join(' ')).toMatch(/bare box/);
    }
    expect(lieWithin(box(0, 10, 0, 10), box(1, 9, 1, 9))).toBe(true);
    expect(lieWithin(box(0, 10, 0, 10), box(0, 9, 1, 9))).toBe(false);
    // A bend reaches beyond its chord.
    expect(lieWithin(box(0, 10, 0, 10), corners([1, 1, 1], [9, 1], [9, 9], [1, 9]))).toBe(false);
    expect(meet(box(0, 1, 0, 1), box(2, 3, 0, 1))).toBe(false);
    expect(at(bodyOf(outline({ id: 'front' })).faces, 0).loops).toHaveLength(1);
  });
});
