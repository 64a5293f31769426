import type { Project, View } from '@/core/record';
import { formatPaper, formatScale, type LengthStyle } from '@/core/units';
import { bothReadings, edgeTicks, reachOf, setOutTable, type SetOutRow, type SetOutTable } from '@/core/view';
import { sheetFromPicture } from '@/core/space';
import { placementOf } from '@/core/view';
import type { Drawing, Layer, Stroke, Word } from './drawing';
import type { Stand } from './perspective';
import { controlLayer, crossAt, paperLayer } from './picture-layers';

const WORD_MM = 2.6;

const line = (x0: number, y0: number, x1: number, y1: number, of: string): Stroke => ({
  x0,
  y0,
  x1,
  y1,
  family: 'sheet',
  weight: 'faint',
  of,
});

/** Words at a mark of a level line, to be set above or below it. */
interface Label {
  readonly x: number;
  readonly line: number;
  readonly way: 'above' | 'below';
  readonly text: string;
}

/** Width of a letter over its height: a little more than this face's mean, so that words set by it never touch. */
const LETTER = 0.5;
const ROW_MM = 3.6;

/** Words from left to right, each in the row nearest to its line where it does not run into one already there. */
function staggered(labels: readonly Label[], width: number): readonly Word[] {
  const ends = new Map<string, number[]>();
  return [...labels]
    .sort((a, b) => a.x - b.x)
    .map(({ x, line, way, text }): Word => {
      const long = text.length * LETTER * WORD_MM;
      const left = Math.min(x + 1, Math.max(1, width - long - 1));
      const key = `${line} ${way}`;
      const rows = ends.get(key) ?? [];
      ends.set(key, rows);
      let row = rows.findIndex((end) => end < left);
      if (row < 0) row = rows.length;
      rows[row] = left + long + 1;
      return {
        x: left,
        y: way === 'above' ? line + 1.5 + row * ROW_MM : line - 4.2 - row * ROW_MM,
        text,
        heightMm: WORD_MM,
        anchor: 'start',
      };
    });
}

/** Lines and marks of a table as they lie on the sheet; what lies off it is told by the table alone. */
function marksLayer(view: View, table: SetOutTable, style: LengthStyle): Layer {
  const strokes: Stroke[] = [];
  const words: Word[] = [];
  const labels: Label[] = [];
  const { width, height } = view.sheet;
  const x = (row: SetOutRow): number => (row.across ?? 0) + table.zeroOnSheetX;
  const readings = (mm: number): string => {
    const { real, paper } = bothReadings(mm, view.scaleDenominator, style);
    return `${paper} (${real})`;
  };
  for (const section of table.sections)
    for (const row of section.rows) {
      if (row.id.startsWith('frame-') || row.id.includes('-tick-')) continue;
      if (row.across === null && row.up !== null && section.title.startsWith('Lines')) {
        strokes.push(line(0, row.up, width, row.up, row.id));
        words.push({
          x: 3,
          y: row.up + 1.2,
          text: `${row.words}, ${readings(row.up)} up`,
          heightMm: WORD_MM,
          anchor: 'start',
        });
      } else if (row.across === null && row.up !== null) {
        // True heights: short ticks on the centre line, which lies in the picture plane with every other upright.
        const at = view.centreOfVisionOnSheet.x;
        strokes.push(line(at - 2, row.up, at + 2, row.up, row.id));
        words.push({
          x: at + 3,
          y: row.up - 0.9,
          text: `${row.label} ${readings(row.up)} up`,
          heightMm: WORD_MM,
          anchor: 'start',
        });
      } else if (row.up === null && row.across !== null) {
        strokes.push(line(x(row), 0, x(row), height, row.id));
      } else if (row.up !== null && row.across !== null && x(row) >= 0 && x(row) <= width) {
        strokes.push(...crossAt(x(row), row.up, 2, row.id));
        const way = row.id.startsWith('trace-') ? 'below' : 'above';
        labels.push({ x: x(row), line: row.up, way, text: `${row.label} ${readings(row.across)}` });
      }
    }
  words.push(...staggered(labels, width));
  return { id: 'marks', name: 'Marks', strokes, words };
}

