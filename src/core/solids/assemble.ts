import { at as nth } from '@/core/base';
import type { Vector3 } from '@/core/geometry';
import type { Id } from '@/core/record';
import type { WorldPoint } from '@/core/space';
import type { BodyBuilder, LoopCorner } from './body-builder';
import type { Circle, Face } from './body';
import type { Axis, Block, OutlinePoint, Part, Prism, ProfilePoint, Range, Taper, Turned } from './parts';

/** Axes in the world: three unit directions square to each other, of either hand, so that mirroring is only another set of axes. */
export interface Axes {
  readonly origin: Vector3;
  readonly x: Vector3;
  readonly y: Vector3;
  readonly z: Vector3;
}

/** What all faces made here have in common. */
export interface Belonging {
  readonly seen: Face['seen'];
  readonly belongsTo: readonly Id[];
}

const combine = (axes: Axes, x: number, y: number, z: number): Vector3 => ({
  x: axes.x.x * x + axes.y.x * y + axes.z.x * z,
  y: axes.x.y * x + axes.y.y * y + axes.z.y * z,
  z: axes.x.z * x + axes.y.z * y + axes.z.z * z,
});

export function pointIn(axes: Axes, x: number, y: number, z: number): WorldPoint {
  const v = combine(axes, x, y, z);
  return { x: axes.origin.x + v.x, y: axes.origin.y + v.y, z: axes.origin.z + v.z } as WorldPoint;
}

/** The axes of a group: set down at a point and turned from x toward y. Quarter turns are exact. */
export function turnedAxes(axes: Axes, at: readonly [number, number, number], turnDeg: number): Axes {
  const quarter = (((turnDeg % 360) + 360) % 360) / 90;
  const exact = [
    [1, 0],
    [0, 1],
    [-1, 0],
    [0, -1],
  ] as const;
  const radians = (turnDeg * Math.PI) / 180;
  const [c, s] = Number.isInteger(quarter) ? nth(exact, quarter) : [Math.cos(radians), Math.sin(radians)];
  return { origin: pointIn(axes, ...at), x: combine(axes, c, s, 0), y: combine(axes, -s, c, 0), z: axes.z };
}

/** The (p, q, along) of a prism or turned part as (x, y, z). */
const placing: Readonly<Record<Axis, (p: number, q: number, a: number) => readonly [number, number, number]>> = {
  z: (p, q, a) => [p, q, a],
  y: (p, q, a) => [p, a, q],
  x: (p, q, a) => [a, p, q],
};

const area = (outline: readonly OutlinePoint[]): number =>
  outline.reduce((sum, a, i) => {
    const b = nth(outline, (i + 1) % outline.length);
    // A bent side adds its circular segment: r²(θ − sin θ)/2, signed as its bulge.
    const chord = Math.hypot(b.p - a.p, b.q - a.q);
    const bulge = a.bulge ?? 0;
    const theta = 4 * Math.atan(bulge);
    const r = bulge === 0 ? 0 : (chord * (1 + bulge * bulge)) / (4 * Math.abs(bulge));
    return sum + (a.p * b.q - b.p * a.q) / 2 + (r * r * (theta - Math.sin(theta))) / 2;
  }, 0);

/** The same outline walked the other way: each side keeps its arc, bent to the other hand. */
function reversed(outline: readonly OutlinePoint[]): OutlinePoint[] {
  const n = outline.length;
  return outline.map((_, i) => {
    const { p, q } = nth(outline, (n - i) % n);
    const bulge = -(nth(outline, (2 * n - i - 1) % n).bulge ?? 0);
    return bulge === 0 ? { p, q } : { p, q, bulge };
  });
}

interface Arc2 {
  readonly p: number;
  readonly q: number;
  readonly radius: number;
  readonly from: number;
  readonly to: number;
}

/** The arc of a bent side: bulge b = tan(sweep/4), radius c(1 + b²)/4|b|, centre to the left by (c/4)(1/b − b). */
export function arcOf(a: OutlinePoint, b: { readonly p: number; readonly q: number }, bulge: number): Arc2 {
  const [dp, dq] = [b.p - a.p, b.q - a.q];
  const offset = (1 / bulge - bulge) / 4;
  const p = (a.p + b.p) / 2 - dq * offset;
  const q = (a.q + b.q) / 2 + dp * offset;
  const start = Math.atan2(a.q - q, a.p - p);
  const sweep = 4 * Math.atan(bulge);
  const [from, to] = sweep > 0 ? [start, start + sweep] : [start + sweep, start];
  return { p, q, radius: (Math.hypot(dp, dq) * (1 + bulge * bulge)) / (4 * Math.abs(bulge)), from, to };
}

