import { at as nth } from '@/core/base';
import type { Vector3 } from '@/core/geometry';
import type { Id } from '@/core/record';
import type { WorldPoint } from '@/core/space';
import type { LoopCorner } from '../body-builder';
import type { Circle } from '../body';
import { directionIn, PLACING, pointIn, type Axes } from '../axes';
import type { Prism } from '../parts';
import { arcOf, area, reversed, travel } from './bent-outline';
import { plain, type Shaping, type Which } from './shape';

export interface PrismNames {
  readonly corner: (end: 0 | 1, loop: number, i: number) => Which;
  readonly side: (loop: number, i: number) => Which;
  readonly cap: (end: 0 | 1) => Which;
  readonly rim: (end: 0 | 1, loop: number, i: number) => Which;
  readonly long: (loop: number, i: number) => Which;
}

const END = ['near', 'far'] as const;
const inLoop = (loop: number): string => (loop === 0 ? '' : `hole-${loop}-`);
const NUMBERED: PrismNames = {
  corner: (end, loop, i) => plain(`${inLoop(loop)}${END[end]}-${i + 1}`),
  side: (loop, i) => plain(`${inLoop(loop)}side-${i + 1}`),
  cap: (end) => plain(END[end]),
  rim: (end, loop, i) => plain(`${inLoop(loop)}${END[end]}-edge-${i + 1}`),
  long: (loop, i) => plain(`${inLoop(loop)}long-${i + 1}`),
};

/** An outline with its holes pushed along an axis: caps, sides, rims, and an edge where two sides meet in a crease. */
export function prismShape(part: Prism, axes: Axes, shaping: Shaping, names: PrismNames = NUMBERED): void {
  const { builder, belonging, part: partId } = shaping;
  const full = (which: Which): Id => shaping.named(which).id;
  const place = PLACING[part.along];
  const local = (p: number, q: number, a: number): WorldPoint => pointIn(axes, ...place(p, q, a));
  const direction = (p: number, q: number, a: number): Vector3 => directionIn(axes, ...place(p, q, a));
  const ends = [
    { key: 0, a: part.range[0], out: -1 },
    { key: 1, a: part.range[1], out: 1 },
  ] as const;
  const loops = [
    area(part.outline) >= 0 ? part.outline : reversed(part.outline),
    ...(part.holes ?? []).map((hole) => (area(hole) <= 0 ? hole : reversed(hole))),
  ];
  const caps = [full(names.cap(0)), full(names.cap(1))] as const;
  const capLoops: [LoopCorner[][], LoopCorner[][]] = [[], []];
  loops.forEach((loop, l) => {
    // Each name is made once: it is asked for by every face and edge that meets there.
    const corners = [0, 1].map((end) => loop.map((_, i) => shaping.named(names.corner(end as 0 | 1, l, i))));
    const sides = loop.map((_, i) => shaping.named(names.side(l, i)));
    const corner = (end: 0 | 1, i: number): Id => nth(nth(corners, end), i % loop.length).id;
    const sideOf = (i: number) => nth(sides, (i + loop.length) % loop.length);
    const side = (i: number): Id => sideOf(i).id;
    for (const { key, a } of ends)
      loop.forEach(({ p, q }, i) => builder.vertex(nth(nth(corners, key), i), local(p, q, a)));
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
            ...shaping.named(names.rim(key, l, i)),
            circle: circle(a),
            from: arc.from,
            to: arc.to,
            faces: [caps[key], side(i)],
          });
        const at = (along: number) => ({ along, radius: arc.radius });
        builder.round({
          ...sideOf(i),
          part: partId,
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
          ...sideOf(i),
          part: partId,
          loops: [[corner(0, i), corner(0, i + 1), corner(1, i + 1), corner(1, i)]],
          normalToward: direction(next.q - point.q, point.p - next.p, 0),
          ...belonging,
        });
        for (const { key } of ends)
          builder.edge(shaping.named(names.rim(key, l, i)), corner(key, i), corner(key, i + 1), [caps[key], side(i)]);
      }
      const before = nth(loop, (i + loop.length - 1) % loop.length);
      const turn = travel(point, next)[0] - travel(before, point)[1];
      const crease = Math.abs(Math.atan2(Math.sin(turn), Math.cos(turn))) > 1e-6;
      if (crease) builder.edge(shaping.named(names.long(l, i)), corner(0, i), corner(1, i), [side(i - 1), side(i)]);
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
      ...shaping.named(names.cap(key)),
      part: partId,
      loops: capLoops[key],
      normalToward: direction(0, 0, out),
      ...belonging,
    });
}
