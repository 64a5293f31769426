import { mkdtempSync, existsSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { at } from '@/core/base';
import { readDxf } from '@/core/formats/dxf';
import { writeProject } from '@/core/formats/project';
import { DEMOS } from '@/app/demo';
import { CATALOGUE } from '@/core/solids';
import { boxFaces } from '@/testing';
import { readPdf } from '@/testing/read-pdf';
import { readArguments } from './arguments';
import { run } from './run';

const folder = mkdtempSync(join(tmpdir(), 'bathyskop-'));
const file = (name: string): string => join(folder, name);
const demo = DEMOS[0];
if (!demo) throw new Error('a demonstration');
writeFileSync(file('project.json'), writeProject(demo));
writeFileSync(
  file('points.json'),
  JSON.stringify({
    points: [[1000, 2000, 0]],
    segments: [
      [
        [0, 0, 0],
        [1000, 1000, 500],
      ],
    ],
  }),
);

async function ask(...words: string[]) {
  const said: string[] = [];
  const code = await run(words, (message) => said.push(message));
  return { code, said: said.join('\n') };
}
type Json = Record<string, unknown>;
interface Visible {
  readonly segments: readonly (readonly [number, number, number, number])[];
  readonly ms: number;
}
const readVisible = (name: string): Visible => JSON.parse(readFileSync(file(name), 'utf8')) as Visible;
const scene = (change: object = {}) => ({
  camera: { eye: [-317.3, -1211.7, 911.9], viewDir: [0, 1, 0], pictureDistance: 250 },
  faces: [...boxFaces(-500, 2000, 0, 400, 400, 600), ...boxFaces(-100, 2000, 0, 400, 400, 300)],
  ...change,
});

describe('the whole drawing as a plan', () => {
  it('is written in either order, as a file and as a page, with the detail that is asked for', async () => {
    const answer = await ask(file('project.json'), '--plan', file('plan.json'), '--plan-page', file('plan.md'));
    expect([answer.code, answer.said]).toEqual([0, '']);
    const read = (name: string) =>
      JSON.parse(readFileSync(file(name), 'utf8')) as {
        kind: string;
        order: string;
        detailMm: number;
        byEye: unknown[];
        counts: { moves: number };
      };
    const byPiece = read('plan.json');
    expect(byPiece).toMatchObject({ kind: 'bathyskop-plan', order: 'by-piece', detailMm: 2 });
    expect(readFileSync(file('plan.md'), 'utf8')).toMatch(/^# .+\n\nA whole plan by piece: \d+ steps, /);
    await ask(file('project.json'), '--plan', file('pass.json'), '--order', 'by-pass', '--detail', '4');
    const byPass = read('pass.json');
    expect(byPass).toMatchObject({ order: 'by-pass', detailMm: 4 });
    expect(byPass.counts.moves).toBeLessThan(byPiece.counts.moves);
    expect(byPass.byEye.length).toBeGreaterThan(byPiece.byEye.length);
  });
  it.each([
    [['--order', 'by-luck', '--plan', 'x'], '--order takes piece or pass.'],
    [['--detail', '0', '--plan', 'x'], '--detail takes millimetres on paper'],
    [['--detail', 'fine', '--plan', 'x'], '--detail takes millimetres on paper'],
    [['--order', 'pass', '--svg', 'x'], '--order, --detail, --school, --begin and --measured go with --plan'],
    [['--construction', '--setout', 'x'], '--construction goes with --svg'],
    [
      ['--school', 'night', '--plan', 'x'],
      '--school takes measuring-points or distance-point or plan-projection or plan-and-elevation or measured-grid or diagonals',
    ],
    [['--begin', 'lid', '--plan', 'x'], '--begin takes footprint or crate'],
    [['--measured', 'side', '--plan', 'x'], '--measured takes front or back'],
  ])('%j is refused in words', (words, said) => {
    const read = readArguments(['project.json', ...words]);
    expect(read.ok ? '' : read.error).toContain(said);
  });
});

describe('the headless command', () => {
  it('writes set-out, sheet, steps and points', async () => {
    const answer = await ask(
      file('project.json'),
      '--setout',
      file('o.json'),
      '--svg',
      file('o.svg'),
      '--steps',
      file('o.csv'),
      '--points',
      file('points.json'),
      file('p.json'),
    );
    expect(answer).toEqual({ code: 0, said: '' });
    expect((JSON.parse(readFileSync(file('o.json'), 'utf8')) as { kind: string }).kind).toBe('bathyskop-set-out');
    expect(readFileSync(file('o.svg'), 'utf8')).not.toContain('layer-construction');
    expect(readFileSync(file('o.csv'), 'utf8').split('\r\n')[0]).toContain('paper_mm');
    expect((JSON.parse(readFileSync(file('p.json'), 'utf8')) as { points: unknown[] }).points.length).toBe(1);
  });
  it('measures the front or the back plane, the picture as large as it is; by another school', async () => {
    const plans = await Promise.all(
      (['front', 'back'] as const).map(async (plane) => {
        const out = file(`${plane}.json`);
        const words = [file('project.json'), '--plan', out, '--measured', plane, '--school', 'distance-point'];
        expect(await ask(...words)).toEqual({ code: 0, said: '' });
        return JSON.parse(readFileSync(out, 'utf8')) as {
          school: string;
          marks: Record<string, { stands: number[] | null }>;
          operations: { op: string; mark?: string; point?: number[] }[];
        };
      }),
    );
    for (const plan of plans) expect(plan.school).toBe('distance-point');
    // Seen from one place the distance point lies where it lies, whichever plane is at scale.
    const points = plans.map(
      ({ operations }) => operations.find((one) => one.op === 'take' && one.mark !== 'CV')?.point,
    );
    expect(points[0]?.[0]).toBeCloseTo(points[1]?.[0] ?? NaN, 6);
  });
  it('draws the whole construction on the sheet where it is asked to', async () => {
    expect((await ask(file('project.json'), '--svg', file('c.svg'), '--construction', '--order', 'pass')).code).toBe(0);
    const svg = readFileSync(file('c.svg'), 'utf8');
    expect(svg.split('data-of="f90:').length).toBeGreaterThan(100);
    expect(svg).toContain('layer-construction');
  });
  it('takes another view and another piece', async () => {
    expect(
      (await ask(file('project.json'), '--view', 'along-the-hall', '--piece', 'mirror', '--steps', file('m.csv'))).code,
    ).toBe(0);
    expect(readFileSync(file('m.csv'), 'utf8')).toContain('the tall mirror');
  });
  it.each<[string, string[], number, RegExp]>([
    ['no project', [], 2, /Which project/],
    ['nothing to write', ['project.json'], 2, /Nothing to write/],
    ['an unknown word', ['project.json', '--png', 'x'], 2, /--png is not known/],
    ['half of --points', ['project.json', '--points', 'points.json'], 2, /two files/],
    ['a missing value', ['project.json', '--svg'], 2, /needs a value/],
    ['two projects', ['project.json', 'points.json', '--svg', 'x.svg'], 2, /One project/],
    ['a missing file', ['gone.json', '--svg', 'x.svg'], 1, /cannot be read/],
    ['a damaged file', ['points.json', '--svg', 'x.svg'], 1, /not a Bathyskop project/],
    ['an unknown view', ['project.json', '--view', 'nowhere', '--svg', 'x.svg'], 1, /no view/],
    ['an unknown piece', ['project.json', '--piece', 'sofa', '--svg', 'x.svg'], 1, /no piece/],
    ['a scene beside a project', ['project.json', '--scene', 's.json', '--visible', 'v.json'], 2, /leave the project/],
    ['a scene without its edges', ['--scene', 's.json', '--visible', 'v.json'], 2, /--edges all/],
    ['another choice of edges', ['--scene', 's.json', '--edges', 'some', '--visible', 'v.json'], 2, /the word all/],
    ['no output of a scene', ['--scene', 's.json', '--edges', 'all'], 2, /--visible/],
    ['half a repetition', ['--scene', 's.json', '--edges', 'all', '--visible', 'v.json', '--reps', '0.5'], 2, /whole/],
    [
      'a scene that is a project',
      ['--scene', 'project.json', '--edges', 'all', '--visible', 'v.json'],
      1,
      /camera must be/,
    ],
    ['a bad points file', ['project.json', '--svg', 'x.svg', '--points', 'project.csv', 'q.json'], 1, /cannot be read/],
  ])(
    'refuses %s, with the reason on stderr, and leaves no half of the files behind',
    async (_, words, code, message) => {
      const inFolder = words.map((word) => (/\.(json|svg|csv)$/.test(word) ? file(word) : word));
      const answer = await ask(...inFolder);
      expect(answer.code).toBe(code);
      expect(answer.said).toMatch(message);
      expect(existsSync(file('x.svg'))).toBe(false);
    },
  );
  it('writes a PDF and a DXF, and what is seen on the sheet', async () => {
    const words = ['--pdf', file('o.pdf'), '--dxf', file('o.dxf'), '--visible', file('seen.json')];
    expect(await ask(file('project.json'), ...words)).toEqual({
      code: 0,
      said: '',
    });
    const [page] = await readPdf(new Uint8Array(readFileSync(file('o.pdf'))));
    const view = demo.views[0];
    expect(page?.width).toBeCloseTo(view?.sheet.width ?? 0, 3);
    const dxf = readDxf(readFileSync(file('o.dxf'), 'utf8'));
    expect(dxf.ok && dxf.value.mmPerUnit).toBe(1);
    expect(dxf.ok && dxf.value.lines.length).toBe(page?.lines.length);
    const { segments, ms } = readVisible('seen.json');
    expect(segments.length).toBeGreaterThan(500);
    expect(ms).toBeGreaterThan(0);
    for (const [u0, v0, u1, v1] of segments) {
      expect(u0).toBeGreaterThan(0);
      expect(Math.max(u0, u1)).toBeLessThan(view?.sheet.width ?? 0);
      expect(Math.max(v0, v1)).toBeLessThan(view?.sheet.height ?? 0);
    }
  });
  it('finds the visible lines of a neutral scene, each drawn once', async () => {
    writeFileSync(file('scene.json'), JSON.stringify(scene()));
    const words = ['--scene', file('scene.json'), '--edges', 'all', '--visible', file('v.json'), '--reps', '5'];
    expect(await ask(...words)).toEqual({ code: 0, said: '' });
    const { segments } = readVisible('v.json');
    const at = (x: number, y: number, z: number) => [
      (250 * (x + 317.3)) / (y + 1211.7),
      (250 * (z - 911.9)) / (y + 1211.7),
    ];
    const [a, b] = [at(-100, 2000, 0), at(-100, 2000, 300)];
    // The joint of both boxes: one line up to the lower one's top, though an edge of either falls on it.
    const onJoint = segments.filter(
      ([u0, , u1]) => Math.abs(u0 - (a[0] ?? 0)) < 1e-9 && Math.abs(u1 - (a[0] ?? 0)) < 1e-9,
    );
    expect(onJoint.reduce((sum, [, v0, , v1]) => sum + Math.abs(v1 - v0), 0)).toBeCloseTo(
      Math.abs((at(-100, 2000, 600)[1] ?? 0) - (a[1] ?? 0)),
      9,
    );
    expect(b[0]).toBeCloseTo(a[0] ?? 0, 12);
  });
  it.each<[string, object, RegExp]>([
    ['a camera that looks up', { camera: { ...scene().camera, viewDir: [0, 0.8, 0.6] } }, /level direction/],
    ['a window turned inside out', { camera: { ...scene().camera, window: [10, 0, -10, 5] } }, /lower left/],
    [
      'a face that is bent',
      {
        faces: [
          [
            [0, 2000, 0],
            [100, 2000, 0],
            [100, 2000, 100],
            [0, 2030, 100],
          ],
        ],
      },
      /faces\[0\] is not flat/,
    ],
    [
      'a face of two corners',
      {
        faces: [
          [
            [0, 2000, 0],
            [100, 2000, 0],
          ],
        ],
      },
      /three or more points/,
    ],
  ])('refuses %s with the place', async (_, change, message) => {
    writeFileSync(file('bad.json'), JSON.stringify(scene(change)));
    const answer = await ask('--scene', file('bad.json'), '--edges', 'all', '--visible', file('none.json'));
    expect(answer.code).toBe(1);
    expect(answer.said).toMatch(message);
    expect(existsSync(file('none.json'))).toBe(false);
  });
  it('reads its words in any order', () => {
    const read = readArguments(['--svg', 'a.svg', 'p.json', '--view', 'v']);
    expect(read.ok && read.value).toMatchObject({ project: 'p.json', svg: 'a.svg', view: 'v', steps: null });
  });
  it('draws every kind on the contact sheet, in each of its three views', async () => {
    expect((await ask('--contact-sheet', file('kinds.svg'))).code).toBe(0);
    const svg = readFileSync(file('kinds.svg'), 'utf8');
    for (const kind of CATALOGUE) {
      expect(svg, kind.id).toContain(`>${kind.name}</text>`);
      for (const view of ['two-point', 'front', 'side']) {
        const strokes = svg.split(`data-of="${kind.id}/${view}"`).length - 1;
        expect(strokes, `${kind.id} ${view}`).toBeGreaterThanOrEqual(kind.id === 'ball' ? 1 : 4);
      }
    }
  });
});

describe('whatever a file says', () => {
  const text = JSON.stringify(demo);
  const changed = (change: (project: Json) => void): string => {
    const project = JSON.parse(text) as Json;
    change(project);
    return JSON.stringify(project);
  };
  const everything = ['svg', 'setout', 'findings', 'steps', 'pdf', 'dxf', 'plan', 'bodies', 'visible'];
  const askOf = async (content: string) => {
    writeFileSync(file('odd.json'), content);
    return ask(file('odd.json'), ...everything.flatMap((one) => [`--${one}`, file(`odd.${one}`)]));
  };
  const wall = (project: Json, i: number): Json => at(at(project.spaces as Json[], 0).walls as Json[], i);
  const put = (size: unknown, mm: number): void => {
    at((size as { claims: { mm: number }[] }).claims, 0).mm = mm;
  };
  it.each([
    ['nothing, behind a byte-order mark', `\uFEFF${text}`, 0, /^$/],
    [
      'a key nobody knows',
      changed((p) => (at(p.pieces as Json[], 0).colour = 'red')),
      1,
      /pieces\[0\].*does not know: colour/,
    ],
    [
      'a room that crosses itself',
      changed((p) => [0, 135, 0, 225].forEach((deg, i) => (wall(p, i).bearingDeg = deg))),
      0,
      /cross or fold back/,
    ],
    [
      'a room that runs anticlockwise',
      changed((p) => (at(p.spaces as Json[], 0).walls as Json[]).reverse()),
      0,
      /listed anticlockwise/,
    ],
    [
      'a piece too small to be made',
      changed((p) => put(at(p.pieces as Json[], 0).width, 12)),
      0,
      /drawn as a bare box/,
    ],
    [
      'a kind that the catalogue has not',
      changed((p) => (at(p.pieces as Json[], 0).kind = 'samovar')),
      0,
      /no kind called “samovar”.*bare box/,
    ],
    ['a size without end', text.replace('"mm":2600', '"mm":1e999'), 1, /must be from/],
    ['a size of nothing', changed((p) => put(at(p.pieces as Json[], 0).width, 1e-10)), 1, /must be from 1 to/],
    ['a wall a millimetre long', changed((p) => put(wall(p, 0).length, 1)), 0, /miss closing by 4.599 mm/],
    [
      'a sheet beyond the moon',
      changed((p) => ((at(p.views as Json[], 0).sheet as Json).width = 1e21)),
      1,
      /must be from 10 to/,
    ],
    ['no version', changed((p) => delete p.version), 1, /version: is missing/],
  ])('it is told, or drawn as best it can be: %s', async (_, content, code, said) => {
    const asked = await askOf(content);
    expect(asked.said).toMatch(said);
    expect(asked.said).not.toMatch(/ at .*:\d+:\d+|undefined|NaN/);
    expect(asked.code).toBe(code);
  });
  it('its ids may be any text: one within another, signs of every language, names that a program has its own use for', async () => {
    const things = [demo.pieces, demo.openings, demo.spaces, demo.spaces.flatMap(({ walls }) => walls)].flat();
    const ids = [
      ...things.map(({ id }) => id),
      ...demo.spaces.flatMap(({ walls }) => walls.map((one) => one.startCorner)),
    ];
    const odd = [
      'a',
      'a/box',
      'a/top',
      'a/top/front',
      'a b',
      '"q"',
      '<d>&',
      'ü\né',
      '#%',
      ' ',
      '/',
      '__proto__',
      'constructor',
      '0',
      '\u2028',
    ];
    const named = new Map([...new Set(ids)].map((id, i) => [id, odd[i] ?? `a/${i}/top`]));
    const rename = (value: unknown): unknown =>
      Array.isArray(value)
        ? value.map(rename)
        : typeof value === 'object' && value !== null
          ? Object.fromEntries(Object.entries(value).map(([key, one]) => [key, key === 'kind' ? one : rename(one)]))
          : typeof value === 'string'
            ? (named.get(value) ?? value)
            : value;
    const asked = await askOf(JSON.stringify(rename(demo)));
    expect(asked).toEqual({ code: 0, said: '' });
    const odds = JSON.parse(readFileSync(file('odd.visible'), 'utf8')) as Visible;
    await ask(file('project.json'), '--visible', file('plain.visible'));
    const plain = JSON.parse(readFileSync(file('plain.visible'), 'utf8')) as Visible;
    const sorted = ({ segments }: Visible) => segments.map((one) => one.join(' ')).sort();
    expect(sorted(odds)).toEqual(sorted(plain));
  });
  it('the set-out keeps every digit', async () => {
    await askOf(text);
    const { coneOfVision } = JSON.parse(readFileSync(file('odd.setout'), 'utf8')) as {
      coneOfVision: { radius60: number };
    };
    expect(coneOfVision.radius60).toBe(200 * Math.tan(Math.PI / 6));
  });
});
