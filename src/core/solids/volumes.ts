import { tolerance } from '@/core/numeric';
import { planPoint, type PlanPoint } from '@/core/space';
import { at } from '@/core/base';
import { isConvex, triangles } from '@/core/geometry';
import { footprintOf, type MeasuredRoom, type Piece } from '@/core/record';
import { pointIn, turnedAxes, type Axes } from './axes';
import { kindOf } from './kinds';
import { refusalOf, valuesOf } from './kind';
import { axesOf } from './piece';
import { block, type Cut, type OutlinePoint, type Part } from './parts';

/** A convex column of space a part takes up: an outline in plan between two heights. Round parts are taken a little too large. */
export interface Volume {
  readonly outline: readonly PlanPoint[];
  readonly low: number;
  readonly high: number;
  /** A handle or knob: it gives way to what stands beside it. */
  readonly grip: boolean;
}

const MOST_BANDS = 6;

/** What a piece takes up, part by part: a chair's knees fit under a table, a chest under a stair. */
export function volumesOf(project: Pick<MeasuredRoom, 'spaces'>, piece: Piece, floorZ: number): readonly Volume[] {
  const footprint = footprintOf(project, piece);
  if (!footprint.ok) return [];
  const kind = kindOf(piece.kind);
  const axes = axesOf(piece, footprint.value, floorZ);
  const sound = kind && refusalOf(kind, piece, String) === null;
  const values = kind ? valuesOf(kind, piece) : null;
  const parts =
    sound && values
      ? kind.parts(values)
      : [block('box', [0, footprint.value.width], [0, footprint.value.depth], [0, values?.height ?? 1])];
  return parts.flatMap((part) => volumes(part, axes));
}

function volumes(part: Part, axes: Axes): Volume[] {
  const grip = 'use' in part && part.use === 'grip';
  const column = (points: readonly (readonly [number, number])[], low: number, high: number): Volume => {
    const world = points.map(([x, y]) => pointIn(axes, x, y, 0));
    return {
      outline: world.map(({ x, y }) => planPoint(x, y)),
      low: axes.origin.z + low,
      high: axes.origin.z + high,
      grip,
    };
  };
  const rectangle = (x0: number, x1: number, y0: number, y1: number): [number, number][] => [
    [x0, y0],
    [x1, y0],
    [x1, y1],
    [x0, y1],
  ];
  const round = (x: number, y: number, r: number): [number, number][] =>
    Array.from({ length: 16 }, (_, i) => {
      const [c, s] = [Math.cos((i * Math.PI) / 8), Math.sin((i * Math.PI) / 8)];
      return [x + r * c, y + r * s];
    });
  switch (part.part) {
    case 'group':
      return part.parts.flatMap((one) => volumes(one, turnedAxes(axes, part.at, part.turnDeg)));
    case 'block':
      return [column(rectangle(...part.x, ...part.y), ...part.z)];
    case 'cut':
      return cutColumns(part).map(({ points, low, high }) => column(points, low, high));
    case 'taper': {
      const [x, y] = [
        [Math.min(part.below.x[0], part.above.x[0]), Math.max(part.below.x[1], part.above.x[1])],
        [Math.min(part.below.y[0], part.above.y[0]), Math.max(part.below.y[1], part.above.y[1])],
      ] as const;
      return [column(rectangle(x[0] as number, x[1] as number, y[0] as number, y[1] as number), ...part.z)];
    }
    case 'ball':
      return [column(round(part.at[0], part.at[1], part.radius), part.at[2] - part.radius, part.at[2] + part.radius)];
    case 'turned': {
      const r = Math.max(
        ...part.profile.map((one) => (one.ball === undefined ? one.r : Math.hypot(one.r, one.h - one.ball))),
      );
      const heights = part.profile.map((one) => one.h);
      const [low, high] = [Math.min(...heights), Math.max(...heights)];
      const [x, y, z] = part.at;
      if (part.axis === 'z') return [column(round(x, y, r), z + low, z + high)];
      return part.axis === 'y'
        ? [column(rectangle(x - r, x + r, y + low, y + high), z - r, z + r)]
        : [column(rectangle(x + low, x + high, y - r, y + r), z - r, z + r)];
    }
    case 'prism': {
      const outline = straightened(part.outline);
      if (part.along === 'z') {
        const points = outline.map(({ p, q }): [number, number] => [p, q]);
        const flat = points.map(([x, y]) => ({ x, y }));
        const pieces = isConvex(flat) ? [flat] : triangles(flat);
        return pieces.map((one) =>
          column(
            one.map(({ x, y }): [number, number] => [x, y]),
            ...part.range,
          ),
        );
      }
      return bands(outline).map(({ low, high, from, to }) =>
        column(part.along === 'y' ? rectangle(from, to, ...part.range) : rectangle(...part.range, from, to), low, high),
      );
    }
  }
}

