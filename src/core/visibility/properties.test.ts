import { describe, expect, it } from 'vitest';
import { at } from '@/core/base';
import { moveOrigin, type Project, type View } from '@/core/record';
import { bodiesOf } from '@/core/solids';
import { projectSegment, projectSegments, resolveSetUp } from '@/core/view';
import { boxPiece, boxView, randomBoxScene, runs, smallRoom } from '@/testing';
import { drain, edgeOfRow, prepareScene, visibleLinesExact } from './index';
import { polygonsOf, presenceFrom } from './polygons';
import { worldPoint } from '@/core/space';

/** Seen length of each edge on paper, mm. */
function seenLengths(project: Project): Map<string, number> {
  const view = at(project.views, 0);
  const setUp = resolveSetUp(project, view);
  if (!setUp.ok) throw new Error(setUp.error.message);
  const scene = prepareScene(bodiesOf(project));
  const lines = drain(visibleLinesExact(scene, setUp.value, view.frame));
  const lengths = new Map<string, number>();
  for (let row = 0; row < lines.edge.length; row += 1) {
    if (lines.seen[row] !== 1) continue;
    const { id } = edgeOfRow(scene, lines, row);
    const dx = at(lines.picture, row * 4 + 2) - at(lines.picture, row * 4);
    const dy = at(lines.picture, row * 4 + 3) - at(lines.picture, row * 4 + 1);
    lengths.set(id, (lengths.get(id) ?? 0) + Math.hypot(dx, dy));
  }
  return lengths;
}

function expectAlike(a: Map<string, number>, b: Map<string, number>, what: string): void {
  for (const id of new Set([...a.keys(), ...b.keys()])) {
    expect(Math.abs((a.get(id) ?? 0) - (b.get(id) ?? 0)), `${what}: ${id}`).toBeLessThan(1e-5);
  }
}

const withView = (project: Project, change: Partial<View>): Project => ({
  ...project,
  views: [{ ...at(project.views, 0), ...change }],
});

describe('a picture does not change when what it shows does not (seeds 1…)', () => {
  it('room and viewer moved together', () => {
    for (let seed = 1; seed <= runs() / 2; seed += 1) {
      const { project } = randomBoxScene(seed, 3);
      const view = at(project.views, 0);
      const bound = view.picturePlane;
      const moved = withView(moveOrigin(project, 'room', 37, 4321), {
        station: {
          x: view.station.x + 4321 * Math.sin((37 * Math.PI) / 180),
          y: view.station.y + 4321 * Math.cos((37 * Math.PI) / 180),
        },
        picturePlane:
          bound.through === 'point'
            ? {
                ...bound,
                x: bound.x + 4321 * Math.sin((37 * Math.PI) / 180),
                y: bound.y + 4321 * Math.cos((37 * Math.PI) / 180),
              }
            : bound,
      });
      expectAlike(seenLengths(project), seenLengths(moved), `seed ${seed}`);
    }
  });

  it('a picture plane moved with the scale, so that the viewing distance stays, is the same picture', () => {
    for (let seed = 1; seed <= runs() / 2; seed += 1) {
      const { project } = randomBoxScene(seed, 3);
      const near = withView(project, { picturePlane: { through: 'distance', mm: 2000 }, scaleDenominator: 20 });
      const far = withView(project, { picturePlane: { through: 'distance', mm: 2500 }, scaleDenominator: 25 });
      expectAlike(seenLengths(near), seenLengths(far), `seed ${seed}`);
    }
  });

  it('a box split into two that touch shows the same outline, and the joint', () => {
    const view = boxView({ station: { x: 2600, y: -2500 } });
    const whole = seenLengths(smallRoom([boxPiece({ id: 'w', fromWest: 900, width: 1000 })], view));
    const split = seenLengths(
      smallRoom(
        [boxPiece({ id: 'l', fromWest: 900, width: 400 }), boxPiece({ id: 'r', fromWest: 1300, width: 600 })],
        view,
      ),
    );
    const sum = (lengths: Map<string, number>, ...edges: string[]): number =>
      edges.reduce((total, edge) => total + (lengths.get(edge) ?? 0), 0);
    for (const edge of ['top-front', 'bottom-front', 'top-back', 'bottom-back']) {
      expect(sum(split, `l/box/${edge}`, `r/box/${edge}`), edge).toBeCloseTo(sum(whole, `w/box/${edge}`), 6);
    }
    expect(sum(split, 'l/box/front-left')).toBeCloseTo(sum(whole, 'w/box/front-left'), 6);
    expect(sum(split, 'r/box/front-right')).toBeCloseTo(sum(whole, 'w/box/front-right'), 6);
    expect(sum(split, 'l/box/front-right')).toBeGreaterThan(10);
    expect(sum(split, 'r/box/front-left')).toBeGreaterThan(10);
  });

  it('adding a box never shows more of the others; taking it away never shows less', () => {
    for (let seed = 1; seed <= runs() / 2; seed += 1) {
      const { project } = randomBoxScene(seed, 4);
      const fewer = { ...project, pieces: project.pieces.slice(0, 3) };
      const [all, some] = [seenLengths(project), seenLengths(fewer)];
      for (const [id, length] of some) expect((all.get(id) ?? 0) - length, `seed ${seed}: ${id}`).toBeLessThan(1e-6);
    }
  });

  it('a frame half as wide shows no more than the whole', () => {
    for (let seed = 1; seed <= runs() / 2; seed += 1) {
      const { project } = randomBoxScene(seed, 2);
      const { frame } = at(project.views, 0);
      const narrow = withView(project, { frame: { ...frame, left: frame.left / 2, right: frame.right / 2 } });
      const [wide, cut] = [seenLengths(project), seenLengths(narrow)];
      for (const [id, length] of cut) expect(length - (wide.get(id) ?? 0), `seed ${seed}: ${id}`).toBeLessThan(1e-6);
    }
  });
});

