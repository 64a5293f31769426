import {
  Colors,
  DxfWriter,
  LayerFlags,
  LWPolylineFlags,
  SplineFlags,
  TextHorizontalAlignment,
  TextVerticalAlignment,
  Units,
  point2d,
  point3d,
} from '@tarikjabiri/dxf';
import { at } from '@/core/base';
import {
  clipToSheet,
  HIDDEN_DASH_MM,
  penFor,
  walk,
  type Drawing,
  type Layer,
  type LayerHead,
  type Stroke,
  type Word,
} from '@/core/drawing';
import { cubicsAlong, ellipseArc, type ConicArc, type Vector2 } from '@/core/geometry';
import { finite } from '@/core/numeric';

/** A cubic may leave its conic by so much, mm. */
const CUBIC_MM = 0.002;
const mm = (value: number): number => finite(value, 'coordinate');

/** A layer's name as the format allows it: no signs that mean something to readers, not empty, no longer than 200. */
export function layerName(layer: LayerHead): string {
  const name = layer.name.replace(/[<>/\\":;?*|=,`]/g, '-').trim();
  const named = layer.group ? `Furniture - ${name}` : name;
  return (named === '' ? layer.id : named).slice(0, 200);
}

/** Dashes are named once each: their lengths, a gap negative. */
function lineTypes(dxf: DxfWriter, layers: readonly Layer[]): (stroke: Stroke) => string {
  const names = new Map<string, string>();
  const known = (dash: readonly number[]): string => {
    if (dash.length === 0) return 'Continuous';
    const key = dash.join(' ');
    let name = names.get(key);
    if (name === undefined) {
      name = dash === HIDDEN_DASH_MM ? 'HIDDEN-DOTS' : `DASH-${names.size + 1}`;
      names.set(key, name);
      dxf.addLType(
        name,
        `${key} mm`,
        dash.map((length, i) => (i % 2 === 0 ? length : -length)),
      );
    }
    return name;
  };
  const of = (stroke: Stroke): string => known(penFor(stroke.family, stroke.weight).dashMm);
  for (const layer of layers) for (const stroke of layer.strokes) of(stroke);
  return of;
}

/**
 * The sheet as DXF, 1 unit = 1 mm of paper, y up from the sheet's lower left corner: lines, ellipses as ellipses, other conics as splines, each layer a
 * layer. What lies off the sheet is cut.
 * @throws on a figure that is not finite.
 */
export function writeDxf(drawing: Drawing): string {
  const sheet = clipToSheet(drawing);
  const dxf = new DxfWriter();
  dxf.setUnits(Units.Millimeters);
  dxf.setVariable('$EXTMIN', { 10: 0, 20: 0, 30: 0 });
  dxf.setVariable('$EXTMAX', { 10: mm(sheet.width), 20: mm(sheet.height), 30: 0 });
  dxf.setVariable('$LIMMIN', { 10: 0, 20: 0 });
  dxf.setVariable('$LIMMAX', { 10: mm(sheet.width), 20: mm(sheet.height) });
  const lineType = lineTypes(dxf, sheet.layers);
  const taken = new Set<string>(['0']);
  let name = '';
  walk(sheet, {
    begin: (layer) => {
      // Two pieces may bear one name; layers may not.
      name = layerName(layer);
      for (let n = 2; taken.has(name.toLowerCase()); n += 1) name = `${layerName(layer)} ${n}`;
      taken.add(name.toLowerCase());
      dxf.addLayer(name, Colors.White, 'Continuous', LayerFlags.None);
    },
    // Pictures are files of their own beside a DXF: they are left out, as the format's readers expect it.
    images: () => undefined,
    areas: (areas) => {
      for (const { loops } of areas) for (const loop of loops) addOutline(dxf, loop, name);
    },
    strokes: (strokes) => {
      for (const stroke of strokes) addStroke(dxf, stroke, { layerName: name, lineType: lineType(stroke) });
    },
    words: (words) => {
      for (const word of words) if (word.text !== '') addWord(dxf, word, name);
    },
  });
  return dxf.stringify();
}

interface Options {
  readonly layerName: string;
  readonly lineType: string;
}

/** An area as its closed outline: what it is filled with is for the reader to say. */
function addOutline(dxf: DxfWriter, loop: readonly Vector2[], layer: string): void {
  dxf.addLWPolyline(
    loop.map((p) => ({ point: point2d(mm(p.x), mm(p.y)) })),
    { flags: LWPolylineFlags.Closed, layerName: layer },
  );
}

function addStroke(dxf: DxfWriter, stroke: Stroke, options: Options): void {
  if (!stroke.curve) {
    dxf.addLine(point3d(mm(stroke.x0), mm(stroke.y0)), point3d(mm(stroke.x1), mm(stroke.y1)), options);
    return;
  }
  addCurve(dxf, stroke.curve, options);
}

function addCurve(dxf: DxfWriter, curve: ConicArc, options: Options): void {
  const ellipse = ellipseArc(curve);
  if (ellipse) {
    const { centre, major, minor, turn, from, to } = ellipse;
    // Counter-clockwise, from a parameter within the first turn.
    const [low, high] = from < to ? [from, to] : [to, from];
    const start = ((low % (2 * Math.PI)) + 2 * Math.PI) % (2 * Math.PI);
    dxf.addEllipse(
      point3d(mm(centre.x), mm(centre.y)),
      point3d(mm(major * Math.cos(turn)), mm(major * Math.sin(turn))),
      mm(minor / major),
      mm(start),
      mm(start + high - low),
      options,
    );
    return;
  }
  // Cubics end to end are one spline whose inner knots are threefold.
  const { cubics } = cubicsAlong(curve, CUBIC_MM);
  const points = cubics.flatMap((cubic, i) => (i === 0 ? [...cubic] : cubic.slice(1)));
  const knots = [0, ...Array.from({ length: cubics.length + 1 }, (_, i) => [i, i, i]).flat(), cubics.length];
  dxf.addSpline(
    {
      controlPoints: points.map((p) => point3d(mm(p.x), mm(p.y))),
      degreeCurve: 3,
      knots,
      flags: SplineFlags.Planar,
      weights: [],
    },
    options,
  );
}

const ANCHORS = {
  start: TextHorizontalAlignment.Left,
  middle: TextHorizontalAlignment.Center,
  end: TextHorizontalAlignment.Right,
} as const;

function addWord(dxf: DxfWriter, word: Word, layer: string): void {
  const place = point3d(mm(word.x), mm(word.y));
  dxf.addText(place, mm(word.heightMm * 0.7), ascii(word.text), {
    layerName: layer,
    horizontalAlignment: at([ANCHORS[word.anchor]], 0),
    verticalAlignment: TextVerticalAlignment.BaseLine,
    secondAlignmentPoint: place,
  });
}

/** Signs beyond ASCII as the format writes them, by their numbers; a line break is none of its own. */
const ascii = (text: string): string =>
  [...text.replace(/[\r\n]+/g, ' ')]
    .map((sign) => {
      const code = sign.codePointAt(0) ?? 63;
      return code < 128 ? sign : code < 0x10000 ? `\\U+${code.toString(16).toUpperCase().padStart(4, '0')}` : '?';
    })
    .join('');
