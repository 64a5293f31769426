import { standOf } from '@/core/view';
import { sceneOf, sheetOf } from '@/core/pipeline';
import { describe, expect, it } from 'vitest';
import { DEMOS } from '@/app/demo';
import { at } from '@/core/base';
import { drain, visibleLinesExact } from '@/core/visibility';
import {
  FURNITURE,
  LAID_ON,
  laidOf,
  layerAlone,
  pieceLayer,
  type Drawing,
  type LayersLaid,
  type Stroke,
} from './index';

function sheet(laid?: LayersLaid, i = 2): Drawing {
  const demo = at(DEMOS, i);
  const view = at(demo.views, 0);
  const scene = sceneOf(demo);
  const stand = standOf(demo, view);
  if (!stand.ok) throw new Error(stand.error.message);
  const lines = drain(visibleLinesExact(scene.prepared, stand.value.setUp, view.frame));
  return sheetOf(demo, view, scene, stand.value, lines, null, undefined, laid);
}
const ids = (drawing: Drawing): string[] => drawing.layers.map((layer) => layer.id);
const strokes = (drawing: Drawing): readonly Stroke[] => drawing.layers.flatMap((layer) => layer.strokes);

describe('layers as tracing paper', () => {
  it('are all there, each with its own lines: set-out, room, openings, footprints, patterns, notes, every piece', () => {
    const drawing = sheet();
    for (const id of ['set-out', 'room', 'openings', 'footprints', 'patterns', 'hidden', 'control', 'piece-table'])
      expect(
        at(
          drawing.layers.filter((layer) => layer.id === id),
          0,
        ).strokes.length,
        id,
      ).toBeGreaterThan(3);
    for (const stroke of at(
      drawing.layers.filter((layer) => layer.id === 'piece-clock'),
      0,
    ).strokes)
      expect(stroke.of.startsWith('clock/')).toBe(true);
  });
  it('what is aside is gone and nothing else: a line it shared is drawn by its other layer', () => {
    const whole = sheet();
    const without = sheet({ 'piece-drawer-case': { show: 'off', locked: false } });
    expect(ids(without)).toEqual(ids(whole).filter((id) => id !== 'piece-drawer-case'));
    expect(strokes(without).some((one) => one.of.startsWith('drawer-case/') && one.weight === 'firm')).toBe(false);
    // Strokes that stood for lines of the case and of others too are not lost with it.
    const shared = strokes(whole).filter(
      (one) => one.of.startsWith('drawer-case/') && (one.also ?? []).some((id) => !id.startsWith('drawer-case/')),
    );
    for (const one of shared) {
      const other = (one.also ?? []).find((id) => !id.startsWith('drawer-case/')) ?? '';
      expect(strokes(without).some((stroke) => stroke.of === other || stroke.also?.includes(other))).toBe(true);
    }
  });
  it('a piece lies as its furniture does; fastened in either way it is fastened', () => {
    const piece = { id: pieceLayer('table'), group: FURNITURE } as const;
    expect(laidOf(undefined, piece)).toEqual(LAID_ON);
    expect(laidOf({ [FURNITURE]: { show: 'dimmed', locked: true } }, piece)).toEqual({ show: 'dimmed', locked: true });
    const both = { [FURNITURE]: { show: 'dimmed', locked: false }, [piece.id]: { show: 'off', locked: true } } as const;
    expect(laidOf(both, piece)).toEqual({ show: 'off', locked: true });
    expect(laidOf({ [FURNITURE]: { show: 'off', locked: false }, [piece.id]: LAID_ON }, piece).show).toBe('off');
    const drawing = sheet({ [FURNITURE]: { show: 'dimmed', locked: false } });
    expect(drawing.layers.filter((layer) => layer.group).every((layer) => layer.dimmed)).toBe(true);
    expect(drawing.layers.filter((layer) => !layer.group).some((layer) => layer.dimmed)).toBe(false);
  });
  it('one alone comes with the crosses it is laid by; a group’s name takes all of it', () => {
    const drawing = sheet();
    expect(ids(layerAlone(drawing, 'piece-table'))).toEqual(['piece-table', 'control']);
    expect(ids(layerAlone(drawing, 'control'))).toEqual(['control']);
    expect(layerAlone(drawing, FURNITURE).layers.filter((layer) => layer.group).length).toBe(
      at(DEMOS, 2).pieces.length,
    );
  });
});

describe('what a line is', () => {
  it('has a pen by its class, and a family known by its vanishing point', () => {
    for (const i of DEMOS.keys()) {
      const drawing = sheet(undefined, i);
      const firm = drawing.layers
        .filter((layer) => layer.group || ['room', 'openings', 'patterns'].includes(layer.id))
        .flatMap((layer) => layer.strokes.map((stroke) => ({ stroke, layer: layer.id })));
      const classes = new Set(firm.map(({ stroke }) => stroke.edge));
      expect(classes.has('profile') && classes.has('inner')).toBe(true);
      for (const { stroke, layer } of firm) {
        expect(stroke.edge === 'pattern').toBe(layer === 'patterns');
        if (stroke.curve) continue;
        // Produced, a receding stroke passes through its family’s vanishing point.
        const family = at(drawing.parallels ?? [], stroke.parallels ?? -1);
        const length = Math.hypot(stroke.x1 - stroke.x0, stroke.y1 - stroke.y0);
        if (!family.vanishing || length < 5) continue;
        const cv = at(at(DEMOS, i).views, 0).centreOfVisionOnSheet;
        const [px, py] = [family.vanishing.u + cv.x - stroke.x0, family.vanishing.v + cv.y - stroke.y0];
        const [dx, dy] = [(stroke.x1 - stroke.x0) / length, (stroke.y1 - stroke.y0) / length];
        expect(Math.abs(px * dy - py * dx) / Math.hypot(px, py)).toBeLessThan(1e-6);
      }
      // No two families are one.
      const list = drawing.parallels ?? [];
      expect(list.length).toBeGreaterThan(3);
      list.forEach((a, k) =>
        list.slice(0, k).forEach((b) => {
          const { x, y, z } = a.direction;
          expect(Math.hypot(x - b.direction.x, y - b.direction.y, z - b.direction.z)).toBeGreaterThan(1e-7);
        }),
      );
    }
  });
  it('a stair’s raked lines have vanishing points of their own, above or below the horizon', () => {
    const families = sheet(undefined, 0).parallels ?? [];
    const raked = families.filter((one) => one.vanishing && Math.abs(one.slopeDeg) > 5 && Math.abs(one.slopeDeg) < 85);
    expect(raked.length).toBeGreaterThan(1);
    for (const one of raked) expect(Math.sign(one.vanishing?.v ?? 0)).toBe(Math.sign(one.slopeDeg));
  });
});
