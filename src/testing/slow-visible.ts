import type { Polygon } from './box-heap';

type P3 = readonly [number, number, number];

/** The picture one is asked for: the eye, the level direction one looks in, and what is in the frame. */
export interface SlowCamera {
  readonly eye: P3;
  readonly viewDir: P3;
  readonly pictureDistance: number;
  readonly near: number;
  readonly window: readonly [number, number, number, number];
}

const sub = (a: P3, b: P3): P3 => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
const dot = (a: P3, b: P3): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
const cross = (a: P3, b: P3): P3 => [a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]];
const along = (a: P3, b: P3, s: number): P3 => [
  a[0] + (b[0] - a[0]) * s,
  a[1] + (b[1] - a[1]) * s,
  a[2] + (b[2] - a[2]) * s,
];

export interface SlowPart {
  readonly from: P3;
  readonly to: P3;
  /** Stretches seen, from 0 to 1 in the world. */
  readonly seen: readonly (readonly [number, number])[];
}

/** Visible parts of every polygon edge. */
export function slowVisible(faces: readonly Polygon[], camera: SlowCamera): readonly SlowPart[] {
  const edges = new Map<string, readonly [P3, P3]>();
  for (const loop of faces)
    loop.forEach((p, i) => {
      const q = loop[(i + 1) % loop.length] as P3;
      const [a, b] = [p.join(), q.join()];
      edges.set(a < b ? `${a} ${b}` : `${b} ${a}`, a < b ? [p, q] : [q, p]);
    });
  return slowSeen(
    faces.map((loop) => [loop]),
    [...edges.values()],
    camera,
  );
}

/**
 * Visible parts of straight edges among polygons with holes, by trying: each edge is broken wherever its picture crosses the picture of any polygon side and
 * wherever it pierces any polygon's plane, and each piece is asked at its middle whether any polygon lies before it. Shares nothing with the
 * engine; takes edges times faces twice over.
 */
export function slowSeen(
  faces: readonly (readonly Polygon[])[],
  edges: readonly (readonly [P3, P3])[],
  camera: SlowCamera,
): readonly SlowPart[] {
  const { eye, viewDir: f, pictureDistance: k, near } = camera;
  const r: P3 = [f[1], -f[0], 0];
  const seenFrom = (p: P3): P3 => {
    const v = sub(p, eye);
    return [dot(v, r), v[2], dot(v, f)];
  };
  const picture = (p: P3): readonly [number, number] => {
    const e = seenFrom(p);
    return [(k * e[0]) / e[2], (k * e[1]) / e[2]];
  };
  const planes = faces.map(([outline = []]) => {
    // Of all turns of the outline the widest tells its plane best.
    let [n, size]: [P3, number] = [[0, 0, 1], 0];
    for (let i = 1; i + 1 < outline.length; i += 1) {
      const turn = cross(sub(outline[i] as P3, outline[0] as P3), sub(outline[i + 1] as P3, outline[0] as P3));
      const length = Math.sqrt(dot(turn, turn));
      if (length > size) [n, size] = [turn, length];
    }
    const unit: P3 = [n[0] / size, n[1] / size, n[2] / size];
    return { unit, offset: dot(unit, outline[0] as P3) };
  });
  return edges.map(([from, to]) => {
    const ends = [seenFrom(from), seenFrom(to)] as const;
    // Cut to what is ahead and in the window: each bound is a half-space through the eye.
    let [s0, s1] = [0, 1];
    const [u0, v0, u1, v1] = camera.window;
    for (const half of [
      (e: P3) => e[2] - near,
      (e: P3) => k * e[0] - u0 * e[2],
      (e: P3) => u1 * e[2] - k * e[0],
      (e: P3) => k * e[1] - v0 * e[2],
      (e: P3) => v1 * e[2] - k * e[1],
    ]) {
      const [d0, d1] = [half(ends[0]), half(ends[1])];
      if (d0 < 0 && d1 < 0) s0 = 2;
      else if (d0 < 0) s0 = Math.max(s0, d0 / (d0 - d1));
      else if (d1 < 0) s1 = Math.min(s1, d0 / (d0 - d1));
    }
    if (s0 >= s1) return { from, to, seen: [] };
    const [a, b] = [along(from, to, s0), along(from, to, s1)];
    const [pa, pb] = [picture(a), picture(b)];
    const [ta, tb] = [seenFrom(a)[2], seenFrom(b)[2]];
    const breaks = [s0, s1];
    const world = (mu: number): number => s0 + (s1 - s0) * ((mu * ta) / ((1 - mu) * tb + mu * ta));
    faces.forEach((loops, i) => {
      const { unit, offset } = planes[i] as (typeof planes)[number];
      const [da, db] = [dot(unit, a) - offset, dot(unit, b) - offset];
      if (da > 0 !== db > 0 && da !== db) breaks.push(s0 + ((s1 - s0) * da) / (da - db));
      for (const loop of loops)
        loop.forEach((p, j) => {
          const q = loop[(j + 1) % loop.length] as P3;
          if (seenFrom(p)[2] < near || seenFrom(q)[2] < near) return;
          const [c, d] = [picture(p), picture(q)];
          const [rx, ry, sx, sy] = [pb[0] - pa[0], pb[1] - pa[1], d[0] - c[0], d[1] - c[1]];
          const area = rx * sy - ry * sx;
          if (Math.abs(area) < 1e-12) return;
          const mu = ((c[0] - pa[0]) * sy - (c[1] - pa[1]) * sx) / area;
          if (mu > 0 && mu < 1) breaks.push(world(mu));
        });
    });
    breaks.sort((x, y) => x - y);
    const seen: [number, number][] = [];
    for (let i = 0; i + 1 < breaks.length; i += 1) {
      const [x, y] = [breaks[i] as number, breaks[i + 1] as number];
      if (y - x < 1e-12) continue;
      if (
        faces.some((loop, n) =>
          standsBefore(loop, planes[n] as (typeof planes)[number], eye, along(from, to, (x + y) / 2)),
        )
      )
        continue;
      const last = seen[seen.length - 1];
      if (last && x - last[1] < 1e-12) last[1] = y;
      else seen.push([x, y]);
    }
    return { from, to, seen };
  });
}