/** Direction of travel where a side begins and ends, for telling a crease from a smooth joint. */
function travel(a: OutlinePoint, b: OutlinePoint): readonly [begin: number, end: number] {
  const chord = Math.atan2(b.q - a.q, b.p - a.p);
  const half = 2 * Math.atan(a.bulge ?? 0);
  return [chord - half, chord + half];
}

/** Collects one body's parts; every name begins with the body's id. */
export class Assembly {
  constructor(
    private readonly builder: BodyBuilder,
    private readonly id: Id,
    private readonly belonging: Belonging,
  ) {}

  add(parts: readonly Part[], axes: Axes, prefix = ''): void {
    for (const part of parts) {
      const name = `${prefix}${part.name}`;
      switch (part.part) {
        case 'block':
          this.prism(blockAsPrism(part), axes, name, BLOCK_NAMES);
          break;
        case 'prism':
          this.prism(part, axes, name);
          break;
        case 'taper':
          this.taper(part, axes, name);
          break;
        case 'turned':
          this.turned(part, axes, name);
          break;
        case 'ball':
          this.ball(part, axes, name);
          break;
        case 'group':
          this.add(part.parts, turnedAxes(axes, part.at, part.turnDeg), `${name}-`);
          break;
      }
    }
  }

  private prism(part: Prism, axes: Axes, name: string, names: PrismNames = NUMBERED): void {
    const { builder, id, belonging } = this;
    const full = (what: string): string => `${id}/${name}/${what}`;
    const place = placing[part.along];
    const local = (p: number, q: number, a: number): WorldPoint => pointIn(axes, ...place(p, q, a));
    const direction = (p: number, q: number, a: number): Vector3 => combine(axes, ...place(p, q, a));
    const ends = [
      { key: 0, a: part.range[0], out: -1 },
      { key: 1, a: part.range[1], out: 1 },
    ] as const;
    const loops = [
      area(part.outline) >= 0 ? part.outline : reversed(part.outline),
      ...(part.holes ?? []).map((hole) => (area(hole) <= 0 ? hole : reversed(hole))),
    ];
    const capLoops: [LoopCorner[][], LoopCorner[][]] = [[], []];
    loops.forEach((loop, l) => {
      const corner = (end: 0 | 1, i: number): string => full(names.corner(end, l, i % loop.length));
      const side = (i: number): string => full(names.side(l, (i + loop.length) % loop.length));
      for (const { key, a } of ends) loop.forEach(({ p, q }, i) => builder.vertex(corner(key, i), local(p, q, a)));
      loop.forEach((point, i) => {
        const next = nth(loop, (i + 1) % loop.length);
        const { bulge } = point;
        if (bulge !== undefined) {
          const arc = arcOf(point, next, bulge);
          const circle = (a: number): Circle => ({
            centre: local(arc.p, arc.q, a),
            first: direction(1, 0, 0),
            second: direction(0, 1, 0),
            radius: arc.radius,
          });
          for (const { key, a } of ends)
            builder.arc({
              id: full(names.rim(key, l, i)),
              circle: circle(a),
              from: arc.from,
              to: arc.to,
              faces: [full(names.cap(key)), side(i)],
            });
          const at = (along: number) => ({ along, radius: arc.radius });
          builder.round({
            id: side(i),
            surface: 'cylinder',
            centre: local(arc.p, arc.q, 0),
            axis: direction(0, 0, 1),
            first: direction(1, 0, 0),
            second: direction(0, 1, 0),
            from: at(part.range[0]),
            to: at(part.range[1]),
            radius: arc.radius,
            sector: [arc.from, arc.to],
            looks: bulge > 0 ? 'away' : 'inward',
            ...belonging,
          });
        } else {
          builder.face({
            id: side(i),
            loops: [[corner(0, i), corner(0, i + 1), corner(1, i + 1), corner(1, i)]],
            normalToward: direction(next.q - point.q, point.p - next.p, 0),
            ...belonging,
          });
          for (const { key } of ends)
            builder.edge(full(names.rim(key, l, i)), corner(key, i), corner(key, i + 1), [
              full(names.cap(key)),
              side(i),
            ]);
        }
        const before = nth(loop, (i + loop.length - 1) % loop.length);
        const turn = travel(point, next)[0] - travel(before, point)[1];
        const crease = Math.abs(Math.atan2(Math.sin(turn), Math.cos(turn))) > 1e-6;
        if (crease) builder.edge(full(names.long(l, i)), corner(0, i), corner(1, i), [side(i - 1), side(i)]);
        for (const { key } of ends) {
          const cap = (capLoops[key][l] ??= []);
          cap.push(
            bulge === undefined
              ? { corner: corner(key, i) }
              : { corner: corner(key, i), arc: full(names.rim(key, l, i)) },
          );
        }
      });
    });
    for (const { key, out } of ends)
      builder.face({
        id: full(names.cap(key)),
        loops: capLoops[key],
        normalToward: direction(0, 0, out),
        ...belonging,
      });
  }

