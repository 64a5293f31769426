import { describe, expect, it } from 'vitest';
import { DEMOS } from '@/app/demo';
import { at } from '@/core/base';
import { FLAT_DEG, ORDERS, say, type Order, type WholeDraft, type WholePlan } from '@/core/construction';
import { dot2 } from '@/core/geometry';
import { wallRuns, type Project, type View } from '@/core/record';
import type { WorldPoint } from '@/core/space';
import { METRIC_STYLE } from '@/core/units';
import { resolveSetUp } from '@/core/view';
import {
  boxPiece,
  boxView,
  DEMO_CASES,
  drawnRight,
  drawnWhole,
  expectKeptWhereSeen,
  expectSound,
  holds,
  measuredAt,
  measuredOffFloor,
  planesOf,
  readBack,
  roomsByLot,
  runs,
  smallRoom,
} from '@/testing';
import { gridLayer } from '@/core/drawing';
import { gridAtHand, usualGrid } from './index';

const way = { school: 'measured-grid' } as const;

/** A count as it is written, in squares: 3½, C.2, +1.375. Written apart from what writes it. */
function read(call: string): number {
  const [, sign = '', whole = '', rest = ''] = /^([−+]?)(0A|[A-Z]+|\d+)(\.\d+|[¼½¾])?$/.exec(call) ?? [];
  expect(whole, call).not.toBe('');
  const letters = [...whole].reduce((sum, letter) => sum * 26 + letter.charCodeAt(0) - 64, 0);
  const units = whole === '0A' ? 0 : /^\d/.test(whole) ? Number(whole) : letters;
  const fraction = { '¼': 0.25, '½': 0.5, '¾': 0.75 }[rest] ?? Number(`0${rest}`);
  return (sign === '−' ? -1 : 1) * (units + fraction);
}

/** Each count of a sentence is where the mark stands in the room, to the last digit that is written. */
function expectCounted(
  { plan, whole }: { readonly plan: WholePlan; readonly whole: WholeDraft },
  grid: NonNullable<ReturnType<typeof gridAtHand>>,
): number {
  const { zero, along, away, unit } = grid.system;
  const byLabel = new Map([...plan.labels].map(([mark, label]) => [label, mark]));
  const squares = (p: WorldPoint): readonly number[] => {
    const [x, y] = [p.x - zero.x, p.y - zero.y];
    return [(x * along.x + y * along.y) / unit, (x * away.x + y * away.y) / unit, (p.z - grid.floor) / unit];
  };
  let counted = 0;
  for (const { says, of, crossings } of plan.steps) {
    const said = says.flatMap((saying) => {
      const [, label = '', place] = /^Mark (\S+) where .+ crosses [^:]+: (.+)\.$/.exec(say(saying, METRIC_STYLE)) ?? [];
      return place === undefined ? [] : [[label, place] as const];
    });
    const listed = crossings.flatMap(({ label, counted: place }) => (place === null ? [] : [[label, place] as const]));
    for (const [label, place] of [...said, ...listed]) {
      expect(of.length, 'what is counted belongs to a thing').toBeGreaterThan(0);
      const world = whole.stands.get(byLabel.get(label) ?? '');
      if (!world) throw new Error(`${label} stands nowhere`);
      const told = place.split(', ').map(read);
      squares(world).forEach((n, i) => holds(Math.abs(n - (told[i] ?? 0)) < 0.00051, () => `${label} at ${place}`));
      counted += 1;
    }
  }
  return counted;
}

