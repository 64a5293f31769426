/**
 * Breaks the code in sixty places, one at a time, in copies, and runs the tests that stand beside it, then all that depend on it: each must turn
 * one red. Ends with how many did; `--write` puts the list into docs/mutations.md.
 *
 *   npm run mutate                 all of them
 *   npm run mutate -- src/state    those of a part
 *   npm run mutate -- --newest=10  those added last
 */
import { spawn } from 'node:child_process';
import { cpSync, mkdtempSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { availableParallelism, tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { MUTATIONS } from './mutations.mjs';

const [part = ''] = process.argv.slice(2).filter((one) => !one.startsWith('--'));
const newest = Number(/^--newest=(\d+)$/.exec(process.argv.find((one) => one.startsWith('--newest=')) ?? '')?.[1] ?? 0);
const wanted = MUTATIONS.slice(-newest).filter(({ file }) => file.startsWith(part));
const COPIED = ['src', 'scripts', 'docs', 'package.json', 'tsconfig.json', 'vitest.config.ts', 'eslint.config.mjs'];

/** Tests of a copy: resolves to the first that failed, null where all passed. */
const tests = (copy, args) =>
  new Promise((resolve) => {
    const child = spawn(
      process.execPath,
      ['node_modules/vitest/vitest.mjs', ...args, '--bail', '1', '--reporter', 'dot'],
      {
        cwd: copy,
        env: { ...process.env, NO_COLOR: '1', FORCE_COLOR: '0' },
      },
    );
    let said = '';
    child.stdout.on('data', (data) => (said += data));
    child.stderr.on('data', (data) => (said += data));
    child.on('close', (code) =>
      resolve(code === 0 ? null : (/FAIL .*?((?:src|scripts)\/\S+)/.exec(said)?.[1] ?? 'a run that ended at once')),
    );
  });

async function broken(copy, { file, find, put }) {
  const path = join(copy, file);
  const text = readFileSync(path, 'utf8');
  if (text.split(find).length !== 2) return { red: null, fault: `found ${text.split(find).length - 1} times` };
  writeFileSync(
    path,
    text.replace(find, () => put),
  );
  try {
    const beside = await tests(copy, ['run', dirname(file)]);
    return { red: beside ?? (await tests(copy, ['related', file, '--run'])) };
  } finally {
    writeFileSync(path, text);
  }
}

const results = new Map();
let next = 0;
async function work() {
  const copy = mkdtempSync(join(tmpdir(), 'bathyskop-mutate-'));
  try {
    for (const name of COPIED) cpSync(name, join(copy, name), { recursive: true });
    symlinkSync(join(process.cwd(), 'node_modules'), join(copy, 'node_modules'));
    while (next < wanted.length) {
      const mutation = wanted[next];
      next += 1;
      const result = await broken(copy, mutation);
      results.set(mutation, result);
      console.log(
        `${result.red ? 'red  ' : 'GREEN'} ${mutation.file}: ${mutation.breaks}${result.fault ? ` (${result.fault})` : ''}`,
      );
    }
  } finally {
    rmSync(copy, { recursive: true, force: true });
  }
}
await Promise.all(Array.from({ length: Math.min(2, availableParallelism()) }, work));

const red = wanted.filter((one) => results.get(one).red).length;
if (process.argv.includes('--write')) {
  const rows = wanted.map(
    (one) =>
      `| \`${one.file}\` | ${one.breaks} | ${results.get(one).red ? `\`${results.get(one).red}\`` : '**none**'} |`,
  );
  writeFileSync(
    'docs/mutations.md',
    `# What the tests notice

\`npm run mutate\` breaks the code in the places below, one at a time, in copies, and looks whether a test turns red: first those beside the file, then
all that depend on it. \`npm run mutate -- src/state\` does so for a part, \`-- --write\` writes this list anew. A further place is a line in
\`scripts/mutations.mjs\`. At the last run ${red} of ${wanted.length} were noticed.

| file | what is broken | first red |
|---|---|---|
${rows.join('\n')}
`,
  );
}
console.log(`${red} of ${wanted.length} turned a test red`);
process.exitCode = red >= wanted.length * 0.95 ? 0 : 1;
