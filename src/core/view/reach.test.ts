import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { at } from '@/core/base';
import { changeView, type Project, type View } from '@/core/record';
import { IMPERIAL_STYLE, METRIC_STYLE } from '@/core/units';
import { picturePoint } from '@/core/space';
import { boxView, runs, smallRoom, homeMark, holds } from '@/testing';
import {
  edgeTicks,
  fractionOf,
  measuredBy,
  outOfReach,
  reachOf,
  reachRemedies,
  resolveSetUp,
  setOutOf,
  setOutTable,
  standAt,
  withAid,
  withoutAid,
  type RemedyKind,
} from './index';

/** A small board before a room turned by some angle: its vanishing points lie on it or off it. */
function turnedRoom(turnDeg: number, change: Partial<View> = {}): Project {
  const view = boxView({
    picturePlane: { through: 'corner', cornerId: 'se' },
    frame: { left: -120, right: 120, bottom: -90, top: 70 },
    ...change,
  });
  const project = smallRoom([], view);
  return changeView(project, view.id, turnDeg === 0 ? {} : standAt(project, view, { turnDeg, pictureDistance: 3600 }));
}
function standing(project: Project) {
  const view = at(project.views, 0);
  const setUp = resolveSetUp(project, view);
  if (!setUp.ok) throw new Error(setUp.error.message);
  return { project, view, setUp: setUp.value, setOut: setOutOf(project, view, setUp.value) };
}
const markOf = ({ setOut }: ReturnType<typeof standing>, id: string) => {
  const mark = setOut.groups[0]?.marks.find((one) => one.id === id);
  if (!mark) throw new Error(`no mark ${id}`);
  return mark;
};

describe('what is within reach', () => {
  it('on the sheet, on the board, off it, and what ruler it asks for', () => {
    const given = standing(turnedRoom(30));
    const lies = Object.fromEntries((given.setOut.groups[0]?.marks ?? []).map((mark) => [mark.id, mark.lies.where]));
    expect(lies).toEqual({
      'vp-left': 'on-board',
      'vp-right': 'on-sheet',
      'mp-left': 'on-sheet',
      'mp-right': 'on-sheet',
      diagonal: 'on-sheet',
    });
    const far = reachOf(given.view, given.setOut, markOf(given, 'vp-left'));
    // k = 180, so VL lies 180·cot 30° left; the farthest corner of the frame is its lower right one.
    expect(far.rulerNeeds).toBeCloseTo(Math.hypot(180 / Math.tan(Math.PI / 6) + 120, 90), 9);
    expect(far.within).toBe(true);
    const short = { ...given.view, straightedge: far.rulerNeeds - 0.01 };
    expect(reachOf(short, given.setOut, far.mark)).toMatchObject({ within: false, rulerReaches: false, usable: false });
    expect(reachOf({ ...short, straightedge: far.rulerNeeds + 0.01 }, given.setOut, far.mark).within).toBe(true);
  });
  it('a fractional point that falls off the board is of no use, however long the ruler', () => {
    const given = standing(
      turnedRoom(15, {
        ...{ board: { width: 620, height: 500 }, sheetOnBoard: { x: 100, y: 100 } },
        straightedge: 5000,
      }),
    );
    // Between a vanishing point off the board and its measuring point on it: the finer the fraction, the nearer to the former.
    const mark = markOf(given, 'mp-left');
    const vanishing = measuredBy(given.setOut, mark);
    if (!vanishing) throw new Error('a measuring point measures something');
    expect([mark.lies.where, vanishing.lies.where]).toEqual(['on-sheet', 'off-board']);
    const by = (n: number) =>
      reachOf({ ...given.view, aids: [{ by: 'fraction', mark: homeMark('mp-left'), n }] }, given.setOut, mark);
    const off = (n: number): boolean => {
      const { u } = fractionOf(mark, vanishing, n);
      const { sheetOnBoard, centreOfVisionOnSheet, board } = given.view;
      const x = sheetOnBoard.x + centreOfVisionOnSheet.x + u;
      return x < 0 || x > board.width;
    };
    expect([1, 2, 20].map(off)).toContain(true);
    for (const n of [1, 2, 20]) expect(by(n).usable, `1/${n}`).toBe(!off(n));
  });
  it('an aid makes a point usable: ticks always, a strip where the ruler reaches, a fraction where it comes on the board', () => {
    const given = standing(turnedRoom(15, { board: { width: 620, height: 500 }, sheetOnBoard: { x: 100, y: 100 } }));
    const mark = markOf(given, 'vp-left');
    expect(mark.lies.where).toBe('off-board');
    expect(outOfReach(given.view, given.setOut).map((one) => one.mark.id)).toContain('vp-left');
    const using = (aids: View['aids']) => reachOf({ ...given.view, aids }, given.setOut, mark);
    expect(using([{ by: 'ticks', mark: homeMark('vp-left'), stepMm: 5 }])).toMatchObject({
      usable: true,
      usedAt: null,
    });
    expect(using([{ by: 'strip', mark: homeMark('vp-left') }]).usable).toBe(true);
    expect(
      reachOf(
        { ...given.view, aids: [{ by: 'strip', mark: homeMark('vp-left') }], straightedge: 300 },
        given.setOut,
        mark,
      ).usable,
    ).toBe(false);
    const vanishing = measuredBy(given.setOut, markOf(given, 'mp-left'));
    expect(vanishing?.id).toBe('vp-left');
    expect(measuredBy(given.setOut, markOf(given, 'vp-left'))).toBeNull();
    const measuring = markOf(given, 'mp-left');
    if (!vanishing) throw new Error('it measures the left-going lines');
    expect(fractionOf(measuring, vanishing, 2).u).toBeCloseTo((measuring.at.u + vanishing.at.u) / 2, 9);
    expect(withoutAid({ aids: [{ by: 'strip', mark: homeMark('vp-left') }] }, homeMark('vp-left'))).toEqual({
      aids: [],
    });
    expect(
      withAid(
        { aids: [{ by: 'strip', mark: homeMark('vp-left') }] },
        { by: 'ticks', mark: homeMark('vp-left'), stepMm: 5 },
      ).aids,
    ).toHaveLength(1);
  });
});

