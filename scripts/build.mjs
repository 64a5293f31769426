// The production build: pages and scripts, then the service worker that keeps them for use without a network.
import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

const STAMP = '.next/BUILD_ID';
const WORKER = 'public/service-worker.js';
/** What a build is made from. */
const SOURCES = ['src', 'package-lock.json', 'next.config.ts', 'scripts/build.mjs'];

const newest = (path) => {
  const stat = statSync(path);
  return stat.isDirectory()
    ? Math.max(stat.mtimeMs, ...readdirSync(path).map((name) => newest(join(path, name))))
    : stat.mtimeMs;
};
export const isBuilt = () =>
  existsSync(STAMP) && existsSync(WORKER) && Math.max(...SOURCES.map(newest)) <= statSync(WORKER).mtimeMs;

async function serviceWorker() {
  const { build: bundle } = await import('esbuild');
  const { injectManifest } = await import('@serwist/build');
  mkdirSync('public', { recursive: true });
  await bundle({
    entryPoints: ['src/offline/service-worker.ts'],
    outfile: 'dist/service-worker.js',
    bundle: true,
    minify: true,
    format: 'iife',
    target: 'es2022',
    define: { 'process.env.NODE_ENV': '"production"' },
    logLevel: 'error',
  });
  const revision = readFileSync(STAMP, 'utf8').trim();
  const { count, size, warnings } = await injectManifest({
    swSrc: 'dist/service-worker.js',
    swDest: WORKER,
    globDirectory: '.next/static',
    globPatterns: ['**/*.{js,mjs,css,woff2,svg,icc}'],
    modifyURLPrefix: { '': '/_next/static/' },
    maximumFileSizeToCacheInBytes: 20 * 1024 * 1024,
    additionalPrecacheEntries: ['/', '/project', '/icon.svg', '/manifest.webmanifest'].map((url) => ({
      url,
      revision,
    })),
  });
  if (warnings.length > 0) throw new Error(warnings.join('\n'));
  console.log(`Kept for use without a network: ${count} files, ${(size / 1e6).toFixed(1)} MB.`);
}

/** Builds; resolves to whether it came to a good end. A build that failed leaves none that could be taken for it. */
export async function build() {
  rmSync(WORKER, { force: true });
  const next = spawnSync(process.execPath, ['node_modules/next/dist/bin/next', 'build'], {
    stdio: 'inherit',
    env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1' },
  });
  if (next.status !== 0) return false;
  await serviceWorker();
  return true;
}

if (process.argv[1] === fileURLToPath(import.meta.url)) process.exit((await build()) ? 0 : 1);
