'use client';
import type { ReactNode } from 'react';
import type { MarkId, Operation } from '@/core/construction';
import type { View } from '@/core/record';
import { formatPaper } from '@/core/units';
import { pictureScreen, type BoardLayout, type Pose } from '@/interface/board';
import { useSession } from '@/interface/session';
import { FIGURE_FACE, type Look } from '@/interface/theme';
import type { LaidPlan } from './laid-plan';
import type { DrawnStep } from './use-drawing';

interface ToolProps {
  readonly drawn: DrawnStep;
  readonly pose: Pose;
  readonly look: Look;
  readonly layout: BoardLayout;
  readonly view: View;
}

interface At {
  readonly x: number;
  readonly y: number;
}

/** How broad the tools lie on the screen, px. */
const BROAD = 26;
/** How long a strip of paper lies there, px. */
const STRIP = 300;
/** Beyond this many marks the rule bears no figures: the table has them. */
const MOST_FIGURES = 4;

const screenOf = (laid: LaidPlan, pose: Pose, mark: MarkId): At | null => {
  const at = laid.paper.marks.get(mark)?.at;
  return at ? pictureScreen(pose, at) : null;
};

/** The tool of the step as it lies on the sheet: scale rule with its zero and marks, straightedge, parallel rule, set square, dividers, strip. */
export function Tools(props: ToolProps) {
  const { drawn, pose, layout } = props;
  const { laid, step } = drawn;
  const now = laid.plan.steps[step - 1];
  if (!now) return null;
  const [first] = now.operations.filter((one) => one.op !== 'cross');
  const at = (mark: MarkId): At | null => screenOf(laid, pose, mark);
  switch (now.does.pass) {
    case 'scale':
      return <ScaleRule {...props} />;
    case 'to-a-point':
    case 'one-line': {
      if (first?.op !== 'rule') return null;
      const [p, q] = first.through.map(at);
      return p && q ? <Edge from={p} to={q} {...props} name="straightedge" /> : null;
    }
    case 'levels':
    case 'uprights':
    case 'parallels': {
      const foot = first && 'through' in first && typeof first.through === 'string' ? at(first.through) : null;
      if (!first || !foot) return null;
      const { x, width } = layout.picture;
      const rule = { from: { x, y: foot.y }, to: { x: x + width, y: foot.y } };
      if (now.does.pass === 'levels') return <Edge {...rule} {...props} name="parallel rule" />;
      if (now.does.pass === 'uprights') return <Square foot={foot} reach={reachOf(first, laid, pose)} {...props} />;
      const run = 'line' in first ? laid.paper.lines.get(first.line)?.run : undefined;
      if (!run) return null;
      const on = { x: foot.x + 150 * run.u, y: foot.y - 150 * run.v };
      return <Edge from={foot} to={on} {...props} name="two set squares" />;
    }
    case 'dividers': {
      const [p, q] = now.does.between.map(at);
      return p && q ? <Dividers from={p} to={q} {...props} /> : null;
    }
    case 'strip': {
      const zero = at(now.does.zero);
      // Along the line it is carried to: level, or upright from an elevation.
      const run = laid.paper.lines.get(now.does.on)?.run;
      const to =
        zero &&
        (run && Math.abs(run.v) > Math.abs(run.u)
          ? { x: zero.x, y: zero.y - STRIP }
          : { x: zero.x + STRIP, y: zero.y });
      return zero && to ? <Edge from={zero} to={to} {...props} name="paper strip" /> : null;
    }
    case 'drop': {
      const [mark, of] = first?.op === 'strip' ? (first.marks[0] ?? []) : [];
      const foot = mark === undefined ? null : at(mark);
      return foot && of !== undefined ? <Square foot={foot} reach={at(of)} {...props} /> : null;
    }
    case 'points':
    case 'by-hand':
    case 'crossings':
    case 'firm':
    case 'by-eye':
      return null;
  }
}

/** The far end of the first line drawn, for a square that stands on it. */
function reachOf(one: Operation, laid: LaidPlan, pose: Pose): At | null {
  const ends = 'line' in one ? (laid.plan.extents.get(one.line) ?? []) : [];
  const ys = ends.flatMap((mark) => screenOf(laid, pose, mark) ?? []);
  return ys.reduce<At | null>((best, one) => (best === null || one.y < best.y ? one : best), null);
}

function Lying({ name, children }: { readonly name: string; readonly children: ReactNode }) {
  return (
    <g pointerEvents="none" data-testid="tool" data-tool={name}>
      {children}
    </g>
  );
}