describe('remedies for a point out of reach', () => {
  /** A far point of each sort, on a board that does not hold it. */
  const cases: readonly [string, Project, string][] = [
    [
      'a vanishing point',
      turnedRoom(20, { board: { width: 700, height: 500 }, sheetOnBoard: { x: 120, y: 100 } }),
      'vp-left',
    ],
    [
      'another, to the right',
      turnedRoom(72, { board: { width: 640, height: 500 }, sheetOnBoard: { x: 110, y: 100 } }),
      'vp-right',
    ],
    [
      'a distance point',
      smallRoom(
        [],
        boxView({
          station: { x: 2000, y: -9000 },
          board: { width: 560, height: 400 },
          sheetOnBoard: { x: 70, y: 50 },
          frame: { left: -100, right: 100, bottom: -90, top: 70 },
        }),
      ),
      'distance-left',
    ],
    ['a point the straightedge does not reach', turnedRoom(30, { straightedge: 420 }), 'vp-left'],
    [
      'a point just off the board',
      turnedRoom(30, { board: { width: 560, height: 400 }, sheetOnBoard: { x: 70, y: 50 } }),
      'vp-left',
    ],
  ];
  const taken = new Set<RemedyKind>();
  it.each(cases)('%s: each remedy that is offered brings it back, each that is not says why', (_, project, id) => {
    const given = standing(project);
    const mark = markOf(given, id);
    expect(reachOf(given.view, given.setOut, mark).usable).toBe(false);
    const remedies = reachRemedies(project, given.view, given.setUp, given.setOut, mark, METRIC_STYLE);
    expect(remedies.map((one) => one.kind)).toEqual([
      'slide-sheet',
      'fraction',
      'ticks',
      'strip',
      'nearer-station',
      'another-angle',
      'smaller-scale',
    ]);
    for (const remedy of remedies) {
      if (!remedy.possible) {
        expect(remedy.why, remedy.kind).toMatch(/\.$/);
        continue;
      }
      taken.add(remedy.kind);
      // Consequences come with figures, before it is taken; only sliding the sheet costs nothing.
      expect(remedy.consequences.length, remedy.kind).toBeGreaterThan(0);
      if (remedy.kind !== 'slide-sheet') expect(remedy.consequences.join(' '), remedy.kind).toMatch(/\d/);
      const after = standing(changeView(project, given.view.id, remedy.change));
      expect(reachOf(after.view, after.setOut, markOf(after, id)).usable, `${id} by ${remedy.kind}`).toBe(true);
    }
  });
  it('between them the cases take every remedy', () => {
    expect([...taken].sort()).toEqual([
      'another-angle',
      'fraction',
      'nearer-station',
      'slide-sheet',
      'smaller-scale',
      'strip',
      'ticks',
    ]);
  });
  it('a nearer station costs stretch, and says how much; in inches where the project counts in inches', () => {
    const [, project, id] = at(cases, 0);
    const given = standing(project);
    const nearer = reachRemedies(
      project,
      given.view,
      given.setUp,
      given.setOut,
      markOf(given, id),
      IMPERIAL_STYLE,
    ).find((one) => one.kind === 'nearer-station');
    if (!nearer?.possible) throw new Error('it is possible');
    const after = standing(changeView(project, given.view.id, nearer.change));
    expect(after.setUp.pictureDistance).toBeLessThan(given.setUp.pictureDistance);
    const corner = (k: number): number => 1 / Math.cos(Math.atan(Math.hypot(120, 90) / k));
    expect(nearer.consequences[1]).toContain(
      `stretched ${corner(after.setUp.viewingDistance).toFixed(2)} times, before ${corner(180).toFixed(2)}`,
    );
    expect(nearer.consequences[0]).toMatch(/"/);
  });
});

describe('converging ticks', () => {
  it('a line ruled through any pair goes to the point within 1e-6 mm, and both ticks lie on the sheet’s edge (seed 3)', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1.2, max: 40, noNaN: true }),
        fc.double({ min: 0, max: 2 * Math.PI, noNaN: true }),
        fc.constantFrom(2, 5, 6.35, 10),
        (far, angle, step) => {
          const view = boxView({ centreOfVisionOnSheet: { x: 180, y: 160 } });
          const vanishing = picturePoint(far * 420 * Math.cos(angle), far * 420 * Math.sin(angle));
          const ladder = edgeTicks(view, vanishing, step);
          if (!ladder) return;
          for (const { near, far: other, number } of ladder.pairs) {
            const length = Math.hypot(other.u - near.u, other.v - near.v);
            const miss =
              Math.abs((other.u - near.u) * (vanishing.v - near.v) - (other.v - near.v) * (vanishing.u - near.u)) /
              length;
            holds(miss < 1e-6, () => `rung ${number}`);
            for (const p of [near, other]) {
              const [x, y] = [p.u + 180, p.v + 160];
              const onEdge = Math.min(Math.abs(x), Math.abs(x - 420), Math.abs(y), Math.abs(y - 297));
              holds(onEdge < 1e-9, () => `rung ${number}`);
              holds(x > -1e-9 && x < 420 + 1e-9 && y > -1e-9 && y < 297 + 1e-9, () => `rung ${number}`);
            }
          }
        },
      ),
      { numRuns: runs(), seed: 3 },
    );
  });
  it('counts from the horizon, evenly on the nearer edge; a point on the sheet needs none', () => {
    const view = boxView();
    const ladder = edgeTicks(view, picturePoint(-1400, 0), 10);
    expect(ladder?.edge).toBe('left');
    expect(ladder?.pairs.find((pair) => pair.number === 0)).toMatchObject({
      near: { u: -210, v: 0 },
      far: { u: 210, v: 0 },
    });
    const rungs = ladder?.pairs ?? [];
    expect(rungs.length).toBeGreaterThan(20);
    rungs.forEach((pair) => expect(pair.near.v).toBeCloseTo(pair.number * 10, 9));
    expect(edgeTicks(view, picturePoint(100, 50), 10)).toBeNull();
    expect(edgeTicks(view, picturePoint(20, 900), 10)?.edge).toBe('top');
    // However fine a ladder is asked for, it stays countable.
    expect((edgeTicks(view, picturePoint(-1400, 0), 0.01)?.pairs ?? []).length).toBeLessThanOrEqual(401);
  });
  it('what 0.2 mm of tick error costs in the middle is what a tick moved by 0.2 mm does there', () => {
    const view = boxView({ frame: { left: -150, right: 60, bottom: -100, top: 80 } });
    const vanishing = picturePoint(-900, 0);
    const ladder = edgeTicks(view, vanishing, 5);
    if (!ladder) throw new Error('a ladder');
    const middle = { u: -45, v: -10 };
    // The line from the point through the middle, ruled again with each tick 0.2 mm out.
    const at2 = (u: number): number => (middle.v / (middle.u - vanishing.u)) * (u - vanishing.u);
    const [near, far] = [at2(-210), at2(210)];
    const height = (a: number, b: number): number => a + ((b - a) * (middle.u + 210)) / 420;
    const costs = [height(near + 0.2, far), height(near, far + 0.2)].map((v) => Math.abs(v - height(near, far)));
    expect(ladder.cost.oneTickMm).toBeCloseTo(Math.max(...costs), 6);
    expect(ladder.cost.bothTicksMm).toBeCloseTo(Math.hypot(...costs), 6);
  });
});

