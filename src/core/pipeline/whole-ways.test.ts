import { sheetIn } from './whole-draft';
import { describe, expect, it } from 'vitest';
import { DEMOS } from '@/app/demo';
import { at } from '@/core/base';
import { say, SCHOOLS, makes, wholePlan } from '@/core/construction';
import {
  choosePieceWay,
  PLAN_BEGINS,
  sameMark,
  SCHOOL_NAMES,
  type PlanWay,
  type Project,
  type SchoolName,
} from '@/core/record';
import { METRIC_STYLE } from '@/core/units';
import { projectPoint, resolveSetUp, setOutOf, turnPlan, type SetUp } from '@/core/view';
import { drain, visibleLinesExact } from '@/core/visibility';
import {
  boxPiece,
  boxView,
  drawnRight,
  holds,
  measuredOffFloor,
  PLANES,
  planesOf,
  randomRoom,
  readBack,
  roomsByLot,
  runs,
  smallRoom,
} from '@/testing';
import { boardAbout, sceneOf, wholeDraftOf, wholePlanOf, type WholeWays } from './index';

function worked(project: Project): SetUp {
  const resolved = resolveSetUp(project, at(project.views, 0));
  if (!resolved.ok) throw new Error(resolved.error.message);
  return resolved.value;
}

function drafted(project: Project, ways: WholeWays = {}) {
  const view = at(project.views, 0);
  const setUp = worked(project);
  const scene = sceneOf(project);
  const lines = drain(visibleLinesExact(scene.prepared, setUp, view.frame));
  return { view, setUp, scene, lines, ...wholeDraftOf(project, view, scene, setUp, lines, ways) };
}

function expectRight(given: ReturnType<typeof drafted>): void {
  expectMarksRight(given);
  expect(given.whole.unreached).toEqual([]);
}

function expectMarksRight({ setUp, whole }: ReturnType<typeof drafted>): void {
  expect(whole.stands.size).toBeGreaterThan(10);
  for (const [mark, world] of whole.stands) {
    const [drawn, right] = [whole.desk.machine.markAt(mark), projectPoint(setUp, world)];
    holds(right !== null && Math.hypot(drawn.u - right.u, drawn.v - right.v) < 1e-6, () => mark);
  }
}

/** Schools whose own tests draw every demonstration from its footprints; in the short run each begins one of them with crates. */
const WITH_FOOTPRINTS: ReadonlySet<SchoolName> = new Set([
  'measured-grid',
  'diagonals',
  'sheet-corners',
  'binary-steps',
]);

describe('schools', () => {
  it('each is one of those a project may name, and says what it is called', () => {
    expect(Object.keys(SCHOOLS).sort()).toEqual([...SCHOOL_NAMES].sort());
    for (const name of SCHOOL_NAMES) expect(SCHOOLS[name].name).toBe(name);
    expect(new Set(SCHOOL_NAMES.map((name) => SCHOOLS[name].words)).size).toBe(SCHOOL_NAMES.length);
  });
  it.each(
    DEMOS.flatMap((demo, i) =>
      SCHOOL_NAMES.flatMap((school, k) =>
        PLAN_BEGINS.filter(
          (begin) => runs() > 100 || !WITH_FOOTPRINTS.has(school) || (begin === 'crate' && k % DEMOS.length === i),
        ).map((begin) => [demo.id, school, begin, demo] as const),
      ),
    ),
  )('%s, %s, beginning with the %s: every mark is right and all is drawn', (_, school, begin, demo) =>
    expectRight(drafted(demo, { way: { school, begin } })),
  );
  it('a turned table in a square room has points of its own, or is measured with the room', () => {
    const room = smallRoom(
      [boxPiece({ id: 'square' }), boxPiece({ id: 'turned', turnDeg: 30, fromWest: 2400 })],
      boxView(),
    );
    const pointsOf = (project: Project): readonly string[] =>
      drafted(project).whole.operations.flatMap((one) => (one.op === 'take' ? [one.mark] : []));
    expect(pointsOf(room).filter((one) => /^(VL|VR|ML|MR)/.test(one)).length).toBeGreaterThan(2);
    const way: PlanWay = { school: 'distance-point', begin: 'footprint' };
    const measured = choosePieceWay(room, 'view', 'turned', way);
    expect(pointsOf(measured).filter((one) => /^(VL|VR|ML|MR)/.test(one))).toEqual([]);
    expectRight(drafted(measured));
  });
});

describe('by the distance point alone', () => {
  // Rooms that are turned: what is square to the picture plane is measured so by the usual school too.
  it.each(Array.from({ length: Math.max(10, Math.round(runs() / 50)) }, (_, i) => 2 * i + 1))(
    'room %i by lot, turned: everything that is seen, measured square to the picture plane',
    (seed) => {
      for (const { project, view, order } of roomsByLot(seed, planesOf(seed))) {
        const made = drawnRight(project, view, { order, school: 'distance-point' });
        expect((made?.whole.frames ?? []).map(({ turnDeg }) => turnDeg)).toEqual(made ? [0] : []);
      }
    },
  );
});