describe('projection one by one and in bulk', () => {
  it('give the same rows for every edge of generated rooms (seeds 1…)', () => {
    for (let seed = 1; seed <= runs(); seed += 1) {
      const { project } = randomBoxScene(seed, 3);
      const view = at(project.views, 0);
      const setUp = resolveSetUp(project, view);
      if (!setUp.ok) throw new Error(setUp.error.message);
      const { edges } = prepareScene(bodiesOf(project));
      const world = Float64Array.from(edges.flatMap(({ from, to }) => [from.x, from.y, from.z, to.x, to.y, to.z]));
      const picture = new Float64Array(edges.length * 4);
      const index = new Int32Array(edges.length);
      const rows = projectSegments(setUp.value, world, view.frame, picture, index);
      const single = edges.flatMap((edge, i) => {
        const cut = projectSegment(setUp.value, edge.from, edge.to, view.frame);
        return cut ? [{ i, cut }] : [];
      });
      expect([...index.subarray(0, rows)], `seed ${seed}`).toEqual(single.map((one) => one.i));
      single.forEach(({ cut }, row) => {
        expect(picture[row * 4]).toBeCloseTo(cut.start.u, 9);
        expect(picture[row * 4 + 3]).toBeCloseTo(cut.end.v, 9);
      });
    }
  });
});

describe('which faces are there', () => {
  it('follows the eye: inside all six, outside those whose room side one sees', () => {
    const scene = prepareScene(bodiesOf(smallRoom()));
    const ready = polygonsOf(scene);
    const from = (x: number, y: number, z: number): string[] =>
      [...presenceFrom(ready, worldPoint(x, y, z)).surfaces]
        .flatMap((there, i) => (there === 1 ? [ready.surfaceIds[i] ?? ''] : []))
        .sort();
    expect(from(2000, 1500, 1200)).toEqual(['east', 'north', 'room/ceiling', 'room/floor', 'south', 'west']);
    expect(from(2000, -1500, 1200)).toEqual(['east', 'north', 'room/ceiling', 'room/floor', 'west']);
    expect(from(-500, -500, 1200)).toEqual(['east', 'north', 'room/ceiling', 'room/floor']);
    expect(from(2000, 1500, 4000)).toEqual(['east', 'north', 'room/floor', 'south', 'west']);
    // On a wall's own plane it is seen edge-on: neither drawn nor hiding.
    expect(from(2000, 0, 1200)).not.toContain('south');
  });
});
