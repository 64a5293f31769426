import { dot2, insideLoops, type Vector2 } from '@/core/geometry';
import { wallRuns, type Id, type MeasuredRoom, type WallRun } from '@/core/record';
import { planToScreen, screenToPlan, type MeasureLayout, type MeasurePose } from './pose';

/** North on the screen, a unit vector with y down. */
export const northOf = ({ right, up }: Pick<MeasurePose, 'right' | 'up'>): readonly [number, number] => [
  right.y,
  -up.y,
];

export interface WallName {
  readonly wallId: Id;
  readonly name: string;
  readonly at: Vector2;
  /** Whether the wall itself lies off the paper: its name stands at the paper's edge, on the side where the wall is. */
  readonly off: boolean;
  /** How the name is turned, degrees clockwise: along its wall, never head down. */
  readonly deg: number;
}

/** Blank between a name and its wall, where its dimension lies nearer to it and where that has its figure there too; and to the paper's edge, px. */
const [FROM_WALL, FROM_FIGURE, FARTHER, FROM_EDGE] = [32, 48, 66, 12];
/** The same of a name that stands inside its room, px. */
const FROM_INSIDE = 13;
/** How far a name stands from where its wall comes into sight, and what a dimension's figure takes up to each side of the wall's middle, px. */
const [FROM_END, FIGURE] = [14, 34];
/** How wide a letter is taken for, px. */
const LETTER = 6.4;

/**
 * Names of the walls of the rooms that are shown. One beside each wall, outside, where the wall begins and no longer than what is seen of it; walls of the room in the
 * middle of the paper that lie off it are named at its edge.
 */
export function wallNamesAt(
  project: MeasuredRoom,
  pose: MeasurePose,
  { width, plan }: Pick<MeasureLayout, 'width' | 'plan'>,
  levelId: Id,
): readonly WallName[] {
  const spaces = project.spaces.filter((space) => space.levelId === levelId);
  const middle = screenToPlan(pose, width / 2, plan.y + plan.height / 2);
  const home =
    spaces.find((space) => insideLoops([wallRuns(space).map((run) => run.start)], middle.x, middle.y)) ?? spaces[0];
  const names: WallName[] = [];
  const figures = spaces.flatMap((space) => wallRuns(space).map((run) => figureBox(run, pose)));
  for (const space of home ? [home, ...spaces.filter((one) => one !== home)] : [])
    for (const run of wallRuns(space)) {
      const others = spaces.filter((one) => one !== space).map((one) => wallRuns(one).map(({ start }) => start));
      const taken = (p: Vector2): boolean => {
        const { x, y } = screenToPlan(pose, p.x, p.y);
        return others.some((outline) => insideLoops([outline], x, y));
      };
      // The first place in which it covers neither a name that stands there nor a figure; where there is none it is left out.
      const name = placesOf(run, pose, [width, plan.height], space === home, taken).find(
        (one) =>
          isClear(one.at, width) &&
          names.every((other) => !meet(boxOfName(one), boxOfName(other))) &&
          figures.every((figure) => !meet(boxOfName(one), figure)),
      );
      if (name) names.push(name);
    }
  return names;
}

/** What a name or a figure covers on the screen, px. */
interface Covered {
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
}
const meet = (a: Covered, b: Covered): boolean =>
  a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom;
const about = ({ x, y }: Vector2, halfX: number, halfY: number): Covered => ({
  ...{ left: x - halfX, right: x + halfX },
  ...{ top: y - halfY, bottom: y + halfY },
});

export const boxOfName = ({ name, at, deg }: WallName): Covered => about(at, ...extent(name.length * LETTER, deg));

/** The figure of a wall's length: in its middle, on its dimension line, whether it is shown now or not. */
export function figureBox(run: WallRun, pose: MeasurePose): Covered {
  const [a, b] = [planToScreen(pose, run.start), planToScreen(pose, run.end)];
  const out = outwards(run, pose);
  return about({ x: (a.x + b.x) / 2 + out.x * DIMENSION, y: (a.y + b.y) / 2 + out.y * DIMENSION }, FIGURE_HALF, 10);
}
/** From a wall to the line of its dimension, and half of what its figure is wide, px. */
const [DIMENSION, FIGURE_HALF] = [20, 26];

const outwards = (run: WallRun, pose: MeasurePose): Vector2 => ({
  x: -dot2(run.intoRoom, pose.right),
  y: dot2(run.intoRoom, pose.up),
});