interface Column {
  readonly points: readonly (readonly [number, number])[];
  readonly low: number;
  readonly high: number;
}

/**
 * Columns about what several prisms have in common: between two heights as wide as its front views, as deep as its side views and as its plans are there;
 * where it slopes a little too large.
 */
function cutColumns({ prisms }: Cut): readonly Column[] {
  const sides = prisms.map((one) => ({ along: one.along, bands: one.along === 'z' ? [] : bands(one.outline) }));
  const levels = [
    ...new Set([
      ...prisms.flatMap((one) => (one.along === 'z' ? one.range : [])),
      ...sides.flatMap(({ bands: list }) => list.flatMap(({ low, high }) => [low, high])),
    ]),
  ].sort((a, b) => a - b);
  const plans = prisms.filter((one) => one.along === 'z');
  return levels.slice(1).flatMap((high, i): readonly Column[] => {
    const low = at(levels, i);
    const middle = (low + high) / 2;
    let [x0, x1, y0, y1] = [-Infinity, Infinity, -Infinity, Infinity];
    for (const { along, range } of prisms) {
      if (along === 'z' && (middle < range[0] || middle > range[1])) return [];
      if (along === 'y') [y0, y1] = [Math.max(y0, range[0]), Math.min(y1, range[1])];
      if (along === 'x') [x0, x1] = [Math.max(x0, range[0]), Math.min(x1, range[1])];
    }
    for (const { along, bands: list } of sides) {
      if (along === 'z') continue;
      const band = list.find((one) => one.low <= middle && one.high >= middle);
      if (!band) return [];
      if (along === 'y') [x0, x1] = [Math.max(x0, band.from), Math.min(x1, band.to)];
      else [y0, y1] = [Math.max(y0, band.from), Math.min(y1, band.to)];
    }
    for (const { outline } of plans) {
      const [xs, ys] = [outline.map(({ p }) => p), outline.map(({ q }) => q)];
      [x0, x1] = [Math.max(x0, Math.min(...xs)), Math.min(x1, Math.max(...xs))];
      [y0, y1] = [Math.max(y0, Math.min(...ys)), Math.min(y1, Math.max(...ys))];
    }
    if (x1 - x0 < tolerance.nought || y1 - y0 < tolerance.nought) return [];
    const points = [
      [x0, y0],
      [x1, y0],
      [x1, y1],
      [x0, y1],
    ] as const;
    return [{ points, low, high }];
  });
}

/** An outline with its bends replaced by the corner of their tangents' box: never smaller than the thing. */
function straightened(outline: readonly OutlinePoint[]): OutlinePoint[] {
  return outline.flatMap((a, i) => {
    if (a.bulge === undefined || a.bulge <= 0) return [a];
    const b = at(outline, (i + 1) % outline.length);
    const [dp, dq] = [b.p - a.p, b.q - a.q];
    // Rise to the right of the way: bulge times half the chord.
    const [rp, rq] = [(dq * a.bulge) / 2, (-dp * a.bulge) / 2];
    return [a, { p: a.p + rp, q: a.q + rq }, { p: b.p + rp, q: b.q + rq }];
  });
}

interface Band {
  readonly low: number;
  readonly high: number;
  readonly from: number;
  readonly to: number;
}

/** A side outline cut into level bands, each as wide as the outline is anywhere in it. */
function bands(outline: readonly OutlinePoint[]): Band[] {
  const heights = [...new Set(outline.map((one) => one.q))].sort((a, b) => a - b);
  const [bottom, top] = [heights[0] ?? 0, heights.at(-1) ?? 0];
  const cuts =
    heights.length > MOST_BANDS ? heights.filter((_, i) => i % Math.ceil(heights.length / MOST_BANDS) === 0) : heights;
  const steps = Array.from({ length: MOST_BANDS + 1 }, (_, i) => bottom + ((top - bottom) * i) / MOST_BANDS);
  const levels = [...new Set([...cuts, ...steps, top])].sort((a, b) => a - b);
  return levels.slice(1).flatMap((high, i) => {
    const low = at(levels, i);
    const found: number[] = [];
    outline.forEach((a, k) => {
      const b = at(outline, (k + 1) % outline.length);
      const [from, to] = [Math.max(low, Math.min(a.q, b.q)), Math.min(high, Math.max(a.q, b.q))];
      if (to < from) return;
      for (const q of [from, to]) found.push(a.q === b.q ? a.p : a.p + ((b.p - a.p) * (q - a.q)) / (b.q - a.q));
      if (a.q === b.q) found.push(b.p);
    });
    return found.length > 1 && high - low > tolerance.nought
      ? [{ low, high, from: Math.min(...found), to: Math.max(...found) }]
      : [];
  });
}
