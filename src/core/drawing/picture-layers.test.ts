import { standOf } from '@/core/view';
import { sceneOf, sheetOf } from '@/core/pipeline';
import { describe, expect, it } from 'vitest';
import { DEMOS } from '@/app/demo';
import { at } from '@/core/base';
import type { Project } from '@/core/record';
import { drain, visibleLinesExact } from '@/core/visibility';
import { boxPiece, boxView, smallRoom } from '@/testing';
import { strokeRows, type Drawing, type Stroke, pictureLayers } from './index';

function drawn(project: Project, rough = false): { drawing: Drawing; seen: number } {
  const view = at(project.views, 0);
  const scene = sceneOf(project);
  const stand = standOf(project, view);
  if (!stand.ok) throw new Error(stand.error.message);
  const lines = drain(visibleLinesExact(scene.prepared, stand.value.setUp, view.frame));
  const whole = sheetOf(project, view, scene, stand.value, lines, null);
  const given = { project, view, setUp: stand.value.setUp, scene: scene.prepared, lines, rough };
  return {
    drawing: rough ? { ...whole, layers: pictureLayers(given).layers } : whole,
    seen: [...lines.seen].filter((one) => one === 1).length,
  };
}
const strokesOf = ({ layers }: Drawing, ...ids: readonly string[]): readonly Stroke[] =>
  layers.filter((layer) => ids.includes(layer.group ?? layer.id)).flatMap((layer) => layer.strokes);
/** All that stands in the picture and is seen. */
const PICTURE = ['room', 'openings', 'patterns', 'furniture'];
const lengthOf = (strokes: readonly Stroke[]): number =>
  strokes.reduce(
    (sum, one) => sum + strokeRows(one, 0.01).reduce((own, [x0, y0, x1, y1]) => own + Math.hypot(x1 - x0, y1 - y0), 0),
    0,
  );

describe('lines that fall on one another', () => {
  it('two boxes side by side share the upright of their joint: it is drawn once, and stands for both', () => {
    const project = smallRoom(
      [boxPiece({ id: 'l', fromWest: 900, width: 400 }), boxPiece({ id: 'r', fromWest: 1300, width: 600 })],
      boxView({ station: { x: 2600, y: -2500 } }),
    );
    const { drawing } = drawn(project);
    const joint = strokesOf(drawing, 'furniture').filter(
      (one) => [one.of, ...(one.also ?? [])].includes('l/box/front-right') && one.weight === 'firm',
    );
    expect(joint).toHaveLength(1);
    expect([joint[0]?.of, ...(joint[0]?.also ?? [])].sort()).toEqual(['l/box/front-right', 'r/box/front-left']);
  });
  it.each(DEMOS.map((demo) => [demo.id, demo] as const))(
    'nowhere in a demonstration room is a stroke drawn twice, %s',
    (_, demo) => {
      const { drawing, seen } = drawn(demo);
      const strokes = strokesOf(drawing, ...PICTURE).filter((one) => !one.curve);
      expect(strokes.length).toBeLessThan(seen);
      // No stroke’s middle lies on another of its own direction.
      const cells = new Map<string, Stroke[]>();
      const cell = (value: number): number => Math.floor(value / 2);
      for (const one of strokes) {
        const steps = Math.ceil(Math.hypot(one.x1 - one.x0, one.y1 - one.y0)) + 1;
        const own = new Set(
          Array.from({ length: steps + 1 }, (_step, i) => {
            const f = i / steps;
            return `${cell(one.x0 + (one.x1 - one.x0) * f)} ${cell(one.y0 + (one.y1 - one.y0) * f)}`;
          }),
        );
        for (const key of own) cells.set(key, [...(cells.get(key) ?? []), one]);
      }
      const doubled = strokes.filter((one) => {
        const [mx, my] = [(one.x0 + one.x1) / 2, (one.y0 + one.y1) / 2];
        const size = Math.hypot(one.x1 - one.x0, one.y1 - one.y0);
        if (size < 0.01) return false;
        const [dx, dy] = [(one.x1 - one.x0) / size, (one.y1 - one.y0) / size];
        return (cells.get(`${cell(mx)} ${cell(my)}`) ?? []).some((other) => {
          const long = Math.hypot(other.x1 - other.x0, other.y1 - other.y0);
          if (other === one || long < 0.01) return false;
          const away = (x: number, y: number): number => Math.abs((x - mx) * dy - (y - my) * dx);
          const [s0, s1] = [(other.x0 - mx) * dx + (other.y0 - my) * dy, (other.x1 - mx) * dx + (other.y1 - my) * dy];
          return away(other.x0, other.y0) < 1e-7 && away(other.x1, other.y1) < 1e-7 && s0 * s1 < 0;
        });
      });
      expect(doubled.map((one) => one.of)).toEqual([]);
    },
  );
});

describe('while something is moved', () => {
  it.each(DEMOS.map((demo) => [demo.id, demo] as const))(
    'what is seen is all there, hidden lines are not, %s',
    (_, demo) => {
      const [still, rough] = [drawn(demo).drawing, drawn(demo, true).drawing];
      expect(strokesOf(rough, 'hidden')).toEqual([]);
      expect(strokesOf(still, 'hidden').length).toBeGreaterThan(100);
      // Drawn twice where lines fall on one another, never less than when it is still.
      expect(lengthOf(strokesOf(rough, ...PICTURE))).toBeGreaterThanOrEqual(
        lengthOf(strokesOf(still, ...PICTURE)) - 1e-3,
      );
      const ids = new Set(still.layers.map((layer) => layer.id));
      expect(rough.layers.every((layer) => ids.has(layer.id))).toBe(true);
    },
  );
});
