import { describe, expect, it } from 'vitest';
import { DEMOS } from '@/app/demo';
import { at } from '@/core/base';
import { SCHOOLS, makes } from '@/core/construction';
import { choosePieceWay, PLAN_BEGINS, SCHOOL_NAMES, type PlanWay, type Project } from '@/core/record';
import { projectPoint, resolveSetUp } from '@/core/view';
import { drain, visibleLinesExact } from '@/core/visibility';
import { boxPiece, boxView, smallRoom } from '@/testing';
import { sceneOf, wholeDraftOf, wholePlanOf, type WholeWays } from './index';

function drafted(project: Project, ways: WholeWays = {}) {
  const view = at(project.views, 0);
  const resolved = resolveSetUp(project, view);
  if (!resolved.ok) throw new Error(resolved.error.message);
  const setUp = resolved.value;
  const scene = sceneOf(project);
  const lines = drain(visibleLinesExact(scene.prepared, setUp, view.frame));
  return { view, setUp, scene, lines, ...wholeDraftOf(project, view, scene, setUp, lines, ways) };
}

function expectRight({ setUp, whole }: ReturnType<typeof drafted>): void {
  expect(whole.stands.size).toBeGreaterThan(10);
  for (const [mark, world] of whole.stands) {
    const [drawn, right] = [whole.desk.machine.markAt(mark), projectPoint(setUp, world)];
    expect(right && Math.hypot(drawn.u - right.u, drawn.v - right.v), mark).toBeLessThan(1e-6);
  }
  expect(whole.unreached).toEqual([]);
}

describe('schools', () => {
  it('each is one of those a project may name, and says what it is called', () => {
    expect(Object.keys(SCHOOLS).sort()).toEqual([...SCHOOL_NAMES].sort());
    for (const name of SCHOOL_NAMES) expect(SCHOOLS[name].name).toBe(name);
    expect(new Set(SCHOOL_NAMES.map((name) => SCHOOLS[name].words)).size).toBe(SCHOOL_NAMES.length);
  });
  it.each(
    DEMOS.flatMap((demo) =>
      SCHOOL_NAMES.flatMap((school) => PLAN_BEGINS.map((begin) => [demo.id, school, begin, demo] as const)),
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
