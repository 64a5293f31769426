import { describe, expect, it } from 'vitest';
import { partsBody, planeOf, type Body, type Part, type Role } from '@/core/solids';
import { worldPoint } from '@/core/space';
import { boxFaces } from '@/testing';
import { prepareScene } from './index';
import type { PreparedEdge, PreparedFace } from './scene';
import { withoutSeams } from './seams';

const partRole = (part: number, which: string): Role => ({
  is: 'part',
  ownerId: 'body',
  part: `part-${part}`,
  which,
  level: null,
});

/** Boxes as parts of one body: six faces and twelve edges each. */
function body(...boxes: readonly Parameters<typeof boxFaces>[]) {
  const faces: PreparedFace[] = [];
  const edges = new Map<string, PreparedEdge>();
  boxes.forEach((given, part) =>
    boxFaces(...given).forEach((loop, i) => {
      const id = `body/part-${part}/${i}`;
      const points = loop.map(([x, y, z]) => worldPoint(x, y, z));
      faces.push({
        face: {
          id,
          role: partRole(part, String(i)),
          part: `body/part-${part}`,
          ...planeOf(points),
          seen: 'both-sides',
          belongsTo: [],
        },
        body: 'body',
        closed: true,
        loops: [points],
      });
      points.forEach((from, k) => {
        const to = points[(k + 1) % points.length] ?? from;
        const name = `${part} ${[JSON.stringify(from), JSON.stringify(to)].sort().join()}`;
        const known = edges.get(name);
        edges.set(
          name,
          known
            ? { ...known, faces: [...known.faces, id] }
            : {
                id: `body/part-${part}/edge-${edges.size}`,
                role: { line: 'edge', edge: partRole(part, `edge ${edges.size}`) },
                body: 'body',
                from,
                to,
                faces: [id],
              },
        );
      });
    }),
  );
  return { faces, edges: [...edges.values()] };
}
const lengthOf = (edges: readonly PreparedEdge[]): number =>
  edges.reduce((sum, { from, to }) => sum + Math.hypot(to.x - from.x, to.y - from.y, to.z - from.z), 0);
const gone = (...boxes: readonly Parameters<typeof boxFaces>[]): number => {
  const { faces, edges } = body(...boxes);
  return lengthOf(edges) - lengthOf(withoutSeams(edges, faces));
};

describe('seams of flush faces of one body', () => {
  it('a box of two halves is drawn as one: both halves lose the four edges of their joint', () => {
    expect(gone([0, 0, 0, 300, 200, 100], [300, 0, 0, 400, 200, 100])).toBeCloseTo(2 * 2 * (200 + 100), 9);
  });
  it('only where the other face goes on: a lower half leaves the rest of the taller one’s upright', () => {
    // Front and back are flush up to 60; the top of the lower half meets the taller one’s side in a corner, which is drawn.
    expect(gone([0, 0, 0, 300, 200, 100], [300, 0, 0, 400, 200, 60])).toBeCloseTo(
      // Both uprights of either half up to 60, front and back, and the lower edge of the joint of either.
      2 * 2 * 60 + 2 * 200,
      9,
    );
  });
  it('parts with a gap, a step or a turn between them keep all their edges', () => {
    for (const other of [
      [300.01, 0, 0, 400, 200, 100],
      [300, 5, 1, 400, 190, 98],
      [300, 0, 200, 400, 200, 100],
      [700, 100, 0, 100, 100, 100, 30],
    ] as const)
      expect(gone([0, 0, 0, 300, 200, 100], [...other])).toBeCloseTo(0, 9);
  });
  it('faces in one plane that look away from each other make no seam: a box stood on a box of another depth', () => {
    expect(gone([0, 0, 0, 300, 200, 100], [50, 50, 100, 100, 100, 100])).toBeCloseTo(0, 9);
  });
  it('a part let in flush loses its rim on the face, and the face’s own parts stay', () => {
    // A panel as thick as its frame piece, side by side in one plane.
    const { faces, edges } = body([0, 0, 0, 100, 20, 500], [100, 0, 0, 300, 20, 500], [400, 0, 0, 100, 20, 500]);
    const left = withoutSeams(edges, faces);
    const upright = left.filter(({ from, to }) => Math.abs(from.x - to.x) < 1e-9 && Math.abs(from.y - to.y) < 1e-9);
    // Of twelve uprights the four outermost stay.
    expect(lengthOf(upright)).toBeCloseTo(4 * 500, 9);
    expect(new Set(upright.map(({ from }) => from.x))).toEqual(new Set([0, 500]));
    for (const edge of left) expect(edges.some((one) => one.id === edge.id)).toBe(true);
  });
});

it('a body whose seams are wished keeps them in the scene, and others lose theirs', () => {
  const AXES = {
    ...{ origin: { x: 0, y: 0, z: 0 }, x: { x: 1, y: 0, z: 0 } },
    ...{ y: { x: 0, y: 1, z: 0 }, z: { x: 0, y: 0, z: 1 } },
  };
  const box = (name: string, x: readonly [number, number]): Part => ({
    part: 'block',
    name,
    x,
    y: [0, 100],
    z: [0, 100],
  });
  const two = partsBody('two', [box('left', [0, 100]), box('right', [100, 250])], AXES);
  const edges = (body: Body): number => prepareScene([body]).edges.length;
  expect([edges(two), edges({ ...two, seams: 'shown' })]).toEqual([16, 24]);
});
