import { afterAll, describe, expect, it } from 'vitest';
import { at } from '@/core/base';
import { ORDERS, say, type Order } from '@/core/construction';
import type { Project, View } from '@/core/record';
import type { WorldPoint } from '@/core/space';
import { formatLength, METRIC_STYLE } from '@/core/units';
import { resolveSetUp } from '@/core/view';
import {
  boxPiece,
  boxView,
  DEMO_CASES,
  drawnWhole,
  expectAllDrawn,
  expectDrawnToCrossings,
  expectKeptWhereSeen,
  expectSound,
  holds,
  measuredAt,
  planesOf,
  readBack,
  roomsByLot,
  runs,
  smallRoom,
} from '@/testing';
import { firstInterval } from './index';

const WITHIN = 1 / 16;
const way = { school: 'binary-steps' } as const;

/** Each step is a binary one within 1/16 of the interval, is told with how far it is off, and moves what rests on it by just that. @returns how many there are. */
function expectJudged(project: Project, view: View, order: Order): number {
  const made = drawnWhole(project, view, { order, way });
  const { setUp, scene, lines, plan, whole, targets } = made;
  if (targets.edges.length < 3) return 0;
  expectSound(view, setUp, whole);
  expectAllDrawn(scene.prepared, lines, { whole, targets });
  readBack(plan, whole, { setUp, centreOnSheet: view.centreOfVisionOnSheet, sheet: view.sheet });
  expectDrawnToCrossings(plan, whole);
  expect(whole.unreached).toEqual([]);
  const { judged, stepsJudged, stands, edges, curves } = whole;
  const unit = firstInterval(project, view)?.mm ?? NaN;
  for (const { drawnAt, ratio, offMm } of stepsJudged.values()) {
    holds(Number.isInteger(drawnAt * 8), () => `${drawnAt} is no eighth`);
    holds(Math.abs(drawnAt - ratio) <= WITHIN + 1e-9 && ratio !== drawnAt, () => `${drawnAt} for ${ratio}`);
    // An interval that cannot be had is halved until it can.
    const halvings = Math.log2(unit / (offMm / Math.abs(drawnAt - ratio)));
    holds(Math.abs(halvings - Math.round(halvings)) < 1e-4, () => `${offMm} off`);
  }
  // Whatever is off is off by steps that are told: by one, or by one of each direction.
  const told = [...stepsJudged.values()].map(({ offMm }) => offMm);
  const offs = [...told, ...told.flatMap((a) => told.map((b) => Math.hypot(a, b)))];
  for (const [mark, off] of judged)
    holds(
      offs.some((one) => Math.abs(one - off) < 1e-6),
      () => `${mark} is ${off} off, untold`,
    );
  // What rests on no judged step is exact; what does is off by it, in the room, and nowhere else.
  const exact = edges.filter(({ from, to }) => !judged.has(from) && !judged.has(to));
  expectKeptWhereSeen(scene.prepared, lines, { ...whole, edges: exact });
  // Of an edge that is drawn in several parts, the one that is nearest to the marks.
  const targetOf = (edge: string, from: string, to: string) => {
    const off = (mark: string, { x, y, z }: WorldPoint): number => {
      const p = stands.get(mark);
      return p ? Math.hypot(p.x - x, p.y - y, p.z - z) : 0;
    };
    const apart = (one: (typeof targets.edges)[number]): number => off(from, one.from.at) + off(to, one.to.at);
    return targets.edges.filter((one) => one.edge === edge).sort((p, q) => apart(p) - apart(q))[0];
  };
  const pairs: { right: WorldPoint; drawn: WorldPoint }[] = [];
  for (const { edge, from, to } of edges) {
    const target = targetOf(edge, from, to);
    if (!target) throw new Error(edge);
    for (const [mark, end] of [
      [from, target.from],
      [to, target.to],
    ] as const) {
      const world = stands.get(mark);
      if (!world || end.cutBy !== null) continue;
      const off = Math.hypot(world.x - end.at.x, world.y - end.at.y);
      holds(
        Math.abs(world.z - end.at.z) < 1e-6,
        () => `${edge} ${mark} is no height ${JSON.stringify([end.at, world])}`,
      );
      holds(Math.abs(off - (judged.get(mark) ?? 0)) < 1e-6, () => `${mark} is ${off} off`);
      pairs.push({ right: end.at, drawn: world });
    }
  }
  // What is round keeps its shape.
  const marks = new Set(curves.map(({ curve }) => curve));
  for (const one of whole.operations)
    if (one.op === 'curve' && marks.has(one.curve))
      for (const mark of one.through) expect(judged.has(mark), one.curve).toBe(false);
  // Of two places one behind the other, or side by side, neither changes sides.
  const [frame] = whole.frames;
  if (!frame) throw new Error('one frame');
  for (const axis of [frame.x, frame.y]) {
    const along = pairs
      .map(({ right, drawn }) => [right, drawn].map((p) => p.x * axis.x + p.y * axis.y) as [number, number])
      .sort((a, b) => a[0] - b[0]);
    along.slice(1).forEach(([right, drawn], i) => {
      const [r, d] = at(along, i);
      holds(right - r < 1e-6 ? Math.abs(drawn - d) < 1e-6 : drawn - d > (right - r) * 0.49, () => `${right} of ${r}`);
    });
  }
  const said = plan.steps.flatMap(({ says, id }) =>
    says.flatMap((one) => {
      const [, label = '', told = '', off = ''] =
        /^Judged: (\S+) stands at (.+) of an interval in place of .+, (.+) off in the room\.$/.exec(
          say(one, METRIC_STYLE),
        ) ?? [];
      return label === '' ? [] : [{ label, told, off, id }];
    }),
  );
  expect(said).toHaveLength(stepsJudged.size);
  expect(plan.judged).toHaveLength(stepsJudged.size);
  for (const { mark, drawnAt, offMm, step } of plan.judged) {
    const one = said.find(({ label }) => label === plan.labels.get(mark));
    expect(one).toMatchObject({ off: formatLength(offMm, METRIC_STYLE), id: step });
    expect(read(one?.told ?? '')).toBe(drawnAt);
    expect(plan.steps.find(({ id }) => id === step)?.because).toContain('outside the exactness');
  }
  return stepsJudged.size;
}

