import { at as nth } from '@/core/base';
import type { Vector3 } from '@/core/geometry';
import type { Id } from '@/core/record';
import type { WorldPoint } from '@/core/space';
import type { LoopCorner } from '../body-builder';
import { directionIn, PLACING, pointIn, type Axes } from '../axes';
import type { ProfilePoint, Turned } from '../parts';
import { plain, type Shaping } from './shape';

/** A closed profile turned about an axis: flat rings, cylinders, cones and zones of spheres, a circle at each crease. */
export function turnedShape(part: Turned, axes: Axes, shaping: Shaping): void {
  const { builder, belonging, part: partId } = shaping;
  const full = (name: string): Id => shaping.named(plain(name)).id;
  const place = PLACING[part.axis];
  const [ax, ay, az] = part.at;
  const local = (p: number, q: number, a: number): WorldPoint => {
    const [x, y, z] = place(p, q, a);
    return pointIn(axes, ax + x, ay + y, az + z);
  };
  const direction = (p: number, q: number, a: number): Vector3 => directionIn(axes, ...place(p, q, a));
  const frame = { axis: direction(0, 0, 1), first: direction(1, 0, 0), second: direction(0, 1, 0) };
  const profile = outwardToTheRight(part.profile);
  const n = profile.length;
  const next = (i: number): ProfilePoint => nth(profile, (i + 1) % n);
  const exists = (i: number): boolean => nth(profile, i).r > 0 || next(i).r > 0;
  const sideName = (i: number): string => `side-${((i % n) + n) % n}`;
  const side = (i: number): Id => full(sideName(i));
  const flat = (i: number): boolean => nth(profile, i).ball === undefined && nth(profile, i).h === next(i).h;
  const circleName = (i: number): string => `circle-${((i % n) + n) % n}`;
  const circle = (i: number): Id => full(circleName(i));
  profile.forEach(({ r, h, smooth }, i) => {
    if (r <= 0) return;
    builder.vertex(shaping.named(plain(`seam-${i}`)), local(r, 0, h));
    const touching = [i - 1, i].filter((k) => exists((k + n) % n)).map(side);
    const bounds = flat(i) || flat((i + n - 1) % n);
    if (smooth !== true || bounds)
      builder.arc({
        ...shaping.named(plain(circleName(i))),
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
        ...shaping.named(plain(sideName(i))),
        part: partId,
        loops: nth(profile, narrower).r > 0 ? [loop(wider), loop(narrower)] : [loop(wider)],
        normalToward: direction(0, 0, a.r - b.r),
        ...belonging,
      });
      return;
    }
    const sphere = a.ball === undefined ? null : { h: a.ball, radius: Math.hypot(a.r, a.h - a.ball) };
    builder.round({
      ...shaping.named(plain(sideName(i))),
      part: partId,
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
