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
  return (
    <g pointerEvents="none">
      {[...new Set(rings.map((ring) => ring.about))].flatMap((about) => {
        if (about === null) return [];
        const points = pointsOf(project, pieces.get(about), about, levelId).map((p) => planToScreen(pose, p));
        if (points.length === 0) return [];
        const [left, right] = [Math.min(...points.map((p) => p.x)), Math.max(...points.map((p) => p.x))];
        const [top, bottom] = [Math.min(...points.map((p) => p.y)), Math.max(...points.map((p) => p.y))];
        const [x, y] = [(left + right) / 2, (top + bottom) / 2];
        return [
          <ellipse
            key={about}
            data-ring={about}
            cx={x}
            cy={y}
            rx={(right - left) / 2 + 11}
            ry={(bottom - top) / 2 + 11}
            transform={`rotate(-6 ${x} ${y})`}
            fill="none"
            stroke={colour}
            strokeWidth={1.6}
            strokeDasharray="40 3"
          />,
        ];
      })}
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
