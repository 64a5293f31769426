// Brings the application's own text face into the PDF writer as data, so that worker, route handler and headless command embed the same one, with the
// signs it lacks from a second face; and the widths of its letters, by which words are placed.
import { readFileSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import subsetFont from 'subset-font';

const fontkit = createRequire(import.meta.resolve('pdfkit'))('fontkit');

const folder = 'node_modules/@fontsource/fira-sans-condensed';
const subsets = ['latin', 'latin-ext', 'greek', 'cyrillic'];
const read = (name) => readFileSync(`${folder}/files/fira-sans-condensed-${name}-400-normal.woff`);

/** Primes, arrows and signs that people write beside figures. */
const SIGNS = '′″‴←↑→↓↔↕√∞∠∥⊥≈≠≤≥⌀△▲○●□■';
const signs = await subsetFont(
  readFileSync('node_modules/@fontsource/noto-sans-math/files/noto-sans-math-latin-400-normal.woff'),
  SIGNS,
  { targetFormat: 'woff' },
);

const face = {
  name: 'Fira Sans Condensed; signs: Noto Sans Math',
  licence: 'SIL Open Font License 1.1',
  signs: SIGNS,
  subsets: {
    ...Object.fromEntries(subsets.map((name) => [name, read(name).toString('base64')])),
    signs: signs.toString('base64'),
  },
};
writeFileSync('src/core/formats/pdf/face.json', `${JSON.stringify(face)}\n`);

/** Widths over the letters' height, thousandths. */
const widths = {};
const measure = (font, from, to) => {
  const { unitsPerEm } = font;
  for (let code = from; code <= to; code += 1)
    if (font.hasGlyphForCodePoint(code))
      widths[String.fromCodePoint(code)] = Math.round((font.glyphForCodePoint(code).advanceWidth / unitsPerEm) * 1000);
};
const latin = fontkit.create(read('latin'));
for (const [from, to] of [
  [0x20, 0x7e],
  [0xa0, 0xff],
  [0x2013, 0x2026],
  [0x2212, 0x2212],
])
  measure(latin, from, to);
measure(fontkit.create(read('greek')), 0x391, 0x3c9);
const second = fontkit.create(signs);
for (const sign of SIGNS) measure(second, sign.codePointAt(0), sign.codePointAt(0));
writeFileSync('src/core/drawing/letter-widths.json', `${JSON.stringify(widths)}\n`);
