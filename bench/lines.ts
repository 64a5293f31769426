/**
 * The exact engine on generated rooms of boxes from 500 to 50,000 edges, whose crossings in the picture grow in proportion to the edges: medians,
 * growth and memory, beside the plainest right way (every edge against every face) where that ends in time.
 */
import { drain, exactParts, joinLines, neutralPolygons, seenRows } from '@/core/visibility';
import { boxRows, slowVisible, straightSight } from '@/testing';

const median = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? NaN;
const sight = straightSight();
const all = (count: number): Uint8Array => new Uint8Array(count).fill(1);

/** Pairs of edges whose pictures cross, counted cell by cell; each pair in the cell its crossing lies in. */
function crossings(ends: Float64Array, count: number): number {
  const cells = new Map<number, number[]>();
  const size = 500 / Math.max(8, Math.sqrt(count));
  const uv = new Float64Array(count * 4);
  for (let e = 0; e < count; e += 1)
    for (let end = 0; end < 2; end += 1) {
      const i = e * 6 + end * 3;
      const depth = (ends[i + 1] ?? 0) - sight.eye.y;
      uv[e * 4 + end * 2] = (250 * (ends[i] ?? 0)) / depth;
      uv[e * 4 + end * 2 + 1] = (250 * ((ends[i + 2] ?? 0) - sight.eye.z)) / depth;
    }
  const cell = (x: number): number => Math.floor(x / size) + 4096;
  for (let e = 0; e < count; e += 1) {
    const [u0, v0, u1, v1] = [uv[e * 4] ?? 0, uv[e * 4 + 1] ?? 0, uv[e * 4 + 2] ?? 0, uv[e * 4 + 3] ?? 0];
    for (let c = cell(Math.min(u0, u1)); c <= cell(Math.max(u0, u1)); c += 1)
      for (let r = cell(Math.min(v0, v1)); r <= cell(Math.max(v0, v1)); r += 1) {
        const list = cells.get(c * 8192 + r);
        if (list) list.push(e);
        else cells.set(c * 8192 + r, [e]);
      }
  }
  let sum = 0;
  for (const [key, list] of cells)
    for (let i = 0; i < list.length; i += 1)
      for (let j = i + 1; j < list.length; j += 1) {
        const [a, b] = [(list[i] ?? 0) * 4, (list[j] ?? 0) * 4];
        const [px, py, rx, ry] = [
          uv[a] ?? 0,
          uv[a + 1] ?? 0,
          (uv[a + 2] ?? 0) - (uv[a] ?? 0),
          (uv[a + 3] ?? 0) - (uv[a + 1] ?? 0),
        ];
        const [qx, qy, sx, sy] = [
          uv[b] ?? 0,
          uv[b + 1] ?? 0,
          (uv[b + 2] ?? 0) - (uv[b] ?? 0),
          (uv[b + 3] ?? 0) - (uv[b + 1] ?? 0),
        ];
        const area = rx * sy - ry * sx;
        if (area === 0) continue;
        const [t, w] = [((qx - px) * sy - (qy - py) * sx) / area, ((qx - px) * ry - (qy - py) * rx) / area];
        if (t <= 0 || t >= 1 || w <= 0 || w >= 1) continue;
        if (cell(px + rx * t) * 8192 + cell(py + ry * t) === key) sum += 1;
      }
  return sum;
}

export function benchLines(): void {
  let before: { readonly edges: number; readonly ms: number } | null = null;
  for (const boxes of [42, 125, 417, 1250, 4167]) {
    const faces = boxRows(1, boxes);
    const whole: number[] = [];
    const engine: number[] = [];
    let counts = { edges: 0, rows: 0, drawn: 0, crossings: 0 };
    for (let i = 0; i < (boxes > 1000 ? 9 : 25); i += 1) {
      const began = performance.now();
      const { polygons, edges } = neutralPolygons({ faces });
      const ready = performance.now();
      const parts = drain(exactParts(polygons, [edges], all(polygons.faceCount), all(edges.count), sight));
      engine.push(performance.now() - ready);
      const joined = joinLines(parts.picture, seenRows(parts));
      whole.push(performance.now() - began);
      if (i === 0)
        counts = {
          edges: edges.count,
          rows: parts.count,
          drawn: joined.count,
          crossings: crossings(edges.ends, edges.count),
        };
    }
    const ms = median(engine);
    const growth = before ? Math.log(ms / before.ms) / Math.log(counts.edges / before.edges) : NaN;
    let slow = '';
    if (boxes <= 125) {
      const began = performance.now();
      slowVisible(faces, {
        eye: [0, -500, 1600],
        viewDir: [0, 1, 0],
        pictureDistance: 250,
        near: 100,
        window: [-250, -250, 250, 250],
      });
      slow = `; every edge against every face ${((performance.now() - began) / ms).toFixed(0)} times as long`;
    }
    console.log(
      `${counts.edges} edges, ${counts.crossings} crossings in the picture: exact visible lines ${ms.toFixed(1)} ms (with making ready and joining ${median(whole).toFixed(1)} ms)${Number.isNaN(growth) ? '' : `, growing as n^${growth.toFixed(2)}`}; ${counts.rows} parts, ${counts.drawn} drawn; memory ${Math.round(process.memoryUsage().rss / 1e6)} MB${slow}`,
    );
    before = { edges: counts.edges, ms };
  }
}
