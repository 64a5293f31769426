import { radiansFromDegrees } from '@/core/units';
import { at } from '@/core/base';
import { conicBounds, type ConicArc } from '@/core/geometry';
import { CATALOGUE, kindBody, newPiece, type Axes, type Kind } from '@/core/solids';
import { setUpFrom } from '@/core/view';
import {
  conicOfRow,
  drain,
  parallelView,
  prepareScene,
  visibleLinesExact,
  type ParallelLines,
} from '@/core/visibility';
import { layerOf, type Drawing, type Stroke, type Word } from './drawing';
import { endsOf, placedStroke } from './strokes';

const SHEET = { width: 841, height: 594, margin: 12 } as const;
const COLUMNS = 10;
const ROWS = Math.ceil(CATALOGUE.length / COLUMNS);
const CELL = {
  width: (SHEET.width - 2 * SHEET.margin) / COLUMNS,
  height: Math.min(112, (SHEET.height - 2 * SHEET.margin) / ROWS),
} as const;

/** The piece's own axes laid into the world so that it faces south, as one who looks north sees it. */
const AXES: Axes = {
  origin: { x: 0, y: 0, z: 0 },
  x: { x: 1, y: 0, z: 0 },
  y: { x: 0, y: -1, z: 0 },
  z: { x: 0, y: 0, z: 1 },
};

type Line = Pick<Stroke, 'x0' | 'y0' | 'x1' | 'y1' | 'curve'>;

function linesOf(flat: Float64Array, seen: Uint8Array, arcs: readonly ConicArc[]): Line[] {
  const lines: Line[] = arcs.map(endsOf);
  for (let i = 0; i < seen.length; i += 1)
    if (seen[i] === 1)
      lines.push({ x0: at(flat, i * 4), y0: at(flat, i * 4 + 1), x1: at(flat, i * 4 + 2), y1: at(flat, i * 4 + 3) });
  return lines;
}
const parallelLines = (view: ParallelLines): Line[] =>
  linesOf(
    view.flat,
    view.seen,
    view.curves.flatMap((one) => (one.seen ? [one.arc] : [])),
  );

/** Lines set into a box of the sheet, at one scale across and up. */
function fitted(
  lines: readonly Line[],
  box: { x: number; y: number; width: number; height: number },
  of: string,
  kind: string,
  weight: Stroke['weight'],
): Stroke[] {
  const bounds = lines.map(({ x0, y0, x1, y1, curve }) =>
    curve
      ? conicBounds(curve)
      : { left: Math.min(x0, x1), right: Math.max(x0, x1), bottom: Math.min(y0, y1), top: Math.max(y0, y1) },
  );
  const xs = bounds.flatMap((one) => [one.left, one.right]);
  const ys = bounds.flatMap((one) => [one.bottom, one.top]);
  const [left, right, low, high] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const scale = Math.min(box.width / Math.max(1e-6, right - left), box.height / Math.max(1e-6, high - low));
  const place = { scale, x: box.x + box.width / 2 - ((left + right) / 2) * scale, y: box.y - low * scale };
  return lines.map((line) =>
    placedStroke(
      { ...line, family: weight === 'firm' ? 'level' : 'sheet', weight, role: { is: 'sample', kind }, of },
      place,
    ),
  );
}

function kindStrokes(kind: Kind, left: number, bottom: number): Stroke[] {
  const piece = newPiece(
    kind.id,
    {
      id: kind.id,
      name: kind.name,
      levelId: '',
      from: [
        { wallId: '', mm: 0 },
        { wallId: '', mm: 0 },
      ],
    },
    String,
  );
  if (!piece) return [];
  const body = kindBody(kind, piece, AXES);
  const scene = prepareScene([body]);
  const { width: w, depth: d, height: h } = kind.sizes;
  const [width, depth, height] = [w.usual, d.usual, h.usual];
  // Turned 35° to the picture plane, looked at from three times its size away and a little from above.
  const bearing = -35;
  const radians = radiansFromDegrees(bearing);
  const far = 3 * Math.max(width, depth, height);
  const setUp = setUpFrom({
    station: { x: width / 2 - Math.sin(radians) * far, y: -depth / 2 - Math.cos(radians) * far },
    bearingDeg: bearing + 360,
    eyeHeight: height / 2 + far * 0.32,
    floor: 0,
    pictureDistance: far,
    scaleDenominator: 10,
  });
  const lines = drain(visibleLinesExact(scene, setUp, { left: -4000, right: 4000, bottom: -4000, top: 4000 }));
  const seenArcs = Array.from(lines.curves.curve, (_, row) => row)
    .filter((row) => lines.curves.seen[row] === 1)
    .map((row) => conicOfRow(scene, setUp, lines, row));
  const up = { x: 0, y: 0, z: 1 };
  const front = parallelView(scene, {
    origin: AXES.origin,
    right: { x: 1, y: 0, z: 0 },
    up,
    toward: { x: 0, y: -1, z: 0 },
  });
  const side = parallelView(scene, {
    origin: AXES.origin,
    right: { x: 0, y: 1, z: 0 },
    up,
    toward: { x: 1, y: 0, z: 0 },
  });
  const half = CELL.width / 2;
  return [
    ...fitted(
      linesOf(lines.picture, lines.seen, seenArcs),
      { x: left + 6, y: bottom + 46, width: CELL.width - 12, height: 54 },
      `${kind.id}/two-point`,
      kind.id,
      'firm',
    ),
    ...fitted(
      parallelLines(front),
      { x: left + 4, y: bottom + 12, width: half - 7, height: 28 },
      `${kind.id}/front`,
      kind.id,
      'hairline',
    ),
    ...fitted(
      parallelLines(side),
      { x: left + half + 3, y: bottom + 12, width: half - 7, height: 28 },
      `${kind.id}/side`,
      kind.id,
      'hairline',
    ),
  ];
}

/** Every kind of the catalogue at its usual sizes on one sheet: in two-point above, from the front and from its right side below. */
export function contactSheet(): Drawing {
  const cell = (i: number): readonly [left: number, bottom: number] => [
    SHEET.margin + (i % COLUMNS) * CELL.width,
    SHEET.height - SHEET.margin - (Math.floor(i / COLUMNS) + 1) * CELL.height,
  ];
  return {
    title: 'Catalogue, every kind in two-point, front and side view',
    width: SHEET.width,
    height: SHEET.height,
    layers: [
      layerOf({ layer: 'samples' }, 'Kinds', {
        strokes: CATALOGUE.flatMap((kind, i) => kindStrokes(kind, ...cell(i))),
        words: CATALOGUE.map((kind, i): Word => {
          const [left, bottom] = cell(i);
          return { x: left + CELL.width / 2, y: bottom + 4, text: kind.name, heightMm: 4.2, anchor: 'middle' };
        }),
      }),
    ],
  };
}
