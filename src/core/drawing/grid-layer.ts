import { at } from '@/core/base';
import type { Vector2 } from '@/core/geometry';
import { wallRuns, type GridChoice, type Id, type Project, type View, type WallRun } from '@/core/record';
import { gridBody, gridCall, gridSystem, gridZero, type Body, type GridLine, type GridSystem } from '@/core/solids';
import { picturePoint, worldPoint, type PicturePoint, type WorldPoint } from '@/core/space';
import { familyOf, projectPoint, roomBearing, roomMeant, turnOfPair, type SetUp } from '@/core/view';
import { drain, edgeOfRow, prepareScene, visibleLinesExact } from '@/core/visibility';
import { layerOf, type Layer, type Stroke, type Word } from './drawing';

/** Numbers nearer to each other than this on paper are left out: they would run together. */
const LEAST_NUMBER_GAP_MM = 4;
const NUMBER_MM = 2.4;

/** A part of a grid's line that only the rooms' own surfaces could hide, and do not. */
export interface SeenGridLine {
  readonly line: GridLine;
  /** Name of the whole line, and of its room. */
  readonly id: Id;
  readonly room: Id;
  /** Direction of the whole line, and its ends in the room. */
  readonly ends: readonly [WorldPoint, WorldPoint];
  /** The part as fractions of the line in the room. */
  readonly along: readonly [number, number];
  /** Its ends on the paper, picture mm. */
  readonly picture: readonly [PicturePoint, PicturePoint];
}

/** The wall at whose left corner a view's grid is counted from; null where there is no room. */
export function gridZeroOf(project: Project, view: View, setUp: SetUp, choice: GridChoice): WallRun | null {
  const room = roomMeant(project, view);
  const runs = [...(room ? [room] : []), ...project.spaces.filter((one) => one !== room)].flatMap((one) =>
    wallRuns(one),
  );
  const seen = (p: Vector2): boolean => isInPicture(view, setUp, worldPoint(p.x, p.y, setUp.floor));
  return runs.length === 0 ? null : gridZero(runs, choice, seen);
}

/** The grid that a view shows, in its one count: what the printed grid and the steps that count on it have in common. Null where there is no room. */
export function gridSystemOf(project: Project, view: View, setUp: SetUp, choice: GridChoice): GridSystem | null {
  const zero = gridZeroOf(project, view, setUp, choice);
  return zero && gridSystem(zero, choice);
}

/** What is seen of a grid. Only the rooms themselves hide it, so that counting goes on behind the furniture. */
export function seenGrid(
  project: Project,
  view: View,
  setUp: SetUp,
  bodies: readonly Body[],
  choice: GridChoice,
): readonly SeenGridLine[] {
  const system = gridSystemOf(project, view, setUp, choice);
  if (!system) return [];
  const rooms = bodies.filter((body) => body.kind === 'room').map(withoutMouldings);
  const grids = project.spaces.flatMap((space) => {
    const body = rooms.find((one) => one.id === space.id);
    return body ? [{ room: space.id, ...gridBody(body, space, choice, system) }] : [];
  });
  const known = new Map(grids.flatMap(({ room, lines }) => [...lines].map(([id, line]) => [id, { room, line }])));
  const scene = prepareScene([...rooms, ...grids.map(({ body }) => body)]);
  const seen = drain(visibleLinesExact(scene, setUp, view.frame));
  return [...seen.edge.keys()].flatMap((row): SeenGridLine[] => {
    const edge = edgeOfRow(scene, seen, row);
    const found = known.get(edge.id);
    if (!found || seen.seen[row] !== 1) return [];
    const [u0, v0, u1, v1] = [0, 1, 2, 3].map((i) => at(seen.picture, row * 4 + i)) as [number, number, number, number];
    return [
      {
        ...{ ...found, id: edge.id, ends: [edge.from, edge.to] },
        along: [at(seen.along, row * 2), at(seen.along, row * 2 + 1)],
        picture: [picturePoint(u0, v0), picturePoint(u1, v1)],
      },
    ];
  });
}

/**
 * A perspective grid of the rooms' floor, walls and ceiling as a layer of its own, to be printed and laid under the sheet. Numbers stand where a line
 * begins that is seen.
 */
export function gridLayer(project: Project, view: View, setUp: SetUp, bodies: readonly Body[]): Layer {
  const empty = layerOf({ layer: 'grid' }, 'Grid');
  if (!view.grid) return empty;
  const roomTurn = turnOfPair(setUp, roomBearing(project, view));
  const { x, y } = view.centreOfVisionOnSheet;
  const strokes: Stroke[] = [];
  const numbers: { line: GridLine; x: number; y: number; from: number }[] = [];
  for (const { line, id, ends, along, picture } of seenGrid(project, view, setUp, bodies, view.grid)) {
    const [from, to] = ends;
    const [p, q] = picture;
    const [x0, y0] = [p.u + x, p.v + y];
    strokes.push({
      ...{ x0, y0, x1: q.u + x, y1: q.v + y },
      family: familyOf(setUp, roomTurn, { x: to.x - from.x, y: to.y - from.y, z: to.z - from.z }),
      weight: 'hairline',
      role: { is: 'grid' },
      of: id,
    });
    if (line.counted !== 'edge') numbers.push({ line, x: x0, y: y0, from: along[0] });
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
