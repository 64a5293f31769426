'use client';
import { hasRoom, type Overlaid, type ViewName } from '@/interface/board';
import { TEXT_FACE } from '@/interface/theme';
import { TAKES, VIEWS } from './whole';

/** Wide enough for a finger, px. */
const [WIDE, HIGH] = [44, 28];

/** At each view's corner: over the whole paper, and back. */
export function WholeButtons({
  layout,
  look,
  whole,
  take,
}: Pick<Overlaid, 'layout' | 'look'> & {
  readonly whole: ViewName | null;
  readonly take: (view: ViewName) => void;
}) {
  return VIEWS.filter((view) => hasRoom(layout[view])).map((view) => {
    const { x, y, width } = layout[view];
    const says =
      whole === view ? `Give the paper back to all three views` : `The ${TAKES[view].name} over the whole paper`;
    return (
      <g
        key={view}
        role="button"
        tabIndex={0}
        aria-label={says}
        aria-pressed={whole === view}
        data-testid={`whole-${view}`}
        transform={`translate(${x + width - WIDE - 4} ${y + 4})`}
        style={{ cursor: 'pointer' }}
        onClick={() => take(view)}
        onKeyDown={(event) => {
          if (event.key !== 'Enter' && event.key !== ' ') return;
          event.preventDefault();
          take(view);
        }}
      >
        <title>{`${says} (${TAKES[view].key})`}</title>
        <rect width={WIDE} height={HIGH} fill={look.paper} opacity={0.85} />
        {/* A sheet's corner drawn out, or folded in again. */}
        <path
          d={
            whole === view
              ? 'M11,21 L18,15 M18,20 v-5 h-5 M29,6 L22,12 M22,7 v5 h5'
              : 'M20,8 h8 v8 M16,20 h-4 v-4 M28,8 L14,20'
          }
          fill="none"
          stroke={look.graphite}
          strokeWidth={1.6}
        />
        <text x={38} y={19} textAnchor="middle" fontFamily={TEXT_FACE} fontSize={12} fill={look.faint}>
          {TAKES[view].key}
        </text>
      </g>
    );
  });
}
