import { spawnSync } from 'node:child_process';
import { existsSync, statSync } from 'node:fs';

/** Installs the packages of package-lock.json when they are missing or older than it. */
export function install(stdio = 'inherit') {
  const stamp = 'node_modules/.package-lock.json';
  if (existsSync(stamp) && statSync(stamp).mtimeMs >= statSync('package-lock.json').mtimeMs) return;
  const run = spawnSync('npm', ['ci', '--no-audit', '--no-fund'], {
    stdio,
    env: { ...process.env, PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD: '1' },
  });
  if (run.status !== 0) {
    console.error('Installing the packages failed. Run `npm ci` and see why.');
    process.exit(1);
  }
}
