import type { Project, View } from '@/core/record';
import { formatPaper, formatScale, type LengthStyle } from '@/core/units';
import {
  bothReadings,
  edgeTicks,
  reachOf,
  setOutTable,
  type SetOutRow,
  type SetOutTable,
  type Stand,
} from '@/core/view';
import { sheetFromPicture } from '@/core/space';
import { placementOf } from '@/core/view';
import { layerOf, type Drawing, type Layer, type Stroke, type StrokeRole, type Word } from './drawing';
import { controlLayer, crossAt, paperLayer } from './picture-layers';
import { settleWords } from './settle-words';

const WORD_MM = 2.6;

const line = (x0: number, y0: number, x1: number, y1: number, of: string, role: StrokeRole): Stroke => ({
  x0,
  y0,
  x1,
  y1,
  family: 'sheet',
  weight: 'faint',
  role,
  of,
});

/** Lines and marks of a table as they lie on the sheet; what lies off it is told by the table alone. */
function marksLayer(view: View, table: SetOutTable, style: LengthStyle): Layer {
  const strokes: Stroke[] = [];
  const words: Word[] = [];
  const { width, height } = view.sheet;
  const x = (row: SetOutRow): number => (row.across ?? 0) + table.zeroOnSheetX;
  const readings = (mm: number): string => {
    const { real, paper } = bothReadings(mm, view.scaleDenominator, style);
    return `${paper} (${real})`;
  };
  for (const row of table.sections.flatMap((section) => section.rows)) {
    const { role } = row;
    const drawn = { is: 'row', row: role } as const;
    switch (role.row) {
      // Drawn on their own layers, or beside the sheet.
      case 'frame':
      case 'tick':
      case 'strip':
        break;
      case 'line':
        if (row.up !== null) {
          strokes.push(line(0, row.up, width, row.up, row.id, drawn));
          words.push({
            x: 3,
            y: row.up + 1.2,
            text: `${row.words}, ${readings(row.up)} above the sheet’s edge`,
            heightMm: WORD_MM,
            anchor: 'start',
            free: { where: 'along', level: row.up },
          });
        } else strokes.push(line(x(row), 0, x(row), height, row.id, drawn));
        break;
      case 'height': {
        // True heights: short ticks on the centre line, which lies in the picture plane with every other upright.
        const at = view.centreOfVisionOnSheet.x;
        const up = row.up ?? 0;
        strokes.push(line(at - 2, up, at + 2, up, row.id, drawn));
        words.push({
          x: at + 3,
          y: up - 0.9,
          text: `${row.label}: ${readings(row.overGround ?? 0)} above the ground line`,
          heightMm: WORD_MM,
          anchor: 'start',
          free: { where: 'beside', mark: { x: at, y: up } },
        });
        break;
      }
      case 'mark':
      case 'trace': {
        const up = row.up ?? 0;
        if (x(row) < 0 || x(row) > width || up < 0 || up > height) break;
        strokes.push(...crossAt(x(row), up, 2, row.id, drawn));
        words.push({
          x: x(row) + 1,
          // A wall's mark hangs from the ground line: heights stand over it.
          y: role.row === 'trace' ? up - 4.4 : up + 2.6,
          text: `${row.label}: ${readings(row.across ?? 0)}`,
          heightMm: WORD_MM,
          anchor: 'start',
          free: { where: 'beside', mark: { x: x(row), y: up } },
        });
        break;
      }
    }
  }
  return layerOf({ layer: 'marks' }, 'Marks', { strokes, words });
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
        const tick = { is: 'tick', mark: mark.name, number: pair.number } as const;
        strokes.push(
          line(near.x, near.y, near.x + dx, near.y + dy, `${mark.id}/tick-${pair.number}`, tick),
          line(far.x - dx, far.y - dy, far.x, far.y, `${mark.id}/tick-${pair.number}`, tick),
        );
        if (pair.number % 5 !== 0) continue;
        const inward = ladder.edge === 'left' ? 1 : -1;
        words.push(
          {
            x: near.x + dx + inward,
            y: near.y + dy - 0.8,
            text: pair.number === 0 ? `${mark.label}: 0` : String(pair.number),
            heightMm: 2.2,
            anchor: inward > 0 ? 'start' : 'end',
            free: { where: 'beside', mark: { x: near.x + dx, y: near.y + dy } },
          },
          {
            x: far.x - dx - inward,
            y: far.y - dy - 0.8,
            text: String(pair.number),
            heightMm: 2.2,
            anchor: inward > 0 ? 'end' : 'start',
            free: { where: 'beside', mark: { x: far.x - dx, y: far.y - dy } },
          },
        );
      }
    }
  return layerOf({ layer: 'ticks' }, 'Ticks', { strokes, words });
}

