import { describe, expect, it } from 'vitest';
import { at, seededRandom } from '@/core/base';
import { difference3, dot3, type Vector3 } from '@/core/geometry';
import { pictureFromEye, eyeFromWorld, setUpFrom, type SetUpGiven } from '@/core/view';
import { expectClosedAndOutward, runs, volumeOf } from '@/testing';
import circles from '@/testing/vectors/circles.json';
import spheres from '@/testing/vectors/spheres.json';
import { Assembly } from './assemble';
import { turnedAxes, type Axes } from './axes';
import type { Body } from './body';
import { BodyBuilder } from './body-builder';
import { circlePoint, silhouettesOf, roundPoint } from './index';
import { outlineCrossesItself } from './outline-check';
import { ball, block, cone, drum, group, prism, ring, taper, turned, type Part } from './parts';

const PLAIN: Axes = {
  origin: { x: 0, y: 0, z: 0 },
  x: { x: 1, y: 0, z: 0 },
  y: { x: 0, y: 1, z: 0 },
  z: { x: 0, y: 0, z: 1 },
};

function bodyOf(parts: readonly Part[], axes: Axes = PLAIN): Body {
  const builder = new BodyBuilder();
  new Assembly(builder, 'it', { seen: 'both-sides', belongsTo: [] }).add(parts, axes);
  return builder.build('it', 'piece', 'it');
}
/** Stand-ins fall short of a round volume by (2π/n)²/6 and less; with rows of an arc on the inner side they reach beyond it. */
const near = (body: Body, volume: number, share: number): void => {
  expect(volumeOf(body) / volume).toBeGreaterThan(1 - share);
  expect(volumeOf(body) / volume).toBeLessThan(1 + share);
};

