import { type Elevation } from '@/core/pipeline';
import {
  leftAlongWall,
  onWall,
  distanceFromWall,
  footprintOf,
  mmOf,
  wallOf,
  wallRunOf,
  type Id,
  type Project,
} from '@/core/record';
import type { Vector2 } from '@/core/geometry';
import type { DimensionShown } from './Dimension';
import { elevationToScreen, planToScreen, type MeasurePose } from './pose';

const offset = (a: Vector2, b: Vector2, px: number): readonly [Vector2, Vector2] => {
  const [dx, dy] = [b.x - a.x, b.y - a.y];
  const length = Math.hypot(dx, dy) || 1;
  const [nx, ny] = [(-dy / length) * px, (dx / length) * px];
  return [
    { x: a.x + nx, y: a.y + ny },
    { x: b.x + nx, y: b.y + ny },
  ];
};

/** The dimensions of what is chosen, on the plan. */
export function planDimensions(project: Project, pose: MeasurePose, chosen: Id | null): readonly DimensionShown[] {
  if (chosen === null) return [];
  const dimension = (
    key: string,
    label: string,
    size: DimensionShown['size'],
    a: Vector2,
    b: Vector2,
    px = 0,
    rules?: DimensionShown['rules'],
  ): DimensionShown => {
    const [from, to] = offset(planToScreen(pose, a), planToScreen(pose, b), px);
    return { key, label, size, from, to, ...(rules ? { rules } : {}) };
  };
  const piece = project.pieces.find((one) => one.id === chosen);
  if (piece) {
    const footprint = footprintOf(project, piece);
    if (!footprint.ok) return [];
    const { corners } = footprint.value;
    const anchor = corners[piece.place.pieceCorner];
    const list = [
      dimension('width', `Width of ${piece.name}`, piece.width, corners['front-left'], corners['front-right'], 20),
      dimension('depth', `Depth of ${piece.name}`, piece.depth, corners['front-right'], corners['back-right'], 28),
    ];
    piece.place.from.forEach(({ wallId, distance }, i) => {
      const run = wallRunOf(project, wallId);
      if (!run) return;
      const away = distanceFromWall(run, anchor);
      const foot = { x: anchor.x - run.intoRoom.x * away, y: anchor.y - run.intoRoom.y * away };
      list.push(
        dimension(`offset-${i + 1}`, `${piece.name} from ${run.wall.name}`, distance, foot, anchor, 0, {
          negative: 'allowed',
          zero: 'allowed',
        }),
      );
    });
    return list;
  }
  const opening = project.openings.find((one) => one.id === chosen);
  const run = wallRunOf(project, opening?.wallId ?? chosen);
  if (opening && run) {
    const left = leftAlongWall(opening, run);
    const right = left + mmOf(opening.width);
    const fromEnd = opening.fromCorner === run.endCorner;
    const [a, b] = fromEnd ? [right, run.lengthMm] : [0, left];
    return [
      dimension('offset', `Offset of ${opening.name}`, opening.offset, onWall(run, a), onWall(run, b), 18, {
        negative: 'allowed',
        zero: 'allowed',
      }),
      dimension('width', `Width of ${opening.name}`, opening.width, onWall(run, left), onWall(run, right), 18),
    ];
  }
  const owner = wallOf(project, chosen);
  if (run && owner) {
    return [dimension('length', `Length of ${run.wall.name}`, run.wall.length, run.start, run.end, -20)];
  }
  const space = project.spaces.find((one) => one.id === chosen);
  if (!space) return [];
  return space.walls.flatMap((wall) => {
    const one = wallRunOf(project, wall.id);
    return one ? [dimension(`length-${wall.id}`, `Length of ${wall.name}`, wall.length, one.start, one.end, -20)] : [];
  });
}

/** The dimensions of what is chosen, on its elevation. */
export function elevationDimensions(
  project: Project,
  pose: MeasurePose,
  chosen: Id | null,
  elevation: Elevation | null,
): readonly DimensionShown[] {
  if (!elevation || chosen === null) return [];
  const at = (across: number, height: number): Vector2 => elevationToScreen(pose, elevation, across, height);
  const piece = project.pieces.find((one) => one.id === chosen);
  if (piece) {
    const low = mmOf(piece.lift);
    const list: DimensionShown[] = [
      {
        key: 'height',
        label: `Height of ${piece.name}`,
        size: piece.height,
        from: shift(at(elevation.across, low), 26),
        to: shift(at(elevation.across, low + mmOf(piece.height)), 26),
      },
    ];
    list.push({
      key: 'lift',
      label: `Lift of ${piece.name}`,
      size: piece.lift,
      from: shift(at(0, 0), -30),
      to: shift(at(0, low), -30),
      rules: { zero: 'allowed' },
    });
    return list;
  }
  const opening = project.openings.find((one) => one.id === chosen);
  const run = wallRunOf(project, opening?.wallId ?? chosen);
  const owner = wallOf(project, opening?.wallId ?? chosen);
  if (!run || !owner) return [];
  const ceiling: DimensionShown = {
    key: 'ceiling',
    label: `Ceiling height of ${owner.space.name}`,
    size: owner.space.ceilingHeight,
    from: shift(at(0, 0), -30),
    to: shift(at(0, mmOf(owner.space.ceilingHeight)), -30),
  };
  if (!opening) return [ceiling];
  const right = leftAlongWall(opening, run) + mmOf(opening.width);
  const sill = mmOf(opening.sill);
  return [
    ceiling,
    {
      key: 'sill',
      label: `Sill of ${opening.name}`,
      size: opening.sill,
      from: shift(at(right, 0), 24),
      to: shift(at(right, sill), 24),
      rules: { zero: 'allowed' },
    },
    {
      key: 'opening-height',
      label: `Height of ${opening.name}`,
      size: opening.height,
      from: shift(at(right, sill), 24),
      to: shift(at(right, sill + mmOf(opening.height)), 24),
    },
  ];
}

const shift = (p: Vector2, px: number): Vector2 => ({ x: p.x + px, y: p.y });
