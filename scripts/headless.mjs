// Runs the headless command, rebuilding its bundle when the sources are newer. Nothing else goes to stdout.
import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { install } from './install.mjs';

if (!existsSync('node_modules')) install('pipe');
const { bundle } = await import('./bundle.mjs');
const outfile = await bundle('src/headless/main.ts', 'headless');
const run = spawnSync(process.execPath, [outfile, ...process.argv.slice(2)], { stdio: 'inherit' });
process.exit(run.status ?? 1);
