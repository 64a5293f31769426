import { standOf } from '@/core/view';
import { describe, expect, it } from 'vitest';
import { DEMOS } from '@/app/demo';
import { at } from '@/core/base';
import { changeView, lengthStyleOf, type Project } from '@/core/record';
import { drain, visibleLinesExact } from '@/core/visibility';
import { boxPiece, boxView, smallRoom } from '@/testing';
import { sceneOf, standWarnings } from './index';

function warningsOf(project: Project, scene = sceneOf(project), nth = 0) {
  const view = at(project.views, nth);
  const stand = standOf(project, view);
  if (!stand.ok) throw new Error(stand.error.message);
  const lines = drain(visibleLinesExact(scene.prepared, stand.value.setUp, view.frame));
  return standWarnings(project, view, scene, stand.value, lines, lengthStyleOf(project));
}

describe.each(DEMOS.map((demo) => [demo.id, demo] as const))('warnings where one stands, %s', (_, demo) => {
  const scene = sceneOf(demo);
  it('each has a figure, and what it offers makes it go', () => {
    const found = warningsOf(demo, scene);
    for (const warning of found) {
      expect(warning.message).toMatch(/\d/);
      for (const remedy of warning.remedies) {
        const after = warningsOf(changeView(demo, at(demo.views, 0).id, remedy.change), scene);
        expect(
          after.filter(
            (one) => one.kind === warning.kind && one.about === warning.about && one.message === warning.message,
          ),
          `${remedy.label}: ${warning.message}`,
        ).toEqual([]);
      }
    }
  });
  it('opens with at most one, in a sentence that begins as one', () => {
    const found = warningsOf(demo, scene);
    expect(found.length).toBeLessThanOrEqual(1);
    for (const { message } of found) expect(message).toMatch(/^[A-Z]/);
  });
  it('standing as near as one can brings the cone, the frame and the viewing distance up; stepping far back takes them away', () => {
    const view = at(demo.views, 0);
    const kinds = (mm: number): ReadonlySet<string> => {
      const moved = changeView(demo, view.id, { picturePlane: { through: 'distance', mm } });
      return new Set(warningsOf(moved, scene).map((one) => one.kind));
    };
    expect([...kinds(1500)]).toEqual(expect.arrayContaining(['viewing-distance', 'frame-outside-cone']));
    expect(kinds(view.scaleDenominator * 700).has('viewing-distance')).toBe(false);
    expect(kinds(view.scaleDenominator * 700).has('frame-outside-cone')).toBe(false);
  });
});

describe('rooms beside the one that is looked into', () => {
  const tea = DEMOS.find((demo) => demo.id === 'tea-room') ?? at(DEMOS, 0);
  it('nothing is said of what stands behind a shut door, though it lies in the frame', () => {
    const said = warningsOf(tea).map(({ message, also }) => `${message} ${(also ?? []).join(' ')}`);
    expect(said.join(' ')).not.toMatch(/kitchen/);
  });
  it('nor of what stands about one, in the room one looks from: the kitchen has nothing to be told', () =>
    expect(warningsOf(tea, sceneOf(tea), 1)).toEqual([]));
  it('of what stands in one’s own room and is seen it is said as ever', () => {
    const view = at(tea.views, 1);
    const near = changeView(tea, view.id, { station: { x: 900, y: 1900 } });
    expect(
      warningsOf(near, sceneOf(near), 1)
        .map(({ message }) => message)
        .join(' '),
    ).toMatch(/kitchen units/);
  });
});

describe('what is seen edge-on', () => {
  const shop = DEMOS.find((demo) => demo.id === 'seed-shop') ?? at(DEMOS, 0);
  const edgeOn = (project: Project, nth: number) =>
    warningsOf(project, sceneOf(project), nth).filter(({ kind }) => kind === 'edge-on');
  it('is no book among many: wherever one stands one of them is', () => {
    const view = at(shop.views, 1);
    // Square before the alcove, at the height of a book.
    const before = {
      ...{ lineOfSightBearingDeg: 270, picturePlane: { through: 'wall', wallId: 'west' } as const },
      frame: { left: -74, right: 74, bottom: -66, top: 66 },
    };
    for (const y of [2210, 2286, 2336.8, 2500])
      expect(edgeOn(changeView(shop, view.id, { ...before, station: { x: 2133.6, y } }), 1), `${y}`).toEqual([]);
  });
  it('is no shallow face far away that comes clear only metres aside; a whole side of a thing is told', () => {
    // A case 600 or 120 deep, its left side 2 mm beside the line of sight.
    const cased = (depth: number) =>
      smallRoom([boxPiece({ fromWest: 2000, fromNorth: 200, width: 700, depth, height: 1500 })]);
    const from = (depth: number, y: number) =>
      changeView(cased(depth), 'view', {
        station: { x: 1998, y },
        picturePlane: { through: 'point', x: 2000, y: 2200 },
      });
    expect(edgeOn(from(600, 400), 0).map(({ message }) => message)[0]).toMatch(/^A side of box is seen edge-on/);
    expect(edgeOn(from(120, -4000), 0)).toEqual([]);
  });
});

