'use client';
import { marksAtHand } from '@/core/drawing';
import { groupServing } from '@/core/view';
import { formatPaper } from '@/core/units';
import { pictureScreen, type Overlaid } from '@/interface/board';
import { useSession } from '@/interface/session';
import { FIGURE_FACE } from '@/interface/theme';
import { beyondSight, type Beyond, type Side } from './out-of-sight';
import type { DrawnStep } from './use-drawing';

/** So many marks are named; of more it is said how many they are. */
const MOST_NAMED = 3;
const ARROWS: Readonly<Record<Side, string>> = { left: '←', right: '→', above: '↑', below: '↓' };
const PLACED: Readonly<
  Record<Side, { readonly anchor: 'start' | 'middle' | 'end'; readonly x: number; readonly y: number }>
> = {
  left: { anchor: 'start', x: 8, y: 4 },
  right: { anchor: 'end', x: -8, y: 4 },
  above: { anchor: 'middle', x: 0, y: 18 },
  below: { anchor: 'middle', x: 0, y: -8 },
};
/** Words of the horizon's own points stand this near to it, px. */
const HORIZON_PX = 56;

/** Marks of the step that lie beyond what is seen of the board: an arrow at the edge, and how far it is to them on paper. */
export function OutOfSight({ drawn, pose, look, layout, setOut }: Overlaid & { readonly drawn: DrawnStep }) {
  const { style, chosen } = useSession();
  const { laid, step } = drawn;
  const now = laid.plan.steps[step - 1];
  if (!now) return null;
  // The points of what is chosen have arrows of their own.
  const { marks: shown } = (chosen === null ? undefined : groupServing(setOut, chosen)) ?? setOut.room;
  const told = new Set(shown.map((one) => one.label));
  const marks = [...marksAtHand(now, laid)].flatMap((mark) => {
    const at = laid.paper.marks.get(mark)?.at;
    const label = laid.plan.labels.get(mark);
    return at && label !== undefined && !told.has(label) ? [{ label, ...pictureScreen(pose, at) }] : [];
  });
  const words = ({ side, labels, farthest }: Beyond): string => {
    const named = labels.length > MOST_NAMED ? `${labels.length} marks` : labels.join(', ');
    const far = `${labels.length > 1 ? 'up to ' : ''}${formatPaper(farthest / pose.pictureScale, style)} farther`;
    return side === 'left' ? `← ${named}: ${far}` : `${named}: ${far} ${ARROWS[side]}`;
  };
  const clear = ({ side, y }: Beyond): number =>
    (side === 'left' || side === 'right') && Math.abs(y - pose.horizonY) < HORIZON_PX ? pose.horizonY + HORIZON_PX : y;
  return (
    <g
      pointerEvents="none"
      fontFamily={FIGURE_FACE}
      fontSize={12}
      fill={look.ink}
      stroke={look.sheet}
      strokeWidth={4}
      strokeLinejoin="round"
      style={{ paintOrder: 'stroke' }}
    >
      {beyondSight(marks, layout.picture).map((one) => (
        <text
          key={one.side}
          data-testid={`beyond-${one.side}`}
          x={one.x + PLACED[one.side].x}
          y={clear(one) + PLACED[one.side].y}
          textAnchor={PLACED[one.side].anchor}
        >
          {words(one)}
        </text>
      ))}
    </g>
  );
}
