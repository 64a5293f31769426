import { planOnPaper } from '@/core/construction';
import { sceneOf, sheetOf, wholePlanOf } from '@/core/pipeline';
import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { DEMOS } from '@/app/demo';
import { at } from '@/core/base';
import { lengthStyleOf } from '@/core/record';
import { projectPoint, standOf } from '@/core/view';
import { drain, visibleLinesExact } from '@/core/visibility';
import { holds } from '@/testing';
import { readPoints, writePoints } from './points';
import { writeSvg } from './svg';
import { writeSetOut, writeSteps } from './tables';

function worked(id: string) {
  const project = DEMOS.find((one) => one.id === id);
  if (!project) throw new Error(id);
  const view = at(project.views, 0);
  const scene = sceneOf(project);
  const stand = standOf(project, view);
  if (!stand.ok) throw new Error(stand.error.message);
  const lines = drain(visibleLinesExact(scene.prepared, stand.value.setUp, view.frame));
  const pieceId = at(project.plans, 0).pieceId;
  const { plan, whole } = wholePlanOf(project, view, scene, stand.value.setUp, lines, { order: 'by-pass' });
  const drawing = sheetOf(project, view, scene, stand.value, lines, pieceId, {
    ...{ plan, paper: planOnPaper(whole) },
    steps: plan.steps.length,
  });
  return { project, view, scene, stand: stand.value, plan, drawing };
}
/** What stands in another room or beside the frame of the first views: a layer of which nothing is on the sheet is not written. */
const BESIDE = ['kitchen-run', 'kitchen-shelves', 'kitchen-socket', 'kitchen-bin', 'alcove-shelves'];
const attribute = (text: string, name: string): number =>
  Number(new RegExp(`${name}="([^"]*)"`).exec(text)?.[1] ?? NaN);

