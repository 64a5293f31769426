import { describe, expect, it } from 'vitest';
import { at, seededRandom } from '@/core/base';
import { boxFaces, boxHeap, boxRows, runs, slowVisible, straightSight, type Polygon, type SlowCamera } from '@/testing';
import { drain, exactParts, neutralPolygons, type EdgeParts, type EdgeSet } from './index';

const one = (count: number): Uint8Array => new Uint8Array(count).fill(1);
type P3 = readonly [number, number, number];

function camera(eye: P3, bearingDeg = 0, change: Partial<SlowCamera> = {}): SlowCamera {
  const b = (bearingDeg * Math.PI) / 180;
  return {
    eye,
    viewDir: [Math.sin(b), Math.cos(b), 0],
    pictureDistance: 250,
    near: 100,
    window: [-250, -250, 250, 250],
    ...change,
  };
}

function look(faces: readonly Polygon[], { eye, viewDir, pictureDistance, near, window }: SlowCamera) {
  const { polygons, edges } = neutralPolygons({ faces });
  const steps = exactParts(polygons, [edges], one(polygons.faceCount), one(edges.count), {
    eye: { x: eye[0], y: eye[1], z: eye[2] },
    right: { x: viewDir[1], y: -viewDir[0], z: 0 },
    up: { x: 0, y: 0, z: 1 },
    forward: { x: viewDir[0], y: viewDir[1], z: 0 },
    viewingDistance: pictureDistance,
    frame: { left: window[0], bottom: window[1], right: window[2], top: window[3] },
    near,
  });
  return { parts: drain(steps), edges, polygons };
}
const nameOf = (a: P3, b: P3): string => {
  const [p, q] = [a.join(), b.join()];
  return p < q ? `${p} ${q}` : `${q} ${p}`;
};
/** Seen stretches of each edge by its ends' names, from the end that comes first by name. */
function seenByName(parts: EdgeParts, edges: EdgeSet): Map<string, [number, number][]> {
  const seen = new Map<string, [number, number][]>();
  for (let i = 0; i < parts.count; i += 1) {
    const e = at(parts.edge, i);
    const end = (k: number): P3 => [
      at(edges.ends, e * 6 + k),
      at(edges.ends, e * 6 + k + 1),
      at(edges.ends, e * 6 + k + 2),
    ];
    const [a, b] = [end(0), end(3)];
    const name = nameOf(a, b);
    const list = seen.get(name) ?? [];
    seen.set(name, list);
    if (at(parts.hiddenBy, i) >= 0) continue;
    const [x, y] = [at(parts.along, i * 2), at(parts.along, i * 2 + 1)];
    list.push(a.join() < b.join() ? [x, y] : [1 - y, 1 - x]);
  }
  return seen;
}
/** What only one of two lists of stretches covers. */
function difference(a: readonly (readonly [number, number])[], b: readonly (readonly [number, number])[]): number {
  const cuts = [...a.flat(), ...b.flat()].sort((x, y) => x - y);
  const covers = (list: typeof a, m: number): boolean => list.some(([x, y]) => m > x && m < y);
  let sum = 0;
  for (let i = 0; i + 1 < cuts.length; i += 1) {
    const m = (at(cuts, i) + at(cuts, i + 1)) / 2;
    if (covers(a, m) !== covers(b, m)) sum += at(cuts, i + 1) - at(cuts, i);
  }
  return sum;
}

