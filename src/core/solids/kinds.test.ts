import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { at } from '@/core/base';
import { cross3, difference3, dot3, type Vector3 } from '@/core/geometry';
import { newSize, PLAIN_PIECE, type Division, type Piece } from '@/core/record';
import { standInsOf } from '@/core/visibility';
import { runs } from '@/testing';
import { CATALOGUE, kindBody, kindOf, refusalOf, type Axes, type Body, type Kind } from './index';

const mm = (id: string, value: number) =>
  newSize(id, { mm: value, asTyped: String(value), source: 'usual', uncertaintyMm: 30 });

/** A piece of a kind from numbers between 0 and 1, one for each size, count, choice and division in turn. */
function pieceOf(kind: Kind, given: readonly number[], round: boolean, spread = 1): Piece {
  let next = 0;
  const take = (): number => given[next++ % given.length] ?? 0.5;
  const within = ({ least, most, usual }: { least: number; most: number; usual: number }, share: number): number =>
    usual + (least + (most - least) * share - usual) * spread;
  const sized = Object.fromEntries(
    Object.entries(kind.sizes).map(([name, rule]) => [name, mm(name, within(rule, take()))]),
  );
  const width = at([sized.width], 0) ?? mm('width', 1);
  const counts = Object.fromEntries(
    Object.entries(kind.counts ?? {}).map(([name, rule]) => [name, Math.round(within(rule, take()))]),
  );
  const choices = Object.fromEntries(
    Object.entries(kind.choices ?? {}).map(([name, list]) => [
      name,
      at(list, Math.floor(take() * list.length * 0.999)),
    ]),
  );
  const divisions = Object.fromEntries(
    Object.entries(kind.divisions ?? {}).map(([name, { most }]): [string, Division] => {
      const count = 1 + Math.floor(take() * Math.min(most, 6) * 0.999);
      if (take() < 0.4) return [name, { by: 'equal', count }];
      const parts = Array.from({ length: count }, () => 0.5 + take());
      return [
        name,
        take() < 0.5
          ? { by: 'ratio', parts }
          : { by: 'sizes', sizes: parts.map((p, i) => mm(`${name}-${i}`, 100 * p)) },
      ];
    }),
  );
  const { width: _w, depth, height, ...sizes } = sized;
  return {
    ...PLAIN_PIECE,
    id: 'one',
    name: kind.name,
    kind: kind.id,
    levelId: 'ground',
    width,
    // Round things are refused unless they are as deep as wide: half of the tries make them so.
    depth: round ? width : (depth ?? width),
    height: round && take() < 0.5 ? width : (height ?? width),
    lift: mm('lift', 0),
    place: {
      pieceCorner: 'back-left',
      from: [
        { wallId: 'a', distance: mm('a', 0) },
        { wallId: 'b', distance: mm('b', 0) },
      ],
      turnDeg: 0,
    },
    sizes,
    counts,
    choices,
    divisions,
  };
}

const AXES: Axes = {
  origin: { x: 300, y: -200, z: 50 },
  x: { x: 0.8, y: 0.6, z: 0 },
  y: { x: 0.6, y: -0.8, z: 0 },
  z: { x: 0, y: 0, z: 1 },
};
const MIRRORED: Axes = { ...AXES, x: { x: -0.8, y: -0.6, z: 0 } };

const partOf = (id: string): string => id.slice(0, id.lastIndexOf('/'));

