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
/** In which order they are told, from the left. */
const SIDES: readonly Side[] = ['left', 'above', 'below', 'right'];
/** Characters of the figures' face at this size are so wide, px. */
const WIDE_PX = 7.3;
const HIGH_PX = 20;

/** Marks of the step that lie beyond what is seen of the board: an arrow toward them, and how far it is to them on paper. */
export function OutOfSight({ drawn, pose, look, layout, setOut }: Overlaid & { readonly drawn: DrawnStep }) {
  const { style, chosen } = useSession();
  const { laid, step } = drawn;
  const now = laid.plan.steps[step - 1];
  if (!now) return null;
  // The points of what is chosen have arrows of their own.
  const { marks: shown } = (chosen === null ? undefined : groupServing(setOut, chosen)) ?? setOut.room;
  const named = new Set(shown.map((one) => one.label));
  const marks = [...marksAtHand(now, laid)].flatMap((mark) => {
    const at = laid.paper.marks.get(mark)?.at;
    const label = laid.plan.labels.get(mark);
    return at && label !== undefined && !named.has(label) ? [{ label, ...pictureScreen(pose, at) }] : [];
  });
  const words = ({ side, labels, farthest }: Beyond): string => {
    const which = labels.length > MOST_NAMED ? `${labels.length} marks` : labels.join(', ');
    const far = `${labels.length > 1 ? 'up to ' : ''}${formatPaper(farthest / pose.pictureScale, style)} farther`;
    return side === 'left' ? `← ${which}: ${far}` : `${which}: ${far} ${ARROWS[side]}`;
  };
  // Along the foot, on paper of their own: wherever else they stood they would lie among the marks.
  const { x, y, width, height } = layout.picture;
  const told = SIDES.flatMap((side) => beyondSight(marks, layout.picture).filter((one) => one.side === side)).map(
    (one) => ({ side: one.side, text: words(one) }),
  );
  const long = told.map(({ text }) => text.length * WIDE_PX + 16);
  const right = told.findIndex((one) => one.side === 'right');
  return (
    <g pointerEvents="none" fontFamily={FIGURE_FACE} fontSize={12} fill={look.ink}>
      {told.map(({ side, text }, i) => {
        const wide = long[i] ?? 0;
        const before = long.slice(0, i).reduce((sum, one) => sum + one, 0);
        const left = i === right ? x + width - wide : x + before;
        return (
          <g key={side}>
            <rect
              x={left}
              y={y + height - HIGH_PX}
              width={wide}
              height={HIGH_PX}
              fill={look.sheet}
              stroke={look.rule}
            />
            <text x={left + 8} y={y + height - 6} data-testid={`beyond-${side}`}>
              {text}
            </text>
          </g>
        );
      })}
    </g>
  );
}
