import type { Body, RoundFace } from '@/core/solids';

type P3 = { readonly x: number; readonly y: number; readonly z: number };
const dot = (a: P3, b: P3): number => a.x * b.x + a.y * b.y + a.z * b.z;
const sub = (a: P3, b: P3): P3 => ({ x: a.x - b.x, y: a.y - b.y, z: a.z - b.z });
const cross = (a: P3, b: P3): P3 => ({
  x: a.y * b.z - a.z * b.y,
  y: a.z * b.x - a.x * b.z,
  z: a.x * b.y - a.y * b.x,
});
const TURN = 2 * Math.PI;
/** A meeting this near to the point asked about is the point itself, mm: on a round surface a sight line leaves it slowly. */
const SELF_MM = 1e-5;
/** How far beside a line one looks, mm. */
const BESIDE_MM = 1e-8;

/** One face as a thing a sight line may meet: the shares of the way from the eye at which it does, without the point's own if it lies on it. */
type Meet = (eye: P3, to: P3, own: boolean) => readonly number[];

/**
 * Whether points are hidden among bodies, by trying each face with the sight line: planar faces by counting an odd number of sides on a slanting ray,
 * round ones in their own directions. Shares nothing with the engine; each question costs all faces.
 */
export function slowRounds(bodies: readonly Body[], eye: P3): (point: P3, run: P3, own?: readonly string[]) => boolean {
  const meets = facesThere(bodies, eye);
  const hidden = (p: P3, own: readonly string[]): boolean => {
    const length = Math.sqrt(dot(sub(p, eye), sub(p, eye)));
    return meets.some(({ id, planar, meet }) => {
      // On its own face one of the two meetings is the point itself.
      if (own.includes(id)) return !planar && meet(eye, p, true).some((s) => s > 1e-9 && s < 1);
      return meet(eye, p, false).some((s) => s > 1e-9 && s < 1 - SELF_MM / length);
    });
  };
  // A line is hidden where what lies on both of its sides is.
  return (point, run, own = []) => {
    const side = cross(sub(point, eye), run);
    const size = Math.sqrt(dot(side, side));
    if (!(size > 0)) return hidden(point, own);
    const moved = (sign: number): P3 => ({
      x: point.x + (side.x / size) * sign * BESIDE_MM,
      y: point.y + (side.y / size) * sign * BESIDE_MM,
      z: point.z + (side.z / size) * sign * BESIDE_MM,
    });
    return hidden(moved(1), own) && hidden(moved(-1), own);
  };
}

function facesThere(
  bodies: readonly Body[],
  eye: P3,
): readonly { readonly id: string; readonly planar: boolean; readonly meet: Meet }[] {
  const present = new Set<string>();
  const faces: { id: string; belongsTo: readonly string[]; own: boolean; planar: boolean; meet: Meet }[] = [];
  for (const body of bodies) {
    const points = body.vertices.map((vertex) => vertex.at as P3);
    for (const face of body.faces)
      faces.push({
        id: face.id,
        belongsTo: face.belongsTo,
        own: face.seen === 'both-sides' || dot(face.normal, eye) - face.offset > 1e-6,
        planar: true,
        meet: meetPlanar(body, face, points),
      });
    for (const round of body.rounds)
      faces.push({ id: round.id, belongsTo: round.belongsTo, own: true, planar: false, meet: meetRound(round) });
  }
  for (const one of faces) if (one.own && one.belongsTo.length === 0) present.add(one.id);
  for (const one of faces) if (one.own && one.belongsTo.some((id) => present.has(id))) present.add(one.id);
  return faces.filter((one) => present.has(one.id));
}