describe.each(DEMOS.map((demo) => demo.id))('%s', (id) => {
  const { project, view, scene, stand, plan, drawing } = worked(id);
  const svg = writeSvg(drawing);

  it('SVG is at true size: sheet in mm, one user unit a millimetre, a control line of 100 mm', () => {
    expect(svg).toContain(
      `width="${view.sheet.width}mm" height="${view.sheet.height}mm" viewBox="0 0 ${view.sheet.width} ${view.sheet.height}"`,
    );
    const control = svg.split('\n').find((line) => line.includes('data-of="control-across"')) ?? '';
    expect(attribute(control, 'x2') - attribute(control, 'x1')).toBe(100);
    expect(attribute(control, 'y2')).toBe(attribute(control, 'y1'));
    const down = svg.split('\n').find((line) => line.includes('data-of="control-down"')) ?? '';
    expect(attribute(down, 'y1') - attribute(down, 'y2')).toBe(100);
    expect(svg.split('data-of="registration"').length - 1).toBe(8);
    expect([...svg.matchAll(/<g id="layer-([a-z0-9-]+)"/g)].map((match) => match[1])).toEqual([
      'frame',
      'set-out',
      'construction',
      'footprints',
      'hidden',
      'patterns',
      'room',
      'openings',
      'furniture',
      ...project.pieces.filter((piece) => !BESIDE.includes(piece.id)).map((piece) => `piece-${piece.id}`),
      'control',
    ]);
  });

  it('every stroke lies on the sheet, and a seen edge lies where the projection says, y downward', () => {
    const lines = svg.split('\n').filter((line) => line.startsWith('<line'));
    expect(lines.length).toBeGreaterThan(80);
    for (const line of lines) {
      for (const [name, limit] of [
        ['x1', view.sheet.width],
        ['x2', view.sheet.width],
        ['y1', view.sheet.height],
        ['y2', view.sheet.height],
      ] as const) {
        const value = attribute(line, name);
        holds(value >= -1e-4 && value <= limit + 1e-4, () => line);
      }
    }
    let compared = 0;
    // Chords of one arc share its name: straight edges are told apart by having a name of their own.
    const named = new Map<string, number>();
    for (const { id } of scene.prepared.edges) named.set(id, (named.get(id) ?? 0) + 1);
    for (const edge of scene.prepared.edges.filter(({ id }) => named.get(id) === 1)) {
      const [a, b] = [projectPoint(stand.setUp, edge.from), projectPoint(stand.setUp, edge.to)];
      const line = lines.find((one) => one.includes(`class="firm-`) && one.includes(`data-of="${edge.id}"`));
      if (!line || !a || !b) continue;
      const off = (x: number, y: number): number => {
        const [px, py] = [
          x - view.centreOfVisionOnSheet.x - a.u,
          view.sheet.height - y - view.centreOfVisionOnSheet.y - a.v,
        ];
        const [dx, dy] = [b.u - a.u, b.v - a.v];
        return Math.abs(px * dy - py * dx) / Math.max(1e-9, Math.hypot(dx, dy));
      };
      if (Math.hypot(b.u - a.u, b.v - a.v) < 1) continue;
      expect(
        Math.max(off(attribute(line, 'x1'), attribute(line, 'y1')), off(attribute(line, 'x2'), attribute(line, 'y2'))),
        edge.id,
      ).toBeLessThan(1e-3);
      compared += 1;
    }
    expect(compared).toBeGreaterThan(30);
  });

  it('steps read back from CSV carry the plan’s measures', () => {
    const text = writeSteps(plan, view.scaleDenominator, lengthStyleOf(project));
    const { data, errors } = Papa.parse<Record<string, string>>(text, { header: true, skipEmptyLines: true });
    expect(errors).toEqual([]);
    const laid = plan.steps.flatMap((step) => step.operations.flatMap((one) => (one.op === 'lay-off' ? [one] : [])));
    expect(data.filter((row) => row.paper_mm !== '').map((row) => Number(row.paper_mm))).toEqual(
      laid.map((one) => Number(one.distance.toFixed(4))),
    );
    for (const row of data.filter((one) => one.real_mm !== ''))
      expect(Number(row.real_mm) / view.scaleDenominator).toBeCloseTo(Number(row.paper_mm), 3);
    expect(Number(data.at(-1)?.step)).toBe(plan.steps.length);
    expect(new Set(data.map((row) => row.id)).size).toBe(plan.steps.length);
  });

  it('the set-out places each mark alike on picture, sheet and board', () => {
    const out = JSON.parse(writeSetOut(project, view, stand.setUp, stand.setOut)) as {
      groups: { marks: { picture: { u: number }; sheet: { x: number; y: number }; board: { x: number } }[] }[];
      horizon: { sheetY: number };
    };
    const marks = out.groups.flatMap((group) => group.marks);
    expect(marks.length).toBeGreaterThan(1);
    for (const mark of marks) {
      expect(mark.sheet.x - mark.picture.u).toBeCloseTo(view.centreOfVisionOnSheet.x, 4);
      expect(mark.board.x - mark.sheet.x).toBeCloseTo(view.sheetOnBoard.x, 4);
      expect(mark.sheet.y).toBe(out.horizon.sheetY);
    }
  });
  it('tells spread, way to the station and half and third points, in full precision, as the right angle at the eye demands', () => {
    const { stand: corner, view: into, project: loft } = worked('weaving-loft');
    interface Told {
      readonly label: string;
      readonly picture: { readonly u: number };
      readonly half?: Told;
      readonly third?: Told;
      readonly toStation?: number;
    }
    const { groups } = JSON.parse(writeSetOut(loft, into, corner.setUp, corner.setOut)) as {
      groups: { kind: string; spread: number | null; marks: Told[] }[];
    };
    let pairs = 0;
    for (const { marks, spread } of groups) {
      const named = (label: string): Told | undefined => marks.find((one) => one.label.startsWith(label));
      const [left, right] = [named('VL'), named('VR')];
      if (!left || !right) continue;
      pairs += 1;
      expect(spread).toBe(right.picture.u - left.picture.u);
      // The station sees both at a right angle: the ways to them are the legs over the spread.
      expect(((left.toStation ?? 0) ** 2 + (right.toStation ?? 0) ** 2) / (spread ?? 0) ** 2).toBeCloseTo(1, 13);
      for (const [vanishing, measuring] of [
        [left, named('ML')],
        [right, named('MR')],
      ]) {
        const [from, to] = [vanishing?.picture.u ?? 0, measuring?.picture.u ?? 0];
        expect(Math.abs(to - from) / (vanishing?.toStation ?? 0)).toBeCloseTo(1, 13);
        expect(measuring?.half?.picture.u).toBeCloseTo((from + to) / 2, 10);
        expect(measuring?.third?.picture.u).toBeCloseTo(from + (to - from) / 3, 10);
        expect(measuring?.toStation).toBeUndefined();
      }
    }
    expect(pairs).toBeGreaterThan(2);
  });
});

describe('points', () => {
  const { stand, view } = worked('tea-room');
  it('come back in picture mm, null where nothing is seen', () => {
    const read = readPoints(
      JSON.stringify({
        points: [
          [3000, 4000, 1000],
          [3000, -9000, 0],
        ],
        segments: [
          [
            [0, 0, 0],
            [0, 4200, 0],
          ],
          [
            [0, -9000, 0],
            [6000, -9000, 0],
          ],
        ],
      }),
    );
    if (!read.ok) throw new Error(read.error.message);
    const out = JSON.parse(writePoints(stand.setUp, view.frame, read.value)) as {
      points: ([number, number] | null)[];
      segments: unknown[];
    };
    // t = 9000, k = 250: u = 250·(−100)/9000, v = 250·(−600)/9000.
    expect(out.points[0]?.[0]).toBeCloseTo(-25 / 9, 12);
    expect(out.points[0]?.[1]).toBeCloseTo(-150 / 9, 12);
    expect(out.points[1]).toBeNull();
    expect(out.segments[0]).not.toBeNull();
    expect(out.segments[1]).toBeNull();
  });
  it.each([
    ['{', 'not-json'],
    ['[]', 'shape'],
    ['{"points": [[1, 2]]}', 'shape'],
    ['{"points": 3}', 'shape'],
    ['{"segments": [[[1,2,3]]]}', 'shape'],
    ['7', 'shape'],
    ['{"points": [[1, 2, null]]}', 'shape'],
  ])('%s is refused', (text, reason) => {
    const read = readPoints(text);
    if (reason === 'shape' && text === '[]') return expect(read.ok).toBe(true);
    expect(read.ok ? '' : read.error.reason).toBe(reason);
  });
});