describe('against a slow check written apart', () => {
  const scenes = Math.max(200, runs());
  it(`${scenes} heaps of boxes, most of them touching, some run through each other: every edge alike (seeds 1…)`, () => {
    let [edgesCompared, seenTotal, slowTotal, hiddenScenes] = [0, 0, 0, 0];
    for (let seed = 1; seed <= scenes; seed += 1) {
      const random = seededRandom(seed + 5000);
      const faces = boxHeap(seed, 3 + (seed % 9));
      const given = camera(
        [600 * (random() - 0.5), -400 * random(), 700 + 1000 * random()],
        seed % 3 === 0 ? 20 * (random() - 0.5) : 0,
        seed % 5 === 0 ? { window: [-90, -70, 80, 60] } : {},
      );
      const { parts, edges } = look(faces, given);
      const mine = seenByName(parts, edges);
      let some = false;
      for (const slow of slowVisible(faces, given)) {
        const seen = mine.get(nameOf(slow.from, slow.to)) ?? [];
        const length = Math.hypot(...slow.to.map((x, i) => x - at(slow.from, i)));
        const uncovered = difference(seen, slow.seen) * length;
        // At least 2 m off and k = 250: a millimetre of the thing is at most an eighth on paper.
        expect(uncovered / 8, `seed ${seed}: ${nameOf(slow.from, slow.to)}`).toBeLessThan(0.001);
        seenTotal += seen.reduce((sum, [x, y]) => sum + (y - x) * length, 0);
        slowTotal += slow.seen.reduce((sum, [x, y]) => sum + (y - x) * length, 0);
        if (slow.seen.length === 0 || slow.seen.length > 1) some = true;
        edgesCompared += 1;
      }
      if (some) hiddenScenes += 1;
    }
    expect(Math.abs(seenTotal / slowTotal - 1)).toBeLessThan(1e-6);
    expect(edgesCompared).toBeGreaterThan(scenes * 50);
    expect(hiddenScenes).toBeGreaterThan(scenes * 0.9);
  });
  it('rows of some hundred boxes, where whole cells of the picture are covered', () => {
    for (const seed of [1, 2]) {
      const faces = boxRows(seed, 49);
      const given = camera([131.7, -530.3, 1466.9]);
      const { parts, edges } = look(faces, given);
      const mine = seenByName(parts, edges);
      for (const slow of slowVisible(faces, given))
        expect(difference(mine.get(nameOf(slow.from, slow.to)) ?? [], slow.seen)).toBeLessThan(1e-6);
    }
  }, 60_000);
});

describe('what hides', () => {
  const wall = (y: number): Polygon => [
    [-1000, y, -1000],
    [1000, y, -1000],
    [1000, y, 1000],
    [-1000, y, 1000],
  ];
  const segments = (faces: readonly Polygon[], eye: P3 = [0, 0, 0]): Map<string, [number, number][]> => {
    const { parts, edges } = look(faces, camera(eye));
    return seenByName(parts, edges);
  };
  const whole = (seen: Map<string, [number, number][]>, a: P3, b: P3): number =>
    (seen.get(nameOf(a, b)) ?? []).reduce((sum, [x, y]) => sum + y - x, 0);
  it('an edge that falls exactly behind the joint of two faces is hidden by both together', () => {
    const left: Polygon = [
      [-500, 2000, -500],
      [0, 2000, -500],
      [0, 2000, 500],
      [-500, 2000, 500],
    ];
    const right = left.map(([x, y, z]) => [x + 500, y, z] as const);
    const behind: Polygon = [
      [0, 3000, -200],
      [0, 3400, -200],
      [0, 3400, 200],
      [0, 3000, 200],
    ];
    const both = segments([left, right, behind]);
    expect(whole(both, [0, 3000, -200], [0, 3000, 200])).toBe(0);
    // Exactly behind the rim of one face alone it is seen: that face’s interior is not passed through.
    expect(whole(segments([left, behind]), [0, 3000, -200], [0, 3000, 200])).toBeCloseTo(1, 12);
  });
  it('no face hides an edge in its own plane, one that touches it, or one it only grazes', () => {
    const rug: Polygon = [
      [-300, 2000, -1000],
      [300, 2000, -1000],
      [300, 2600, -1000],
      [-300, 2600, -1000],
    ];
    const floor: Polygon = [
      [-2000, 1000, -1000],
      [2000, 1000, -1000],
      [2000, 5000, -1000],
      [-2000, 5000, -1000],
    ];
    const seen = segments([rug, floor]);
    for (const [i, corner] of rug.entries()) expect(whole(seen, corner, at(rug, (i + 1) % 4))).toBeCloseTo(1, 12);
    const picture: Polygon = wall(3000).map(([x, y, z]) => [x / 4, y, z / 4] as const);
    const hung = segments([wall(3000), picture]);
    expect(whole(hung, at(picture, 0), at(picture, 1))).toBeCloseTo(1, 12);
  });
  it('a hundredth of a millimetre before a wall it is before it, behind it is behind', () => {
    for (const [gap, seen] of [
      [-0.001, 1],
      [0.001, 0],
    ] as const) {
      const panel = wall(3000 + gap).map(([x, y, z]) => [x / 4, y, z / 4] as const);
      expect(whole(segments([wall(3000), panel]), at(panel, 0), at(panel, 1))).toBeCloseTo(seen, 9);
    }
  });
  it('faces with a notch or many corners hide with their own shape', () => {
    // A U of a face, open at the top, before a level edge: seen only in the opening.
    const u: Polygon = [
      [-600, 2000, -300],
      [600, 2000, -300],
      [600, 2000, 300],
      [200, 2000, 300],
      [200, 2000, -100],
      [-200, 2000, -100],
      [-200, 2000, 300],
      [-600, 2000, 300],
    ];
    const bar: Polygon = [
      [-1000, 4000, 100],
      [1000, 4000, 100],
      [1000, 4000, 120],
      [-1000, 4000, 120],
    ];
    const [stretch] = segments([u, bar]).get(nameOf(at(bar, 0), at(bar, 1))) ?? [];
    // At twice the depth the opening of ±200 shows ±400 of the bar’s ±1000.
    expect(stretch?.[0]).toBeCloseTo(0.3, 12);
    expect(stretch?.[1]).toBeCloseTo(0.7, 12);
  });
  it('a closed box hides as well from its front alone; an eye inside it sees its inner side', () => {
    const box = boxFaces(-500, 2000, -500, 1000, 1000, 1000);
    const far = wall(5000).map(([x, y, z]) => [x / 10, y, z / 10] as const);
    const closed = segments([...box, far]);
    const open = segments([...box.slice(0, 5), far]);
    for (const seen of [closed, open]) expect(whole(seen, at(far, 0), at(far, 1))).toBe(0);
    const inside = segments([...box, far], [0, 2500, 0]);
    expect(whole(inside, [-500, 3000, -500], [500, 3000, -500])).toBeGreaterThan(0.2);
    expect(whole(inside, at(far, 0), at(far, 1))).toBe(0);
  });
});

