import { PLAIN_OPENING } from '@/core/record';
import { describe, expect, it } from 'vitest';
import { at, seededRandom } from '@/core/base';
import { dot3 } from '@/core/geometry';
import { bodiesOf, type Body } from '@/core/solids';
import { worldPoint, type WorldPoint } from '@/core/space';
import { projectPoint, resolveSetUp, type SetUp } from '@/core/view';
import { boxPiece, boxView, randomBoxScene, runs, size, smallRoom } from '@/testing';
import type { Project } from '@/core/record';
import { drain, edgeOfRow, prepareScene, visibleLinesExact } from './index';

function linesOf(project: Project) {
  const view = at(project.views, 0);
  const setUp = resolveSetUp(project, view);
  if (!setUp.ok) throw new Error(setUp.error.message);
  const bodies = bodiesOf(project);
  const scene = prepareScene(bodies);
  const lines = drain(visibleLinesExact(scene, setUp.value, view.frame));
  const parts = (edge: string, seen = 1) =>
    [...lines.edge].flatMap((_, row) =>
      edgeOfRow(scene, lines, row).id === edge && lines.seen[row] === seen
        ? [[at(lines.along, row * 2), at(lines.along, row * 2 + 1)] as const]
        : [],
    );
  return { lines, parts, setUp: setUp.value, bodies, scene, frame: view.frame };
}
const length = (parts: readonly (readonly [number, number])[]): number =>
  parts.reduce((sum, [from, to]) => sum + to - from, 0);

/** A second opinion that shares nothing with the engine: the sight line is walked and tested against solid boxes and wall rectangles. */
function seenBySampling(project: Project, bodies: readonly Body[], setUp: SetUp, point: WorldPoint): boolean {
  const eye = worldPoint(setUp.station.x, setUp.station.y, setUp.eyeZ);
  const along = (s: number) => ({
    x: eye.x + (point.x - eye.x) * s,
    y: eye.y + (point.y - eye.y) * s,
    z: eye.z + (point.z - eye.z) * s,
  });
  for (const body of bodies) {
    if (body.kind === 'piece') {
      // A convex solid hides when the open sight line has a stretch inside all its half-spaces.
      let [enter, leave] = [0, 1];
      for (const face of body.faces) {
        const [a, b] = [dot3(face.normal, eye) - face.offset, dot3(face.normal, point) - face.offset];
        if (a >= 0 && b >= 0) {
          enter = 1;
          leave = 0;
          break;
        }
        if (a > 0 && b < 0) enter = Math.max(enter, a / (a - b));
        else if (a < 0 && b > 0) leave = Math.min(leave, a / (a - b));
      }
      if (leave - enter > 1e-7) return false;
    } else {
      // The small room without openings: a wall hides what lies beyond it when the eye is inside of it.
      const { x, y, z } = point;
      const outside = [
        ['west', -x, eye.x],
        ['east', x - 4000, 4000 - eye.x],
        ['north', y - 3000, 3000 - eye.y],
        ['south', -y, eye.y],
        ['floor', -z, eye.z],
        ['ceiling', z - 2500, 2500 - eye.z],
      ] as const;
      for (const [name, beyond, inside] of outside) {
        if (beyond <= 1e-6 || inside <= 1e-6) continue;
        const hit = along(inside / (inside + beyond));
        const within =
          (name === 'west' || name === 'east' || (hit.x > 0 && hit.x < 4000)) &&
          (name === 'north' || name === 'south' || (hit.y > 0 && hit.y < 3000)) &&
          (name === 'floor' || name === 'ceiling' || (hit.z > 0 && hit.z < 2500));
        if (within) return false;
      }
    }
  }
  return true;
}

