import { tolerance } from '@/core/numeric';
import { clipLayer } from './clip-drawing';
import { placedLayer } from './placed-layer';
import { layerOf, type Drawing, type Layer, type Stroke, type Word } from './drawing';
import { CONTROL_LINE_MM, controlStroke, registrationCross } from './picture-layers';
import type { PageSize } from './table-pages';

/** What the next print is multiplied by, across and down, so that it comes out true: 1 where the printer is. */
export interface Correction {
  readonly across: number;
  readonly down: number;
}

export const NO_CORRECTION: Correction = { across: 1, down: 1 };

/**
 * The correction after a control line that should be `controlMm` long measured this much, on a print that was made with `before`.
 * @returns null for a measure no printer makes: more than a tenth off is another kind of mistake, such as “fit to page”.
 */
export function correctedBy(
  before: Correction,
  measured: { readonly across: number; readonly down: number },
  controlMm = CONTROL_LINE_MM,
): Correction | null {
  const across = (before.across * controlMm) / measured.across;
  const down = (before.down * controlMm) / measured.down;
  const sound = (factor: number): boolean => factor > 0.9 && factor < 1.1;
  return sound(across) && sound(down) ? { across, down } : null;
}

/** Stretched about the page's middle, so that what is corrected stays on the page. */
export function corrected(drawing: Drawing, { across, down }: Correction): Drawing {
  if (across === 1 && down === 1) return drawing;
  const x = (value: number): number => drawing.width / 2 + (value - drawing.width / 2) * across;
  const y = (value: number): number => drawing.height / 2 + (value - drawing.height / 2) * down;
  return {
    ...drawing,
    layers: drawing.layers.map((layer) => placedLayer(layer, { scale: across, scaleY: down, x: x(0), y: y(0) })),
  };
}

/** What a household printer leaves blank, with room for the tile's own words, mm. */
export const TILE_MARGIN_MM = 12;
/** How far neighbouring tiles repeat each other. */
export const TILE_OVERLAP_MM = 10;

export interface Tile {
  readonly row: number;
  readonly column: number;
  /** The sheet's part on this tile, sheet mm. */
  readonly extent: { readonly left: number; readonly right: number; readonly bottom: number; readonly top: number };
  readonly page: PageSize;
}

/** How many tiles of a length cover a sheet's side with the overlap between. */
const tilesAlong = (sheet: number, tile: number): number =>
  Math.max(1, Math.ceil((sheet - TILE_OVERLAP_MM) / (tile - TILE_OVERLAP_MM) - tolerance.wholeNumber));

/** The tiles of a sheet on a printer's paper, laid upright or across, whichever takes fewer; row 1 is the top, column 1 the left. */
export function tilesOf(sheet: { readonly width: number; readonly height: number }, paper: PageSize): readonly Tile[] {
  const turned: PageSize = { ...paper, width: paper.height, height: paper.width };
  const count = (page: PageSize): number =>
    tilesAlong(sheet.width, page.width - 2 * TILE_MARGIN_MM) *
    tilesAlong(sheet.height, page.height - 2 * TILE_MARGIN_MM);
  const page = count(turned) < count(paper) ? turned : paper;
  const width = page.width - 2 * TILE_MARGIN_MM;
  const height = page.height - 2 * TILE_MARGIN_MM;
  const [columns, rows] = [tilesAlong(sheet.width, width), tilesAlong(sheet.height, height)];
  return Array.from({ length: rows }, (_, r) =>
    Array.from({ length: columns }, (__, c): Tile => {
      const left = c * (width - TILE_OVERLAP_MM);
      const top = sheet.height - r * (height - TILE_OVERLAP_MM);
      return {
        row: r + 1,
        column: c + 1,
        extent: { left, right: Math.min(sheet.width, left + width), bottom: Math.max(0, top - height), top },
        page,
      };
    }),
  ).flat();
}

/** Where neighbouring tiles are cut or laid over each other. */
const overlap = (x0: number, y0: number, x1: number, y1: number): Stroke => ({
  ...controlStroke(x0, y0, x1, y1, 'overlap'),
  weight: 'hairline',
});
/** Control lines of a tile lie in its margin, thin. */
const control = (x0: number, y0: number, x1: number, y1: number, which: 'across' | 'down' | 'end'): Stroke => ({
  ...controlStroke(x0, y0, x1, y1, which),
  weight: 'hairline',
});

