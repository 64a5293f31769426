import { mkdirSync, writeFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { pathToFileURL } from 'node:url';
import { bundle } from './bundle.mjs';

const { DEMOS } = await import(pathToFileURL(resolve(await bundle('scripts/demo-data.ts', 'demo-data'))).href);
mkdirSync('src/app/demo', { recursive: true });
for (const [name, make] of Object.entries(DEMOS))
  writeFileSync(join('src/app/demo', `${name}.json`), `${JSON.stringify(make(), null, 1)}\n`);