describe('warnings of a small room', () => {
  const piece = { fromNorth: 300, fromWest: 1300, width: 1200, depth: 500 };
  // In one-point from well back, all within the cone.
  const settled = smallRoom(
    [boxPiece(piece)],
    boxView({ station: { x: 1800, y: -5200 }, frame: { left: -140, right: 140, bottom: -100, top: 100 } }),
  );
  it('an ordinary view, well set, has none', () => expect(warningsOf(settled)).toEqual([]));
  it('frame and pieces outside the cone are one matter; pieces alone are one as well, with the step that brings all in', () => {
    const row = [0, 1, 2].map((i) =>
      boxPiece({ id: `box${i}`, fromNorth: 2300, fromWest: i * 1390, width: 1200, depth: 500, height: 900 }),
    );
    const near = { ...boxView({ station: { x: 2000, y: -1500 } }), scaleDenominator: 10 };
    const wide = warningsOf(smallRoom(row, { ...near, frame: { left: -230, right: 230, bottom: -200, top: 100 } }));
    const cone = wide.filter((one) => /cone/.test(one.kind));
    expect(cone.map((one) => one.kind)).toEqual(['frame-outside-cone']);
    expect(at(cone, 0).message).toMatch(/Outside the cone: box/);
    // Each of them is ringed with it.
    expect(at(cone, 0).also?.every((id) => row.some((one) => one.id === id))).toBe(true);
    expect(at(cone, 0).also?.length).toBeGreaterThan(0);
    const narrow = smallRoom(row, { ...near, frame: { left: -86, right: 86, bottom: -86, top: 80 } });
    const alone = warningsOf(narrow).filter((one) => /cone/.test(one.kind));
    expect(alone.map((one) => one.kind)).toEqual(['outside-cone']);
    const [one] = alone;
    expect(one?.message).toMatch(/^Box0 reaches .* Outside as well: box1, box2\.$/);
    expect([...(one?.also ?? [])].sort()).toEqual(['box0', 'box1', 'box2']);
    const stepped = changeView(narrow, 'view', one?.remedies[0]?.change ?? {});
    expect(warningsOf(stepped).filter(({ kind }) => /cone/.test(kind))).toEqual([]);
  });
  it('a way out that leads out of the room, or a point out of reach, says so where it is offered', () => {
    // Standing in the room, close to the piece: stepping back goes through the south wall.
    const inside = boxView({
      station: { x: 1800, y: 150 },
      picturePlane: { through: 'distance', mm: 1200 },
      frame: { left: -60, right: 60, bottom: -80, top: 60 },
      scaleDenominator: 8,
      board: { width: 500, height: 400 },
      sheetOnBoard: { x: 30, y: 30 },
      sheet: { name: 'A3', width: 420, height: 297 },
    });
    const remedies = warningsOf(smallRoom([boxPiece({ ...piece, fromNorth: 1000, depth: 900 })], inside)).flatMap(
      (one) => one.remedies,
    );
    const labels = remedies.map((remedy) => remedy.label);
    for (const { label, change } of remedies) {
      const { x, y } = change.station ?? inside.station;
      expect(/outside the room/.test(label), label).toBe(x < 0 || x > 4000 || y < 0 || y > 3000);
    }
    expect(labels.some((label) => /outside the room/.test(label))).toBe(true);
    expect(labels.some((label) => /out of reach\)/.test(label))).toBe(true);
    // From outside through the plane, as one stands for a one-point view, that is nothing to say.
    for (const { remedies } of warningsOf(at(DEMOS, 1)))
      for (const { label } of remedies) expect(label).not.toMatch(/outside/);
  });
});
