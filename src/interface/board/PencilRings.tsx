'use client';
import { sharedRings, type RingedBox } from './shared-rings';

/** Pencil rings, drawn a little askew as a hand would; those that would run into one another are one. */
export function PencilRings({
  boxes,
  blank,
  colour,
}: {
  readonly boxes: readonly RingedBox[];
  /** Between a thing and its ring, px. */
  readonly blank: number;
  readonly colour: string;
}) {
  return sharedRings(boxes, blank).map(({ ids, left, right, top, bottom }) => {
    const [x, y] = [(left + right) / 2, (top + bottom) / 2];
    return (
      <ellipse
        key={ids.join(' ')}
        data-ring={ids.join(' ')}
        cx={x}
        cy={y}
        rx={(right - left) / 2}
        ry={(bottom - top) / 2}
        transform={`rotate(-6 ${x} ${y})`}
        fill="none"
        stroke={colour}
        strokeWidth={1.6}
        strokeDasharray="40 3"
      />
    );
  });
}
