import { at } from '@/core/base';
import { levelOf, mmOf, type Project, type View } from '@/core/record';
import { gridBody, gridCall, type Body, type GridLine } from '@/core/solids';
import { worldPoint, type WorldPoint } from '@/core/space';
import { familyOf, projectPoint, roomBearing, turnOfPair, type SetUp } from '@/core/view';
import { drain, edgeOfRow, prepareScene, visibleLinesExact } from '@/core/visibility';
import { layerOf, type Layer, type Stroke, type Word } from './drawing';

/** Numbers nearer to each other than this on paper are left out: they would run together. */
const LEAST_NUMBER_GAP_MM = 4;
const NUMBER_MM = 2.4;

/**
 * A perspective grid of the rooms' floor, walls and ceiling as a layer of its own, to be printed and laid under the sheet. Only the rooms
 * themselves hide it, so that counting goes on behind the furniture. Numbers stand at the walls the squares are counted from.
 */
export function gridLayer(project: Project, view: View, setUp: SetUp, bodies: readonly Body[]): Layer {
  const empty = layerOf({ layer: 'grid' }, 'Grid');
  const choice = view.grid;
  if (!choice) return empty;
  const rooms = bodies.filter((body) => body.kind === 'room').map(withoutMouldings);
  const grids = project.spaces.flatMap((space) => {
    const room = rooms.find((body) => body.id === space.id);
    const floor = mmOf(levelOf(project, space.levelId).elevation);
    return room ? [gridBody(room, space, choice, (p) => isInPicture(view, setUp, worldPoint(p.x, p.y, floor)))] : [];
  });
  const known = new Map<string, GridLine>(grids.flatMap(({ lines }) => [...lines]));
  const scene = prepareScene([...rooms, ...grids.map(({ body }) => body)]);
  const seen = drain(visibleLinesExact(scene, setUp, view.frame));
  const roomTurn = turnOfPair(setUp, roomBearing(project, view));
  const { x, y } = view.centreOfVisionOnSheet;
  const strokes: Stroke[] = [];
  const numbers: { line: GridLine; x: number; y: number; from: number }[] = [];
  for (let row = 0; row < seen.edge.length; row += 1) {
    const edge = edgeOfRow(scene, seen, row);
    const line = known.get(edge.id);
    if (!line || seen.seen[row] !== 1) continue;
    const [x0, y0, x1, y1] = [0, 1, 2, 3].map((i) => at(seen.picture, row * 4 + i) + (i % 2 === 0 ? x : y)) as [
      number,
      number,
      number,
      number,
    ];
    strokes.push({
      x0,
      y0,
      x1,
      y1,
      family: familyOf(setUp, roomTurn, {
        x: edge.to.x - edge.from.x,
        y: edge.to.y - edge.from.y,
        z: edge.to.z - edge.from.z,
      }),
      weight: 'hairline',
      role: { is: 'grid' },
      of: edge.id,
    });
    if (line.counted !== 'edge') numbers.push({ line, x: x0, y: y0, from: at(seen.along, row * 2) });
  }
  return { ...empty, strokes, words: spaced(numbers) };
}

/** Whether a place lies before the eye and inside the frame. */
export function isInPicture({ frame }: Pick<View, 'frame'>, setUp: SetUp, p: WorldPoint): boolean {
  const at = projectPoint(setUp, p);
  return at !== null && at.u >= frame.left && at.u <= frame.right && at.v >= frame.bottom && at.v <= frame.top;
}

/** A room as its bare surfaces: squares are counted to the wall itself, not to the skirting that stands before it. */
const withoutMouldings = (room: Body): Body => ({
  ...room,
  faces: room.faces.filter((face) => face.role.is !== 'moulding'),
});

/** One number for each line, where its first seen part begins; of each face and family none too near to the last. */
function spaced(numbers: readonly { line: GridLine; x: number; y: number; from: number }[]): readonly Word[] {
  const words: Word[] = [];
  const families = new Map<string, { line: GridLine; x: number; y: number; from: number }[]>();
  for (const one of numbers) {
    const key = `${one.line.face}/${one.line.counted}`;
    families.set(key, [...(families.get(key) ?? []), one]);
  }
  for (const family of families.values()) {
    let last: { x: number; y: number } | null = null;
    const firsts = new Map<number, (typeof family)[number]>();
    for (const one of family) {
      const known = firsts.get(one.line.number);
      if (!known || one.from < known.from) firsts.set(one.line.number, one);
    }
    for (const one of [...firsts.values()].sort((a, b) => a.line.number - b.line.number)) {
      if (last && Math.hypot(one.x - last.x, one.y - last.y) < LEAST_NUMBER_GAP_MM) continue;
      words.push({
        x: one.x + 0.6,
        // Where wall and floor meet both have numbers: the wall's stand on the line, the floor's hang from it.
        y: one.line.on === 'floor' ? one.y - NUMBER_MM - 0.3 : one.y + 0.6,
        text: gridCall(one.line),
        heightMm: NUMBER_MM,
        anchor: 'start',
      });
      last = one;
    }
  }
  return words;
}
