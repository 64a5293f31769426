import {
  clipToSheet,
  FAMILY_PENS,
  penFor,
  widthMm,
  type Drawing,
  type Layer,
  type Stroke,
  type Word,
} from '@/core/drawing';
import {
  conicPoint,
  cubicsAlong,
  ellipseArc,
  ellipsePoint,
  placedConic,
  type ConicArc,
  type Vector2,
} from '@/core/geometry';
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
const penClass = ({ weight, family, edge }: Stroke): string =>
  `${weight}-${family}${weight === 'firm' && edge ? `-${edge}` : ''}`;

function styles(drawing: Drawing): string {
  const used = new Map<string, Stroke>();
  for (const layer of drawing.layers) for (const stroke of layer.strokes) used.set(penClass(stroke), stroke);
  const rules = [...used].map(([name, { family, weight, edge }]) => {
    const pen = penFor(family, weight);
    const dash = pen.dashMm.length > 0 ? `;stroke-dasharray:${pen.dashMm.join(' ')}` : '';
    return `.${name}{stroke:${pen.colour};stroke-width:${widthMm({ weight, ...(edge ? { edge } : {}) })}${dash}}`;
  });
  return `line,path{fill:none;stroke-linecap:round}text{fill:${FAMILY_PENS.sheet.colour};font-family:'Fira Sans Condensed',sans-serif}${rules.join('')}`;
}

/** A cubic may leave its conic by so much, mm. */
const CUBIC_MM = 0.002;
const point = ({ x, y }: Vector2): string => `${mm(x)} ${mm(y)}`;

/** An ellipse's arc as what it is, in parts of at most a half-turn; another conic as cubics. */
function pathOf(curve: ConicArc): string {
  const ellipse = ellipseArc(curve);
  if (!ellipse) {
    const { cubics } = cubicsAlong(curve, CUBIC_MM);
    return `M${point(conicPoint(curve, curve.from))}${cubics.map(([, b, c, d]) => `C${point(b)} ${point(c)} ${point(d)}`).join('')}`;
  }
  const { major, minor, turn, from, to } = ellipse;
  const parts = Math.max(1, Math.ceil(Math.abs(to - from) / Math.PI - 1e-9) * 2);
  const degrees = mm((turn * 180) / Math.PI);
  const arcs = Array.from({ length: parts }, (_, i) => {
    const end = ellipsePoint(ellipse, from + ((to - from) * (i + 1)) / parts);
    return `A${mm(major)} ${mm(minor)} ${degrees} 0 ${to > from ? 1 : 0} ${point(end)}`;
  });
  return `M${point(ellipsePoint(ellipse, from))}${arcs.join('')}`;
}

function layerGroup(layer: Layer, sheetHeight: number): string {
  const y = (value: number): string => mm(downwardFromSheet(value, sheetHeight));
  const line = (stroke: Stroke): string =>
    `<${stroke.curve ? 'path' : 'line'} class="${penClass(stroke)}" data-of="${escape(stroke.of)}"${stroke.also ? ` data-also="${escape(stroke.also.join(' '))}"` : ''} ${
      stroke.curve
        ? `d="${pathOf(placedConic(stroke.curve, { scaleY: -1, y: sheetHeight }))}"`
        : `x1="${mm(stroke.x0)}" y1="${y(stroke.y0)}" x2="${mm(stroke.x1)}" y2="${y(stroke.y1)}"`
    }/>`;
  const word = (one: Word): string =>
    `<text x="${mm(one.x)}" y="${y(one.y)}" font-size="${mm(one.heightMm)}" text-anchor="${one.anchor}">${escape(one.text)}</text>`;
  return `<g id="layer-${escape(layer.id)}"${layer.dimmed ? ' opacity="0.3"' : ''}><title>${escape(layer.name)}</title>\n${[...layer.strokes.map(line), ...layer.words.map(word)].join('\n')}\n</g>`;
}

/** Each layer a group; those that belong together in one group more. */
function layersInGroups(layers: readonly Layer[], height: number): readonly string[] {
  const first = layers.findIndex((layer) => layer.group === 'furniture');
  return layers.flatMap((layer, i) => {
    if (layer.group !== 'furniture') return [layerGroup(layer, height)];
    if (i !== first) return [];
    const all = layers.filter((one) => one.group === 'furniture').map((one) => layerGroup(one, height));
    return [`<g id="layer-furniture"><title>Furniture</title>\n${all.join('\n')}\n</g>`];
  });
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
    ...layersInGroups(sheet.layers, sheet.height),
    '</svg>',
    '',
  ].join('\n');
}