/** Flat facets of a body by part, each turned so that its corners run counter-clockwise about its outer normal. */
function facetsByPart(body: Body): Map<string, Vector3[][]> {
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

function areaVector(loop: readonly Vector3[]): Vector3 {
  let sum = { x: 0, y: 0, z: 0 };
  loop.forEach((p, i) => {
    const c = cross3(p, at(loop, (i + 1) % loop.length));
    sum = { x: sum.x + c.x / 2, y: sum.y + c.y / 2, z: sum.z + c.z / 2 };
  });
  return sum;
}

/** Closed: each directed side has its opposite once. Outward: the volume under the faces as they look is positive. */
function expectClosedAndOutward(body: Body, what: string): void {
  for (const [part, facets] of facetsByPart(body)) {
    const sides = new Map<string, number>();
    const key = (p: Vector3): string => [p.x, p.y, p.z].map((c) => Math.round(c * 300 + 0.1371)).join(',');
    let volume = 0;
    const origin = at(at(facets, 0), 0);
    for (const loop of facets) {
      loop.forEach((p, i) => {
        const [a, b] = [key(p), key(at(loop, (i + 1) % loop.length))];
        if (a === b) return;
        sides.set(`${a}>${b}`, (sides.get(`${a}>${b}`) ?? 0) + 1);
      });
      volume += dot3(areaVector(loop.map((p) => difference3(p, origin))), difference3(at(loop, 0), origin)) / 3;
    }
    for (const [side, count] of sides) {
      const [a, b] = side.split('>');
      if (sides.get(`${b}>${a}`) !== count) throw new Error(`${what}: ${part} is open at ${side}`);
    }
    if (!(volume > 0)) throw new Error(`${what}: ${part} faces inward, volume ${volume}`);
  }
}

function expectPlanar(body: Body, what: string): void {
  const standIns = standInsOf(body);
  for (const face of body.faces)
    for (const p of standIns.loops(face).flat()) {
      const off = Math.abs(dot3(face.normal, p) - face.offset);
      if (off > 1e-6) throw new Error(`${what}: ${face.id} is ${off} mm out of plane`);
    }
}

/** A round part puts no more than its seam circles into the edge list: arcs are arcs, and no straight edge lies along a round face's side. */
function expectAnalytic(body: Body, what: string): void {
  const circles = new Map<string, number>();
  for (const arc of body.arcs) circles.set(partOf(arc.id), (circles.get(partOf(arc.id)) ?? 0) + 1);
  for (const round of body.rounds) {
    const whole = round.sector[1] - round.sector[0] > 2 * Math.PI - 1e-9;
    const touching = body.edges.filter((edge) => edge.faces.includes(round.id));
    // A whole turn has no straight edges at all; a part of one at most its two sides.
    if (touching.length > (whole ? 0 : 2))
      throw new Error(`${what}: ${round.id} has ${touching.length} straight edges`);
    const seams = body.arcs.filter((arc) => arc.faces.includes(round.id));
    if (seams.length > 2) throw new Error(`${what}: ${round.id} has ${seams.length} arcs`);
    for (const { circle } of seams) {
      if (Math.abs(dot3(circle.first, circle.second)) > 1e-12) throw new Error(`${what}: ${round.id} skew circle`);
      const off = difference3(circle.centre, round.centre);
      const along = dot3(off, round.axis);
      const beside = difference3(off, { x: along * round.axis.x, y: along * round.axis.y, z: along * round.axis.z });
      if (Math.hypot(beside.x, beside.y, beside.z) > 1e-6)
        throw new Error(`${what}: ${round.id} has a seam off its axis`);
    }
  }
  const facets = body.faces.filter((face) => /~|facet/.test(face.id));
  if (facets.length > 0) throw new Error(`${what}: facets`);
}

describe.each(CATALOGUE.map((kind) => [kind.id, kind] as const))('the kind %s', (id, kind) => {
  it('yields closed, outward, planar, analytic bodies over its range, or refuses with a reason (seed 61)', () => {
    let made = 0;
    const refusals = new Set<string>();
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 8, maxLength: 40 }),
        fc.boolean(),
        fc.boolean(),
        (given, round, usual) => {
          // Half of the tries keep near the usual sizes, where most pieces are.
          const piece = pieceOf(kind, given, round, usual ? 0.15 : 1);
          const refusal = refusalOf(kind, piece, (value) => `${Math.round(value)} mm`);
          if (refusal !== null) {
            expect(refusal.split(' ').length).toBeGreaterThan(3);
            refusals.add(refusal.replace(/\d+/g, ''));
            return;
          }
          made += 1;
          for (const axes of [AXES, MIRRORED]) {
            const body = kindBody(kind, piece, axes);
            expectClosedAndOutward(body, id);
            expectPlanar(body, id);
            expectAnalytic(body, id);
            const names = [...body.edges, ...body.arcs].map((edge) => edge.id);
            expect(new Set(names).size).toBe(names.length);
            expect(names.every((name) => name.split('/').length === 3)).toBe(true);
          }
        },
      ),
      { numRuns: runs(), seed: 61 },
    );
    expect(made, [...refusals].join('; ')).toBeGreaterThan(runs() / 20);
  });

  it('is made at its usual sizes, inside its own width, depth and height', () => {
    const share = (rule: { least: number; most: number; usual: number }) =>
      (rule.usual - rule.least) / (rule.most - rule.least || 1);
    const usual = [...Object.values(kind.sizes), ...Object.values(kind.counts ?? {})].map(share);
    const piece = { ...pieceOf(kind, [...usual, 0], false), divisions: {}, choices: {} };
    expect(refusalOf(kind, piece, String)).toBeNull();
    const body = kindBody(kind, piece, {
      origin: { x: 0, y: 0, z: 0 },
      x: { x: 1, y: 0, z: 0 },
      y: { x: 0, y: 1, z: 0 },
      z: { x: 0, y: 0, z: 1 },
    });
    // Handles, rails and top risers reach a little beyond; a stair's rail stands above its top step.
    const slack = kind.group === 'stairs' ? 1100 : 60;
    for (const { at: p } of body.vertices) {
      expect(p.x).toBeGreaterThan(-slack);
      expect(p.x).toBeLessThan(kind.sizes.width.usual + slack);
      expect(p.y).toBeGreaterThan(-slack);
      expect(p.y).toBeLessThan(kind.sizes.depth.usual + slack);
      expect(p.z).toBeGreaterThan(-1e-6);
      expect(p.z).toBeLessThan(kind.sizes.height.usual + slack);
    }
  });
});

describe('the catalogue', () => {
  it('has about forty kinds, each under one name', () => {
    expect(CATALOGUE.length).toBeGreaterThanOrEqual(40);
    expect(new Set(CATALOGUE.map((kind) => kind.id)).size).toBe(CATALOGUE.length);
    expect(new Set(CATALOGUE.map((kind) => kind.name)).size).toBe(CATALOGUE.length);
    expect(kindOf('nothing of the kind')).toBeUndefined();
  });
});