describe('parts', () => {
  it('a block has named corners and the volume of its sides', () => {
    const body = bodyOf([block('box', [100, 700], [50, 450], [0, 300])]);
    expect(volumeOf(body)).toBeCloseTo(600 * 400 * 300, 3);
    expect(body.vertices.map((one) => one.id)).toContain('it/box/front-left-top');
    expect(
      at(
        body.vertices.filter((one) => one.id === 'it/box/front-left-top'),
        0,
      ).at,
    ).toEqual({ x: 100, y: 450, z: 300 });
    expect(body.edges.length).toBe(12);
  });
  it('a prism with a hole along each axis', () => {
    for (const along of ['x', 'y', 'z'] as const) {
      const body = bodyOf([
        prism(
          'frame',
          along,
          [10, 60],
          [
            [0, 0],
            [400, 0],
            [400, 300],
            [0, 300],
          ],
          [
            [
              [50, 50],
              [350, 50],
              [350, 250],
              [50, 250],
            ],
          ],
        ),
      ]);
      expectClosedAndOutward(body, along);
      expect(volumeOf(body)).toBeCloseTo((400 * 300 - 300 * 200) * 50, 3);
    }
  });
  it('outlines typed either way round make the same body', () => {
    const one: [number, number, number?][] = [
      [0, 0],
      [400, 0, 0.4],
      [400, 300],
      [0, 300, -0.3],
    ];
    // Walked backward each side keeps its arc, bent to the other hand.
    const other: [number, number, number?][] = [
      [0, 300],
      [400, 300, -0.4],
      [400, 0],
      [0, 0, 0.3],
    ];
    const [a, b] = [bodyOf([prism('p', 'z', [0, 10], one)]), bodyOf([prism('p', 'z', [0, 10], other)])];
    expectClosedAndOutward(a, 'one');
    expectClosedAndOutward(b, 'other');
    expect(volumeOf(a)).toBeCloseTo(volumeOf(b), 3);
  });
  it('bent sides have the radius and the area of their arcs', () => {
    // A half circle of radius 100 on a square of 200: area 200² + π·100²/2.
    const body = bodyOf([
      prism(
        'arch',
        'y',
        [0, 50],
        [
          [0, 0],
          [200, 0],
          [200, 200, 1],
          [0, 200],
        ],
      ),
    ]);
    near(body, (200 * 200 + (Math.PI * 100 * 100) / 2) * 50, 0.005);
    expect(at(body.rounds, 0).radius).toBeCloseTo(100, 9);
    expect(at(body.rounds, 0).looks).toBe('away');
    const scoop = bodyOf([
      prism(
        'scoop',
        'y',
        [0, 50],
        [
          [0, 0],
          [200, 0],
          [200, 200, -1],
          [0, 200],
        ],
      ),
    ]);
    near(scoop, (200 * 200 - (Math.PI * 100 * 100) / 2) * 50, 0.005);
    expect(at(scoop.rounds, 0).looks).toBe('inward');
    expectClosedAndOutward(scoop, 'scoop');
  });
  it('tapers, drums, cones, rings and balls have their volumes', () => {
    const frustum = bodyOf([taper('leg', [0, 300], { x: [0, 100], y: [0, 100] }, { x: [20, 70], y: [20, 70] })]);
    expect(volumeOf(frustum)).toBeCloseTo((300 / 3) * (100 * 100 + 50 * 50 + 100 * 50), 3);
    near(bodyOf([drum('d', [0, 0, 0], 200, 500)]), Math.PI * 200 * 200 * 500, 0.01);
    near(
      bodyOf([cone('c', [0, 0, 0], 200, 100, 300)]),
      ((Math.PI * 300) / 3) * (200 * 200 + 100 * 100 + 200 * 100),
      0.01,
    );
    near(bodyOf([cone('c', [0, 0, 0], 200, 0, 300)]), (Math.PI * 200 * 200 * 300) / 3, 0.01);
    near(bodyOf([ring('r', [0, 0, 0], 150, 200, 40, 'y')]), Math.PI * (200 * 200 - 150 * 150) * 40, 0.01);
    near(bodyOf([ball('b', [0, 0, 300], 250)]), (4 / 3) * Math.PI * 250 ** 3, 0.03);
    const dome = bodyOf([
      turned(
        'dome',
        [0, 0, 0],
        [
          { r: 0, h: 0 },
          { r: 200, h: 0, ball: 0 },
          { r: 0, h: 200 },
        ],
      ),
    ]);
    near(dome, (2 / 3) * Math.PI * 200 ** 3, 0.03);
    expect(dome.rounds.map((one) => one.surface)).toEqual(['sphere']);
    for (const body of [frustum, dome]) expectClosedAndOutward(body, 'part');
  });
  it('a profile typed either way round is the same body; a smooth joint draws no circle', () => {
    const profile = [
      { r: 0, h: 0 },
      { r: 90, h: 0 },
      { r: 60, h: 120 },
      { r: 60, h: 300 },
      { r: 0, h: 300 },
    ];
    const [up, down] = [
      bodyOf([turned('t', [0, 0, 0], profile)]),
      bodyOf([turned('t', [0, 0, 0], [...profile].reverse())]),
    ];
    expect(volumeOf(up)).toBeCloseTo(volumeOf(down), 3);
    expect(up.arcs.length).toBe(3);
    const smooth = bodyOf([
      turned(
        't',
        [0, 0, 0],
        profile.map((one, i) => (i === 2 ? { ...one, smooth: true } : one)),
      ),
    ]);
    expect(smooth.arcs.length).toBe(2);
  });
  it('a group is set down and turned from x toward y; mirrored axes keep faces outward', () => {
    const axes = turnedAxes(PLAIN, [100, 200, 0], 90);
    const body = bodyOf([block('b', [0, 50], [0, 30], [0, 10])], axes);
    const [xs, ys] = [body.vertices.map((one) => one.at.x), body.vertices.map((one) => one.at.y)];
    expect([Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)]).toEqual([70, 100, 200, 250]);
    const mirrored: Axes = { ...PLAIN, x: { x: -1, y: 0, z: 0 } };
    const both = [group('g', [30, 0, 0], 37, [drum('d', [0, 0, 0], 40, 60), block('b', [50, 90], [0, 10], [0, 10])])];
    expectClosedAndOutward(bodyOf(both, mirrored), 'mirrored');
    expect(volumeOf(bodyOf(both, mirrored))).toBeCloseTo(volumeOf(bodyOf(both)), 3);
  });
  it('outlines that cross, touch or fold are told, arcs and all', () => {
    const straight = (list: readonly (readonly [number, number, number?])[]) =>
      list.map(([x, y, bulge = 0]) => ({ x, y, bulge }));
    expect(
      outlineCrossesItself(
        straight([
          [0, 0],
          [100, 0],
          [100, 100],
          [0, 100],
        ]),
      ),
    ).toBe(false);
    expect(
      outlineCrossesItself(
        straight([
          [0, 0],
          [100, 100],
          [100, 0],
          [0, 100],
        ]),
      ),
    ).toBe(true);
    expect(
      outlineCrossesItself(
        straight([
          [0, 0],
          [100, 0],
          [100, 0],
          [0, 100],
        ]),
      ),
    ).toBe(true);
    // A deep arc cuts through the opposite side; a shallow one does not.
    expect(
      outlineCrossesItself(
        straight([
          [0, 0],
          [100, 0],
          [100, 30, -1],
          [0, 30],
        ]),
      ),
    ).toBe(true);
    expect(
      outlineCrossesItself(
        straight([
          [0, 0],
          [100, 0],
          [100, 30, -0.2],
          [0, 30],
        ]),
      ),
    ).toBe(false);
  });
});

