import { mkdtempSync, existsSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { writeProject } from '@/core/formats/project';
import { DEMOS } from '@/app/demo';
import { CATALOGUE } from '@/core/solids';
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

function ask(...words: string[]) {
  const said: string[] = [];
  return { code: run(words, (message) => said.push(message)), said: said.join('\n') };
}

describe('the headless command', () => {
  it('writes set-out, sheet, steps and points', () => {
    const answer = ask(
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
    expect(readFileSync(file('o.svg'), 'utf8')).toContain('layer-construction');
    expect(readFileSync(file('o.csv'), 'utf8').split('\r\n')[0]).toContain('paper_mm');
    expect((JSON.parse(readFileSync(file('p.json'), 'utf8')) as { points: unknown[] }).points.length).toBe(1);
  });
  it('takes another view and another piece', () => {
    expect(
      ask(file('project.json'), '--view', 'along-the-hall', '--piece', 'mirror', '--steps', file('m.csv')).code,
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
    ['a bad points file', ['project.json', '--svg', 'x.svg', '--points', 'project.csv', 'q.json'], 1, /cannot be read/],
  ])('refuses %s, with the reason on stderr, and leaves no half of the files behind', (_, words, code, message) => {
    const inFolder = words.map((word) => (/\.(json|svg|csv)$/.test(word) ? file(word) : word));
    const answer = ask(...inFolder);
    expect(answer.code).toBe(code);
    expect(answer.said).toMatch(message);
    expect(existsSync(file('x.svg'))).toBe(false);
  });
  it('reads its words in any order', () => {
    const read = readArguments(['--svg', 'a.svg', 'p.json', '--view', 'v']);
    expect(read.ok && read.value).toMatchObject({ project: 'p.json', svg: 'a.svg', view: 'v', steps: null });
  });
  it('draws every kind on the contact sheet, in each of its three views', () => {
    expect(ask('--contact-sheet', file('kinds.svg')).code).toBe(0);
    const svg = readFileSync(file('kinds.svg'), 'utf8');
    for (const kind of CATALOGUE) {
      expect(svg, kind.id).toContain(`>${kind.name}</text>`);
      for (const view of ['two-point', 'front', 'side']) {
        const strokes = svg.split(`data-of="${kind.id}/${view}"`).length - 1;
        expect(strokes, `${kind.id} ${view}`).toBeGreaterThanOrEqual(kind.id === 'ball' ? 40 : 4);
      }
    }
  });
});
