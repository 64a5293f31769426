'use client';
import type { Vector2 } from '@/core/geometry';
import { formatLength } from '@/core/units';
import { useSession } from '@/interface/session';
import { useLook } from '@/interface/theme';
import { snappedCorner } from './moves';
import { planToScreen, screenToPlan, type MeasurePose } from './pose';

/** Walls as they are drawn on the plan, corner by corner; the next one follows the pointer with its length. */
export function DrawnWalls({
  drawing,
  pointer,
  pose,
  reach,
}: {
  readonly drawing: readonly Vector2[];
  /** Where the pointer is, CSS pixels on the paper. */
  readonly pointer: Vector2 | null;
  readonly pose: MeasurePose;
  readonly reach: number;
}) {
  const { project, style } = useSession();
  const { look } = useLook();
  const next = pointer ? snappedCorner(drawing, screenToPlan(pose, pointer.x, pointer.y), reach, project.units) : null;
  const last = drawing.at(-1);
  const onScreen = [...drawing, ...(next ? [next.at] : [])].map((p) => planToScreen(pose, p));
  return (
    <g pointerEvents="none" stroke={look.ink} fill="none" data-testid="walls-drawn">
      <polyline points={onScreen.map((p) => `${p.x},${p.y}`).join(' ')} strokeWidth={2} />
      {drawing.map((p, i) => {
        const q = planToScreen(pose, p);
        return <circle key={i} cx={q.x} cy={q.y} r={i === 0 ? 7 : 3.5} strokeWidth={1.2} />;
      })}
      {next && last ? (
        <DrawnLength
          from={planToScreen(pose, last)}
          to={planToScreen(pose, next.at)}
          text={formatLength(Math.hypot(next.at.x - last.x, next.at.y - last.y), style)}
          colour={look.ink}
        />
      ) : null}
    </g>
  );
}

function DrawnLength({
  from,
  to,
  text,
  colour,
}: {
  readonly from: Vector2;
  readonly to: Vector2;
  readonly text: string;
  readonly colour: string;
}) {
  return (
    <text
      x={(from.x + to.x) / 2 + 8}
      y={(from.y + to.y) / 2 - 8}
      fontSize={14}
      fill={colour}
      stroke="none"
      className="figure"
    >
      {text}
    </text>
  );
}
