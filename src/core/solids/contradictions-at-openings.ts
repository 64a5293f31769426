import { convexOverlap, type Vector2 } from '@/core/geometry';
import {
  alongWall,
  distanceFromWall,
  leftAlongWall,
  levelOf,
  mmOf,
  onWall,
  wallRunOf,
  type Opening,
  type Piece,
  type Project,
  type Space,
  type WallRun,
} from '@/core/record';
import { radiansFromDegrees } from '@/core/units';
import type { Contradiction, Reading, Remedy } from './contradiction';
import { cutOf } from './cut';
import { fittedOf } from './fittings';
import { kindOf } from './kinds';
import { openingKindOf, type OpeningKind } from './openings';
import { throughWalls } from './through-walls';
import { volumesOf, type Volume } from './volumes';

/** What lies lower than this is stepped over, mm: a rug, a threshold. */
const STEPPED_OVER_MM = 30;
/** What begins higher than this does not stand in one's way at a door, mm: a plate on its leaf. */
const IN_THE_WAY_MM = 300;
/** A thing may reach this far into a doorway's width or a leaf's way before it is told, mm. */
const SPARED_MM = 20;
/** Nearer to the wall than this a thing stands before what is in it, mm. */
const BEFORE_MM = 300;
/** So much of a window may be covered by what stands before it. */
const COVERED = 0.2;
/** Nearer to a face than this a thing is fixed to it; and so far from a leaf's or a frame's line reaches what is fixed to that; mm. */
const [TOUCHING_MM, WITHIN_MM] = [15, 120];
/** Degrees between two points of a leaf's way. */
const SWEEP_STEP = 15;

/** An opening where it lies: its wall, its kind, and its ends and heights. */
interface Placed {
  readonly opening: Opening;
  readonly kind: OpeningKind;
  readonly run: WallRun;
  readonly left: number;
  readonly right: number;
  readonly low: number;
  readonly high: number;
  /** What its leaf passes over as it is opened, in plan. */
  readonly sweeps: readonly (readonly Vector2[])[];
}

const kept = new WeakMap<Opening, { readonly by: readonly unknown[]; readonly placed: Placed | null }>();

function placedOf(opening: Opening, project: Project): Placed | null {
  const by = [project.spaces, project.levels];
  const known = kept.get(opening);
  if (known?.by.every((one, i) => one === by[i])) return known.placed;
  const placed = place(opening, project);
  kept.set(opening, { by, placed });
  return placed;
}

function place(opening: Opening, project: Project): Placed | null {
  const kind = openingKindOf(opening.kind);
  const run = wallRunOf(project, opening.wallId);
  const space = project.spaces.find((one) => one.walls.some((wall) => wall.id === opening.wallId));
  if (!kind || !run || !space) return null;
  const left = leftAlongWall(opening, run);
  const floor = mmOf(levelOf(project, space.levelId).elevation);
  const cut = cutOf(opening, run, Infinity);
  if (!cut) return null;
  const sweeps = kind.sweeps(fittedOf(cut)).map(({ hinge, radius, fromDeg, toDeg }) => {
    const count = Math.max(2, Math.ceil(Math.abs(toDeg - fromDeg) / SWEEP_STEP));
    const back = -mmOf(opening.reveal);
    const middle = onWall(run, left + hinge, back);
    return [
      middle,
      ...Array.from({ length: count + 1 }, (_, i) => {
        const turn = radiansFromDegrees(fromDeg + ((toDeg - fromDeg) * i) / count);
        return onWall(run, left + hinge + radius * Math.cos(turn), back + radius * Math.sin(turn));
      }),
    ];
  });
  return {
    ...{ opening, kind, run, left, sweeps },
    right: left + mmOf(opening.width),
    low: floor + mmOf(opening.sill),
    high: floor + cut.spring + cut.rise,
  };
}

const rectangle = (
  { run }: Placed,
  [left, right]: readonly [number, number],
  [back, front]: readonly [number, number],
) => [onWall(run, left, back), onWall(run, right, back), onWall(run, right, front), onWall(run, left, front)] as const;

