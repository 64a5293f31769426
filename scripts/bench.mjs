// Prints medians of projection, visible lines and the whole redraw. Nothing here passes or fails: the machine is shared and noisy.
import { spawn, spawnSync } from 'node:child_process';
import { chromiumPath, ensureTools } from './chromium.mjs';
import { install } from './install.mjs';

install();
ensureTools();
const env = { ...process.env, NEXT_TELEMETRY_DISABLED: '1' };
const next = 'node_modules/next/dist/bin/next';
const { build: buildApplication, isBuilt } = await import('./build.mjs');
if (!isBuilt() && !(await buildApplication())) process.exit(1);
const { build } = await import('esbuild');
await build({
  entryPoints: ['bench/main.ts'],
  outfile: 'dist/bench.mjs',
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  external: ['@playwright/test'],
  tsconfig: 'tsconfig.json',
  logLevel: 'error',
});
const port = 4392;
const server = spawn(process.execPath, [next, 'start', '-H', '127.0.0.1', '-p', String(port)], {
  stdio: ['ignore', 'pipe', 'inherit'],
  env,
});
await new Promise((resolve) => server.stdout.on('data', (data) => String(data).includes('Ready') && resolve()));
const words = [
  'dist/bench.mjs',
  `http://127.0.0.1:${port}`,
  chromiumPath(),
  String(server.pid),
  ...process.argv.slice(2),
];
const run = spawnSync(process.execPath, words, {
  stdio: 'inherit',
  env,
});
server.kill();
process.exit(run.status ?? 1);