/** A long edge laid along two places, cut off where the sheet of the screen ends; its drawing edge is the line itself. */
function Edge({
  from,
  to,
  look,
  layout,
  name,
}: Pick<ToolProps, 'look' | 'layout'> & { readonly from: At; readonly to: At; readonly name: string }) {
  const length = Math.hypot(to.x - from.x, to.y - from.y);
  if (length < 1e-6) return null;
  const [ux, uy] = [(to.x - from.x) / length, (to.y - from.y) / length];
  const long = Math.hypot(layout.width, layout.height);
  // As far as it is seen: a vanishing point may lie metres away.
  const [back, on] = [Math.min(40, long), Math.min(length + 24, long)];
  return (
    <Lying name={name}>
      <g transform={`translate(${from.x} ${from.y}) rotate(${(Math.atan2(uy, ux) * 180) / Math.PI})`}>
        <rect
          x={-back}
          y={0}
          width={back + on}
          height={BROAD}
          fill={look.margin}
          fillOpacity={0.3}
          stroke={look.faint}
          strokeOpacity={0.7}
        />
      </g>
    </Lying>
  );
}

/** A set square on the parallel rule, its upright edge on the line. */
function Square({
  foot,
  reach,
  look,
  layout,
}: Pick<ToolProps, 'look' | 'layout'> & { readonly foot: At; readonly reach: At | null }) {
  const { x, width } = layout.picture;
  const low = Math.max(foot.y, reach?.y ?? foot.y);
  const high = Math.max(120, low - Math.min(foot.y, reach?.y ?? foot.y) + 30);
  const broad = Math.min(high * 0.577, 220);
  return (
    <Lying name="set square">
      <rect
        x={x}
        y={low}
        width={width}
        height={BROAD}
        fill={look.margin}
        fillOpacity={0.3}
        stroke={look.faint}
        strokeOpacity={0.7}
      />
      <path
        d={`M${foot.x},${low} V${low - high} L${foot.x + broad},${low} Z`}
        fill={look.margin}
        fillOpacity={0.3}
        stroke={look.faint}
        strokeOpacity={0.7}
      />
    </Lying>
  );
}

function Dividers({ from, to, look }: Pick<ToolProps, 'look'> & { readonly from: At; readonly to: At }) {
  const head = { x: (from.x + to.x) / 2, y: Math.min(from.y, to.y) - 90 };
  return (
    <Lying name="dividers">
      <path
        d={`M${from.x},${from.y} L${head.x},${head.y} L${to.x},${to.y}`}
        fill="none"
        stroke={look.faint}
        strokeWidth={2.4}
      />
      <circle cx={head.x} cy={head.y} r={5} fill={look.faint} />
    </Lying>
  );
}

/** The scale rule: zero at the mark measured from, what is to be marked along its edge. */
function ScaleRule({ drawn, pose, look }: ToolProps) {
  const { style } = useSession();
  const { laid, step } = drawn;
  const measures = (laid.plan.steps[step - 1]?.operations ?? []).flatMap((one) => (one.op === 'lay-off' ? [one] : []));
  const [first] = measures;
  const zero = first && screenOf(laid, pose, first.from);
  if (!first || !zero) return null;
  const upright = first.toward === 'up' || first.toward === 'down';
  const along = measures.map(({ mark, toward, distance }) => ({
    mark,
    distance,
    at: toward === 'left' || toward === 'down' ? -distance : distance,
  }));
  const division = style.units === 'imperial' ? 25.4 / 4 : 5;
  const low = Math.min(0, ...along.map((one) => one.at)) - division;
  const high = Math.max(0, ...along.map((one) => one.at)) + division;
  const scale = pose.pictureScale;
  const ticks = Array.from(
    { length: Math.floor(high / division) - Math.ceil(low / division) + 1 },
    (_, i) => (Math.ceil(low / division) + i) * division,
  );
  const figures = along.length <= MOST_FIGURES;
  // Drawn level, then turned for an upright: along the rule is +x, its edge is y = 0, its body below.
  return (
    <Lying name="scale rule">
      <g
        transform={`translate(${zero.x} ${zero.y}) rotate(${upright ? -90 : 0})`}
        fontFamily={FIGURE_FACE}
        fontSize={12}
      >
        <rect
          x={low * scale}
          y={0}
          width={(high - low) * scale}
          height={BROAD}
          fill={look.margin}
          fillOpacity={0.15}
          stroke={look.faint}
          strokeOpacity={0.7}
        />
        {ticks.map((at, i) => {
          const long = Math.round(at / division) % (style.units === 'imperial' ? 4 : 2) === 0;
          return <line key={i} x1={at * scale} x2={at * scale} y1={0} y2={long ? 9 : 5} stroke={look.faint} />;
        })}
        <text x={0} y={22} textAnchor="middle" fill={look.text}>
          0
        </text>
        {along.map((one, i) => (
          <g key={one.mark}>
            <line x1={one.at * scale} x2={one.at * scale} y1={0} y2={13} stroke={look.ink} strokeWidth={2} />
            {figures ? (
              <text
                x={one.at * scale}
                y={BROAD + 14 + 15 * i}
                textAnchor="middle"
                fill={look.ink}
                stroke={look.sheet}
                strokeWidth={4}
                style={{ paintOrder: 'stroke' }}
              >
                {laid.plan.labels.get(one.mark) ?? ''}: {formatPaper(one.distance, style)}
              </text>
            ) : null}
          </g>
        ))}
      </g>
    </Lying>
  );
}