describe('what stands over a floor beyond the board', () => {
  it.each(['distance-point', 'measured-grid', 'diagonals'] as const)(
    'room 34 by lot, %s: a baluster close to the eye is measured in a level plane at its own height',
    (school) => {
      for (const { project, view, order } of roomsByLot(34, [at(PLANES, 1)])) {
        const made = drawnRight(project, view, { order, school });
        if (!made) throw new Error('much is seen of it');
        const { whole, setUp, plan } = made;
        const lines = measuredOffFloor(view, setUp, whole);
        expect(lines.size).toBeGreaterThan(0);
        expect(whole.edges.map(({ edge }) => edge)).toContain('piece-0/flight-baluster-low-3-1/far-edge-4');
        const told = plan.steps.filter(({ because }) => because.includes('at its own height'));
        expect(told.length).toBeGreaterThan(0);
        for (const { does, operations } of told) {
          expect(does.pass).toBe('scale');
          for (const one of operations) expect(one.op === 'lay-off' && whole.ownLevels.has(one.on)).toBe(true);
        }
      }
    },
  );
});

describe('what climbs', () => {
  const stairs = DEMOS.flatMap((demo) => demo.views.map((view) => ({ ...demo, views: [view] }))).filter(
    (demo) => setOutOf(demo, at(demo.views, 0), worked(demo)).slopes.length > 0,
  );
  it('lines of one pitch are ruled to one point above or below the horizon, which is the set-out’s', () => {
    let ruled = 0;
    for (const demo of stairs) {
      const told = drafted(demo);
      expectRight(told);
      const { setUp, whole, view } = told;
      const { slopes } = setOutOf(demo, view, setUp);
      for (const { mark } of whole.inclined) {
        const slope = slopes.find(({ vanishing }) => vanishing.label === mark);
        const drawn = whole.desk.machine.markAt(mark);
        expect(slope && Math.hypot(slope.vanishing.at.u - drawn.u, slope.vanishing.at.v - drawn.v), mark).toBeLessThan(
          1e-6,
        );
        const to = whole.operations.filter((one) => one.op === 'rule' && one.through.includes(mark));
        expect(to.length).toBeGreaterThan(1);
        ruled += to.length;
      }
    }
    expect(ruled).toBeGreaterThan(5);
  });
});

