'use client';
import { useSession } from '@/interface/session';
import { useLook } from '@/interface/theme';
import type { Id } from '@/core/record';
import { northOf, wallNamesAt } from './plan-edge';
import type { MeasureLayout, MeasurePose } from './pose';

/** Where north is, and the names of the walls: on the paper beside their walls, of walls that lie off it at its edge. */
export function PlanEdge({
  layout,
  pose,
  levelId,
}: {
  readonly layout: MeasureLayout;
  readonly pose: MeasurePose;
  readonly levelId: Id;
}) {
  const { project } = useSession();
  const { look } = useLook();
  const [dx, dy] = northOf(pose);
  const [x, y] = [layout.width - 30, 34];
  return (
    <g pointerEvents="none" fontSize={13} fill={look.faint} style={{ userSelect: 'none' }}>
      <g transform={`translate(${x} ${y})`} data-testid="north" data-north={`${dx.toFixed(3)},${dy.toFixed(3)}`}>
        <line x1={-12 * dx} y1={-12 * dy} x2={9 * dx} y2={9 * dy} stroke={look.faint} />
        <path
          d={`M${14 * dx},${14 * dy} L${4 * dx - 4 * dy},${4 * dy + 4 * dx} L${4 * dx + 4 * dy},${4 * dy - 4 * dx} Z`}
        />
        <text x={-21 * dx} y={-21 * dy + 5} textAnchor="middle">
          N
        </text>
      </g>
      {wallNamesAt(project, pose, layout, levelId).map(({ wallId, name, at, off, deg }) => (
        <text
          key={wallId}
          data-wall-name={off ? 'off' : 'on'}
          textAnchor="middle"
          dominantBaseline="central"
          transform={`translate(${at.x} ${at.y}) rotate(${deg})`}
        >
          {name}
        </text>
      ))}
    </g>
  );
}
