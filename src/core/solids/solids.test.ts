import { PLAIN_OPENING } from '@/core/record';
import { describe, expect, it } from 'vitest';
import { at } from '@/core/base';
import { cross3, difference3, dot3, length3 } from '@/core/geometry';
import { boxPiece, randomBoxScene, runs, size, smallRoom } from '@/testing';
import { bodiesOf, type Body } from './index';

const edgeKeys = (body: Body, loop: readonly number[]): string[] =>
  loop.map((v, i) => [v, at(loop, (i + 1) % loop.length)].sort((a, b) => a - b).join('-'));

describe('boxes', () => {
  it('are closed, planar within 1e-6 mm and face outward (seeds 1…)', () => {
    for (let seed = 1; seed <= runs(); seed += 1) {
      const body = bodiesOf(randomBoxScene(seed).project).find((one) => one.kind === 'piece');
      if (!body) throw new Error('a piece');
      const centre = body.vertices.reduce(
        (sum, v) => ({ x: sum.x + v.at.x / 8, y: sum.y + v.at.y / 8, z: sum.z + v.at.z / 8 }),
        { x: 0, y: 0, z: 0 },
      );
      const used = new Map<string, number>();
      for (const face of body.faces) {
        for (const loop of face.loops) {
          for (const index of loop)
            expect(Math.abs(dot3(face.normal, at(body.vertices, index).at) - face.offset)).toBeLessThan(1e-6);
          for (const key of edgeKeys(body, loop)) used.set(key, (used.get(key) ?? 0) + 1);
        }
        expect(dot3(face.normal, centre)).toBeLessThan(face.offset);
        expect(length3(face.normal)).toBeCloseTo(1, 12);
      }
      expect([...used.values()].every((count) => count === 2)).toBe(true);
      expect(used.size).toBe(12);
      expect(new Set(body.edges.map((edge) => edge.id)).size).toBe(12);
      for (const edge of body.edges)
        expect(edge.faces.every((id) => body.faces.some((face) => face.id === id))).toBe(true);
    }
  });
  it('edge names survive a change of size, turn and place', () => {
    const names = (project: ReturnType<typeof smallRoom>) =>
      bodiesOf(project).flatMap((body) => body.edges.map((edge) => edge.id));
    expect(names(smallRoom([boxPiece()]))).toEqual(
      names(smallRoom([boxPiece({ width: 300, turnDeg: 77, lift: 400 })])),
    );
  });
});

describe('rooms', () => {
  const opening = (kind: 'door' | 'window', offset: number, sill: number) => ({
    id: kind,
    name: kind,
    kind,
    wallId: 'north',
    fromCorner: 'nw',
    offset: size(`${kind}/o`, offset),
    width: size(`${kind}/w`, 900),
    sill: size(`${kind}/s`, sill),
    height: size(`${kind}/h`, 1200),
    ...PLAIN_OPENING,
    reveal: size(`${kind}/r`, 150),
  });
  it('surfaces face inward and an opening is a hole in its wall with a reveal behind it', () => {
    const project = { ...smallRoom(), openings: [opening('door', 300, 0), opening('window', 2200, 900)] };
    const room = at(bodiesOf(project), 0);
    const middle = { x: 2000, y: 1500, z: 1250 };
    for (const face of room.faces.filter((one) => one.belongsTo.length === 0))
      expect(dot3(face.normal, middle)).toBeGreaterThan(face.offset);
    const north = room.faces.find((face) => face.id === 'north');
    expect(north?.loops.length).toBe(3);
    expect(room.faces.filter((face) => face.belongsTo.includes('north')).map((face) => face.id)).toEqual([
      'door/leaf',
      'door/reveal-sill',
      'door/reveal-right',
      'door/reveal-head',
      'door/reveal-left',
      'window/reveal-sill',
      'window/reveal-right',
      'window/reveal-head',
      'window/reveal-left',
    ]);
    const sill = room.faces.find((face) => face.id === 'window/reveal-sill');
    expect(sill?.normal.z).toBeCloseTo(1, 12);
    const back = room.vertices.find((vertex) => vertex.id === 'window/back/left-sill');
    expect([back?.at.x, back?.at.y, back?.at.z]).toEqual([2200, 3150, 900]);
  });
  it('what reaches beyond its wall is kept within it, and a room that encloses nothing has no body', () => {
    const project = { ...smallRoom(), openings: [opening('window', 3800, 2000)] };
    const room = at(bodiesOf(project), 0);
    const xs = room.vertices.filter((vertex) => vertex.id.startsWith('window/face')).map((vertex) => vertex.at.x);
    expect(Math.max(...xs)).toBe(4000);
    const space = at(project.spaces, 0);
    expect(bodiesOf({ ...project, spaces: [{ ...space, walls: space.walls.slice(0, 2) }] })).toEqual([]);
  });
  it('a concave outline has one floor whose plane is level', () => {
    const base = smallRoom();
    const wall = (id: string, startCorner: string, bearingDeg: number, mm: number) => ({
      id,
      name: id,
      startCorner,
      bearingDeg,
      length: size(`${id}/l`, mm),
    });
    const walls = [
      wall('a', '1', 0, 3000),
      wall('b', '2', 90, 2000),
      wall('c', '3', 180, 1000),
      wall('d', '4', 90, 2000),
      wall('e', '5', 180, 2000),
      wall('f', '6', 270, 4000),
    ];
    const room = at(bodiesOf({ ...base, spaces: [{ ...at(base.spaces, 0), walls }] }), 0);
    const floor = room.faces.find((face) => face.id === 'room/floor');
    expect(floor?.normal.z).toBeCloseTo(1, 12);
    expect(floor?.loops[0]?.length).toBe(6);
    const c = room.faces.find((face) => face.id === 'c');
    expect(
      dot3(
        c?.normal ?? { x: 0, y: 0, z: 0 },
        cross3(difference3({ x: 0, y: 1, z: 0 }, { x: 0, y: 0, z: 0 }), { x: 0, y: 0, z: 1 }),
      ),
    ).toBeCloseTo(-1, 12);
  });
});
