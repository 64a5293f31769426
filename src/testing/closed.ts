import { at } from '@/core/base';
import { cross3, difference3, dot3, type Vector3 } from '@/core/geometry';
import type { Body } from '@/core/solids';
import { standInsOf } from './stand-ins';

export const partOf = (id: string): string => id.slice(0, id.lastIndexOf('/'));

/** Flat facets of a body by part, each turned so that its corners run counter-clockwise about its outer normal. */
export function facetsByPart(body: Body): Map<string, Vector3[][]> {
  const standIns = standInsOf(body);
  const parts = new Map<string, Vector3[][]>();
  const put = (id: string, loop: readonly Vector3[]): void => {
    const list = parts.get(partOf(id)) ?? [];
    list.push([...loop]);
    parts.set(partOf(id), list);
  };
  for (const face of body.faces) {
    const loops = standIns.loops(face);
    loops.forEach((loop, i) => {
      // The outer loop runs about the normal, holes against it.
      const area = areaVector(loop);
      const right = dot3(area, face.normal) > 0 === (i === 0);
      put(face.id, right ? loop : [...loop].reverse());
    });
  }
  for (const round of body.rounds) {
    for (const { loop } of standIns.facets(round)) {
      const middle = loop.reduce(
        (s, p) => ({ x: s.x + p.x / loop.length, y: s.y + p.y / loop.length, z: s.z + p.z / loop.length }),
        { x: 0, y: 0, z: 0 },
      );
      const from = difference3(middle, round.centre);
      const along = round.surface === 'sphere' ? 0 : dot3(from, round.axis);
      const out = {
        x: from.x - along * round.axis.x,
        y: from.y - along * round.axis.y,
        z: from.z - along * round.axis.z,
      };
      const right = dot3(areaVector(loop), out) > 0 === (round.looks === 'away');
      put(round.id, right ? loop : [...loop].reverse());
    }
  }
  return parts;
}

export function areaVector(loop: readonly Vector3[]): Vector3 {
  let sum = { x: 0, y: 0, z: 0 };
  loop.forEach((p, i) => {
    const c = cross3(p, at(loop, (i + 1) % loop.length));
    sum = { x: sum.x + c.x / 2, y: sum.y + c.y / 2, z: sum.z + c.z / 2 };
  });
  return sum;
}

/** More corners than any body has. */
const MANY = 2 ** 24;
/** To a three-hundredth of a millimetre, where no size falls on the edge of rounding. */
const near = (mm: number): number => Math.round(mm * 300 + 0.1371);

/** Closed: each directed side has its opposite once. Outward: the volume under the faces as they look is positive. */
export function expectClosedAndOutward(body: Body, what: string): void {
  for (const [part, facets] of facetsByPart(body)) {
    // Each corner by a number of its own, each directed side by those of its ends.
    const corners = new Map<string, number>();
    const sides = new Map<number, number>();
    const places: string[] = [];
    const corner = (p: Vector3): number => {
      const place = `${near(p.x)},${near(p.y)},${near(p.z)}`;
      const known = corners.get(place);
      if (known !== undefined) return known;
      corners.set(place, places.length);
      return places.push(place) - 1;
    };
    let volume = 0;
    const origin = at(at(facets, 0), 0);
    for (const loop of facets) {
      const round = loop.map(corner);
      round.forEach((a, i) => {
        const b = at(round, (i + 1) % round.length);
        if (a !== b) sides.set(a * MANY + b, (sides.get(a * MANY + b) ?? 0) + 1);
      });
      volume += dot3(areaVector(loop.map((p) => difference3(p, origin))), difference3(at(loop, 0), origin)) / 3;
    }
    for (const [side, count] of sides) {
      const [a, b] = [Math.floor(side / MANY), side % MANY];
      if (sides.get(b * MANY + a) !== count)
        throw new Error(`${what}: ${part} is open from ${places[a] ?? ''} to ${places[b] ?? ''}`);
    }
    if (!(volume > 0)) throw new Error(`${what}: ${part} faces inward, volume ${volume}`);
  }
}

/** Volume under the stand-ins of a body, mm³. */
export function volumeOf(body: Body): number {
  let volume = 0;
  for (const facets of facetsByPart(body).values())
    for (const loop of facets) volume += dot3(areaVector(loop), at(loop, 0)) / 3;
  return volume;
}
