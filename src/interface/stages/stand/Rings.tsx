'use client';
import { ownerOf, type Body } from '@/core/solids';
import { eyeFromWorld, type SetUp } from '@/core/view';
import { planScreen, type Pose } from '@/interface/board';

interface RingsProps {
  /** Ids of what is warned of: rooms, openings, pieces; null stands for where one stands. */
  readonly about: ReadonlySet<string | null>;
  readonly bodies: readonly Body[];
  readonly setUp: SetUp;
  readonly pose: Pose;
  readonly colour: string;
}

/** Pencil rings on the plan, drawn a little askew as a hand would. An opening or a wall is ringed by its own corners, a room whole. */
export function Rings({ about, bodies, setUp, pose, colour }: RingsProps) {
  const ringed = bodies.flatMap((body) => {
    const owners = [body.id, ...new Set(body.vertices.map((vertex) => ownerOf(vertex.role)))];
    return owners
      .filter((id) => about.has(id))
      .map((id) => ({
        id,
        vertices: id === body.id ? body.vertices : body.vertices.filter((one) => ownerOf(one.role) === id),
      }));
  });
  const station = planScreen(pose, setUp, 0, 0);
  return (
    <g pointerEvents="none">
      {[...new Map(ringed.map((one) => [one.id, one])).values()].map(({ id, vertices }) => {
        const at = vertices.map((vertex) => {
          const eye = eyeFromWorld(setUp, vertex.at);
          return planScreen(pose, setUp, eye.lateral, eye.depth);
        });
        const [left, right] = [Math.min(...at.map((p) => p.x)), Math.max(...at.map((p) => p.x))];
        const [top, bottom] = [Math.min(...at.map((p) => p.y)), Math.max(...at.map((p) => p.y))];
        const [x, y] = [(left + right) / 2, (top + bottom) / 2];
        return (
          <ellipse
            key={id}
            data-ring={id}
            cx={x}
            cy={y}
            rx={(right - left) / 2 + 9}
            ry={(bottom - top) / 2 + 9}
            transform={`rotate(-6 ${x} ${y})`}
            fill="none"
            stroke={colour}
            strokeWidth={1.6}
            strokeDasharray="40 3"
          />
        );
      })}
      {about.has(null) ? (
        <ellipse
          data-ring="station"
          cx={station.x}
          cy={station.y}
          rx={26}
          ry={22}
          transform={`rotate(-8 ${station.x} ${station.y})`}
          fill="none"
          stroke={colour}
          strokeWidth={1.6}
          strokeDasharray="40 3"
        />
      ) : null}
    </g>
  );
}
