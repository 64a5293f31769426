// Types, lint, unit tests, production build, browser tests; ends with the plain line `N passed, N failed` from the runners' own counts.
import { spawn, spawnSync } from 'node:child_process';
import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import { ensureTools } from './chromium.mjs';
import { install } from './install.mjs';

const long = process.argv.includes('--long');
const env = {
  ...process.env,
  NEXT_TELEMETRY_DISABLED: '1',
  PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD: '1',
  ...(long ? { BATHYSKOP_LONG: '1' } : {}),
};
let passed = 0;
let failed = 0;
/** What failed, by name: told once more at the end, where it is looked for. */
const names = [];

function run(title, command, words, extra = {}) {
  const began = Date.now();
  console.log(`\n== ${title}`);
  const { status } = spawnSync(command, words, { stdio: 'inherit', env: { ...env, ...extra } });
  console.log(`== ${title}: ${status === 0 ? 'done' : 'FAILED'} in ${Math.round((Date.now() - began) / 1000)} s`);
  return status === 0;
}
/** A step without tests of its own counts as one. */
const step = (...words) => (run(...words) ? (passed += 1) : ((failed += 1), names.push(words[0])));

/** Steps that want one processor each, side by side, each told when it is done; each counts as one. */
const together = (steps) =>
  Promise.all(
    steps.map(
      ([title, words]) =>
        new Promise((resolve) => {
          const began = Date.now();
          const child = spawn(process.execPath, words, { env });
          let said = '';
          child.stdout.on('data', (data) => (said += data));
          child.stderr.on('data', (data) => (said += data));
          child.on('close', (status) => {
            const sound = status === 0;
            if (sound) passed += 1;
            else {
              failed += 1;
              names.push(title);
            }
            const seconds = Math.round((Date.now() - began) / 1000);
            console.log(`\n== ${title}\n${said}== ${title}: ${sound ? 'done' : 'FAILED'} in ${seconds} s`);
            resolve();
          });
        }),
    ),
  );

/** Names of tests that failed in either runner's report. */
const failedIn = ({ testResults = [], suites = [] }) => [
  ...testResults.flatMap(({ assertionResults }) =>
    assertionResults.flatMap(({ status, fullName, failureMessages }) =>
      status === 'failed' ? [`${fullName}: ${(failureMessages[0] ?? '').split('\n')[0]}`] : [],
    ),
  ),
  ...suites.flatMap((suite) => [
    ...(suite.specs ?? []).flatMap(({ ok, title }) => (ok ? [] : [title])),
    ...failedIn({ suites: suite.suites ?? [] }),
  ]),
];

/** A runner's own counts; a runner that died before it could count is one failure. */
function count(sound, path, read) {
  try {
    const report = JSON.parse(readFileSync(path, 'utf8'));
    const [good, bad] = read(report);
    passed += good;
    failed += bad === 0 && !sound ? 1 : bad;
    names.push(...failedIn(report));
  } catch {
    failed += 1;
  }
}

install();
ensureTools();
rmSync('test-results', { recursive: true, force: true });
mkdirSync('test-results', { recursive: true });
const bin = (path) => [`node_modules/${path}`];

step('generated types', process.execPath, [...bin('next/dist/bin/next'), 'typegen']);
await together([
  ['types', [...bin('typescript/bin/tsc'), '--noEmit']],
  [
    'types of the core, without the browser',
    [...bin('typescript/bin/tsc'), '--noEmit', '-p', 'src/core/tsconfig.json'],
  ],
  ['lint', [...bin('eslint/bin/eslint.js'), '.', '--max-warnings', '0']],
]);
const units = run('unit tests', process.execPath, [
  ...bin('vitest/vitest.mjs'),
  'run',
  '--reporter=default',
  '--reporter=json',
  '--outputFile.json=test-results/units.json',
]);
count(units, 'test-results/units.json', (report) => [
  report.numPassedTests,
  report.numFailedTests + report.numPendingTests,
]);
const built = run('production build', process.execPath, ['scripts/build.mjs']);
if (built) {
  passed += 1;
  const journeys = run('browser tests', process.execPath, [...bin('@playwright/test/cli.js'), 'test'], {
    PLAYWRIGHT_JSON_OUTPUT_NAME: 'test-results/browser.json',
  });
  // A journey that passed only on its second run is counted as passed, but named: it wants looking into.
  count(journeys, 'test-results/browser.json', (report) => {
    if (report.stats.flaky > 0) console.log(`\n${report.stats.flaky} unsteady, passed on the second run: see above`);
    return [report.stats.expected + report.stats.flaky, report.stats.unexpected + report.stats.skipped];
  });
} else {
  // Neither the build nor a single journey passed.
  failed += 2;
}

for (const name of names) console.log(`failed: ${name}`);
console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed === 0 && passed > 0 ? 0 : 1);