describe('the set-out table', () => {
  const far: Partial<View> = { board: { width: 700, height: 500 }, sheetOnBoard: { x: 120, y: 100 } };
  const tableOf = (project: Project, style = METRIC_STYLE) => {
    const { view, setUp, setOut } = standing(project);
    const table = setOutTable(project, view, setUp, setOut, style);
    const rows = new Map(table.sections.flatMap((section) => section.rows).map((row) => [row.id, row]));
    return { table, rows, view, setUp, setOut };
  };
  it('measures everything across from one zero, whichever is chosen, and up from the sheet’s lower edge', () => {
    for (const zero of ['left-edge', 'centre-line', 'leftmost-mark'] as const) {
      const { table, rows, view, setOut } = tableOf(turnedRoom(20, { ...far, zero }));
      const expected =
        zero === 'left-edge'
          ? 0
          : zero === 'centre-line'
            ? 210
            : 210 + markOf(standing(turnedRoom(20, far)), 'vp-left').at.u;
      expect(table.zeroOnSheetX).toBeCloseTo(expected, 9);
      for (const mark of setOut.groups[0]?.marks ?? []) {
        expect(rows.get(mark.id)?.across).toBeCloseTo(mark.onSheet.x - expected, 9);
        expect(rows.get(mark.id)?.up).toBeCloseTo(view.centreOfVisionOnSheet.y, 9);
      }
      expect(rows.get('frame-left')?.across).toBeCloseTo(210 - 120 - expected, 9);
      expect(rows.get('ground-line')?.up).toBeCloseTo(150 - 80, 9);
    }
  });
  it('has the traces of the walls, true heights, ticks, strips and fractions', () => {
    const project = turnedRoom(20, {
      ...far,
      aids: [
        { by: 'ticks', mark: homeMark('vp-left'), stepMm: 10 },
        { by: 'strip', mark: homeMark('vp-right') },
        { by: 'fraction', mark: homeMark('mp-left'), n: 2 },
      ],
    });
    const { table, rows, setUp } = tableOf(project);
    // The measured corner lies in the picture plane: both its walls have their trace at its foot.
    const corner = (4000 - setUp.station.x) * setUp.right.x + (0 - setUp.station.y) * setUp.right.y;
    expect(rows.get('trace-south')?.across).toBeCloseTo(210 + corner / 20, 6);
    expect(rows.get('trace-east')?.across).toBeCloseTo(210 + corner / 20, 6);
    expect(rows.get('height-1')).toMatchObject({ words: 'ceiling of Room', up: 70 + 2500 / 20 });
    expect(rows.has('vp-left-tick-0-near')).toBe(true);
    expect(table.sections.map((section) => section.title).join(' | ')).toMatch(
      /Ticks for VL.*costs [\d.]+ mm.*\| Strip for VR/,
    );
    expect(rows.get('mp-left')?.label).toBe('ML/2');
    expect(rows.get('mp-left')?.words).toMatch(/lay lengths off at 1\/2/);
  });
  it('a wall parallel to the picture plane has no trace', () => {
    const { rows } = tableOf(turnedRoom(0, { picturePlane: { through: 'wall', wallId: 'south' } }));
    expect([...rows.keys()].filter((id) => id.startsWith('trace-')).sort()).toEqual(['trace-east', 'trace-west']);
  });
});