/** By how much a piece's parts reach into a place between two heights, mm; nought where they do not, or no farther than is spared. */
function reachInto(
  volumes: readonly Volume[],
  place: readonly Vector2[],
  [low, high]: readonly [number, number],
): number {
  let worst = 0;
  for (const volume of volumes) {
    if (Math.min(volume.high, high) - Math.max(volume.low, low) <= STEPPED_OVER_MM) continue;
    worst = Math.max(worst, convexOverlap(volume.outline, place)?.depth ?? 0);
  }
  return worst > SPARED_MM ? worst : 0;
}

/** How far it must go along the wall, either way, to be clear of a stretch of it; only where it then stands in the room. */
function alongRemedies(
  piece: Piece,
  volumes: readonly Volume[],
  stretch: readonly [number, number],
  run: WallRun,
  space: Space,
  { project, show }: Reading,
): readonly Remedy[] {
  const places = volumes.flatMap((volume) => volume.outline.map((p) => alongWall(run, p)));
  const [first, last] = [Math.min(...places), Math.max(...places)];
  return [stretch[0] - last, stretch[1] - first]
    .sort((a, b) => Math.abs(a) - Math.abs(b))
    .flatMap((by) => {
      const move = { x: run.run.x * by, y: run.run.y * by };
      const moved = volumes.map((volume) => ({
        ...volume,
        outline: volume.outline.map((p) => ({ ...p, x: p.x + move.x, y: p.y + move.y })),
      }));
      if (throughWalls(project, space, moved).size > 0 || meetsAnother(piece, moved, project)) return [];
      const change = { kind: 'settle-piece', pieceId: piece.id, by: move } as const;
      return [{ label: `Move it ${show(Math.abs(by))} along ${run.wall.name}`, change }];
    });
}

/** Whether a piece's parts, moved, would stand in another piece. */
const meetsAnother = (piece: Piece, moved: readonly Volume[], project: Project): boolean =>
  project.pieces.some(
    (other) =>
      other.id !== piece.id &&
      volumesOf(project, other, mmOf(levelOf(project, other.levelId).elevation)).some((theirs) =>
        moved.some(
          (own) =>
            Math.min(own.high, theirs.high) - Math.max(own.low, theirs.low) > 1 &&
            (convexOverlap(own.outline, theirs.outline)?.depth ?? 0) > 1,
        ),
      ),
  );

/** Things that stand in a doorway, in the way of its leaf, or before a window. */
export function atOpenings(piece: Piece, volumes: readonly Volume[], space: Space, reading: Reading): Contradiction[] {
  const { project } = reading;
  // What hangs from the ceiling or burns there is in nobody's way.
  const group = kindOf(piece.kind)?.group;
  if (group === 'lights' && mmOf(piece.lift) > IN_THE_WAY_MM) return [];
  return project.openings.flatMap((opening): Contradiction[] => {
    const placed = placedOf(opening, project);
    if (!placed || space.levelId !== levelIdOf(project, opening)) return [];
    const { run, left, right, low, high, kind } = placed;
    type What = 'in-doorway' | 'in-swing' | 'over-opening';
    const told = (what: What, by: number, message: string): Contradiction[] => [
      {
        ...{ kind: what, about: piece.id, of: [opening.id, by], message },
        remedies: alongRemedies(piece, volumes, [left, right], run, space, reading),
      },
    ];
    const standing = volumes.filter((volume) => volume.low < low + IN_THE_WAY_MM);
    if (kind.walked) {
      // Between two rooms one stands in the way on either side of the wall.
      const through = opening.throughWallId === null ? null : wallRunOf(project, opening.throughWallId);
      const thick = through ? Math.abs(distanceFromWall(run, through.start)) + SPARED_MM * 2 : mmOf(opening.reveal);
      const doorway = rectangle(placed, [left, right], [-thick, SPARED_MM * 2]);
      const into = reachInto(standing, doorway, [low, high]);
      if (into > 0)
        return told(
          'in-doorway',
          into,
          `${piece.name} stands in the way at ${opening.name}, by ${reading.show(into)}.`,
        );
    }
    // What is fixed to the leaf goes with it.
    for (const sweep of onLeaf(volumes, placed) ? [] : placed.sweeps) {
      const into = reachInto(volumes, sweep, [low, high]);
      if (into > 0)
        return told(
          'in-swing',
          into,
          `${piece.name} stands where the leaf of ${opening.name} swings, by ${reading.show(into)}.`,
        );
    }
    const over = kind.inPlan.pane ? covers(volumes, placed) : 0;
    return over > COVERED
      ? told(
          'over-opening',
          over * 100,
          `${piece.name} stands before ${opening.name} and covers ${Math.round(over * 100)} % of it.`,
        )
      : [];
  });
}

