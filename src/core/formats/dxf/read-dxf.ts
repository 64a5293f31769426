import DxfParser from 'dxf-parser';
import { err, ok, type Result } from '@/core/base';
import type { Vector2 } from '@/core/geometry';

/** What of a DXF concerns a drawing board: lines, ellipses and splines by layer, words, and what a unit is. */
export interface DxfDrawing {
  /** Millimetres in one unit; null where the file does not say. */
  readonly mmPerUnit: number | null;
  readonly layers: readonly string[];
  readonly lines: readonly { readonly layer: string; readonly from: Vector2; readonly to: Vector2 }[];
  readonly ellipses: readonly {
    readonly layer: string;
    readonly centre: Vector2;
    /** From the centre to the end of the major axis. */
    readonly majorAxis: Vector2;
    readonly ratio: number;
    readonly from: number;
    readonly to: number;
  }[];
  readonly splines: readonly {
    readonly layer: string;
    readonly degree: number;
    readonly knots: readonly number[];
    readonly points: readonly Vector2[];
  }[];
  readonly words: readonly { readonly layer: string; readonly at: Vector2; readonly text: string }[];
}

export interface DxfError {
  readonly reason: 'not-dxf' | 'empty';
  readonly message: string;
}

/** $INSUNITS by its number. */
const UNIT_MM: Readonly<Record<number, number>> = { 1: 25.4, 2: 304.8, 4: 1, 5: 10, 6: 1000 };

/** Reads the lines of a DXF. What it holds besides, solids and dimensions among them, is left out. */
export function readDxf(text: string): Result<DxfDrawing, DxfError> {
  const refuse = (reason: DxfError['reason'], message: string): Result<never, DxfError> => err({ reason, message });
  if (text.trim() === '') return refuse('empty', 'The file is empty.');
  let parsed;
  try {
    parsed = new DxfParser().parseSync(text);
  } catch (error) {
    const why = error instanceof Error ? error.message : 'for a reason it does not tell';
    return refuse('not-dxf', `This is no DXF that can be read: ${why}.`);
  }
  if (!parsed || !Array.isArray(parsed.entities)) return refuse('not-dxf', 'This is no DXF: it holds no drawing.');
  const flat = (p: { x: number; y: number } | undefined): Vector2 => ({ x: p?.x ?? NaN, y: p?.y ?? NaN });
  const lines: DxfDrawing['lines'][number][] = [];
  const ellipses: DxfDrawing['ellipses'][number][] = [];
  const splines: DxfDrawing['splines'][number][] = [];
  const words: DxfDrawing['words'][number][] = [];
  for (const entity of parsed.entities) {
    const { layer } = entity;
    const one = entity as unknown as Record<string, never>;
    if (entity.type === 'LINE') {
      const [from, to] = one.vertices as unknown as [Vector2, Vector2];
      lines.push({ layer, from: flat(from), to: flat(to) });
    } else if (entity.type === 'ELLIPSE')
      ellipses.push({
        layer,
        centre: flat(one.center),
        majorAxis: flat(one.majorAxisEndPoint),
        ratio: Number(one.axisRatio),
        from: Number(one.startAngle),
        to: Number(one.endAngle),
      });
    else if (entity.type === 'SPLINE')
      splines.push({
        layer,
        degree: Number(one.degreeOfSplineCurve),
        knots: one.knotValues as unknown as number[],
        points: ((one.controlPoints ?? []) as unknown as Vector2[]).map(flat),
      });
    else if (entity.type === 'TEXT') words.push({ layer, at: flat(one.startPoint), text: unicode(String(one.text)) });
  }
  const units = Number((parsed.header as Record<string, unknown> | undefined)?.$INSUNITS ?? NaN);
  return ok({
    mmPerUnit: UNIT_MM[units] ?? null,
    layers: Object.keys(parsed.tables?.layer?.layers ?? {}),
    lines,
    ellipses,
    splines,
    words,
  });
}

const unicode = (text: string): string =>
  text.replace(/\\U\+([0-9A-F]{4})/g, (_, hex: string) => String.fromCodePoint(parseInt(hex, 16)));