/** Converging ticks drawn as short dashes on the sheet's edges, every fifth one numbered. */
function ticksLayer(view: View, stand: Stand): Layer {
  const strokes: Stroke[] = [];
  const words: Word[] = [];
  const placement = placementOf(view);
  for (const group of stand.setOut.groups)
    for (const mark of group.marks) {
      const { aid } = reachOf(view, stand.setOut, mark);
      const ladder = aid?.by === 'ticks' ? edgeTicks(view, mark.at, aid.stepMm) : null;
      if (!ladder) continue;
      for (const pair of ladder.pairs) {
        const [near, far] = [sheetFromPicture(pair.near, placement), sheetFromPicture(pair.far, placement)];
        const span = Math.hypot(far.x - near.x, far.y - near.y);
        const length = pair.number % 5 === 0 ? 6 : 4;
        const [dx, dy] = [((far.x - near.x) / span) * length, ((far.y - near.y) / span) * length];
        strokes.push(
          line(near.x, near.y, near.x + dx, near.y + dy, `${mark.id}/tick-${pair.number}`),
          line(far.x - dx, far.y - dy, far.x, far.y, `${mark.id}/tick-${pair.number}`),
        );
        if (pair.number % 5 !== 0) continue;
        const inward = ladder.edge === 'left' ? 1 : -1;
        words.push(
          {
            x: near.x + dx + inward,
            y: near.y + dy - 0.8,
            text: pair.number === 0 ? `${mark.label} 0` : String(pair.number),
            heightMm: 2.2,
            anchor: inward > 0 ? 'start' : 'end',
          },
          {
            x: far.x - dx - inward,
            y: far.y - dy - 0.8,
            text: String(pair.number),
            heightMm: 2.2,
            anchor: inward > 0 ? 'end' : 'start',
          },
        );
      }
    }
  return { id: 'ticks', name: 'Ticks', strokes, words };
}

/** The set-out at true size: every line and mark that is laid down before the first line of the room, with both readings. */
export function setOutDrawing(project: Project, view: View, stand: Stand, style: LengthStyle): Drawing {
  const table = setOutTable(project, view, stand.setUp, stand.setOut, style);
  const caption = `${project.name} · ${view.name} · ${formatScale(view.scaleDenominator, project.units)} · ${table.zero}`;
  return {
    title: `${project.name}: set-out of ${view.name}`,
    width: view.sheet.width,
    height: view.sheet.height,
    layers: [paperLayer(view), marksLayer(view, table, style), ticksLayer(view, stand), controlLayer(view, caption)],
  };
}

/** The board with its sheet and all the room's points, drawn small to fit a width; the figures are the true ones. */
export function boardLayer(
  view: View,
  stand: Stand,
  style: LengthStyle,
  place: { readonly left: number; readonly top: number; readonly width: number; readonly height: number },
): Layer {
  const strokes: Stroke[] = [];
  const words: Word[] = [];
  const marks = stand.setOut.groups.flatMap((group, index) => (index === 0 ? group.marks : []));
  const low = Math.min(0, ...marks.map((mark) => mark.onBoard.x)) - 20;
  const high = Math.max(view.board.width, ...marks.map((mark) => mark.onBoard.x)) + 20;
  const scale = Math.min(place.width / (high - low), place.height / (view.board.height + 40));
  const x = (mm: number): number => place.left + (mm - low) * scale;
  const y = (mm: number): number => place.top - place.height + (mm + 20) * scale;
  const box = (left: number, bottom: number, width: number, height: number, of: string): void => {
    const [x0, x1, y0, y1] = [x(left), x(left + width), y(bottom), y(bottom + height)];
    strokes.push(
      line(x0, y0, x1, y0, of),
      line(x1, y0, x1, y1, of),
      line(x1, y1, x0, y1, of),
      line(x0, y1, x0, y0, of),
    );
  };
  box(0, 0, view.board.width, view.board.height, 'board');
  box(view.sheetOnBoard.x, view.sheetOnBoard.y, view.sheet.width, view.sheet.height, 'sheet');
  const horizon = view.sheetOnBoard.y + view.centreOfVisionOnSheet.y;
  strokes.push(line(x(low), y(horizon), x(high), y(horizon), 'horizon'));
  [stand.setOut.centreOfVision, ...marks].forEach((mark, index) => {
    strokes.push(...crossAt(x(mark.onBoard.x), y(mark.onBoard.y), 1.5, mark.id));
    const off = mark.lies.where === 'off-board' ? `, ${formatPaper(mark.lies.beyondBoard, style)} off` : '';
    words.push({
      x: x(mark.onBoard.x),
      y: y(mark.onBoard.y) + (index % 2 === 0 ? 2.2 : -4.6),
      text: `${mark.label}${off}`,
      heightMm: 2.6,
      anchor: 'middle',
    });
  });
  words.push(
    { x: x(4), y: y(view.board.height) - 4, text: 'board', heightMm: 2.6, anchor: 'start' },
    {
      x: x(view.sheetOnBoard.x + 4),
      y: y(view.sheetOnBoard.y + view.sheet.height) - 4,
      text: `sheet, ${formatPaper(view.sheetOnBoard.x, style)} from the left, ${formatPaper(view.sheetOnBoard.y, style)} from below`,
      heightMm: 2.2,
      anchor: 'start',
    },
  );
  return { id: 'board', name: 'Board', strokes, words };
}
