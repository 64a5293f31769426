import { at } from '@/core/base';
import type { Project, View } from '@/core/record';
import { familyOf, roomBearing, turnOfPair, type LineFamily, type SetOut, type SetUp } from '@/core/view';
import { edgeOfRow, joinLines, type PreparedScene, type VisibleLines } from '@/core/visibility';
import type { Layer, Stroke, Word } from './drawing';

const WORD_MM = 3;

/**
 * Seen and hidden lines of room and pieces, each on its own layer. While something is moved (`moving`) hidden lines are left out, and lines that
 * fall on one another are not looked for: nobody reads either then, and both are dear.
 */
export function pictureLayers(
  project: Project,
  view: View,
  set: SetUp,
  scene: PreparedScene,
  lines: VisibleLines,
  moving = false,
): readonly Layer[] {
  const { x, y } = view.centreOfVisionOnSheet;
  const roomTurn = turnOfPair(set, roomBearing(project));
  const rooms = new Set(project.spaces.map((space) => space.id));
  const room: Stroke[] = [];
  const pieces: Stroke[] = [];
  const hidden: Stroke[] = [];
  // Told when first asked for: of most edges nothing is drawn.
  const families = new Map<number, LineFamily>();
  const familyOfRow = (row: number): LineFamily => {
    const index = at(lines.edge, row);
    let family = families.get(index);
    if (!family) {
      const { from, to } = edgeOfRow(scene, lines, row);
      family = familyOf(set, roomTurn, { x: to.x - from.x, y: to.y - from.y, z: to.z - from.z });
      families.set(index, family);
    }
    return family;
  };
  const stroke = (row: number, picture: Float64Array, from: number, seen: boolean): Stroke => ({
    x0: x + at(picture, from),
    y0: y + at(picture, from + 1),
    x1: x + at(picture, from + 2),
    y1: y + at(picture, from + 3),
    family: familyOfRow(row),
    weight: seen ? 'firm' : 'hidden',
    of: edgeOfRow(scene, lines, row).id,
  });
  const seen: number[] = [];
  for (let row = 0; row < lines.edge.length; row += 1) {
    if (lines.seen[row] === 1) seen.push(row);
    else if (!moving) hidden.push(stroke(row, lines.picture, row * 4, false));
  }
  if (moving)
    for (const row of seen)
      (rooms.has(edgeOfRow(scene, lines, row).body) ? room : pieces).push(stroke(row, lines.picture, row * 4, true));
  const joined = joinLines(lines.picture, Int32Array.from(moving ? [] : seen));
  for (let i = 0; i < joined.count; i += 1) {
    const row = at(joined.row, i);
    const drawn = stroke(row, joined.picture, i * 4, true);
    const also = [...joined.also.subarray(joined.alsoStart[i], joined.alsoStart[i + 1])].map(
      (other) => edgeOfRow(scene, lines, other).id,
    );
    (rooms.has(edgeOfRow(scene, lines, row).body) ? room : pieces).push(also.length > 0 ? { ...drawn, also } : drawn);
  }
  return [
    { id: 'hidden', name: 'Hidden lines', strokes: hidden, words: [] },
    { id: 'room', name: 'Room', strokes: room, words: [] },
    { id: 'pieces', name: 'Pieces', strokes: pieces, words: [] },
  ];
}

/** A small upright cross on a point. */
export const crossAt = (x: number, y: number, half: number, of: string): Stroke[] => [
  { x0: x - half, y0: y, x1: x + half, y1: y, family: 'sheet', weight: 'faint', of },
  { x0: x, y0: y - half, x1: x, y1: y + half, family: 'sheet', weight: 'faint', of },
];

/**
 * Horizon, ground line, centre line and the points on the horizon, as they lie on the sheet. Every turned piece has points of its own:
 * only the room's and those of the piece at hand are marked, or the horizon is full of crosses that nobody needs now.
 */
