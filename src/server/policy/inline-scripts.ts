import { createHash } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

const INLINE = /<script(?![^>]*\ssrc=)[^>]*>([\s\S]*?)<\/script>/g;

/** `sha256-…` of each inline script of a page, as a policy names it. */
export const inlineHashes = (html: string): readonly string[] =>
  [...html.matchAll(INLINE)].map(
    ([, script = '']) => `sha256-${createHash('sha256').update(script, 'utf8').digest('base64')}`,
  );

/** Those of all pages in a folder of built pages. */
export function hashesWithin(folder: string): readonly string[] {
  const found = new Set<string>();
  for (const entry of readdirSync(folder, { withFileTypes: true, recursive: true }))
    if (entry.isFile() && entry.name.endsWith('.html'))
      for (const hash of inlineHashes(readFileSync(join(entry.parentPath, entry.name), 'utf8'))) found.add(hash);
  return [...found];
}
