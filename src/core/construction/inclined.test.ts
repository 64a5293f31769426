import { describe, expect, it } from 'vitest';
import { at } from '@/core/base';
import { worldPoint } from '@/core/space';
import { resolveSetUp, vanishingPoint } from '@/core/view';
import { boxView, smallRoom } from '@/testing';
import { draft } from './machine';
import { inclinedPoints } from './inclined';
import { BEGINNING, CV } from './set-out-operations';
import type { FramePoints } from './frame-points';
import type { TargetEdge } from './target';

const resolved = resolveSetUp(smallRoom(), boxView());
if (!resolved.ok) throw new Error(resolved.error.message);
const setUp = resolved.value;

/** Edges side by side that climb by so much a metre along a plan direction. */
const climbing = (count: number, run: { x: number; y: number }, rise: number): readonly TargetEdge[] =>
  Array.from({ length: count }, (_, i) => ({
    ...{ edge: `edge ${i}`, of: 'thing', seen: [[0, 1]] as const },
    from: { at: worldPoint(1000 + 300 * i, 500, 0), cutBy: null },
    to: { at: worldPoint(1000 + 300 * i + run.x, 500 + run.y, rise), cutBy: null },
  }));

const none = (): null => null;
/** A pair whose right-going lines vanish in VR. */
const pair = (u: number): FramePoints => ({
  vanishing: { x: { by: 'point', mark: 'VR', u }, y: { by: 'level' } },
  measured: null,
  ...{ roles: [], strips: [], ticksUnasked: false, operations: [] },
});

describe('points to which lines climb', () => {
  it('three lines of one slope straight away have one on the centre line, as high as the slope has it', () => {
    const [point] = inclinedPoints(setUp, climbing(3, { x: 0, y: 1000 }, 500), [], none);
    expect(point?.at).toEqual({ u: expect.closeTo(0, 9), v: expect.closeTo(setUp.viewingDistance / 2, 9) });
    const drawn = draft([...BEGINNING, ...(point?.operations ?? [])]);
    expect(drawn.ok && drawn.value.marks.get('VI')).toMatchObject({ v: expect.closeTo(setUp.viewingDistance / 2, 9) });
  });
  it('falling as they recede they have it below the horizon', () =>
    expect(at(inclinedPoints(setUp, climbing(3, { x: 0, y: 1000 }, -500), [], none), 0).at.v).toBeLessThan(0));
  it('two lines are not worth one, nor has what climbs along the picture plane any', () => {
    expect(inclinedPoints(setUp, climbing(2, { x: 0, y: 1000 }, 500), [], none)).toEqual([]);
    expect(inclinedPoints(setUp, climbing(5, { x: 1000, y: 0 }, 500), [], none)).toEqual([]);
  });
  it('turned in plan they have it above their level direction’s point, where that is on the paper, and nowhere else', () => {
    const edges = climbing(4, { x: 600, y: 800 }, 300);
    const level = vanishingPoint(setUp, { x: 600, y: 800, z: 0 });
    if (level.kind !== 'point') throw new Error('it recedes');
    expect(inclinedPoints(setUp, edges, [], none)).toEqual([]);
    expect(inclinedPoints(setUp, edges, [pair(level.at.u + 5)], none)).toEqual([]);
    const [point] = inclinedPoints(setUp, edges, [pair(level.at.u)], none);
    expect(point?.at).toEqual({
      u: expect.closeTo(level.at.u, 9),
      v: expect.closeTo((0.3 * setUp.viewingDistance) / 0.8, 9),
    });
    const upright = point?.operations.find((one) => one.op === 'upright');
    expect(upright).toMatchObject({ through: 'VR' });
  });
  it('is called what the set-out calls it; what that does not have takes a name that is free', () => {
    const edges = [...climbing(3, { x: 0, y: 1000 }, 500), ...climbing(3, { x: 0, y: 1000 }, -800)];
    const named = inclinedPoints(setUp, edges, [], ({ v }) => (v < 0 ? 'VI' : null));
    expect(named.map(({ mark, at: { v } }) => [mark, v > 0])).toEqual([
      ['VI2', true],
      ['VI', false],
    ]);
    expect(named.every(({ operations }) => operations.every((one) => one.op !== 'lay-off' || one.from === CV))).toBe(
      true,
    );
  });
});