export function setOutLayer(view: View, setOut: SetOut, pieceId: string | null): Layer {
  const { x, y } = view.centreOfVisionOnSheet;
  const { width, height } = view.sheet;
  const line = (x0: number, y0: number, x1: number, y1: number, of: string): Stroke => ({
    x0,
    y0,
    x1,
    y1,
    family: 'sheet',
    weight: 'faint',
    of,
  });
  const marks = [
    setOut.centreOfVision,
    ...setOut.groups
      .filter((group, index) => index === 0 || (pieceId !== null && group.serves.includes(pieceId)))
      .flatMap((group) => group.marks),
  ];
  const words: Word[] = marks.map((mark) => ({
    x: mark.onSheet.x + 1.5,
    y: mark.onSheet.y + 1.5,
    text: mark.label,
    heightMm: WORD_MM,
    anchor: 'start',
  }));
  words.push(
    { x: 3, y: y + 1.5, text: 'horizon', heightMm: WORD_MM, anchor: 'start' },
    { x: 3, y: setOut.groundLineOnSheetY + 1.5, text: 'ground line', heightMm: WORD_MM, anchor: 'start' },
  );
  return {
    id: 'set-out',
    name: 'Set-out',
    strokes: [
      line(0, y, width, y, 'horizon'),
      line(0, setOut.groundLineOnSheetY, width, setOut.groundLineOnSheetY, 'ground-line'),
      line(x, 0, x, height, 'centre-line'),
      ...marks.flatMap((mark) => crossAt(mark.onSheet.x, mark.onSheet.y, 2, mark.id)),
    ],
    words,
  };
}

/** The sheet's edge and the picture's frame. */
export function paperLayer(view: View): Layer {
  const { x, y } = view.centreOfVisionOnSheet;
  const rectangle = (left: number, bottom: number, right: number, top: number, of: string): Stroke[] =>
    (
      [
        [left, bottom, right, bottom],
        [right, bottom, right, top],
        [right, top, left, top],
        [left, top, left, bottom],
      ] as const
    ).map(([x0, y0, x1, y1]) => ({ x0, y0, x1, y1, family: 'sheet', weight: 'hairline', of }));
  const { left, right, bottom, top } = view.frame;
  return {
    id: 'frame',
    name: 'Frame',
    strokes: rectangle(x + left, y + bottom, x + right, y + top, 'frame'),
    words: [],
  };
}

/** The control lines: 100 mm long when printed true to size, across at the foot of the sheet and down at its left side. */
export const CONTROL_LINE_MM = 100;
/** Registration crosses lie this far in from the sheet's corners: what a scan or a tracing is laid by. */
export const REGISTRATION_MM = 15;

export function controlLayer(view: View, caption: string): Layer {
  const [x, y, left, foot] = [10, 6, 6, 25];
  const { width, height } = view.sheet;
  const line = (x0: number, y0: number, x1: number, y1: number, of: string): Stroke => ({
    x0,
    y0,
    x1,
    y1,
    family: 'sheet',
    weight: 'faint',
    of,
  });
  const end = (x0: number, y0: number, x1: number, y1: number): Stroke => line(x0, y0, x1, y1, 'control-end');
  const long = CONTROL_LINE_MM;
  return {
    id: 'control',
    name: 'Control lines and crosses',
    strokes: [
      line(x, y, x + long, y, 'control-across'),
      end(x, y - 1.5, x, y + 1.5),
      end(x + long, y - 1.5, x + long, y + 1.5),
      line(left, foot, left, foot + long, 'control-down'),
      end(left - 1.5, foot, left + 1.5, foot),
      end(left - 1.5, foot + long, left + 1.5, foot + long),
      ...[REGISTRATION_MM, width - REGISTRATION_MM].flatMap((cx) =>
        [REGISTRATION_MM, height - REGISTRATION_MM].flatMap((cy) => crossAt(cx, cy, 3, 'registration')),
      ),
    ],
    words: [
      {
        x: x + long + 3,
        y: y - 1,
        text: 'this line and the one at the left: 100 mm when printed true to size',
        heightMm: 2.5,
        anchor: 'start',
      },
      { x: width - 10, y: y - 1, text: caption, heightMm: 2.5, anchor: 'end' },
    ],
  };
}