const levelIdOf = (project: Project, opening: Opening) =>
  project.spaces.find((one) => one.walls.some((wall) => wall.id === opening.wallId))?.levelId;

/** What part of a window a piece covers that stands before it: of its face, from 0 to 1. */
function covers(volumes: readonly Volume[], { run, left, right, low, high }: Placed): number {
  // Columns of the window, each covered by what reaches highest and lowest before it: parts of one thing are not counted twice.
  const count = 24;
  let covered = 0;
  const before = volumes.filter((volume) => {
    const away = volume.outline.map((p) => distanceFromWall(run, p));
    return Math.max(...away) > 0 && Math.min(...away) < BEFORE_MM;
  });
  for (let i = 0; i < count; i += 1) {
    const at = left + ((i + 0.5) * (right - left)) / count;
    const parts = before
      .filter((volume) => {
        const along = volume.outline.map((p) => alongWall(run, p));
        return Math.min(...along) < at && Math.max(...along) > at;
      })
      .map((volume) => [Math.max(low, volume.low), Math.min(high, volume.high)] as const)
      .filter(([from, to]) => to > from)
      .sort((a, b) => a[0] - b[0]);
    let upTo = low;
    for (const [from, to] of parts) {
      covered += Math.max(0, to - Math.max(upTo, from));
      upTo = Math.max(upTo, to);
    }
  }
  return covered / (count * (high - low));
}

/** Whether a thing is fixed in or on an opening: to its leaf, its reveal or what fills it. */
export function fixedInOpening(volumes: readonly Volume[], project: Project): boolean {
  return project.openings.some((opening) => {
    const placed = placedOf(opening, project);
    if (!placed) return false;
    const { run, left, right, low, high } = placed;
    const within = volumes.some(
      (volume) =>
        volume.high > low &&
        volume.low < high &&
        volume.outline.some((p) => {
          const [along, away] = [alongWall(run, p), distanceFromWall(run, p)];
          return along >= left && along <= right && away <= TOUCHING_MM && away >= -mmOf(opening.reveal) - WITHIN_MM;
        }),
    );
    return within || onLeaf(volumes, placed);
  });
}

/** Whether a thing is fixed to a leaf that stands open: all of it lies by the leaf. What only leans on it, or is touched by it, does not. */
function onLeaf(volumes: readonly Volume[], { opening, kind, run, left, low, high }: Placed): boolean {
  const cut = cutOf(opening, run, Infinity);
  if (!cut || volumes.length === 0) return false;
  return kind.leaves(fittedOf(cut)).some(({ hinge, turnDeg }) => {
    const turn = radiansFromDegrees(turnDeg);
    const [along, into] = [Math.cos(turn), Math.sin(turn)];
    const reveal = mmOf(opening.reveal);
    return volumes.every(
      (volume) =>
        volume.high <= high &&
        volume.low >= low &&
        volume.outline.every((p) => {
          const [x, y] = [alongWall(run, p) - left - hinge, distanceFromWall(run, p) + reveal];
          const [far, off] = [x * along + y * into, Math.abs(y * along - x * into)];
          return far >= 0 && far <= mmOf(opening.width) && off <= WITHIN_MM;
        }),
    );
  });
}
