import {
  clipToSheet,
  FAMILY_PENS,
  penFor,
  WEIGHT_MM,
  type Drawing,
  type Layer,
  type Stroke,
  type Word,
} from '@/core/drawing';
import { finite } from '@/core/numeric';
import { downwardFromSheet } from '@/core/space';

/** A millimetre figure with at most four decimals: a tenth of a micron. */
const mm = (value: number): string => {
  const text = finite(value, 'coordinate')
    .toFixed(4)
    .replace(/\.?0+$/, '');
  return text === '-0' ? '0' : text;
};

const escape = (text: string): string =>
  text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;').replace(/"/g, '&quot;');

/** One class for each family and weight in use. */
const penClass = (stroke: Stroke): string => `${stroke.weight}-${stroke.family}`;

function styles(drawing: Drawing): string {
  const used = new Map<string, Stroke>();
  for (const layer of drawing.layers) for (const stroke of layer.strokes) used.set(penClass(stroke), stroke);
  const rules = [...used].map(([name, { family, weight }]) => {
    const pen = penFor(family, weight);
    const dash = pen.dashMm.length > 0 ? `;stroke-dasharray:${pen.dashMm.join(' ')}` : '';
    return `.${name}{stroke:${pen.colour};stroke-width:${WEIGHT_MM[weight]}${dash}}`;
  });
  return `line{fill:none;stroke-linecap:round}text{fill:${FAMILY_PENS.sheet.colour};font-family:'Fira Sans Condensed',sans-serif}${rules.join('')}`;
}

function layerGroup(layer: Layer, sheetHeight: number): string {
  const y = (value: number): string => mm(downwardFromSheet(value, sheetHeight));
  const line = (stroke: Stroke): string =>
    `<line class="${penClass(stroke)}" data-of="${escape(stroke.of)}"${stroke.also ? ` data-also="${escape(stroke.also.join(' '))}"` : ''} x1="${mm(stroke.x0)}" y1="${y(stroke.y0)}" x2="${mm(stroke.x1)}" y2="${y(stroke.y1)}"/>`;
  const word = (one: Word): string =>
    `<text x="${mm(one.x)}" y="${y(one.y)}" font-size="${mm(one.heightMm)}" text-anchor="${one.anchor}">${escape(one.text)}</text>`;
  return `<g id="layer-${escape(layer.id)}"><title>${escape(layer.name)}</title>\n${[...layer.strokes.map(line), ...layer.words.map(word)].join('\n')}\n</g>`;
}

/**
 * The sheet as SVG at true size: one user unit is one millimetre, y down from the sheet's upper edge. What lies off the sheet is cut.
 * @throws on a figure that is not finite.
 */
export function writeSvg(drawing: Drawing): string {
  const sheet = clipToSheet(drawing);
  const [width, height] = [mm(sheet.width), mm(sheet.height)];
  return [
    '<?xml version="1.0" encoding="UTF-8"?>',
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}mm" height="${height}mm" viewBox="0 0 ${width} ${height}">`,
    `<title>${escape(sheet.title)}</title>`,
    `<style>${styles(sheet)}</style>`,
    `<rect width="${width}" height="${height}" fill="#ffffff"/>`,
    ...sheet.layers.map((layer) => layerGroup(layer, sheet.height)),
    '</svg>',
    '',
  ].join('\n');
}
