import { describe, expect, it } from 'vitest';
import { conicBetween, type ConicArc } from '@/core/geometry';
import { joinCurves } from './join-curves';
import { endsOf } from './strokes';
import type { Stroke } from './drawing';

const ellipse: ConicArc = { x: [100, 40, 0], y: [80, 0, 15], w: [1, 0, 0], from: 0, to: 2 * Math.PI };
/** The same ellipse told from another start and the other way round. */
const again: ConicArc = { x: [100, 0, 40], y: [80, 15, 0], w: [1, 0, 0], from: 0, to: 2 * Math.PI };
const placed = (of: string, curve: ConicArc, layer = 'a'): { layer: string; stroke: Stroke } => ({
  layer,
  stroke: { ...endsOf(curve), family: 'round', weight: 'firm', role: { is: 'construction' }, of },
});

describe('curves that fall on one another', () => {
  it('are drawn once, the longest first, and remember the others', () => {
    const joined = joinCurves([
      placed('part', conicBetween(ellipse, 0.5, 1.5)),
      placed('whole', ellipse),
      placed('turned', again),
    ]);
    expect(joined).toHaveLength(1);
    expect(joined[0]?.stroke.of).toBe('whole');
    expect([...(joined[0]?.stroke.also ?? [])].sort()).toEqual(['part', 'turned']);
  });
  it('an arc on an arc is remembered only where it lies wholly on it', () => {
    const long = placed('long', conicBetween(ellipse, 1, 4));
    expect(joinCurves([long, placed('in', conicBetween(ellipse, 1.2, 2))])).toHaveLength(1);
    expect(joinCurves([long, placed('beyond', conicBetween(ellipse, 3, 4.4))])).toHaveLength(2);
    expect(joinCurves([long, placed('elsewhere', conicBetween(ellipse, 4.5, 5))])).toHaveLength(2);
    // Told with its other end first and a turn later it is still the same arc.
    const flipped: ConicArc = { x: [100, -40, 0], y: [80, 0, -15], w: [1, 0, 0], from: 1.2 - Math.PI, to: 2 - Math.PI };
    expect(joinCurves([long, placed('flipped', flipped)])).toHaveLength(1);
  });
  it('others stay as they are: another size, another place, a conic that is no ellipse', () => {
    const larger: ConicArc = { ...ellipse, x: [100, 40.1, 0] };
    const aside: ConicArc = { ...ellipse, x: [100.1, 40, 0] };
    const open: ConicArc = { ...ellipse, w: [1, 1.4, 0], from: -0.5, to: 0.5 };
    const all = [placed('a', ellipse), placed('b', larger), placed('c', aside), placed('d', open), placed('e', open)];
    expect(joinCurves(all).map((one) => one.stroke.of)).toEqual(['a', 'b', 'c', 'd', 'e']);
  });
});