const minus = difference3;

describe('silhouettes', () => {
  it('sight lines to a silhouette touch its surface and no more (seeds 1…)', () => {
    for (let seed = 1; seed <= runs(); seed += 1) {
      const random = seededRandom(seed);
      const body = bodyOf([
        turned(
          't',
          [0, 0, 0],
          [
            { r: 0, h: 0 },
            { r: 80 + 100 * random(), h: 0 },
            { r: 60 + 100 * random(), h: 200 + 200 * random() },
            { r: 0, h: 400 },
          ],
        ),
        ball('b', [0, 0, 900], 50 + 200 * random()),
      ]);
      const eye: Vector3 = { x: 600 + 2000 * random(), y: -1500 + 3000 * random(), z: -500 + 3000 * random() };
      for (const round of body.rounds) {
        for (const silhouette of silhouettesOf(round, eye)) {
          const points =
            silhouette.kind === 'line'
              ? [silhouette.from, silhouette.to]
              : Array.from({ length: 25 }, (_, i) =>
                  circlePoint(silhouette.circle, silhouette.from + ((silhouette.to - silhouette.from) * i) / 24),
                );
          for (const p of points) {
            // The surface's normal there is square to the sight line.
            const out = minus(p, round.centre);
            const along = dot3(out, round.axis);
            const slope =
              round.surface === 'sphere'
                ? 0
                : (round.to.radius - round.from.radius) / (round.to.along - round.from.along);
            const across = Math.hypot(
              out.x - along * round.axis.x,
              out.y - along * round.axis.y,
              out.z - along * round.axis.z,
            );
            // A cone's tip has no one normal.
            if (round.surface === 'cone' && across < 1e-9) continue;
            const normal =
              round.surface === 'sphere'
                ? out
                : {
                    x: (out.x - along * round.axis.x) / across - slope * round.axis.x,
                    y: (out.y - along * round.axis.y) / across - slope * round.axis.y,
                    z: (out.z - along * round.axis.z) / across - slope * round.axis.z,
                  };
            const sight = minus(p, eye);
            const cosine =
              dot3(normal, sight) / Math.hypot(normal.x, normal.y, normal.z) / Math.hypot(sight.x, sight.y, sight.z);
            expect(Math.abs(cosine), `${seed} ${round.id}`).toBeLessThan(1e-9);
          }
        }
      }
    }
  });
  it('there is none from within, over the axis, or on a face that looks inward', () => {
    const [post] = bodyOf([drum('d', [0, 0, 0], 100, 400)]).rounds;
    const [hollow] = bodyOf([ring('r', [0, 0, 0], 90, 100, 400)]).rounds.filter((one) => one.looks === 'inward');
    const [globe] = bodyOf([ball('b', [0, 0, 0], 100)]).rounds;
    if (!post || !hollow || !globe) throw new Error('rounds');
    expect(silhouettesOf(post, { x: 20, y: 30, z: 900 })).toEqual([]);
    expect(silhouettesOf(post, { x: 500, y: 0, z: 100 }).length).toBe(2);
    expect(silhouettesOf(hollow, { x: 500, y: 0, z: 100 })).toEqual([]);
    expect(silhouettesOf(globe, { x: 20, y: 0, z: 0 })).toEqual([]);
  });
  it('the picture of a sphere is the ellipse of the test vectors', () => {
    for (const one of spheres) {
      const setUp = setUpFrom(given(one.setup));
      const [x, y, z] = one.centre as [number, number, number];
      const [globe] = bodyOf([ball('b', [x, y, z], one.radius)]).rounds;
      const [silhouette] = globe ? silhouettesOf(globe, { x: setUp.station.x, y: setUp.station.y, z: setUp.eyeZ }) : [];
      if (silhouette?.kind !== 'arc') throw new Error('no silhouette');
      expect(silhouette.to - silhouette.from).toBeCloseTo(2 * Math.PI, 9);
      for (let i = 0; i < 24; i += 1) {
        const p = circlePoint(silhouette.circle, (i * Math.PI) / 12);
        const { u, v } = pictureFromEye(setUp.viewingDistance, eyeFromWorld(setUp, p));
        expect(
          onEllipse(u, v, one.outlineCentre as [number, number], one.semiMajor, one.semiMinor, one.majorAxisDeg),
        ).toBeCloseTo(1, 8);
      }
    }
  });
  it('the picture of a circle is the ellipse of the test vectors, point by point', () => {
    for (const one of circles.filter((each) => 'semiMajor' in each && each.semiMajor !== null)) {
      const setUp = setUpFrom(given(one.setup));
      const [x, y, z] = one.centre as [number, number, number];
      const bearing = ((one.planeBearingDeg ?? 0) * Math.PI) / 180;
      const level = { x: Math.sin(bearing), y: Math.cos(bearing), z: 0 };
      const circle = {
        centre: { x, y, z } as never,
        radius: one.radius,
        first: one.plane === 'vertical' ? level : { x: 1, y: 0, z: 0 },
        second: one.plane === 'vertical' ? { x: 0, y: 0, z: 1 } : { x: 0, y: 1, z: 0 },
      };
      for (let i = 0; i < 24; i += 1) {
        const { u, v } = pictureFromEye(
          setUp.viewingDistance,
          eyeFromWorld(setUp, circlePoint(circle, (i * Math.PI) / 12)),
        );
        expect(
          onEllipse(u, v, one.ellipseCentre as [number, number], one.semiMajor, one.semiMinor, one.majorAxisDeg),
          JSON.stringify(one.centre),
        ).toBeCloseTo(1, 7);
      }
    }
  });
  it('points of a round face lie on it', () => {
    const [post] = bodyOf([cone('c', [10, 20, 30], 100, 50, 200)]).rounds;
    if (!post) throw new Error('no round');
    const p = roundPoint(post, Math.PI / 2, 100);
    expect([p.x, p.y, p.z].map((c) => Math.round(c * 1e6) / 1e6)).toEqual([10, 95, 130]);
  });
});

const given = (setup: {
  station: number[];
  eyeHeight: number;
  floor: number;
  bearingDeg: number;
  pictureDistance: number;
  scaleDenominator: number;
}): SetUpGiven => ({
  ...setup,
  station: { x: setup.station[0] ?? 0, y: setup.station[1] ?? 0 },
});

/** ((x′/a)² + (y′/b)²) in the ellipse's own axes: 1 on it. */
function onEllipse(
  u: number,
  v: number,
  [cu, cv]: readonly [number, number],
  a: number,
  b: number,
  axisDeg: number,
): number {
  const angle = (axisDeg * Math.PI) / 180;
  const [du, dv] = [u - cu, v - cv];
  const x = du * Math.cos(angle) + dv * Math.sin(angle);
  const y = -du * Math.sin(angle) + dv * Math.cos(angle);
  return (x / a) ** 2 + (y / b) ** 2;
}