/** A step as it is written, read apart from what writes it: −1 3/8. */
function read(words: string): number {
  const [, sign, whole, over, under] = /^(−)?(?:(\d+)(?: |$))?(?:(\d)\/([248]))?$/.exec(words) ?? [];
  expect(whole ?? over, words).toBeDefined();
  // In its lowest terms.
  if (over) expect(Number(over) % 2, words).toBe(1);
  return (sign ? -1 : 1) * (Number(whole ?? 0) + (over ? Number(over) / Number(under) : 0));
}

describe('binary steps, judged', () => {
  let judgedInAll = 0;
  afterAll(() => expect(judgedInAll).toBeGreaterThan(3));
  it.each(DEMO_CASES.filter(({ 3: { times } }) => runs() > 100 || times === 1))(
    '%s, %s, with %s measured: judged where a step is near, exact in all else',
    (...given) => {
      const { demo, view, times } = given[3];
      const setUp = resolveSetUp(demo, view);
      if (!setUp.ok) throw new Error(setUp.error.message);
      const count = expectJudged(demo, measuredAt(view, setUp.value, times), at(ORDERS, times < 1 ? 1 : 0));
      judgedInAll += count;
    },
  );
  it.each(Array.from({ length: Math.max(10, Math.round(runs() / 50)) }, (_, i) => i + 1))(
    'room %i by lot, whichever plane is measured',
    (seed) => {
      for (const { project, view, order } of roomsByLot(seed, planesOf(seed))) expectJudged(project, view, order);
    },
  );

  it('a chest by itself goes on the nearest eighths, and in the exact school stays where it is', () => {
    const stand = boxView();
    const room = smallRoom([boxPiece({ fromWest: 820, fromNorth: 900 })], stand);
    const made = drawnWhole(room, stand, { way });
    const steps = [...made.whole.stepsJudged.values()];
    expect(steps.length).toBeGreaterThan(0);
    const exact = drawnWhole(room, stand, { way: { school: 'diagonals' } });
    expect(exact.whole.stepsJudged.size + exact.whole.judged.size).toBe(0);
    expect(exact.plan.judged).toEqual([]);
  });
});
