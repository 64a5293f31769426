import { describe, expect, it } from 'vitest';
import { at, seededRandom } from '@/core/base';
import { bodiesOf, planeOf } from '@/core/solids';
import { worldPoint } from '@/core/space';
import { boxFaces, randomRoom, runs, holds } from '@/testing';
import { crossingLines } from './crossings';
import { prepareScene } from './index';
import type { PreparedFace } from './scene';

const crossingEdges = (bodies: Parameters<typeof crossingLines>[0]) => crossingLines(bodies).edges;

/** A box as a body of six prepared faces. */
function box(id: string, ...given: Parameters<typeof boxFaces>): { readonly faces: readonly PreparedFace[] } {
  return {
    faces: boxFaces(...given).map((loop, i): PreparedFace => {
      const points = loop.map(([x, y, z]) => worldPoint(x, y, z));
      return {
        face: {
          id: `${id}/box/${i}`,
          role: { is: 'crate', ownerId: id, which: String(i), level: null },
          part: id,
          ...planeOf(points),
          seen: 'both-sides',
          belongsTo: [],
        },
        body: id,
        closed: true,
        loops: [points],
      };
    }),
  };
}
const total = (bodies: Parameters<typeof crossingEdges>[0]): number =>
  crossingEdges(bodies).reduce((sum, { from, to }) => sum + Math.hypot(to.x - from.x, to.y - from.y, to.z - from.z), 0);

describe('bodies that run through each other', () => {
  it('cones with a straight line in common: what has no one place is left out, and nothing that is drawn is nowhere', () => {
    // Two lampshades of this room made up by lot touch along a line.
    const { curves } = prepareScene(bodiesOf(randomRoom(244)));
    expect(curves.filter((one) => one.role.line === 'crossing').length).toBeGreaterThan(0);
    for (const curve of curves) expect([...curve.conic].every(Number.isFinite), curve.id).toBe(true);
  });
  it('a post through a board has the post’s outline twice, above and below', () => {
    const bodies = [box('board', 0, 0, 500, 1000, 1000, 30), box('post', 400, 300, 0, 100, 80, 900)];
    const lines = crossingEdges(bodies);
    expect(lines).toHaveLength(8);
    expect(total(bodies)).toBeCloseTo(2 * 2 * (100 + 80), 9);
    expect(new Set(lines.map((line) => Math.round(line.from.z)))).toEqual(new Set([500, 530]));
    for (const line of lines) expect(line.faces.map((id) => id.slice(0, 4)).sort()).toEqual(['boar', 'post']);
  });
  it('a post let into the board’s rim has what lies in the board only', () => {
    // Half of the post stands out in front of the board.
    const bodies = [box('board', 0, 0, 500, 1000, 1000, 30), box('post', 400, -40, 0, 100, 80, 900)];
    // Above and below: its far side and 40 of each flank; at the rim: both flanks, 30 high.
    expect(total(bodies)).toBeCloseTo(2 * (100 + 2 * 40) + 2 * 30, 9);
  });
  it('what only touches has none: stood on, side by side, flush, edge on edge, let in exactly', () => {
    const base = box('a', 0, 0, 0, 400, 400, 400);
    for (const other of [
      box('b', 0, 0, 400, 400, 400, 400),
      box('b', 400, 0, 0, 400, 400, 400),
      box('b', 100, 100, 400, 200, 200, 10),
      box('b', 400, 400, 0, 400, 400, 400),
      box('b', 400, 400, 400, 100, 100, 100),
      box('b', 100, -100, 0, 200, 100, 400),
    ])
      expect(crossingEdges([base, other])).toEqual([]);
  });
  it('a wall of one face is crossed by what goes through it', () => {
    const wall = { faces: box('w', -1000, 500, 0, 3000, 1, 2500).faces.slice(2, 3) };
    expect(total([wall, box('b', 0, 300, 100, 400, 400, 300)])).toBeCloseTo(2 * (400 + 300), 9);
  });
  it(`lines lie in both faces’ planes and in both bodies’ bounds, whatever the turn (seeds 1…)`, () => {
    let lines = 0;
    for (let seed = 1; seed <= runs(); seed += 1) {
      const random = seededRandom(seed);
      const any = (low: number, high: number): number => low + (high - low) * random();
      const bodies = [0, 1, 2].map((i) =>
        box(`b${i}`, any(0, 500), any(0, 500), any(0, 500), any(100, 600), any(100, 600), any(100, 600), any(0, 90)),
      );
      const faces = new Map(bodies.flatMap((body) => body.faces.map((one) => [one.face.id, one] as const)));
      for (const { from, to, faces: both } of crossingEdges(bodies)) {
        lines += 1;
        for (const id of both) {
          const one = faces.get(id);
          if (!one) throw new Error(id);
          const { normal, offset } = one.face;
          const outline = at(one.loops, 0);
          for (const p of [from, to]) {
            holds(Math.abs(normal.x * p.x + normal.y * p.y + normal.z * p.z - offset) < 1e-9, () => id);
            for (const k of ['x', 'y', 'z'] as const) {
              const along = outline.map((q) => q[k]);
              holds(p[k] > Math.min(...along) - 1e-6 && p[k] < Math.max(...along) + 1e-6, () => id);
            }
          }
        }
      }
      // The same bodies asked again, in another order, have the same lines.
      expect(total([...bodies].reverse())).toBeCloseTo(total(bodies), 6);
    }
    expect(lines).toBeGreaterThan(runs() * 2);
  });
});
