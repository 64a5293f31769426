'use client';
import { errorEllipse } from '@/core/construction';
import { pictureScreen, type Pose } from '@/interface/board';
import type { Look } from '@/interface/theme';
import type { DrawnStep } from './use-drawing';

/** An ellipse smaller than this on the screen is drawn larger, by whole times, px. */
const LEAST_PX = 9;

/** How many times larger than it is an error is drawn, so that it can be seen. */
export function timesLarger(majorMm: number, pose: Pose): number {
  const px = majorMm * pose.pictureScale;
  return px >= LEAST_PX ? 1 : ([2, 5, 10, 20, 50].find((times) => px * times >= LEAST_PX) ?? 100);
}

/** What is pointed at on the paper: a mark with the ellipse it is expected to fall in, or a line. */
export function PointedMark({
  drawn: { laid, pointed },
  pose,
  look,
}: {
  readonly drawn: DrawnStep;
  readonly pose: Pose;
  readonly look: Look;
}) {
  if (!pointed) return null;
  const { plan, paper } = laid;
  if (pointed.is === 'line') {
    const [p, q] = (plan.extents.get(pointed.line) ?? []).map((mark) => paper.marks.get(mark)?.at);
    if (!p || !q) return null;
    const [a, b] = [pictureScreen(pose, p), pictureScreen(pose, q)];
    return (
      <line
        data-testid="pointed-line"
        pointerEvents="none"
        {...{ x1: a.x, y1: a.y, x2: b.x, y2: b.y }}
        stroke={look.accent}
        strokeWidth={3}
        opacity={0.8}
      />
    );
  }
  const mark = paper.marks.get(pointed.mark);
  if (!mark) return null;
  const { x, y } = pictureScreen(pose, mark.at);
  const { major, minor, majorDeg } = errorEllipse(mark.covariance);
  const px = pose.pictureScale * timesLarger(major, pose);
  return (
    <g pointerEvents="none" data-testid="pointed-mark" transform={`translate(${x} ${y})`}>
      <circle r={7} fill="none" stroke={look.accent} strokeWidth={1.6} />
      {mark.flat || major === 0 ? null : (
        <ellipse
          data-testid="error-ellipse"
          rx={major * px}
          ry={Math.max(0.7, minor * px)}
          transform={`rotate(${-majorDeg})`}
          fill={look.accent}
          fillOpacity={0.25}
          stroke={look.accent}
        />
      )}
    </g>
  );
}