  private taper({ z, below, above }: Taper, axes: Axes, name: string): void {
    const { builder, id, belonging } = this;
    const full = (what: string): string => `${id}/${name}/${what}`;
    const corners = [
      { name: 'back-left', x: 0, y: 0 },
      { name: 'back-right', x: 1, y: 0 },
      { name: 'front-right', x: 1, y: 1 },
      { name: 'front-left', x: 0, y: 1 },
    ] as const;
    const levels = [
      { name: 'bottom', of: below, z: z[0], out: -1 },
      { name: 'top', of: above, z: z[1], out: 1 },
    ] as const;
    for (const level of levels)
      for (const c of corners)
        builder.vertex(full(`${c.name}-${level.name}`), pointIn(axes, level.of.x[c.x], level.of.y[c.y], level.z));
    for (const level of levels)
      builder.face({
        id: full(level.name),
        loops: [corners.map((c) => full(`${c.name}-${level.name}`))],
        normalToward: combine(axes, 0, 0, level.out),
        ...belonging,
      });
    const sides = ['back', 'right', 'front', 'left'] as const;
    const out = { back: [0, -1, 0], right: [1, 0, 0], front: [0, 1, 0], left: [-1, 0, 0] } as const;
    sides.forEach((side, i) => {
      const [a, b] = [nth(corners, i).name, nth(corners, (i + 1) % 4).name];
      const [ox, oy, oz] = out[side];
      builder.face({
        id: full(side),
        loops: [[full(`${a}-bottom`), full(`${b}-bottom`), full(`${b}-top`), full(`${a}-top`)]],
        normalToward: combine(axes, ox, oy, oz),
        ...belonging,
      });
      for (const level of levels)
        builder.edge(full(`${level.name}-${side}`), full(`${a}-${level.name}`), full(`${b}-${level.name}`), [
          full(level.name),
          full(side),
        ]);
      builder.edge(full(a), full(`${a}-bottom`), full(`${a}-top`), [full(nth(sides, (i + 3) % 4)), full(side)]);
    });
  }

  private turned(part: Turned, axes: Axes, name: string): void {
    const { builder, id, belonging } = this;
    const full = (what: string): string => `${id}/${name}/${what}`;
    const place = placing[part.axis];
    const [ax, ay, az] = part.at;
    const local = (p: number, q: number, a: number): WorldPoint => {
      const [x, y, z] = place(p, q, a);
      return pointIn(axes, ax + x, ay + y, az + z);
    };
    const direction = (p: number, q: number, a: number): Vector3 => combine(axes, ...place(p, q, a));
    const frame = { axis: direction(0, 0, 1), first: direction(1, 0, 0), second: direction(0, 1, 0) };
    const profile = outwardToTheRight(part.profile);
    const n = profile.length;
    const next = (i: number): ProfilePoint => nth(profile, (i + 1) % n);
    const exists = (i: number): boolean => nth(profile, i).r > 0 || next(i).r > 0;
    const side = (i: number): string => full(`side-${((i % n) + n) % n}`);
    const flat = (i: number): boolean => nth(profile, i).ball === undefined && nth(profile, i).h === next(i).h;
    const circle = (i: number): string => full(`circle-${((i % n) + n) % n}`);
    profile.forEach(({ r, h, smooth }, i) => {
      if (r <= 0) return;
      builder.vertex(full(`seam-${i}`), local(r, 0, h));
      const touching = [i - 1, i].filter((k) => exists((k + n) % n)).map(side);
      const bounds = flat(i) || flat((i + n - 1) % n);
      if (smooth !== true || bounds)
        builder.arc({
          id: circle(i),
          circle: { centre: local(0, 0, h), first: frame.first, second: frame.second, radius: r },
          from: 0,
          to: 2 * Math.PI,
          faces: touching,
        });
    });
    profile.forEach((a, i) => {
      if (!exists(i)) return;
      const b = next(i);
      const looksOut = b.h - a.h > 0 || (a.ball !== undefined && b.h === a.h);
      if (flat(i)) {
        const wider = a.r >= b.r ? i : (i + 1) % n;
        const narrower = a.r >= b.r ? (i + 1) % n : i;
        const loop = (k: number): LoopCorner[] => [{ corner: full(`seam-${k}`), arc: circle(k) }];
        builder.face({
          id: side(i),
          loops: nth(profile, narrower).r > 0 ? [loop(wider), loop(narrower)] : [loop(wider)],
          normalToward: direction(0, 0, a.r - b.r),
          ...belonging,
        });
        return;
      }
      const sphere = a.ball === undefined ? null : { h: a.ball, radius: Math.hypot(a.r, a.h - a.ball) };
      builder.round({
        id: side(i),
        surface: sphere ? 'sphere' : a.r === b.r ? 'cylinder' : 'cone',
        centre: local(0, 0, sphere ? sphere.h : 0),
        ...frame,
        from: { along: a.h - (sphere?.h ?? 0), radius: a.r },
        to: { along: b.h - (sphere?.h ?? 0), radius: b.r },
        radius: sphere?.radius ?? Math.max(a.r, b.r),
        sector: [0, 2 * Math.PI],
        looks: looksOut ? 'away' : 'inward',
        ...belonging,
      });
    });
  }