describe('nothing ends badly', () => {
  const clean = ({ count, along, picture, edge }: EdgeParts): void => {
    expect([...picture].every(Number.isFinite)).toBe(true);
    for (let i = 0; i < count; i += 1) {
      const [from, to] = [at(along, i * 2), at(along, i * 2 + 1)];
      expect(from >= 0 && to <= 1 && from <= to).toBe(true);
      if (i > 0 && edge[i] === edge[i - 1]) expect(from).toBe(along[i * 2 - 1]);
      for (let k = 0; k < 4; k += 1) expect(Math.abs(at(picture, i * 4 + k))).toBeLessThan(250 + 1e-9);
    }
  };
  it.each<[string, P3]>([
    ['inside a box', [200, 2200, 200]],
    ['on a face’s plane', [-900, 2000, 300]],
    ['on the line of an edge', [400, 500, 400]],
    ['in a corner', [0, 2000, 0]],
    ['on a face', [200, 2000, 200]],
    ['with boxes across and behind the eye’s plane', [200, 2600, 900]],
  ])('with the eye %s', (_, eye) => {
    const faces = [
      ...boxFaces(0, 2000, 0, 400, 400, 400),
      ...boxFaces(400, 2000, 0, 400, 800, 400),
      ...boxFaces(-700, 1500, 0, 500, 3000, 300, 17),
      ...boxFaces(0, 2000, 400, 400, 400, 400),
    ];
    for (const near of [100, 1e-3]) clean(look(faces, camera(eye, 0, { near })).parts);
  });
  it('boxes of no thickness, faces of no area, edges that point at the eye, gaps of a thousandth', () => {
    const faces: Polygon[] = [
      ...boxFaces(0, 2000, 0, 400, 0, 400),
      ...boxFaces(500, 2000, 0, 0, 300, 400),
      ...boxFaces(600, 2000, 0, 300, 300, 0),
      ...boxFaces(0, 2000.001, 0, 400, 300, 400),
      ...boxFaces(-400.001, 2000, 0, 400, 300, 400),
      [
        [10, 3000, 10],
        [10, 3000, 10],
        [10, 3000, 10],
      ],
      [
        [0, 3000, 0],
        [0, 4000, 0],
        [100, 4000, 0],
      ],
    ];
    for (const eye of [
      [0, 0, 0],
      [137, -20, 911],
      [500, 1000, 200],
    ] as const)
      clean(look(faces, camera(eye)).parts);
    clean(look([], camera([0, 0, 0])).parts);
  });
});