/** The set-out at true size: every line and mark that is laid down before the first line of the room, with both readings. */
export function setOutDrawing(project: Project, view: View, stand: Stand, style: LengthStyle): Drawing {
  const table = setOutTable(project, view, stand.setUp, stand.setOut, style);
  const caption = `${project.name} · ${view.name} · ${formatScale(view.scaleDenominator, project.units)} · ${table.zero}`;
  return settleWords({
    title: `${project.name}: set-out of ${view.name}`,
    width: view.sheet.width,
    height: view.sheet.height,
    layers: [paperLayer(view), marksLayer(view, table, style), ticksLayer(view, stand), controlLayer(view, caption)],
  });
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
  const { marks } = stand.setOut.room;
  const low = Math.min(0, ...marks.map((mark) => mark.onBoard.x)) - 20;
  const high = Math.max(view.board.width, ...marks.map((mark) => mark.onBoard.x)) + 20;
  const scale = Math.min(place.width / (high - low), place.height / (view.board.height + 40));
  const x = (mm: number): number => place.left + (mm - low) * scale;
  const y = (mm: number): number => place.top - place.height + (mm + 20) * scale;
  const box = (left: number, bottom: number, width: number, height: number, of: 'board' | 'sheet'): void => {
    const role = { is: 'outline', of } as const;
    const [x0, x1, y0, y1] = [x(left), x(left + width), y(bottom), y(bottom + height)];
    strokes.push(
      line(x0, y0, x1, y0, of, role),
      line(x1, y0, x1, y1, of, role),
      line(x1, y1, x0, y1, of, role),
      line(x0, y1, x0, y0, of, role),
    );
  };
  box(0, 0, view.board.width, view.board.height, 'board');
  box(view.sheetOnBoard.x, view.sheetOnBoard.y, view.sheet.width, view.sheet.height, 'sheet');
  const horizon = view.sheetOnBoard.y + view.centreOfVisionOnSheet.y;
  strokes.push(line(x(low), y(horizon), x(high), y(horizon), 'horizon', { is: 'set-out', line: 'horizon' }));
  [stand.setOut.centreOfVision, ...marks].forEach((mark, index) => {
    strokes.push(...crossAt(x(mark.onBoard.x), y(mark.onBoard.y), 1.5, mark.id, { is: 'mark', mark: mark.name }));
    const off = mark.lies.where === 'off-board' ? `, ${formatPaper(mark.lies.beyondBoard, style)} off` : '';
    words.push({
      x: x(mark.onBoard.x),
      y: y(mark.onBoard.y) + (index % 2 === 0 ? 2.2 : -4.6),
      text: `${mark.label}${off}`,
      heightMm: 2.6,
      anchor: 'middle',
      free: { where: 'beside', mark: { x: x(mark.onBoard.x), y: y(mark.onBoard.y) } },
    });
  });
  words.push(
    { x: x(0) + 1.5, y: y(view.board.height) - 4, text: 'board', heightMm: 2.6, anchor: 'start' },
    {
      x: x(view.sheetOnBoard.x) + 1.5,
      y: y(view.sheetOnBoard.y + view.sheet.height) - 4,
      text: `sheet, ${formatPaper(view.sheetOnBoard.x, style)} from the left, ${formatPaper(view.sheetOnBoard.y, style)} from below`,
      heightMm: 2.2,
      anchor: 'start',
    },
  );
  return layerOf({ layer: 'board' }, 'Board', { strokes, words });
}
