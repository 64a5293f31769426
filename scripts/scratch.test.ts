import { spawnSync } from 'node:child_process';
import { cpSync, mkdtempSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';

/**
 * A further opening, ceiling and output, each put into a copy of the project as its own file and one line of its index: types and lint then judge
 * that nothing else had to be touched.
 */
const copy = mkdtempSync(join(tmpdir(), 'bathyskop-scratch-'));
for (const name of [
  'src',
  'scripts',
  'bench',
  'e2e',
  'package.json',
  'tsconfig.json',
  'eslint.config.mjs',
  'next.config.ts',
  'playwright.config.ts',
  'vitest.config.ts',
])
  cpSync(name, join(copy, name), { recursive: true });
symlinkSync(join(process.cwd(), 'node_modules'), join(copy, 'node_modules'));
afterAll(() => rmSync(copy, { recursive: true, force: true }));

const path = (name: string): string => join(copy, name);
/** The index with an import and one more entry in its list. */
function register(index: string, from: string, name: string, list: RegExp): void {
  const text = readFileSync(path(index), 'utf8');
  expect(text).toMatch(list);
  writeFileSync(
    path(index),
    `import { ${name} } from '${from}';\n${text.replace(list, (found) => `${found}\n  ${name},`)}`,
  );
}
const made = (file: string, text: string): void => writeFileSync(path(file), text);

made(
  'src/core/solids/openings/hatch.ts',
  `import type { OpeningKind } from './opening-kind';

/** A hatch in a wall: a small opening with nothing in it. */
export const hatch: OpeningKind = {
  id: 'hatch',
  name: 'Hatch',
  usual: { width: 700, sill: 1000, height: 600, reveal: 120 },
  head: 'flat',
  sizes: {},
  counts: {},
  choices: {},
  backed: () => false,
  open: 'through',
  parts: () => [],
  leaves: () => [],
  inPlan: { back: false, pane: false },
  sketch: 'M0,-100V-160H70V-100Z',
};
`,
);
register('src/core/solids/openings/index.ts', './hatch', 'hatch', /OPENINGS: readonly OpeningKind\[\] = \[/);
made(
  'src/core/solids/ceilings/canopy.ts',
  `import type { CeilingKind } from './ceiling-kind';

const DROP = 'drop of the canopy';

/** The whole ceiling hung lower by one size. */
export const canopy: CeilingKind = {
  id: 'canopy',
  words: 'a canopy',
  along: 'nothing',
  zones: [],
  sizes: { [DROP]: () => 200 },
  says: [', hung lower by ', { size: DROP, label: DROP }],
  fault: ({ eaves, size }) => (size(DROP) < eaves ? null : 'hangs on the floor'),
  shape: ({ outline, eaves, size }) => ({
    kind: 'regions',
    regions: [{ outline, height: () => eaves - size(DROP) }],
  }),
  heights: ({ eaves, size }) => [{ mm: eaves - size(DROP), words: 'canopy' }],
  slopes: () => [],
};
`,
);
register('src/core/solids/ceilings/index.ts', './canopy', 'canopy', /CEILINGS: readonly CeilingKind\[\] = \[/);
made(
  'src/interface/outputs/names.ts',
  `import type { Output } from './output';

/** The names of all pieces, one a line. */
export const names: Output = {
  id: 'names',
  words: 'the names of all pieces (text)',
  offered: 'everywhere',
  wants: 'nothing',
  make: ({ project }) => ({
    kind: 'file',
    name: [project.id, 'names'],
    ending: '.txt',
    type: 'text/plain',
    content: project.pieces.map((piece) => piece.name).join('\\n'),
  }),
};
`,
);
register('src/interface/outputs/index.ts', './names', 'names', /OUTPUTS: readonly Output\[\] = \[/);

const judge = (...words: readonly string[]) => {
  const { status, stdout, stderr } = spawnSync(process.execPath, words, { cwd: copy, encoding: 'utf8' });
  return { status, said: `${stdout}${stderr}` };
};

describe('a further opening, ceiling and output are one file and one line each', () => {
  it('types agree', { timeout: 180_000 }, () => {
    expect(judge('node_modules/typescript/bin/tsc', '--noEmit', '--incremental', 'false', '-p', '.')).toEqual({
      status: 0,
      said: '',
    });
  });
  it('lint agrees', { timeout: 120_000 }, () => {
    const files = ['openings/hatch.ts', 'openings/index.ts', 'ceilings/canopy.ts', 'ceilings/index.ts'];
    const answer = judge(
      'node_modules/eslint/bin/eslint.js',
      '--max-warnings',
      '0',
      ...files.map((file) => `src/core/solids/${file}`),
      'src/interface/outputs/names.ts',
      'src/interface/outputs/index.ts',
    );
    expect(answer).toEqual({ status: 0, said: '' });
  });
  it('and a breach within such a file is a fault: the judges are awake', { timeout: 120_000 }, () => {
    made(
      'src/interface/outputs/names.ts',
      `import { ProjectStore } from '@/persistence';\nexport const names = ProjectStore;\n`,
    );
    expect(judge('node_modules/eslint/bin/eslint.js', 'src/interface/outputs/names.ts').said).toMatch(
      /may not import from persistence/,
    );
  });
});