/** Where a wall may be named, the best place first. @param taken whether a place of the screen lies in another room: there it is named from inside its own. */
function placesOf(
  run: WallRun,
  pose: MeasurePose,
  [width, height]: readonly [number, number],
  home: boolean,
  taken: (p: Vector2) => boolean,
): readonly WallName[] {
  const [a, b] = [planToScreen(pose, run.start), planToScreen(pose, run.end)];
  const [from, to] = seenOf(a, b, width, height);
  const out = outwards(run, pose);
  const long = run.wall.name.length * LETTER;
  const told = { wallId: run.wall.id, name: run.wall.name };
  // Along the wall; of two ways the one that is read without turning the head over.
  const along = (Math.atan2(b.y - a.y, b.x - a.x) * 180) / Math.PI;
  const deg = along > 90.01 ? along - 180 : along <= -89.99 ? along + 180 : along;
  if (to > from) {
    const px = Math.hypot(b.x - a.x, b.y - a.y);
    if (px * (to - from) < long) return [];
    const half = (long / 2 + FROM_END) / px;
    const [first, last, middle] = [from + half, to - half, (from + to) / 2];
    // Beside the figure of the wall's length, which stands in its middle; where there is no room for both, beyond it.
    const fits = first + (long / 2 + FIGURE) / px < 0.5;
    const tried = [
      ...(fits ? [[first, FROM_WALL] as const, [last, FROM_WALL] as const] : []),
      ...([FROM_FIGURE, FARTHER] as const).flatMap((off) =>
        [middle, first, last].map((t) => [Math.min(to, Math.max(from, t)), off] as const),
      ),
    ];
    const [halfX, halfY] = extent(long, deg);
    return tried.map(([t, off]) => {
      const beyond = (by: number): Vector2 => ({
        x: a.x + (b.x - a.x) * t + out.x * by,
        y: a.y + (b.y - a.y) * t + out.y * by,
      });
      const at = taken(beyond(off)) ? beyond(-FROM_INSIDE) : beyond(off);
      // Beside a wall at the very edge there is no room outside it.
      const at0 = { x: clamp(at.x, halfX + 4, width - halfX - 4), y: clamp(at.y, halfY + 4, height - halfY - 4) };
      return { ...told, at: at0, off: false, deg };
    });
  }
  if (!home) return [];
  const [x, y] = [width / 2, height / 2];
  const reach = Math.min(
    out.x === 0 ? Infinity : (x - FROM_EDGE) / Math.abs(out.x),
    out.y === 0 ? Infinity : (y - FROM_EDGE) / Math.abs(out.y),
  );
  return [{ ...told, at: { x: x + out.x * reach, y: y + out.y * reach }, off: true, deg }];
}

/** Places of the plan's title and of the north mark, px: no wall is named over them. */
const [TITLE, NORTH_MARK] = [
  { right: 190, bottom: 40 },
  { left: 60, bottom: 70 },
] as const;
const isClear = ({ x, y }: Vector2, width: number): boolean =>
  !(x < TITLE.right && y < TITLE.bottom) && !(x > width - NORTH_MARK.left && y < NORTH_MARK.bottom);

const clamp = (value: number, least: number, most: number): number => Math.min(most, Math.max(least, value));

/** Half of what a line of letters takes up across and down, turned. */
function extent(long: number, deg: number): readonly [number, number] {
  const [c, s] = [Math.abs(Math.cos((deg * Math.PI) / 180)), Math.abs(Math.sin((deg * Math.PI) / 180))];
  return [(long * c + 14 * s) / 2, (long * s + 14 * c) / 2];
}

/** What part of a line lies on the paper, from 0 to 1; nothing where the second is not beyond the first. */
function seenOf(a: Vector2, b: Vector2, width: number, height: number): readonly [number, number] {
  let [from, to] = [0, 1];
  for (const [p, d, most] of [
    [a.x, b.x - a.x, width],
    [a.y, b.y - a.y, height],
  ] as const) {
    if (Math.abs(d) < 1e-9) {
      if (p < 0 || p > most) return [0, 0];
      continue;
    }
    const [t0, t1] = [-p / d, (most - p) / d];
    from = Math.max(from, Math.min(t0, t1));
    to = Math.min(to, Math.max(t0, t1));
  }
  return [from, to];
}
