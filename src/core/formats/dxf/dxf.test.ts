import { standOf } from '@/core/view';
import { sceneOf, sheetOf } from '@/core/pipeline';
import { spawnSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { DEMOS } from '@/app/demo';
import { at } from '@/core/base';
import { clipToSheet, strokePoints, type Drawing, layerOf } from '@/core/drawing';
import { conicPoint, ellipseArc, ellipsePoint, type ConicArc } from '@/core/geometry';
import { drain, visibleLinesExact } from '@/core/visibility';
import { readDxf, writeDxf } from './index';

function sheetFor(demo: (typeof DEMOS)[number]): Drawing {
  const view = at(demo.views, 0);
  const scene = sceneOf(demo);
  const stand = standOf(demo, view);
  if (!stand.ok) throw new Error(stand.error.message);
  const lines = drain(visibleLinesExact(scene.prepared, stand.value.setUp, view.frame));
  return sheetOf(demo, view, scene, stand.value, lines, null);
}
const read = (text: string) => {
  const result = readDxf(text);
  if (!result.ok) throw new Error(result.error.message);
  return result.value;
};
const curveAlone = (curve: ConicArc): Drawing => {
  const [a, b] = [conicPoint(curve, curve.from), conicPoint(curve, curve.to)];
  return {
    title: 'one',
    width: 400,
    height: 300,
    layers: [
      layerOf({ layer: 'room' }, 'One: a “curve”', {
        words: [{ x: 5, y: 5, text: 'η 1/2″', heightMm: 3, anchor: 'start' }],
        strokes: [
          {
            ...{ x0: a.x, y0: a.y, x1: b.x, y1: b.y, family: 'round', weight: 'firm', of: 'it', curve },
            role: { is: 'construction' },
          },
        ],
      }),
    ],
  };
};

describe('DXF', () => {
  it.each(DEMOS.map((demo) => [demo.id, demo] as const))(
    'read back by our own reader it has every line, every ellipse and every layer, in millimetres: %s',
    (_, demo) => {
      const sheet = sheetFor(demo);
      const cut = clipToSheet(sheet);
      const dxf = read(writeDxf(sheet));
      expect(dxf.mmPerUnit).toBe(1);
      const strokes = cut.layers.flatMap((layer) => layer.strokes);
      const straight = strokes.filter((one) => !one.curve);
      expect(dxf.lines).toHaveLength(straight.length);
      straight.forEach((one, i) => {
        const line = at(dxf.lines, i);
        const off =
          Math.hypot(line.from.x - one.x0, line.from.y - one.y0) + Math.hypot(line.to.x - one.x1, line.to.y - one.y1);
        expect(off).toBeLessThan(1e-6);
      });
      const curves = strokes.flatMap((one) => (one.curve && ellipseArc(one.curve) ? [one.curve] : []));
      expect(dxf.ellipses).toHaveLength(curves.length);
      expect(curves.length).toBeGreaterThan(10);
      curves.forEach((curve, i) => {
        const { centre, majorAxis, ratio, from, to } = at(dxf.ellipses, i);
        const major = Math.hypot(majorAxis.x, majorAxis.y);
        const ellipse = { centre, major, minor: major * ratio, turn: Math.atan2(majorAxis.y, majorAxis.x) };
        const ends = [ellipsePoint(ellipse, from), ellipsePoint(ellipse, to)];
        const drawn = [conicPoint(curve, curve.from), conicPoint(curve, curve.to)];
        const near = (p: { x: number; y: number }): number =>
          Math.min(...ends.map((q) => Math.hypot(p.x - q.x, p.y - q.y)));
        for (const p of drawn) expect(near(p)).toBeLessThan(1e-5);
        expect(to).toBeGreaterThan(from);
      });
      for (const layer of cut.layers.filter((one) => one.group && one.strokes.length > 0))
        expect(dxf.layers).toContain(`Furniture - ${layer.name}`);
      expect(new Set(dxf.layers).size).toBe(dxf.layers.length);
    },
  );

  it('a conic that is no ellipse is a spline within 0.005 mm of it', () => {
    const curve: ConicArc = { x: [180, 100, 60], y: [150, -40, 90], w: [1, 1.3, 0.2], from: -1.2, to: 1.5 };
    const dxf = read(writeDxf(curveAlone(curve)));
    expect(dxf.ellipses).toEqual([]);
    const spline = at(dxf.splines, 0);
    expect(spline.degree).toBe(3);
    expect(spline.knots.length).toBe(spline.points.length + 4);
    const chain = strokePoints(at(at(curveAlone(curve).layers, 0).strokes, 0), 1e-4);
    for (let i = 0; i + 3 < spline.points.length; i += 3) {
      const [a, b, c, d] = [0, 1, 2, 3].map((k) => at(spline.points, i + k)) as [
        { x: number; y: number },
        never,
        never,
        never,
      ];
      for (const t of [0.2, 0.5, 0.8]) {
        const w = [(1 - t) ** 3, 3 * t * (1 - t) ** 2, 3 * t * t * (1 - t), t ** 3] as const;
        const points = [a, b, c, d] as readonly { x: number; y: number }[];
        const x = points.reduce((sum, p, k) => sum + p.x * (w[k] ?? 0), 0);
        const y = points.reduce((sum, p, k) => sum + p.y * (w[k] ?? 0), 0);
        const far = Math.min(
          ...chain.slice(1).map((q, k) => {
            const p = at(chain, k);
            const [dx, dy] = [q.x - p.x, q.y - p.y];
            const s = Math.min(1, Math.max(0, ((x - p.x) * dx + (y - p.y) * dy) / (dx * dx + dy * dy)));
            return Math.hypot(p.x + dx * s - x, p.y + dy * s - y);
          }),
        );
        expect(far).toBeLessThan(0.005);
      }
    }
    expect(dxf.words).toMatchObject([{ text: 'η 1/2″' }]);
    expect(dxf.layers).toContain('One- a “curve”');
  });

  it('an independent program opens it without a fault, and counts the same', () => {
    const folder = mkdtempSync(join(tmpdir(), 'bathyskop-dxf-'));
    const sheets = [
      ...DEMOS.map(sheetFor),
      curveAlone({ x: [180, 100, 60], y: [150, -40, 90], w: [1, 1.3, 0.2], from: -1, to: 1.2 }),
    ];
    sheets.forEach((sheet, i) => {
      const file = join(folder, `${i}.dxf`);
      writeFileSync(file, writeDxf(sheet));
      const script = [
        'import sys, json, ezdxf',
        'doc = ezdxf.readfile(sys.argv[1])',
        'audit = doc.audit()',
        'kinds = {}',
        'for e in doc.modelspace(): kinds[e.dxftype()] = kinds.get(e.dxftype(), 0) + 1',
        'print(json.dumps({"errors": len(audit.errors), "units": doc.header["$INSUNITS"], "kinds": kinds, "layers": len(doc.layers)}))',
      ].join('\n');
      const run = spawnSync('/usr/bin/python3', ['-c', script, file], { encoding: 'utf8' });
      expect(run.status, run.stderr).toBe(0);
      const told = JSON.parse(run.stdout) as { errors: number; units: number; kinds: Record<string, number> };
      expect(told.errors).toBe(0);
      expect(told.units).toBe(4);
      const own = read(writeDxf(sheet));
      expect(told.kinds.LINE ?? 0).toBe(own.lines.length);
      expect(told.kinds.ELLIPSE ?? 0).toBe(own.ellipses.length);
      expect(told.kinds.SPLINE ?? 0).toBe(own.splines.length);
      expect(told.kinds.TEXT ?? 0).toBe(own.words.length);
    });
  }, 120_000);

  it('what is no DXF is refused in words', () => {
    const refused = readDxf('a plain text');
    expect(refused).toMatchObject({ ok: false });
    expect(readDxf('')).toMatchObject({ ok: false, error: { reason: 'empty' } });
  });
});
