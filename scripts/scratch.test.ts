import { spawnSync } from 'node:child_process';
import { cpSync, mkdirSync, mkdtempSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';

/**
 * A further opening, ceiling, output, sheet and stage, each put into a copy of the project as its own file or folder and one line of its index:
 * types and lint then judge that nothing else had to be touched, and the stage is tried: the list of stages, their keys and the ways among them.
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
  'src/core/solids/openings/porthole.ts',
  `import type { OpeningKind } from './opening-kind';

/** A porthole in a wall: a small opening with nothing in it. */
export const porthole: OpeningKind = {
  id: 'porthole',
  name: 'Porthole',
  usual: { width: 700, sill: 1000, height: 600, reveal: 120 },
  head: 'flat',
  sizes: {},
  counts: {},
  choices: {},
  backed: () => false,
  open: 'through',
  parts: () => [],
  leaves: () => [],
  sweeps: () => [],
  walked: false,
  inPlan: { back: false, pane: false },
  sketch: 'M0,-100V-160H70V-100Z',
};
`,
);
register('src/core/solids/openings/index.ts', './porthole', 'porthole', /OPENINGS: readonly OpeningKind\[\] = \[/);
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

made(
  'src/interface/at-board/CountSheet.tsx',
  `'use client';
import { PaperSheet } from '@/interface/paper';
import type { Sheet } from '@/interface/frame';
import type { Seen } from './use-at-board';

/** How many lines are seen. */
export const count: Sheet<Seen> = {
  button: 'count',
  key: { keys: 'q', shown: 'Q', does: 'how many lines are seen' },
  changes: false,
  Dialog: ({ given, close }) => (
    <PaperSheet label="Count" title="Lines that are seen" close={close}>
      {given.perspective.lines.seen.length}
    </PaperSheet>
  ),
};
`,
);
register('src/interface/at-board/sheets.ts', './CountSheet', 'count', /BOARD_SHEETS: readonly Sheet<Seen>\[\] = \[/);

mkdirSync(path('src/interface/stages/finish'));
made(
  'src/interface/stages/finish/FinishScreen.tsx',
  `'use client';
import { BOARD_SHEETS, BoardPaper, seenOf, useAtBoard } from '@/interface/at-board';
import { BoardWords, fitPose, pictureLayout, type Arrangement, type Painter } from '@/interface/board';
import { bindKeys, StageFrame, type Key } from '@/interface/frame';
import { useSession, useWorkedOut } from '@/interface/session';

/** A wash over the sheet. */
const wash: Painter = (ctx, { layout, look }) => {
  ctx.fillStyle = look.strip;
  ctx.fillRect(layout.picture.x, layout.picture.y, 10, 10);
};
const arrangement: Omit<Arrangement, 'pointer'> = {
  layout: pictureLayout,
  fits: [({ layout, view, setUp, scene }) => fitPose(layout, view, setUp, scene.bodies)],
  lies: 'the-centre-of-vision',
  painters: { beneath: [], onSheet: [wash], over: [], inSide: [], strength: { seen: 1, hidden: 0 } },
  places: () => ({}),
  words: (overlaid) => <BoardWords {...overlaid} group={overlaid.setOut.room} named="here" views="whole" />,
  over: () => null,
};
export const KEYS: readonly Key<{ readonly walk: () => void }>[] = [
  { keys: 'v', shown: 'V', does: 'lay a wash', act: ({ walk }) => walk() },
];

export function FinishScreen() {
  const { view } = useSession();
  const { perspective } = useWorkedOut();
  const at = useAtBoard(perspective);
  return (
    <StageFrame
      margin={view.name}
      marginWhenNarrow="none"
      paper={<BoardPaper at={at} arrangement={arrangement} />}
      sheets={BOARD_SHEETS}
      given={seenOf(at)}
      keys={bindKeys(KEYS, { walk: () => at.walkLines(1) })}
      escape={at.pointAtNothing}
      foot={{ says: 'finished', sheets: 'in-the-foot', rings: at.rings, next: null, high: 'a-row' }}
      shows={{ perspective: at.perspective, elevation: null }}
    />
  );
}
`,
);
made(
  'src/interface/stages/finish/index.ts',
  `import { BOARD_SHEETS } from '@/interface/at-board';
import type { Stage } from '@/interface/frame';
import { FinishScreen, KEYS } from './FinishScreen';

/** Light, tone and title. */
export const finish: Stage = {
  id: 'finish',
  name: 'Finish',
  key: { keys: 'shift+f', shown: 'Shift F', does: 'go to Finish' },
  order: 'beside-the-work',
  invites: () => 'Finish the sheet',
  lacks: ({ perspective }) =>
    perspective.ok ? null : { says: perspective.error.message, way: 'Stand elsewhere', stage: 'stand' },
  keys: KEYS,
  sheets: BOARD_SHEETS,
  picture: 'worked-in',
  Screen: FinishScreen,
};
`,
);
register('src/interface/stages/index.ts', './finish', 'finish', /STAGES: readonly Stage\[\] = \[/);

const judge = (...words: readonly string[]) => {
  const { status, stdout, stderr } = spawnSync(process.execPath, words, {
    cwd: copy,
    encoding: 'utf8',
    env: { ...process.env, NO_COLOR: '1', FORCE_COLOR: '0' },
  });
  return { status, said: `${stdout}${stderr}` };
};

describe('a further opening, ceiling, output, sheet and stage are one file or folder and one line each', () => {
  it('types agree', { timeout: 180_000 }, () => {
    expect(judge('node_modules/typescript/bin/tsc', '--noEmit', '--incremental', 'false', '-p', '.')).toEqual({
      status: 0,
      said: '',
    });
  });
  it('lint agrees', { timeout: 120_000 }, () => {
    const files = ['openings/porthole.ts', 'openings/index.ts', 'ceilings/canopy.ts', 'ceilings/index.ts'];
    const answer = judge(
      'node_modules/eslint/bin/eslint.js',
      '--max-warnings',
      '0',
      ...files.map((file) => `src/core/solids/${file}`),
      'src/interface/outputs/names.ts',
      'src/interface/outputs/index.ts',
      'src/interface/at-board/CountSheet.tsx',
      'src/interface/at-board/sheets.ts',
      'src/interface/stages/finish/index.ts',
      'src/interface/stages/finish/FinishScreen.tsx',
      'src/interface/stages/index.ts',
    );
    expect(answer).toEqual({ status: 0, said: '' });
  });
  it('the stage, its keys and the ways to it are in order', { timeout: 120_000 }, () => {
    const answer = judge('node_modules/vitest/vitest.mjs', 'run', 'src/interface/stages/stages.test.ts');
    expect(answer.said).toMatch(/Tests\s+\d+ passed/);
    expect(answer.status).toBe(0);
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
