'use client';
import { type Construction } from '@/core/pipeline';
import { formatPaper } from '@/core/units';
import type { Look } from '@/interface/theme';
import { FIGURE_FACE } from '@/interface/theme';
import { markScreen } from '@/interface/board';
import { useSession } from '@/interface/session';
import type { Pose } from '@/interface/board';

/** The rule as it lies on the sheet for a step: zero at the mark measured from, the marks to make along its edge. */
export function Straightedge({
  construction,
  index,
  pose,
  look,
}: {
  readonly construction: Construction;
  readonly index: number;
  readonly pose: Pose;
  readonly look: Look;
}) {
  const { style } = useSession();
  const { plan, drafted } = construction;
  const step = plan.steps[index];
  const first = step?.measures[0];
  const zero = first && drafted.marks.get(first.from);
  if (!step || !first || !zero) return null;
  const upright = first.toward === 'up' || first.toward === 'down';
  const start = markScreen(pose, zero.u, zero.v);
  const signed = (toward: string, paperMm: number): number =>
    toward === 'left' || toward === 'down' ? -paperMm : paperMm;
  const along = step.measures
    .filter((measure) => measure.from === first.from)
    .map((measure) => ({ ...measure, at: signed(measure.toward, measure.paperMm) }));
  const division = style.units === 'imperial' ? 25.4 / 4 : 5;
  const low = Math.min(0, ...along.map((one) => one.at)) - division;
  const high = Math.max(0, ...along.map((one) => one.at)) + division;
  const scale = pose.pictureScale;
  const ticks = Array.from(
    { length: Math.floor(high / division) - Math.ceil(low / division) + 1 },
    (_, i) => (Math.ceil(low / division) + i) * division,
  );
  // Drawn level, then turned for an upright: along the rule is +x, its edge is y = 0, its body below.
  return (
    <g
      pointerEvents="none"
      data-testid="straightedge"
      transform={`translate(${start.x} ${start.y}) rotate(${upright ? -90 : 0})`}
      fontFamily={FIGURE_FACE}
      fontSize={12}
    >
      <rect
        x={low * scale}
        y={0}
        width={(high - low) * scale}
        height={26}
        fill={look.margin}
        stroke={look.faint}
        opacity={0.86}
      />
      {ticks.map((at, i) => {
        const long = Math.round(at / division) % (style.units === 'imperial' ? 4 : 2) === 0;
        return <line key={i} x1={at * scale} x2={at * scale} y1={0} y2={long ? 9 : 5} stroke={look.faint} />;
      })}
      <text x={0} y={22} textAnchor="middle" fill={look.text}>
        0
      </text>
      {along.map((one) => (
        <g key={one.mark}>
          <line x1={one.at * scale} x2={one.at * scale} y1={-9} y2={13} stroke={look.ink} strokeWidth={2} />
          <text
            x={one.at * scale}
            y={-13}
            textAnchor="middle"
            fill={look.ink}
            fontWeight={700}
            stroke={look.sheet}
            strokeWidth={4}
            style={{ paintOrder: 'stroke' }}
          >
            {plan.labels[one.mark] ?? ''} {formatPaper(one.paperMm, style)}
          </text>
        </g>
      ))}
    </g>
  );
}
