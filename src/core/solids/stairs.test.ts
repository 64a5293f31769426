import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { at } from '@/core/base';
import { mmOf, type Piece, type Project } from '@/core/record';
import { runs, size, smallRoom } from '@/testing';
import { bodiesOf, contradictionsOf, newPiece, proposeStairs, stairHeadroom, stairReading, type Body } from './index';
import { COMFORT_MM, headroomAt, USUAL_GOING_MM, USUAL_RISE_MM } from './stair-calculator';

function stair(kind: string, change: Partial<Piece> = {}): Piece {
  const piece = newPiece(
    kind,
    {
      id: 'stair',
      name: 'the stair',
      levelId: 'ground',
      from: [
        { wallId: 'north', mm: 0 },
        { wallId: 'west', mm: 200 },
      ],
    },
    String,
  );
  if (!piece) throw new Error(kind);
  return { ...piece, ...change };
}
const tall = (project: Project, mm: number): Project => ({
  ...project,
  spaces: project.spaces.map((space) => ({ ...space, ceilingHeight: size('room/ceiling', mm) })),
});
const made = (piece: Piece): Body =>
  at(
    bodiesOf(smallRoom([piece])).filter((body) => body.id === 'stair'),
    0,
  );
/** Heights of the upper sides of all treads and landings, lowest first. */
const treads = (body: Body): number[] =>
  [
    ...new Set(
      body.faces
        .filter((face) => /(tread-\d+|landing|winder-\d+)\/(top|far)$/.test(face.id) && face.normal.z > 0.99)
        .map((face) => Math.round(face.offset * 1000) / 1000),
    ),
  ].sort((a, b) => a - b);

describe('the stair calculator', () => {
  it('every proposal climbs the height exactly, near the comfort rule; the first is the most usual (seed 81)', () => {
    fc.assert(
      fc.property(fc.integer({ min: 400, max: 4200 }), (height) => {
        const list = proposeStairs(height);
        expect(list.length).toBeGreaterThan(0);
        for (const one of list) {
          expect(one.rise * one.risers).toBeCloseTo(height, 6);
          expect(one.run).toBe(one.going * (one.risers - 1));
          expect(one.comfort).toBeCloseTo(2 * one.rise + one.going, 9);
          expect(one.going).toBeGreaterThanOrEqual(USUAL_GOING_MM.least);
          expect(one.going).toBeLessThanOrEqual(USUAL_GOING_MM.most);
        }
        const first = at(list, 0);
        if (height > 1200) {
          expect(first.within).toBe('usual');
          expect(first.rise).toBeGreaterThanOrEqual(USUAL_RISE_MM.least - 1);
          expect(first.rise).toBeLessThanOrEqual(USUAL_RISE_MM.most + 1);
        }
      }),
      { numRuns: runs(), seed: 81 },
    );
  });
  it('says where a stair lies against the rule', () => {
    expect(stairReading(2880, 16, 250)).toMatchObject({ rise: 180, comfort: 610, within: 'usual' });
    expect(stairReading(2880, 16, 180).within).toBe('below');
    expect(stairReading(2880, 12, 260).within).toBe('above');
    expect(stairReading(1000, 5, 200).pitchDeg).toBeCloseTo(45, 9);
    expect(COMFORT_MM.least).toBeLessThan(COMFORT_MM.most);
  });
  it('headroom at the near edge of the opening above: what the pitch line has come down by, less the floor', () => {
    // Rise 180 on going 240: 2667 mm back the pitch line is 2000 lower.
    expect(headroomAt(2880, 16, 240, { length: 8000 / 3, floorThickness: 0 })).toBeCloseTo(2000, 6);
    expect(headroomAt(2880, 16, 240, { length: 8000 / 3, floorThickness: 300 })).toBeCloseTo(1700, 6);
    const first = at(proposeStairs(2880, { length: 3000, floorThickness: 250 }), 0);
    expect(first.headroom).toBeCloseTo((3000 * first.rise) / first.going - 250, 6);
  });
});

describe('stairs as they stand', () => {
  it('treads rise by equal steps from floor to floor, in every kind of stair', () => {
    for (const kind of ['straight-stair', 'quarter-stair', 'half-stair', 'winder-stair']) {
      const piece = stair(kind);
      const risers = piece.counts.risers ?? 0;
      const rise = mmOf(piece.height) / risers;
      const heights = treads(made(piece));
      expect(heights.length, kind).toBe(risers - 1);
      heights.forEach((height, i) => expect(height, kind).toBeCloseTo(rise * (i + 1), 2));
    }
  });
  it('open risers have none but treads; stringers, rails and balusters can be left away', () => {
    const open = made(stair('straight-stair', { choices: { risers: 'open', rails: 'none' } }));
    expect(open.faces.some((face) => face.id.includes('riser'))).toBe(false);
    expect(open.faces.some((face) => face.id.includes('baluster') || face.id.includes('rail'))).toBe(false);
    const closed = made(stair('straight-stair', { choices: { risers: 'closed', rails: 'both' } }));
    expect(closed.faces.filter((face) => /flight-riser-\d+\/top/.test(face.id)).length).toBe(15);
    for (const side of ['low', 'high'])
      expect(
        closed.faces.some((face) => face.id.includes(`rail-${side}`)),
        side,
      ).toBe(true);
    const none = made(stair('straight-stair', { sizes: { stringer: size('s', 0) } }));
    expect(none.faces.some((face) => face.id.includes('stringer'))).toBe(false);
  });
  it('a rail on the right is on the right of one who climbs', () => {
    const rail = (choice: string): number => {
      const body = made(stair('straight-stair', { choices: { rails: choice } }));
      const xs = body.vertices.filter((one) => one.id.includes('/flight-rail')).map((one) => one.at.x);
      return xs.reduce((a, b) => a + b, 0) / xs.length;
    };
    // The back stands at the north wall: one climbs northward, east is on the right.
    expect(rail('right')).toBeGreaterThan(rail('left'));
  });
  it('a stair steeper or shallower than any is refused with a reason, and stands as a box until then', () => {
    const steep = stair('straight-stair', { counts: { risers: 8 } });
    const project = tall(smallRoom([steep]), 4000);
    expect(
      contradictionsOf(project)
        .filter((one) => one.kind === 'kind-refused')
        .map((one) => one.message)
        .join(),
    ).toContain('each rise would be 338 mm');
    expect(made(steep).faces.length).toBe(6);
  });
  it('headroom under the ceiling: enough, or how long an opening the floor above wants', () => {
    const piece = stair('straight-stair', { depth: size('d', 2800), height: size('h', 2700) });
    const high = tall(smallRoom([piece]), 5200);
    const over = stairHeadroom(high, piece);
    expect(over?.wellLength).toBeNull();
    // At the top riser the pitch line stands one rise over the last tread: 2700.
    expect(over?.least).toBeCloseTo(5200 - 180 - 2800 * (180 / 200), 6);
    const low = tall(smallRoom([piece]), 2450);
    const under = stairHeadroom(low, piece);
    expect(under?.least).toBeLessThan(0);
    expect(under?.wellLength).toBeCloseTo(((2000 + 250) * 200) / 180, 6);
    expect(stairHeadroom(low, stair('half-stair'))).toBeNull();
  });
});
