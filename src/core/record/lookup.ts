import { invariant } from '@/core/base';
import type { LengthStyle } from '@/core/units';
import type { Level, Piece, Project, Space, View, Wall } from './project';
import type { Id } from './size';

const found = <T>(value: T | undefined, what: string): T => {
  invariant(value, what);
  return value;
};

/** References are checked when a file is read and kept by every edit; a missing one is a bug. */
export const levelOf = (project: Pick<Project, 'levels'>, id: Id): Level =>
  found(
    project.levels.find((one) => one.id === id),
    `level ${id}`,
  );
export const pieceOf = (project: Pick<Project, 'pieces'>, id: Id): Piece =>
  found(
    project.pieces.find((one) => one.id === id),
    `piece ${id}`,
  );
export const viewOf = (project: Pick<Project, 'views'>, id: Id): View =>
  found(
    project.views.find((one) => one.id === id),
    `view ${id}`,
  );

/** A wall with the space it belongs to. */
export function wallOf(
  project: Pick<Project, 'spaces'>,
  id: Id,
): { readonly space: Space; readonly wall: Wall; readonly index: number } | undefined {
  for (const space of project.spaces) {
    const index = space.walls.findIndex((wall) => wall.id === id);
    const wall = space.walls[index];
    if (wall) return { space, wall, index };
  }
  return undefined;
}

/** How this project shows its lengths. */
export const lengthStyleOf = (project: Pick<Project, 'units' | 'fractions' | 'rulerStepMm'>): LengthStyle => ({
  units: project.units,
  realFraction: project.fractions.real,
  rulerFraction: project.fractions.ruler,
  rulerStepMm: project.rulerStepMm,
});
