'use client';
import { outlineOf } from '@/core/record';
import { screenPoint } from '@/core/space';
import { formatLength } from '@/core/units';
import type { SetUp } from '@/core/view';
import { Handle } from '@/interface/board';
import { nudgeMm } from '@/interface/fields';
import { useLook } from '@/interface/theme';
import { useSession } from '@/interface/session';
import { useRef } from 'react';

export interface PlanLine {
  readonly from: { readonly x: number; readonly y: number };
  readonly to: { readonly x: number; readonly y: number };
}

interface PlanPickerProps {
  readonly setUp: SetUp;
  readonly line: PlanLine;
  readonly pick: (line: PlanLine) => void;
}

const WIDTH = 250;
const HEIGHT = 210;

/** A small plan, turned as on the board, on which a line is picked by its two ends: dragged, or moved by the arrow keys. */
export function PlanPicker({ setUp, line, pick }: PlanPickerProps) {
  const { project, view, style } = useSession();
  const { look } = useLook();
  const start = useRef(line);
  const eye = (p: { readonly x: number; readonly y: number }) => ({
    a: (p.x - setUp.station.x) * setUp.right.x + (p.y - setUp.station.y) * setUp.right.y,
    t: (p.x - setUp.station.x) * setUp.forward.x + (p.y - setUp.station.y) * setUp.forward.y,
  });
  const outlines = project.spaces
    .filter((space) => space.levelId === view.levelId)
    .map((space) => outlineOf(space).corners.map((corner) => eye(corner.at)));
  const all = [...outlines.flat(), { a: 0, t: 0 }];
  const [a0, a1] = [Math.min(...all.map((p) => p.a)), Math.max(...all.map((p) => p.a))];
  const [t0, t1] = [Math.min(...all.map((p) => p.t)), Math.max(...all.map((p) => p.t))];
  const scale = Math.min((WIDTH - 40) / (a1 - a0), (HEIGHT - 40) / (t1 - t0));
  const place = ({ a, t }: { readonly a: number; readonly t: number }) =>
    screenPoint(WIDTH / 2 + (a - (a0 + a1) / 2) * scale, HEIGHT / 2 - (t - (t0 + t1) / 2) * scale);
  const world = (p: { readonly x: number; readonly y: number }, da: number, dt: number) => ({
    x: p.x + setUp.right.x * da + setUp.forward.x * dt,
    y: p.y + setUp.right.y * da + setUp.forward.y * dt,
  });
  const station = place({ a: 0, t: 0 });
  const [from, to] = [place(eye(line.from)), place(eye(line.to))];
  const step = nudgeMm(style);
  const end = (which: 'from' | 'to') => {
    const at = which === 'from' ? from : to;
    const depth = eye(line[which]).t;
    return (
      <Handle
        key={which}
        name={`line-${which}`}
        label={which === 'from' ? 'First end of the line' : 'Second end of the line'}
        cursor="move"
        at={at}
        value={depth}
        valueText={`${formatLength(depth, style)} in front of the eye`}
        begin={() => {
          start.current = line;
        }}
        cancel={() => pick(start.current)}
        move={({ dx, dy }) => pick({ ...start.current, [which]: world(start.current[which], dx / scale, -dy / scale) })}
        end={() => undefined}
        nudge={(right, up) => pick({ ...line, [which]: world(line[which], right * step, up * step) })}
      >
        <circle r={6} fill={look.sheet} stroke={look.ink} strokeWidth={2} />
      </Handle>
    );
  };
  return (
    <svg
      width={WIDTH}
      height={HEIGHT}
      role="group"
      aria-label="Plan, with the line that is read"
      style={{ touchAction: 'none' }}
    >
      {outlines.map((outline, i) => (
        <polygon
          key={i}
          points={outline
            .map(place)
            .map((p) => `${p.x},${p.y}`)
            .join(' ')}
          fill="none"
          stroke={look.graphite}
          strokeWidth={2}
        />
      ))}
      <circle cx={station.x} cy={station.y} r={4} fill={look.graphite} />
      <line x1={from.x} y1={from.y} x2={to.x} y2={to.y} stroke={look.ink} strokeWidth={2} strokeDasharray="6 3" />
      {(['from', 'to'] as const).map(end)}
    </svg>
  );
}