describe('what hides', () => {
  it('agrees with an independent sight-line test at random points of every edge (seeds 1…)', () => {
    let compared = 0;
    for (let seed = 1; seed <= runs(); seed += 1) {
      const { project } = randomBoxScene(seed, 1 + (seed % 4));
      const { lines, setUp, bodies, scene, frame } = linesOf(project);
      const random = seededRandom(seed + 1000);
      for (let sample = 0; sample < 60; sample += 1) {
        const row = Math.floor(random() * lines.edge.length);
        if (lines.edge.length === 0) break;
        const edge = at(scene.edges, at(lines.edge, row));
        const [from, to] = [at(lines.along, row * 2), at(lines.along, row * 2 + 1)];
        if (to - from < 1e-4) continue;
        const s = from + (to - from) * (0.02 + 0.96 * random());
        const point = worldPoint(
          edge.from.x + (edge.to.x - edge.from.x) * s,
          edge.from.y + (edge.to.y - edge.from.y) * s,
          edge.from.z + (edge.to.z - edge.from.z) * s,
        );
        const picture = projectPoint(setUp, point);
        if (!picture || picture.u <= frame.left || picture.u >= frame.right) continue;
        expect(lines.seen[row] === 1, `seed ${seed}, ${edge.id} at ${s}`).toBe(
          seenBySampling(project, bodies, setUp, point),
        );
        compared += 1;
      }
    }
    expect(compared).toBeGreaterThan(20 * runs());
  });

  it('a box alone in one-point shows front and one inner side; back edges are hidden', () => {
    const { parts } = linesOf(smallRoom([boxPiece({ fromWest: 300, fromNorth: 500 })]));
    expect(length(parts('box/box/bottom-front'))).toBeCloseTo(1, 9);
    expect(length(parts('box/box/top-back'))).toBeCloseTo(1, 9);
    expect(length(parts('box/box/bottom-back'))).toBe(0);
    expect(length(parts('box/box/bottom-right'))).toBeCloseTo(1, 9);
    expect(length(parts('box/box/bottom-left'))).toBe(0);
  });

  it('standing outside, the near wall is neither drawn nor hides; inside, it is behind one', () => {
    const outside = linesOf(smallRoom([boxPiece()]));
    expect(length(outside.parts('north/floor')) + length(outside.parts('north/floor', 0))).toBeCloseTo(1, 9);
    expect(length(outside.parts('box/box/top-front'))).toBeCloseTo(1, 9);
    const view = boxView({
      station: { x: 2000, y: 6000 },
      lineOfSightBearingDeg: 180,
      picturePlane: { through: 'distance', mm: 2000 },
    });
    const behind = linesOf(smallRoom([boxPiece()], view));
    // From the north the north wall is not drawn, so the box is seen through where it stood.
    expect(length(behind.parts('box/box/top-back'))).toBeGreaterThan(0.99);
  });

  it('touching faces hide nothing of each other: a box on a box, side by side, flush with a wall', () => {
    const pair = [
      boxPiece({ id: 'a', fromNorth: 0, fromWest: 700, width: 600 }),
      boxPiece({ id: 'b', fromNorth: 0, fromWest: 1300, width: 600 }),
      boxPiece({ id: 'c', fromNorth: 0, fromWest: 700, width: 1200, lift: 900, height: 400 }),
    ];
    const { parts } = linesOf(smallRoom(pair));
    for (const edge of [
      'a/box/top-front',
      'b/box/top-front',
      'a/box/front-right',
      'b/box/front-left',
      'c/box/bottom-front',
      'c/box/top-back',
      'a/box/bottom-front',
    ])
      expect(length(parts(edge)), edge).toBeCloseTo(1, 9);
    expect(length(parts('a/box/top-back'))).toBe(0);
  });

  it('through a window one sees only what the hole shows; the reveal goes when its wall goes', () => {
    const project = {
      ...smallRoom([boxPiece({ fromNorth: 1000, fromWest: 100, width: 3800, depth: 100, height: 2000 })]),
      openings: [
        {
          id: 'w',
          name: 'w',
          kind: 'window' as const,
          wallId: 'north',
          fromCorner: 'nw',
          offset: size('o', 1500),
          width: size('wi', 1000),
          sill: size('s', 2100),
          height: size('h', 300),
          ...PLAIN_OPENING,
          reveal: size('r', 200),
        },
      ],
    };
    const { parts } = linesOf(project);
    expect(length(parts('w/face/head'))).toBeCloseTo(1, 9);
    expect(length(parts('w/back/head'))).toBeGreaterThan(0);
    const fromNorth = linesOf({
      ...project,
      views: [
        boxView({
          station: { x: 2000, y: 6000 },
          lineOfSightBearingDeg: 180,
          picturePlane: { through: 'distance', mm: 2000 },
        }),
      ],
    });
    expect(
      length(fromNorth.parts('w/face/head')) +
        length(fromNorth.parts('w/back/head')) +
        length(fromNorth.parts('w/back/head', 0)),
    ).toBe(0);
  });

  it('comes through with the eye inside a box, on a face plane and with boxes across the eye plane', () => {
    for (const [station, back] of [
      [{ x: 1000, y: 2200 }, 500],
      [{ x: 700, y: 1000 }, 800],
      [{ x: 2000, y: 1900 }, 400],
    ] as const) {
      const { lines } = linesOf(
        smallRoom(
          [boxPiece({ height: 2000 }), boxPiece({ id: 'b', fromWest: 1600, height: 50, width: 300 })],
          boxView({ station, picturePlane: { through: 'distance', mm: back } }),
        ),
      );
      expect([...lines.picture].every(Number.isFinite)).toBe(true);
      expect([...lines.along].every((s) => s >= 0 && s <= 1)).toBe(true);
    }
  });

  it('yields progress that grows, and the same rows whether drained at once or in slices', () => {
    const { project } = randomBoxScene(5, 4);
    const { scene, setUp, lines, frame } = linesOf(project);
    const steps = visibleLinesExact(scene, setUp, frame);
    const progress: number[] = [];
    for (;;) {
      const step = steps.next();
      if (step.done) {
        expect(step.value).toEqual(lines);
        break;
      }
      progress.push(step.value);
    }
    expect(progress.length).toBeGreaterThan(2);
    expect([...progress].sort((a, b) => a - b)).toEqual(progress);
  });
});
