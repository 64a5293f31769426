'use client';
import { useMemo } from 'react';
import type { Vector2 } from '@/core/geometry';
import {
  footprintOf,
  leftAlongWall,
  mmOf,
  outlineOf,
  wallRunOf,
  type Id,
  type Piece,
  type Project,
} from '@/core/record';
import { boxOf, PencilRings } from '@/interface/board';
import { useSession, type Ring } from '@/interface/session';
import { planToScreen, type MeasurePose } from './pose';

/** Pencil rings round what the record contradicts, on the plan. */
export function PlanRings({
  pose,
  rings,
  levelId,
  colour,
}: {
  readonly pose: MeasurePose;
  readonly rings: readonly Ring[];
  readonly levelId: Id;
  readonly colour: string;
}) {
  const { project } = useSession();
  const pieces = useMemo(() => new Map(project.pieces.map((piece) => [piece.id, piece])), [project.pieces]);
  const boxes = [...new Set(rings.map((ring) => ring.about))].flatMap((about) => {
    const points = about === null ? [] : pointsOf(project, pieces.get(about), about, levelId);
    return about === null || points.length === 0
      ? []
      : [
          boxOf(
            about,
            points.map((p) => planToScreen(pose, p)),
          ),
        ];
  });
  return (
    <g pointerEvents="none">
      <PencilRings boxes={boxes} blank={11} colour={colour} />
    </g>
  );
}

function pointsOf(project: Project, piece: Piece | undefined, about: Id, levelId: Id): readonly Vector2[] {
  if (piece) {
    const footprint = footprintOf(project, piece);
    return piece.levelId === levelId && footprint.ok ? Object.values(footprint.value.corners) : [];
  }
  const opening = project.openings.find((one) => one.id === about);
  const run = wallRunOf(project, opening?.wallId ?? about);
  if (run) {
    const left = opening ? leftAlongWall(opening, run) : 0;
    const right = opening ? left + mmOf(opening.width) : run.lengthMm;
    return [left, right].map((along) => ({ x: run.start.x + run.run.x * along, y: run.start.y + run.run.y * along }));
  }
  const space = project.spaces.find((one) => one.id === about && one.levelId === levelId);
  return space ? outlineOf(space).corners.map((corner) => corner.at) : [];
}