/** Sheet mm to page mm: the extent's lower left corner comes to the margin, its top to the top margin. */
const shiftOf = ({ extent, page }: Tile) => ({
  x: TILE_MARGIN_MM - extent.left,
  y: page.height - TILE_MARGIN_MM - extent.top,
});

/**
 * One drawing as pages of a smaller paper. Neighbours repeat a strip; on it a hairline says where to cut or lay over, and crosses at the same
 * places of the sheet on both pages bring them together. Every page has its own control lines, across and down.
 */
export function tilePages(drawing: Drawing, paper: PageSize): readonly Drawing[] {
  const tiles = tilesOf(drawing, paper);
  const rows = Math.max(...tiles.map((tile) => tile.row));
  const columns = Math.max(...tiles.map((tile) => tile.column));
  return tiles.map((tile): Drawing => {
    const { extent, page } = tile;
    const shift = shiftOf(tile);
    const layers = drawing.layers.map((layer) => placedLayer(clipLayer(layer, extent), shift));
    return {
      title: `${drawing.title}, row ${tile.row} of ${rows}, column ${tile.column} of ${columns}`,
      width: page.width,
      height: page.height,
      layers: [...layers, tileMarks(tile, rows, columns, drawing.title)],
    };
  });
}

function tileMarks(tile: Tile, rows: number, columns: number, title: string): Layer {
  const { extent, page, row, column } = tile;
  const shift = shiftOf(tile);
  const strokes: Stroke[] = [];
  const words: Word[] = [];
  const [left, right] = [extent.left + shift.x, extent.right + shift.x];
  const [bottom, top] = [extent.bottom + shift.y, extent.top + shift.y];
  const half = TILE_OVERLAP_MM / 2;
  // The middle of each overlap is the line to cut at, on both pages at the same place of the sheet.
  const uprights = [...(column > 1 ? [left + half] : []), ...(column < columns ? [right - half] : [])];
  const levels = [...(row > 1 ? [top - half] : []), ...(row < rows ? [bottom + half] : [])];
  for (const x of uprights) strokes.push(overlap(x, bottom, x, top));
  for (const y of levels) strokes.push(overlap(left, y, right, y));
  const spots = (low: number, high: number): readonly number[] => [low + (high - low) / 4, high - (high - low) / 4];
  for (const x of uprights) for (const y of spots(bottom, top)) strokes.push(...registrationCross(x, y));
  for (const y of levels) for (const x of spots(left, right)) strokes.push(...registrationCross(x, y));
  // Control lines in the margin: whatever the sheet shows here, each page can be measured.
  const y = 7;
  const x = 7;
  strokes.push(
    control(TILE_MARGIN_MM, y, TILE_MARGIN_MM + CONTROL_LINE_MM, y, 'across'),
    control(TILE_MARGIN_MM, y - 1.2, TILE_MARGIN_MM, y + 1.2, 'end'),
    control(TILE_MARGIN_MM + CONTROL_LINE_MM, y - 1.2, TILE_MARGIN_MM + CONTROL_LINE_MM, y + 1.2, 'end'),
    control(x, TILE_MARGIN_MM + 10, x, TILE_MARGIN_MM + 10 + CONTROL_LINE_MM, 'down'),
    control(x - 1.2, TILE_MARGIN_MM + 10, x + 1.2, TILE_MARGIN_MM + 10, 'end'),
    control(x - 1.2, TILE_MARGIN_MM + 10 + CONTROL_LINE_MM, x + 1.2, TILE_MARGIN_MM + 10 + CONTROL_LINE_MM, 'end'),
  );
  words.push(
    {
      x: TILE_MARGIN_MM + CONTROL_LINE_MM + 3,
      y: y - 1,
      text: 'both control lines 100 mm',
      heightMm: 2.2,
      anchor: 'start',
    },
    {
      x: page.width - TILE_MARGIN_MM,
      y: page.height - 8,
      text: `${title} · row ${row} of ${rows}, column ${column} of ${columns}`,
      heightMm: 2.4,
      anchor: 'end',
    },
  );
  return layerOf({ layer: 'tile' }, 'Tile', { strokes, words });
}
