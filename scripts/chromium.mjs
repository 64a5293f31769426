import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';

/**
 * Debian's two Chromiums of one version, the one to be had first: the one without windows of its own opens a page with two thirds of the work, for the
 * other draws its tab strip for each.
 */
const CHROMIUMS = ['/usr/bin/chromium-headless-shell', '/usr/bin/chromium'];

/** Where Chromium is, or where the variable says it is. */
export const chromiumPath = () =>
  process.env.CHROMIUM_PATH ?? CHROMIUMS.find((path) => existsSync(path)) ?? '/usr/bin/chromium-headless-shell';

/** What the tests ask of Debian besides Chromium: independent parsers of the PDFs and the DXF that are written. */
const TOOLS = [
  { path: '/usr/bin/qpdf', name: 'qpdf' },
  { path: '/usr/bin/pdffonts', name: 'poppler-utils' },
  { path: '/usr/lib/python3/dist-packages/ezdxf/__init__.py', name: 'python3-ezdxf' },
];

/** Installs what is missing of Debian's Chromium and the PDF parsers where that is allowed; otherwise says what to install and stops. */
export function ensureTools() {
  const needed = () =>
    [{ path: chromiumPath(), name: 'chromium-headless-shell' }, ...TOOLS].filter(({ path }) => !existsSync(path));
  const missing = needed().map(({ name }) => name);
  // The heavier Chromium serves as well; the lighter one is worth eight seconds.
  const lighter = process.env.CHROMIUM_PATH === undefined && !existsSync(CHROMIUMS[0]);
  if (lighter && !missing.includes('chromium-headless-shell')) missing.push('chromium-headless-shell');
  if (missing.length === 0) return;
  const mayInstall = process.getuid?.() === 0 && existsSync('/usr/bin/apt-get');
  if (mayInstall) {
    const quiet = { stdio: 'inherit', env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' } };
    spawnSync('apt-get', ['update', '-qq'], quiet);
    spawnSync('apt-get', ['install', '-y', '-qq', '--no-install-recommends', ...missing], quiet);
  }
  const still = needed().map(({ name }) => name);
  if (still.length === 0) return;
  console.error(
    `The tests need ${still.join(', ')}. Install them (on Debian: apt-get install ${still.join(' ')}); for a Chromium elsewhere set CHROMIUM_PATH to it.`,
  );
  process.exit(1);
}