function meetPlanar(body: Body, face: Body['faces'][number], points: readonly P3[]): Meet {
  const { normal: n, offset } = face;
  // Two directions of the plane, turned by an odd angle so that no side runs along the ray.
  const first = points[face.loops[0]?.[0] ?? 0] as P3;
  const any = Math.abs(n.x) < 0.6 ? { x: 1, y: 0, z: 0 } : { x: 0, y: 1, z: 0 };
  const a = cross(n, any);
  const b = cross(n, a);
  const [s, c] = [Math.sin(0.7391), Math.cos(0.7391)];
  const scale = 1 / Math.sqrt(dot(a, a));
  const p = { x: (a.x * c + b.x * s) * scale, y: (a.y * c + b.y * s) * scale, z: (a.z * c + b.z * s) * scale };
  const q = cross(n, p);
  const flat = (at: P3): readonly [number, number] => [dot(sub(at, first), p), dot(sub(at, first), q)];
  const sides: ((u: number, v: number) => number)[] = [];
  face.loops.forEach((loop, l) =>
    loop.forEach((corner, i) => {
      const [x0, y0] = flat(points[corner] as P3);
      const [x1, y1] = flat(points[loop[(i + 1) % loop.length] ?? 0] as P3);
      const bend = face.bends.find((one) => one.loop === l && one.after === i);
      const arc = bend && body.arcs.find((one) => one.id === bend.arc);
      if (!arc) {
        sides.push((u, v) => (y0 > v !== y1 > v && x0 + ((v - y0) * (x1 - x0)) / (y1 - y0) > u ? 1 : 0));
        return;
      }
      const { circle } = arc;
      const [cx, cy] = flat(circle.centre);
      sides.push((u, v) => {
        const half = circle.radius * circle.radius - (v - cy) * (v - cy);
        if (half <= 0) return 0;
        return [-1, 1].filter((sign) => {
          const x = cx + sign * Math.sqrt(half);
          if (x <= u) return false;
          // Back into space, and there asked for its angle.
          const world = {
            x: first.x + p.x * x + q.x * v,
            y: first.y + p.y * x + q.y * v,
            z: first.z + p.z * x + q.z * v,
          };
          const d = sub(world, circle.centre);
          const angle = Math.atan2(dot(d, circle.second), dot(d, circle.first));
          return (((angle - arc.from) % TURN) + TURN) % TURN <= arc.to - arc.from;
        }).length;
      });
    }),
  );
  return (eye, to) => {
    const [from, end] = [dot(n, eye) - offset, dot(n, to) - offset];
    if (Math.abs(end) < 1e-6 || from > 0 === end > 0) return [];
    const share = from / (from - end);
    const at = {
      x: eye.x + (to.x - eye.x) * share,
      y: eye.y + (to.y - eye.y) * share,
      z: eye.z + (to.z - eye.z) * share,
    };
    const [u, v] = flat(at);
    return sides.reduce((sum, side) => sum + side(u, v), 0) % 2 === 1 ? [share] : [];
  };
}

function meetRound(round: RoundFace): Meet {
  const inOwn = (at: P3): readonly [number, number, number] => {
    const d = sub(at, round.centre);
    return [dot(d, round.first), dot(d, round.second), dot(d, round.axis)];
  };
  const { from, to } = round;
  const rise = round.surface === 'cone' ? (to.radius - from.radius) / (to.along - from.along) : 0;
  const [low, high] = [Math.min(from.along, to.along), Math.max(from.along, to.along)];
  return (eye, end, own) => {
    const [a, b] = [inOwn(eye), inOwn(end)];
    const d = [b[0] - a[0], b[1] - a[1], b[2] - a[2]] as const;
    // x² + y² (+ z² on a ball) = (r₀ + rise·(z − z₀))² along a + s·d.
    const ball = round.surface === 'sphere' ? 1 : 0;
    const [r, dr] = ball ? [round.radius, 0] : [from.radius + rise * (a[2] - from.along), rise * d[2]];
    const A = d[0] ** 2 + d[1] ** 2 + ball * d[2] ** 2 - dr * dr;
    const B = a[0] * d[0] + a[1] * d[1] + ball * a[2] * d[2] - r * dr;
    const C = a[0] ** 2 + a[1] ** 2 + ball * a[2] ** 2 - r * r;
    const under = B * B - A * C;
    if (under < 0) return [];
    const both = [(-B - Math.sqrt(under)) / A, (-B + Math.sqrt(under)) / A].sort(
      (p, q) => Math.abs(1 - p) - Math.abs(1 - q),
    );
    return (own ? both.slice(1) : both).filter((s) => {
      const [x, y, z] = [a[0] + d[0] * s, a[1] + d[1] * s, a[2] + d[2] * s];
      if (z < low || z > high) return false;
      if (!ball && from.radius + rise * (z - from.along) < 0) return false;
      const angle = Math.atan2(y, x);
      const [first, last] = round.sector;
      if ((((angle - first) % TURN) + TURN) % TURN > last - first + 1e-12 && last - first < TURN - 1e-9) return false;
      if (round.seen === 'both-sides') return true;
      // From its outer side only: there the way from the eye goes against the outward direction.
      const out = (d[0] * x + d[1] * y) * 1 + d[2] * (ball ? z : -rise * (from.radius + rise * (z - from.along)));
      return round.looks === 'away' ? out < 0 : out > 0;
    });
  };
}
