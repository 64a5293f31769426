import { degreesFromRadians } from '@/core/units';
import {
  clipToSheet,
  FAMILY_PENS,
  GRAPHITE,
  penFor,
  walk,
  widthMm,
  type Area,
  type Drawing,
  type Picture,
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
import { finite, tolerance } from '@/core/numeric';
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
  return `line,path{fill:none;stroke-linecap:round}.area{fill:${GRAPHITE};fill-rule:evenodd;stroke:none}text{fill:${FAMILY_PENS.sheet.colour};font-family:'Fira Sans Condensed',sans-serif}${rules.join('')}`;
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
  const parts = Math.max(1, Math.ceil(Math.abs(to - from) / Math.PI - tolerance.wholeNumber) * 2);
  const degrees = mm(degreesFromRadians(turn));
  const arcs = Array.from({ length: parts }, (_, i) => {
    const end = ellipsePoint(ellipse, from + ((to - from) * (i + 1)) / parts);
    return `A${mm(major)} ${mm(minor)} ${degrees} 0 ${to > from ? 1 : 0} ${point(end)}`;
  });
  return `M${point(ellipsePoint(ellipse, from))}${arcs.join('')}`;
}

/** A word, a line, a tone or a picture as its element, the sheet's y turned down. */
function elements(sheetHeight: number) {
  const y = (value: number): string => mm(downwardFromSheet(value, sheetHeight));
  return {
    stroke: (stroke: Stroke): string =>
      `<${stroke.curve ? 'path' : 'line'} class="${penClass(stroke)}" data-of="${escape(stroke.of)}"${stroke.also ? ` data-also="${escape(stroke.also.join(' '))}"` : ''} ${
        stroke.curve
          ? `d="${pathOf(placedConic(stroke.curve, { scaleY: -1, y: sheetHeight }))}"`
          : `x1="${mm(stroke.x0)}" y1="${y(stroke.y0)}" x2="${mm(stroke.x1)}" y2="${y(stroke.y1)}"`
      }/>`,
    word: (one: Word): string =>
      `<text x="${mm(one.x)}" y="${y(one.y)}" font-size="${mm(one.heightMm)}" text-anchor="${one.anchor}">${escape(one.text)}</text>`,
    area: (one: Area): string =>
      `<path class="area" data-of="${escape(one.of)}" fill-opacity="${mm(one.tone)}" d="${one.loops
        .map((loop) => `${loop.map((p, i) => `${i === 0 ? 'M' : 'L'}${mm(p.x)} ${y(p.y)}`).join('')}Z`)
        .join('')}"/>`,
    image: (one: Picture): string =>
      `<image data-of="${escape(one.of)}" x="${mm(one.x)}" y="${y(one.y + one.height)}" width="${mm(one.width)}" height="${mm(one.height)}" preserveAspectRatio="none" href="data:${one.type};base64,${one.base64}"/>`,
  };
}

/** Each layer a group, those that belong together in one group more: what a reader of SVG lays on and off. */
function layerGroups(sheet: Drawing): readonly string[] {
  const groups: string[] = [];
  const furniture: string[] = [];
  let place: number | null = null;
  let inside: string[] = [];
  const { stroke, word, area, image } = elements(sheet.height);
  walk(sheet, {
    begin: () => {
      inside = [];
    },
    images: (images) => inside.push(...images.map(image)),
    areas: (areas) => inside.push(...areas.map(area)),
    strokes: (strokes) => inside.push(...strokes.map(stroke)),
    words: (words) => inside.push(...words.map(word)),
    end: ({ id, name, group, dimmed }) => {
      const text = `<g id="layer-${escape(id)}"${dimmed ? ' opacity="0.3"' : ''}><title>${escape(name)}</title>\n${inside.join('\n')}\n</g>`;
      if (group === undefined) groups.push(text);
      else {
        place ??= groups.push('') - 1;
        furniture.push(text);
      }
    },
  });
  if (place !== null) groups[place] = `<g id="layer-furniture"><title>Furniture</title>\n${furniture.join('\n')}\n</g>`;
  return groups;
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
    ...layerGroups(sheet),
    '</svg>',
    '',
  ].join('\n');
}