/** Whether the sight line passes through the polygon's interior, and none of its holes, strictly before the point. */
function standsBefore(
  [outline = [], ...holes]: readonly Polygon[],
  { unit, offset }: { readonly unit: P3; readonly offset: number },
  eye: P3,
  point: P3,
): boolean {
  const [e, p] = [dot(unit, eye) - offset, dot(unit, point) - offset];
  if (Math.abs(e) < 1e-6 || Math.abs(p) < 1e-6 || e > 0 === p > 0) return false;
  const hit = along(eye, point, e / (e - p));
  return within(outline, unit, hit) === 'inside' && holes.every((hole) => within(hole, unit, hit) === 'outside');
}

/** Seen along its widest axis a polygon is a plane figure; the angle it turns about a point tells inside from outside. */
function within(loop: Polygon, unit: P3, hit: P3): 'inside' | 'outside' | 'on' {
  const [x, y] = Math.abs(unit[2]) > 0.6 ? [0, 1] : Math.abs(unit[0]) > 0.6 ? [1, 2] : [2, 0];
  let turned = 0;
  for (let i = 0; i < loop.length; i += 1) {
    const [c, d] = [loop[i] as P3, loop[(i + 1) % loop.length] as P3];
    const [cx, cy] = [(c[x as 0] ?? 0) - (hit[x as 0] ?? 0), (c[y as 0] ?? 0) - (hit[y as 0] ?? 0)];
    const [dx, dy] = [(d[x as 0] ?? 0) - (hit[x as 0] ?? 0), (d[y as 0] ?? 0) - (hit[y as 0] ?? 0)];
    // On the outline itself nothing is hidden.
    const area = cx * dy - cy * dx;
    if (Math.abs(area) < 1e-6 * Math.hypot(dx - cx, dy - cy) && cx * dx + cy * dy <= 0) return 'on';
    turned += Math.atan2(area, cx * dx + cy * dy);
  }
  return Math.abs(turned) > Math.PI ? 'inside' : 'outside';
}
