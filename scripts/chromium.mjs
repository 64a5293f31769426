import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';

/** Where Debian puts Chromium, or where the variable says it is. */
export const chromiumPath = () => process.env.CHROMIUM_PATH ?? '/usr/bin/chromium';

/** Installs Debian's Chromium where that is allowed; otherwise says what to install and stops. */
export function ensureChromium() {
  if (existsSync(chromiumPath())) return;
  const mayInstall = process.getuid?.() === 0 && existsSync('/usr/bin/apt-get');
  if (mayInstall) {
    const quiet = { stdio: 'inherit', env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' } };
    spawnSync('apt-get', ['update', '-qq'], quiet);
    spawnSync('apt-get', ['install', '-y', '-qq', '--no-install-recommends', 'chromium'], quiet);
  }
  if (existsSync(chromiumPath())) return;
  console.error(
    'The browser tests need Chromium. Install the package “chromium” (on Debian: apt-get install chromium), or set CHROMIUM_PATH to it.',
  );
  process.exit(1);
}