/** What is measured from a measuring point are whole lines: all else is counted, and found in its square. */
function expectInSquares({ operations, roles, squares, parted }: WholeDraft, offFloor: ReadonlySet<string>): void {
  if (!squares) throw new Error('a grid is drawn');
  const measuring = new Set(
    operations.flatMap((one) =>
      one.op === 'rule' && one.through.some((mark) => roles.get(mark) === 'measuring' && !parted.divided.has(mark))
        ? [one.line]
        : [],
    ),
  );
  const crossed = operations.filter(
    (one) => one.op === 'cross' && one.lines.some((line) => measuring.has(line) && !offFloor.has(line)),
  );
  expect(crossed.length).toBeGreaterThan(2);
  for (const one of crossed) {
    const mark = one.op === 'cross' ? one.mark : '';
    expect(squares.labels.has(mark), `${mark} is a whole line’s, counted ${squares.counted.get(mark) ?? ''}`).toBe(
      true,
    );
  }
}

function expectWhole(project: Project, view: View, order: Order): void {
  const made = drawnRight(project, view, { order, school: 'measured-grid' });
  if (!made) return;
  const { plan, whole, setUp, scene } = made;
  // No number of a mark could be taken for one of the grid's.
  for (const [mark, label] of plan.labels)
    holds(!/^\d+$/.test(label) || whole.squares?.labels.get(mark) === label || Number(label) > 100, () => label);
  // Numbers of the grid are told as they stand, from left to right.
  const onGrid = new Map([...(whole.squares?.labels ?? [])].map(([mark, label]) => [label, mark]));
  for (const saying of plan.steps.flatMap(({ says }) => says)) {
    const listed = /^Rule from (.+) toward \S+\.$/.exec(say(saying, METRIC_STYLE))?.[1]?.split(/, | and /) ?? [];
    const marks = listed.flatMap((label) => onGrid.get(label) ?? []);
    if (marks.length < 2 || marks.length < listed.length) continue;
    const us = marks.map((mark) => whole.desk.machine.markAt(mark).u);
    expect(
      [...us].sort((a, b) => a - b),
      listed.join(),
    ).toEqual(us);
  }
  // The point an edge is divided from is found for that, and said to be.
  for (const { operations, because } of plan.steps)
    if (operations.some((one) => one.op === 'cross' && whole.parted.divided.has(one.mark)))
      expect(because).toContain('both far ends finds it');
  const grid = gridAtHand(project, view, setUp, scene.bodies);
  if (!grid) throw new Error('a room has a grid');
  expect(expectCounted({ plan, whole }, grid)).toBeGreaterThan(20);
  expectInSquares(whole, measuredOffFloor(view, setUp, whole));
  const flat = [...whole.stands.keys()].filter((mark) => (whole.desk.machine.crossingDeg.get(mark) ?? 90) < FLAT_DEG);
  expect(flat.length / whole.stands.size).toBeLessThan(0.05);
}

describe('measured grid', () => {
  it.each(DEMO_CASES)('%s, %s, with %s measured: everything that is seen is counted on squares', (_, __, ___, one) => {
    const setUp = resolveSetUp(one.demo, one.view);
    if (!setUp.ok) throw new Error(setUp.error.message);
    expectWhole(one.demo, measuredAt(one.view, setUp.value, one.times), at(ORDERS, one.times < 1 ? 1 : 0));
  });
  it.each(Array.from({ length: Math.max(10, Math.round(runs() / 50)) }, (_, i) => i + 1))(
    'room %i by lot: everything that is seen, whichever plane is measured',
    (seed) => {
      for (const { project, view, order } of roomsByLot(seed, planesOf(seed))) expectWhole(project, view, order);
    },
  );
});