describe('points beyond the board', () => {
  const readTicks = ({ view, setUp, whole }: ReturnType<typeof drafted>): void => {
    expect(whole.ticks.size).toBeGreaterThan(5);
    const edges = [-view.centreOfVisionOnSheet.x, view.sheet.width - view.centreOfVisionOnSheet.x];
    const board = boardAbout(view);
    for (const [mark, { u, v }] of whole.desk.machine.marks)
      expect(u >= board.left && u <= board.right && v >= board.bottom && v <= board.top, mark).toBe(true);
    for (const one of whole.operations) {
      if (one.op !== 'rule') continue;
      const [p, q] = one.through.map((mark) => whole.desk.machine.markAt(mark));
      if (p && q) expect(Math.hypot(q.u - p.u, q.v - p.v)).toBeLessThanOrEqual(view.straightedge);
    }
    for (const tick of whole.ticks) {
      const { u } = whole.desk.machine.markAt(tick);
      expect(Math.min(...edges.map((edge) => Math.abs(edge - u))), tick).toBeLessThan(1e-9);
    }
    const plan = wholePlan(whole, {
      ...{ order: 'by-pass', byEye: [], setUp, ...sheetIn(view) },
      nameOf: () => 'the room',
    });
    expect(readBack(plan, whole, { setUp, ...sheetIn(view) }).directions).toBeGreaterThan(20);
    const said = plan.steps.flatMap((step) => step.says.map((one) => say(one, METRIC_STYLE)));
    expect(said.some((one) => /^Lay the scale rule on the sheet’s (left|right) edge/.test(one))).toBe(true);
    for (const one of whole.vanishing) if (one.to.by === 'ticks') expect(plan.labels.has(one.to.label)).toBe(false);
  };
  it.each(
    DEMOS.flatMap((demo) =>
      setOutOf(demo, at(demo.views, 0), worked(demo))
        .groups.filter((group) => group.turnDeg !== 0)
        .slice(0, 1)
        .flatMap((group) =>
          group.marks.flatMap((mark) => (mark.name.role === 'vanishing' ? [{ ...mark, turnDeg: group.turnDeg }] : [])),
        )
        .map(({ label, name, turnDeg }) => [demo.id, label, demo, name, turnDeg] as const),
    ),
  )('%s, %s by ticks as chosen in the set-out: its lines run to ticks on the edges, and all is right', (...given) => {
    const [, label, demo, mark, turnDeg] = given;
    const view = at(demo.views, 0);
    const aids = [...view.aids.filter((one) => !sameMark(one.mark, mark)), { by: 'ticks' as const, mark, stepMm: 10 }];
    const told = drafted({ ...demo, views: [{ ...view, aids }] });
    expectRight(told);
    // Where the pair is drawn in at all it is drawn by ticks, though its point may lie on the board.
    const drawn = told.whole.frames.some(({ turnDeg: turn }) => Math.abs(turn - turnDeg) < 1e-6);
    if (demo.id === 'weaving-loft') expect(drawn).toBe(true);
    if (!drawn) return;
    expect(told.whole.vanishing.some(({ to }) => to.by === 'ticks' && to.label === label)).toBe(true);
    expect(told.whole.points.has(label)).toBe(false);
    readTicks(told);
  });
  it.each([
    [900, 8],
    [900, 20],
    [700, 23],
  ])('on a board of %i mm, room %i: where no points can be had ticks stand for them unasked', (width, seed) => {
    const room = randomRoom(seed);
    const board = { width, height: (width * 13) / 18 };
    const given = {
      ...{ ...boxView(), board, straightedge: 1000 },
      sheetOnBoard: { x: (width - boxView().sheet.width) / 2, y: (board.height - boxView().sheet.height) / 2 },
    };
    const told = drafted({ ...room, views: [{ ...given, ...turnPlan(room, given, 12) }] });
    expectRight(told);
    readTicks(told);
  });
  it.each([2, 3])(
    'a measuring point is used at 1/%i of its way as chosen, its lengths laid off in the same part',
    (n) => {
      const demo = at(DEMOS, 0);
      const view = at(demo.views, 0);
      const { groups } = setOutOf(demo, view, worked(demo));
      const point = groups.flatMap(({ marks }) => marks).find(({ name }) => name.role === 'measuring');
      if (!point) throw new Error('a turned pair is measured');
      const aids = [...view.aids, { by: 'fraction' as const, mark: point.name, n }];
      const told = drafted({ ...demo, views: [{ ...view, aids }] });
      expectRight(told);
      expect(told.whole.points.has(`${point.label}/${n}`)).toBe(true);
      expect(told.whole.points.has(point.label)).toBe(false);
    },
  );
  it('a point beyond the straightedge is served by ticks where nothing else leads there', () => {
    // A ruler that does not even reach half across the sheet.
    const [demo] = DEMOS.filter((one) => one.units === 'imperial');
    if (!demo) throw new Error('a demo in feet and inches');
    const short = drafted({ ...demo, views: [{ ...at(demo.views, 0), straightedge: 390 }] });
    expectMarksRight(short);
    readTicks(short);
    expect(short.whole.unreached.length).toBeLessThan(short.whole.edges.length / 50);
  });
});

describe('beginnings', () => {
  const chair = at(
    DEMOS.filter((one) => one.id === 'tea-room'),
    0,
  );
  it('crate first draws the box a piece just fits into before its own lines, and none of it firm', () => {
    const { view, setUp, scene, lines } = drafted(chair);
    const plan = (way: Partial<PlanWay>) =>
      wholePlanOf(chair, view, scene, setUp, lines, { order: 'by-piece', way }).plan;
    const [foot, crate] = [plan({ begin: 'footprint' }), plan({ begin: 'crate' })];
    expect(crate.counts.marks).toBeGreaterThan(foot.counts.marks);
    // What stays is what is seen, whatever one began with.
    expect(crate.keeps.map((one) => one.edge).sort()).toEqual(foot.keeps.map((one) => one.edge).sort());
  });
  it('the footprint comes before what stands on it', () => {
    const { whole } = drafted(chair, { way: { begin: 'footprint' } });
    const made = new Map(
      whole.operations.flatMap((one, i) =>
        makes(one).marks.map((mark) => [mark, { i, of: whole.madeFor[i] }] as const),
      ),
    );
    let told = 0;
    for (const piece of chair.pieces) {
      const own = [...whole.stands].flatMap(([mark, world]) => {
        const where = made.get(mark);
        return where?.of === piece.id ? [{ i: where.i, z: world.z }] : [];
      });
      const floor = Math.min(...own.map((one) => one.z));
      const [foot, above] = [own.filter((one) => one.z < floor + 1), own.filter((one) => one.z > floor + 1)];
      if (foot.length < 4 || above.length === 0) continue;
      const first = [...foot].sort((a, b) => a.i - b.i).slice(0, 4);
      expect(Math.max(...first.map((one) => one.i)), piece.id).toBeLessThan(Math.max(...above.map((one) => one.i)));
      told += 1;
    }
    expect(told).toBeGreaterThan(2);
  });
});
