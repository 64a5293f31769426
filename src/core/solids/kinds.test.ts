import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { at } from '@/core/base';
import { difference3, dot3 } from '@/core/geometry';
import { MOST_MADE, newSize, PLAIN_PIECE, type Division, type Piece } from '@/core/record';
import { expectClosedAndOutward, partOf, runs, standInsOf } from '@/testing';
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

describe('the most of everything', () => {
  it.each(CATALOGUE.map(({ id }) => id))(
    '%s: all its numbers at their most come to no more faces than are worked out',
    (id) => {
      const kind = kindOf(id) as Kind;
      const piece = pieceOf(kind, [1], false);
      const divisions = Object.fromEntries(
        Object.entries(kind.divisions ?? {}).map(([name, { most }]): [string, Division] => [
          name,
          { by: 'equal', count: most },
        ]),
      );
      const counts = Object.fromEntries(Object.entries(kind.counts ?? {}).map(([name, { most }]) => [name, most]));
      const { faces, rounds } = kindBody(kind, { ...piece, counts, divisions }, AXES);
      expect(faces.length + rounds.length).toBeLessThanOrEqual(MOST_MADE.faces);
    },
  );
});