describe('counting on the grid', () => {
  const wide = { left: -200, right: 200, bottom: -140, top: 140 };
  const stand = boxView({ frame: wide });
  const drawn = (piece: Parameters<typeof boxPiece>[0]) =>
    drawnWhole(smallRoom([boxPiece(piece)], stand), stand, { way });

  it.each([
    ['west', { fromWest: 350, fromNorth: 1000 }, (p: WorldPoint) => p.x],
    ['east', { fromWest: 2600, fromNorth: 1000 }, (p: WorldPoint) => 4000 - p.x],
  ] as const)('the heights of a piece come from the %s wall, which is nearest to it', (_, place, off) => {
    const { whole } = drawn(place);
    const own = new Set(whole.edges.flatMap(({ of, from, to }) => (of === 'box' ? [from, to] : [])));
    const borrowed = whole.operations.flatMap((one, i) => {
      const stands = one.op === 'cross' ? whole.stands.get(one.mark) : undefined;
      return whole.madeFor[i] === 'box' && one.op === 'cross' && !own.has(one.mark) && stands && stands.z > 1
        ? [stands]
        : [];
    });
    expect(borrowed.length).toBeGreaterThan(0);
    for (const p of borrowed) expect(off(p)).toBeCloseTo(0, 6);
  });

  it('halves and quarters come from diagonals, other parts from a divided edge', () => {
    const counts = (fromNorth: number): readonly [number, number] => {
      const { whole } = drawn({ fromWest: 1000, fromNorth, depth: 1000 });
      const lines = whole.operations.flatMap((one) => ('line' in one ? [one.line] : []));
      return [
        lines.filter((line) => whole.parted.diagonals.has(line)).length,
        whole.operations.filter(
          (one) => one.op === 'rule' && one.through.some((mark) => whole.parted.divided.has(mark)),
        ).length,
      ];
    };
    const [whole, half, other] = [counts(1000), counts(1250), counts(1180)];
    expect(half[0]).toBeGreaterThan(whole[0]);
    expect(other[1]).toBeGreaterThan(whole[1]);
    expect(other[0]).toBe(whole[0]);
  });

  it('of a grid finer than one draws every so many lines are drawn, under their own numbers; counting goes on in the unit', () => {
    const fine = { ...stand, grid: { ...usualGrid('metric'), unit: { mm: 25, asTyped: '25' } } };
    const { whole, plan, scene, setUp } = drawnWhole(smallRoom([boxPiece()], fine), fine, { way });
    const calls = [...(whole.squares?.calls.values() ?? [])];
    expect(calls.length).toBeGreaterThan(20);
    expect(calls.length).toBeLessThanOrEqual(120);
    const every = Math.min(...calls.filter((call) => /^\d+$/.test(call)).map(Number));
    expect([5, 10, 20]).toContain(every);
    for (const call of calls) expect(read(call) % every, call).toBe(0);
    expect(whole.unreached).toEqual([]);
    const grid = gridAtHand(smallRoom([], fine), fine, setUp, scene.bodies);
    expect(grid && expectCounted({ plan, whole }, grid)).toBeGreaterThan(0);
  });

  it.each([
    [165, wide],
    [195, wide],
    [165, { ...wide, right: 90 }],
  ] as const)(
    'a wall that stands askew, at %i°, has its squares drawn too: uprights by its own count, levels by the floor’s',
    (bearingDeg, frame) => {
      const grid = { ...usualGrid('metric'), unit: { mm: 1000, asTyped: '1000' }, ceiling: false };
      const view = { ...stand, frame, grid };
      const square = smallRoom([boxPiece()], view);
      const space = at(square.spaces, 0);
      const walls = space.walls.map((wall) => (wall.id === 'east' ? { ...wall, bearingDeg } : wall));
      const room = { ...square, spaces: [{ ...space, walls }] };
      const { whole, plan, setUp, scene, lines } = drawnWhole(room, view, { way });
      expectSound(view, setUp, whole);
      expect(whole.unreached).toEqual([]);
      expectKeptWhereSeen(scene.prepared, lines, whole);
      readBack(plan, whole, { setUp, centreOnSheet: view.centreOfVisionOnSheet, sheet: view.sheet });
      const run = wallRuns(at(room.spaces, 0)).find(({ wall }) => wall.id === 'east');
      if (!run || !whole.squares) throw new Error('it has an east wall');
      const onWall = [...whole.squares.names].filter(([, words]) => words.endsWith(run.wall.name));
      expect(onWall.map(([, words]) => words.split(' ')[1])).toEqual(expect.arrayContaining(['1′', '+1', '+2']));
      for (const [line, words] of onWall) {
        const ruled = whole.operations.find((one) => 'line' in one && one.line === line);
        const marks = ruled?.op === 'rule' ? ruled.through : ruled?.op === 'upright' ? [ruled.through] : [];
        expect(marks.length, words).toBeGreaterThan(0);
        for (const mark of marks) {
          const p = whole.stands.get(mark);
          const off = p && dot2({ x: p.x - run.start.x, y: p.y - run.start.y }, { x: run.run.y, y: -run.run.x });
          expect(off, words).toBeCloseTo(0, 6);
          const own = p && dot2({ x: p.x - run.start.x, y: p.y - run.start.y }, run.run) / 1000;
          if (words.includes('′')) expect(own).toBeCloseTo(Number(/ (\d+)′/.exec(words)?.[1]), 6);
          else expect((p?.z ?? NaN) / 1000).toBeCloseTo(Number(/ \+(\d+)/.exec(words)?.[1]), 6);
        }
      }
      // A level line ends with the wall, or at the picture's side.
      const ends = onWall
        .filter(([, words]) => words.includes('+'))
        .flatMap(([line]) =>
          whole.operations.flatMap((one) => (one.op === 'rule' && one.line === line ? one.through : [])),
        );
      for (const mark of ends) {
        const p = whole.stands.get(mark);
        const own = p ? dot2({ x: p.x - run.start.x, y: p.y - run.start.y }, run.run) : NaN;
        const { u, v } = whole.desk.machine.markAt(mark);
        const { left, right, bottom, top } = view.frame;
        const off = [own, own - run.lengthMm, u - left, u - right, v - bottom, v - top];
        expect(Math.min(...off.map(Math.abs)), mark).toBeLessThan(1e-6);
      }
      // What is printed is what is drawn.
      const printed = gridLayer(room, view, setUp, scene.bodies).words.map(({ text }) => text);
      const written = new Set(whole.squares.calls.values());
      for (const text of printed) expect(written.has(text), text).toBe(true);
    },
  );

  it.each(DEMOS.map((demo) => [demo.id, demo] as const))(
    '%s: every line of the plan’s grid is printed, under the same number, where the plan has it',
    (_, demo) => {
      const view = { ...at(demo.views, 0), grid: usualGrid(demo.units) };
      const { plan, whole, scene, setUp } = drawnWhole({ ...demo, views: [view] }, view, { way });
      const { x, y } = view.centreOfVisionOnSheet;
      const { strokes, words } = gridLayer(demo, view, setUp, scene.bodies);
      const { machine } = whole.desk;
      const calls = [...(whole.squares?.calls ?? [])].filter(([line]) => machine.lines.has(line));
      expect(calls.length).toBeGreaterThan(20);
      let compared = 0;
      for (const word of words) {
        // The line that a number is written at begins beside it, on the floor below, on a wall above.
        const stroke = strokes.find(
          (one) =>
            Math.abs(one.x0 - (word.x - 0.6)) < 1e-9 &&
            (Math.abs(one.y0 - (word.y + 2.7)) < 1e-9 || Math.abs(one.y0 - (word.y - 0.6)) < 1e-9),
        );
        if (!stroke) continue;
        const same = calls.filter(([line]) => {
          const { at: p, run } = machine.lineOf(line);
          return [
            [stroke.x0 - x, stroke.y0 - y],
            [stroke.x1 - x, stroke.y1 - y],
          ].every(([u = 0, v = 0]) => Math.abs((u - p.u) * run.v - (v - p.v) * run.u) < 1e-6);
        });
        if (same.length === 0) continue;
        holds(
          same.some(([, call]) => call === word.text),
          () => `${word.text} is printed at what the plan calls ${same.map(([, call]) => call).join(', ')}`,
        );
        compared += 1;
      }
      expect(compared).toBeGreaterThan(15);
      expect(plan.lineNames.size).toBeGreaterThan(0);
    },
  );
});