  private ball(part: Extract<Part, { part: 'ball' }>, axes: Axes, name: string): void {
    const { builder, id, belonging } = this;
    const [x, y, z] = part.at;
    builder.vertex(`${id}/${name}/top`, pointIn(axes, x, y, z + part.radius));
    builder.vertex(`${id}/${name}/foot`, pointIn(axes, x, y, z - part.radius));
    builder.round({
      id: `${id}/${name}/surface`,
      surface: 'sphere',
      centre: pointIn(axes, x, y, z),
      axis: axes.z,
      first: axes.x,
      second: axes.y,
      from: { along: -part.radius, radius: 0 },
      to: { along: part.radius, radius: 0 },
      radius: part.radius,
      sector: [0, 2 * Math.PI],
      looks: 'away',
      ...belonging,
    });
  }
}

/** The profile walked so that its material lies to the left: counter-clockwise with r to the right and h up. */
function outwardToTheRight(profile: readonly ProfilePoint[]): readonly ProfilePoint[] {
  const twice = profile.reduce((sum, a, i) => {
    const b = nth(profile, (i + 1) % profile.length);
    return sum + a.r * b.h - b.r * a.h;
  }, 0);
  // A whole half-disc has its corners on the axis only: its arc bulges outward when it climbs.
  const climbs = profile.some((a, i) => a.ball !== undefined && nth(profile, (i + 1) % profile.length).h > a.h);
  if (twice > 0 || (twice === 0 && climbs)) return profile;
  const n = profile.length;
  return profile.map((_, i) => {
    const { r, h, smooth } = nth(profile, (n - i) % n);
    const { ball } = nth(profile, (2 * n - i - 1) % n);
    return { r, h, ...(ball === undefined ? {} : { ball }), ...(smooth === undefined ? {} : { smooth }) };
  });
}

interface PrismNames {
  readonly corner: (end: 0 | 1, loop: number, i: number) => string;
  readonly side: (loop: number, i: number) => string;
  readonly cap: (end: 0 | 1) => string;
  readonly rim: (end: 0 | 1, loop: number, i: number) => string;
  readonly long: (loop: number, i: number) => string;
}

const END = ['near', 'far'] as const;
const inLoop = (loop: number): string => (loop === 0 ? '' : `hole-${loop}-`);
const NUMBERED: PrismNames = {
  corner: (end, loop, i) => `${inLoop(loop)}${END[end]}-${i + 1}`,
  side: (loop, i) => `${inLoop(loop)}side-${i + 1}`,
  cap: (end) => END[end],
  rim: (end, loop, i) => `${inLoop(loop)}${END[end]}-edge-${i + 1}`,
  long: (loop, i) => `${inLoop(loop)}long-${i + 1}`,
};

const CORNERS = ['back-left', 'back-right', 'front-right', 'front-left'] as const;
const SIDES = ['back', 'right', 'front', 'left'] as const;
const LEVEL = ['bottom', 'top'] as const;
const BLOCK_NAMES: PrismNames = {
  corner: (end, _, i) => `${nth(CORNERS, i)}-${LEVEL[end]}`,
  side: (_, i) => nth(SIDES, i),
  cap: (end) => LEVEL[end],
  rim: (end, _, i) => `${LEVEL[end]}-${nth(SIDES, i)}`,
  long: (_, i) => nth(CORNERS, i),
};

const corner = (p: number, q: number): OutlinePoint => ({ p, q });
/** A block is a prism whose corners have names of their own: back left, back right, front right, front left. */
function blockAsPrism({ name, x, y, z }: Block): Prism {
  const outline = [corner(x[0], y[0]), corner(x[1], y[0]), corner(x[1], y[1]), corner(x[0], y[1])];
  return { part: 'prism', name, along: 'z', range: z as Range, outline };
}
