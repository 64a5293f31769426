import { build } from 'esbuild';
import { existsSync, mkdirSync, readdirSync, statSync } from 'node:fs';
import { dirname, join } from 'node:path';

const newest = (folder) =>
  Math.max(
    ...readdirSync(folder, { withFileTypes: true }).map((entry) => {
      const path = join(folder, entry.name);
      return entry.isDirectory() ? newest(path) : statSync(path).mtimeMs;
    }),
    0,
  );

/** Bundles one TypeScript entry for Node, only when its sources are newer than the bundle. Returns the bundle's path. */
export async function bundle(entry, name) {
  const outfile = join('dist', `${name}.mjs`);
  const sources = [join('src', 'core'), dirname(entry)];
  if (!existsSync(outfile) || Math.max(...sources.map(newest)) > statSync(outfile).mtimeMs) {
    mkdirSync('dist', { recursive: true });
    await build({
      entryPoints: [entry],
      outfile,
      bundle: true,
      platform: 'node',
      format: 'esm',
      target: 'node20',
      logLevel: 'error',
      tsconfig: 'tsconfig.json',
      banner: {
        js: "import { createRequire as __createRequire } from 'node:module'; const require = __createRequire(import.meta.url);",
      },
    });
  }
  return outfile;
}
