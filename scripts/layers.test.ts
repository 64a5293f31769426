import { ESLint } from 'eslint';
import { describe, expect, it } from 'vitest';
import { DEMOS as written } from '@/app/demo';
import { DEMOS } from './demo-data';

const eslint = new ESLint();
const faults = async (filePath: string, code: string): Promise<string[]> => {
  const [result] = await eslint.lintText(code, { filePath });
  return (result?.messages ?? []).filter((one) => one.ruleId?.startsWith('no-restricted')).map((one) => one.message);
};

describe('the order of folders is kept by lint', () => {
  it.each<[string, string, string, RegExp]>([
    [
      'geometry from a later folder',
      'src/core/geometry/planted.ts',
      `import { bodiesOf } from '@/core/solids';\nexport const x = bodiesOf;`,
      /may not import from core\/solids/,
    ],
    [
      'construction from the projection',
      'src/core/construction/planted.ts',
      `import { projectPoint } from '@/core/view';\nexport const x = projectPoint;`,
      /stand on its own/,
    ],
    [
      'construction from the projection, all at once',
      'src/core/construction/planted.ts',
      `import * as view from '@/core/view';\nexport const x = view;`,
      /stand on its own|restricted/,
    ],
    [
      'construction from visibility',
      'src/core/construction/planted.ts',
      `import { drain } from '@/core/visibility';\nexport const x = drain;`,
      /may not import from core\/visibility/,
    ],
    [
      'the core from React',
      'src/core/view/planted.ts',
      `import { useState } from 'react';\nexport const x = useState;`,
      /no interface/,
    ],
    [
      'the core from Node',
      'src/core/formats/svg/planted.ts',
      `import { readFileSync } from 'node:fs';\nexport const x = readFileSync;`,
      /reads no files/,
    ],
    [
      'Yup outside formats',
      'src/core/record/planted.ts',
      `import * as yup from 'yup';\nexport const x = yup;`,
      /File libraries/,
    ],
    [
      'the inside of another folder',
      'src/core/view/planted.ts',
      `import { mmOf } from '@/core/record/size';\nexport const x = mmOf;`,
      /through its index/,
    ],
    [
      'another folder by a relative path',
      'src/core/view/planted.ts',
      `import { mmOf } from '../record';\nexport const x = mmOf;`,
      /by its name/,
    ],
    [
      'the board from a stage',
      'src/interface/board/planted.ts',
      `import { STAGES } from '@/interface/stages';\nexport const x = STAGES;`,
      /may not import from interface\/stages/,
    ],
    [
      'a stage from another, by a path',
      'src/interface/stages/draw/planted.ts',
      `import { stand } from '../stand';\nexport const x = stand;`,
      /by its name/,
    ],
    [
      'a stage from all of them',
      'src/interface/stages/draw/planted.ts',
      `import { STAGES } from '@/interface/stages';\nexport const x = STAGES;`,
      /may not import from interface\/stages/,
    ],
    [
      'the inside of another stage',
      'src/interface/stages/draw/planted.ts',
      `import { stand } from '@/interface/stages/stand';\nexport const x = stand;`,
      /may not import from interface\/stages|through its index/,
    ],
    [
      'the frame from what lies at the board',
      'src/interface/frame/planted.ts',
      `import { useAtBoard } from '@/interface/at-board';\nexport const x = useAtBoard;`,
      /may not import from interface\/at-board/,
    ],
    [
      'the inside of another folder of the interface',
      'src/interface/stages/measure/planted.ts',
      `import { fitPose } from '@/interface/board/pose';\nexport const x = fitPose;`,
      /through its index/,
    ],
    [
      'meaning from an id by its beginning',
      'src/interface/board/planted.ts',
      `export const own = (pieceId: string): boolean => pieceId.startsWith('a/');`,
      /Nothing is read out of an id/,
    ],
    [
      'meaning from an id by a pattern',
      'src/core/view/planted.ts',
      `export const far = (mark: { readonly id: string }): boolean => /^vp/.test(mark.id);`,
      /Nothing is read out of an id/,
    ],
    [
      'interface from persistence',
      'src/interface/board/planted.ts',
      `import { ProjectStore } from '@/persistence';\nexport const x = ProjectStore;`,
      /may not import from persistence/,
    ],
    [
      'interface from a worker',
      'src/interface/board/planted.ts',
      `export { createLinesClient } from '@/workers';`,
      /may not import from workers/,
    ],
    [
      'interface loading a worker later',
      'src/interface/board/planted.ts',
      `export const x = () => import('@/workers');`,
      /may not load workers/,
    ],
    [
      'chance inside the core',
      'src/core/view/planted.ts',
      `export const x = Math.random();`,
      /Randomness is passed in/,
    ],
    [
      'the application’s code from testing',
      'src/state/planted.ts',
      `import { runs } from '@/testing';\nexport const x = runs;`,
      /Only tests/,
    ],
  ])('refuses %s', async (_, filePath, code, message) => {
    const found = await faults(filePath, code);
    expect(found.length).toBeGreaterThan(0);
    expect(found.join('\n')).toMatch(message);
  });
  it('lets through what is in order', async () => {
    expect(
      await faults(
        'src/core/construction/planted.ts',
        `import { eyeFromWorld } from '@/core/view';\nimport { lineThrough } from '@/core/geometry';\nexport const x = [eyeFromWorld, lineThrough];`,
      ),
    ).toEqual([]);
    expect(
      await faults(
        'src/core/drawing/planted.ts',
        `import { projectPoint } from '@/core/view';\nexport const x = projectPoint;`,
      ),
    ).toEqual([]);
  });
});

describe('components can be read at a glance', () => {
  it('one of more than 120 lines is a fault', async () => {
    const lines = Array.from({ length: 130 }, (_, i) => `  const n${i} = ${i};`).join('\n');
    const [result] = await eslint.lintText(`export function Long() {\n${lines}\n  return null;\n}\n`, {
      filePath: 'src/interface/frame/Planted.tsx',
    });
    expect(result?.messages.map((one) => one.ruleId)).toContain('max-lines-per-function');
  });
});

describe('the demonstration rooms', () => {
  it('in src/app/demo are what scripts/demo-data.ts makes', () => {
    const made = Object.values(DEMOS).map((make) => make());
    expect([...written].sort((a, b) => a.id.localeCompare(b.id))).toEqual(
      made.sort((a, b) => a.id.localeCompare(b.id)),
    );
  });
});
