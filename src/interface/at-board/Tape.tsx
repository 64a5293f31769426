import type { PicturePoint } from '@/core/space';
import { pictureScreen, type Pose } from '@/interface/board';

/** A tape laid in the picture between two points; one alone is a mark that waits for the other. */
export function Tape({
  points,
  pose,
  colour,
}: {
  readonly points: readonly PicturePoint[];
  readonly pose: Pose;
  readonly colour: string;
}) {
  const [a, b] = points.map((point) => pictureScreen(pose, point));
  return (
    <g
      pointerEvents="none"
      data-testid="tape"
      clipPath="url(#clip-picture)"
      stroke={colour}
      fill="none"
      strokeWidth={2}
    >
      {a && b ? <line x1={a.x} y1={a.y} x2={b.x} y2={b.y} strokeDasharray="7 3" /> : null}
      {[a, b].map((point, i) =>
        point ? (
          <path key={i} d={`M${point.x - 6},${point.y}h12M${point.x},${point.y - 6}v12`} strokeLinecap="round" />
        ) : null,
      )}
    </g>
  );
}
