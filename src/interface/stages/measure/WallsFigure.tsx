'use client';
import { outlineOf, type Space } from '@/core/record';
import { useLook } from '@/interface/theme';

/** The walls as they run, numbered, with the gap by which they miss closing. */
export function WallsFigure({ space }: { readonly space: Space | null }) {
  const { look } = useLook();
  const corners = space ? outlineOf(space).corners.map((corner) => corner.at) : [];
  const [x0, x1] = [Math.min(0, ...corners.map((p) => p.x)), Math.max(1, ...corners.map((p) => p.x))];
  const [y0, y1] = [Math.min(0, ...corners.map((p) => p.y)), Math.max(1, ...corners.map((p) => p.y))];
  const pad = Math.max(x1 - x0, y1 - y0) * 0.08;
  const end = space
    ? {
        x: (corners[0]?.x ?? 0) + outlineOf(space).closingGap.x,
        y: (corners[0]?.y ?? 0) + outlineOf(space).closingGap.y,
      }
    : null;
  const gap = space ? Math.hypot(outlineOf(space).closingGap.x, outlineOf(space).closingGap.y) : 0;
  return (
    <svg
      aria-hidden="true"
      width="240"
      height="190"
      viewBox={`${x0 - pad} ${-y1 - pad} ${x1 - x0 + 2 * pad} ${y1 - y0 + 2 * pad}`}
      style={{ flex: '0 0 auto' }}
    >
      {corners.length > 2 ? (
        <>
          <polygon
            points={corners.map((p) => `${p.x},${-p.y}`).join(' ')}
            fill="none"
            stroke={look.graphite}
            strokeWidth={2}
            vectorEffect="non-scaling-stroke"
          />
          {end && gap > 0.05 ? (
            <line
              x1={corners[0]?.x ?? 0}
              y1={-(corners[0]?.y ?? 0)}
              x2={end.x}
              y2={-end.y}
              stroke={look.warning}
              strokeWidth={3}
              vectorEffect="non-scaling-stroke"
            />
          ) : null}
          {corners.map((p, i) => {
            const q = corners[(i + 1) % corners.length] ?? p;
            // Inside the room, which lies to the right of each wall.
            const size = (x1 - x0 + y1 - y0) / 26;
            const off = size / (Math.hypot(q.x - p.x, q.y - p.y) || 1);
            return (
              <text
                key={i}
                x={(p.x + q.x) / 2 + (q.y - p.y) * off}
                y={-(p.y + q.y) / 2 + (q.x - p.x) * off}
                fontSize={size}
                dominantBaseline="central"
                fill={look.faint}
                textAnchor="middle"
              >
                {i + 1}
              </text>
            );
          })}
        </>
      ) : null}
    </svg>
  );
}