describe('a picture stays what it must be', () => {
  const seenLength = (faces: readonly Polygon[], given: SlowCamera): number => {
    const { parts } = look(faces, given);
    let sum = 0;
    for (let i = 0; i < parts.count; i += 1)
      if (at(parts.hiddenBy, i) < 0)
        sum += Math.hypot(
          at(parts.picture, i * 4 + 2) - at(parts.picture, i * 4),
          at(parts.picture, i * 4 + 3) - at(parts.picture, i * 4 + 1),
        );
    return sum;
  };
  const moved = (faces: readonly Polygon[], move: (p: P3) => P3, mirrored = false): Polygon[] =>
    faces.map((loop) => (mirrored ? [...loop].reverse() : loop).map(move));
  const count = Math.max(40, runs() / 2);
  it(`moved by an offset, made larger, turned about the station, mirrored (${count} heaps, seeds 1…)`, () => {
    for (let seed = 1; seed <= count; seed += 1) {
      const faces = boxHeap(seed, 6);
      const eye: P3 = [83.7, -211.3, 1204.9];
      const given = camera(eye, 0, { near: 1 });
      const whole = seenLength(faces, given);
      const shift = (p: P3): P3 => [p[0] + 12345.6, p[1] - 777.7, p[2] + 88.8];
      const sizes: [string, number][] = [
        ['offset', seenLength(moved(faces, shift), { ...given, eye: shift(eye) })],
        [
          'scale',
          seenLength(
            moved(faces, (p) => [p[0] * 3.7, p[1] * 3.7, p[2] * 3.7]),
            { ...given, eye: [eye[0] * 3.7, eye[1] * 3.7, eye[2] * 3.7] },
          ),
        ],
        [
          'mirror',
          seenLength(
            moved(faces, (p) => [-p[0], p[1], p[2]], true),
            { ...given, eye: [-eye[0], eye[1], eye[2]] },
          ),
        ],
      ];
      const turn = (33.3 * Math.PI) / 180;
      const [s, c] = [Math.sin(turn), Math.cos(turn)];
      const turned = moved(faces, (p) => {
        const [x, y] = [p[0] - eye[0], p[1] - eye[1]];
        return [eye[0] + x * c + y * s, eye[1] - x * s + y * c, p[2]];
      });
      sizes.push(['turn', seenLength(turned, { ...given, viewDir: [s, c, 0] })]);
      for (const [what, size] of sizes) expect(Math.abs(size / whole - 1), `seed ${seed}, ${what}`).toBeLessThan(1e-6);
    }
  });
  it(`one box split into two that touch adds the joint on its outside and nothing else (${count} heaps)`, () => {
    for (let seed = 1; seed <= count; seed += 1) {
      const rest = boxHeap(seed, 4);
      const given = camera([91.3, -307.1, 1399.7]);
      const edgesOf = (faces: readonly Polygon[]) => {
        const { parts, edges } = look(faces, given);
        return seenByName(parts, edges);
      };
      const whole = edgesOf([...rest, ...boxFaces(-250, 2050, 900, 730, 410, 370)]);
      const split = edgesOf([
        ...rest,
        ...boxFaces(-250, 2050, 900, 300, 410, 370),
        ...boxFaces(50, 2050, 900, 430, 410, 370),
      ]);
      const total = (name: string, seen: Map<string, [number, number][]>): number =>
        (seen.get(name) ?? []).reduce((sum, [x, y]) => sum + y - x, 0);
      // Every other thing is as visible as it was.
      for (const name of whole.keys())
        if (split.has(name)) expect(total(name, split), `seed ${seed}: ${name}`).toBeCloseTo(total(name, whole), 9);
      for (const [y, z] of [
        [2050, 900],
        [2050, 1270],
        [2460, 1270],
      ] as const) {
        const run = (from: number, to: number, seen: typeof whole): number =>
          total(nameOf([from, y, z], [to, y, z]), seen) * (to - from);
        expect(run(-250, 50, split) + run(50, 480, split)).toBeCloseTo(run(-250, 480, whole), 6);
      }
    }
  });
  it('the same parts whether the steps are taken one by one or at once; progress grows', () => {
    const { polygons, edges } = neutralPolygons({ faces: boxRows(3, 200) });
    const sight = straightSight();
    const steps = exactParts(polygons, [edges], one(polygons.faceCount), one(edges.count), sight);
    const progress: number[] = [];
    let step = steps.next();
    while (!step.done) {
      progress.push(step.value);
      step = steps.next();
    }
    expect(progress.length).toBeGreaterThan(10);
    expect([...progress].sort((a, b) => a - b)).toEqual(progress);
    expect(step.value).toEqual(drain(exactParts(polygons, [edges], one(polygons.faceCount), one(edges.count), sight)));
  });
});
