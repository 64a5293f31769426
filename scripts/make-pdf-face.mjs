// Brings the application's own text face into the PDF writer as data, so that worker, route handler and headless command embed the same one.
import { readFileSync, writeFileSync } from 'node:fs';

const folder = 'node_modules/@fontsource/fira-sans-condensed';
const subsets = ['latin', 'latin-ext', 'greek', 'cyrillic'];
const face = {
  name: 'Fira Sans Condensed',
  licence: 'SIL Open Font License 1.1',
  subsets: Object.fromEntries(
    subsets.map((name) => [
      name,
      readFileSync(`${folder}/files/fira-sans-condensed-${name}-400-normal.woff`).toString('base64'),
    ]),
  ),
};
writeFileSync('src/core/formats/pdf/face.json', `${JSON.stringify(face)}\n`);
