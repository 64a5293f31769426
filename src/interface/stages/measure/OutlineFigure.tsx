'use client';
import { useRef } from 'react';
import type { OutlineCorner } from '@/core/record';
import { useSession } from '@/interface/session';
import { useLook } from '@/interface/theme';

interface Place {
  readonly x: number;
  readonly y: number;
}

export const VIEW_WORDS = { plan: 'in plan', front: 'from the front', side: 'from the side' } as const;
type OutlineView = keyof typeof VIEW_WORDS;

/** The way round an outline; a bend is an arc over its chord, its rise bulge halves of the chord. */
function pathOf(points: readonly OutlineCorner[]): string {
  return points
    .map((a, i) => {
      const b = points[(i + 1) % points.length] ?? a;
      const start = i === 0 ? `M${a.x},${-a.y}` : '';
      if (a.bulge === 0) return `${start}L${b.x},${-b.y}`;
      const chord = Math.hypot(b.x - a.x, b.y - a.y);
      const r = (chord * (1 + a.bulge * a.bulge)) / (4 * Math.abs(a.bulge));
      return `${start}A${r},${r} 0 0 ${a.bulge > 0 ? 0 : 1} ${b.x},${-b.y}`;
    })
    .join('');
}

/** The side of an outline that a point lies nearest to, by the corner it begins at. */
function nearestSide(points: readonly OutlineCorner[], at: { readonly x: number; readonly y: number }): number {
  let best = { after: points.length - 1, away: Infinity };
  points.forEach((a, i) => {
    const b = points[(i + 1) % points.length] ?? a;
    const [dx, dy] = [b.x - a.x, b.y - a.y];
    const share = Math.min(1, Math.max(0, ((at.x - a.x) * dx + (at.y - a.y) * dy) / (dx * dx + dy * dy || 1)));
    const away = Math.hypot(a.x + dx * share - at.x, a.y + dy * share - at.y);
    if (away < best.away) best = { after: i, away };
  });
  return best.after;
}

/** An outline with its holes in its view, within the piece: a corner is dragged, a press puts one into the side nearest to it. */
export function OutlineFigure({
  view,
  loops,
  atHand,
  others,
  extent: [across, upward],
  faulty,
  press,
  move,
}: {
  readonly view: OutlineView;
  /** Its way round, then its holes. */
  readonly loops: readonly (readonly OutlineCorner[])[];
  /** The way round whose corners are at hand, by its number from 0. */
  readonly atHand: number;
  /** What else is cut in this view. */
  readonly others: readonly (readonly OutlineCorner[])[];
  /** Overall extent of the piece in this view, across and up, mm. */
  readonly extent: readonly [number, number];
  readonly faulty: boolean;
  /** A corner put in after another, by its number from 0. */
  readonly press: (at: Place, after: number) => void;
  /** A corner put elsewhere, by its number from 0. */
  readonly move: (index: number, at: Place) => void;
}) {
  const { style } = useSession();
  const { look } = useLook();
  const svg = useRef<SVGSVGElement>(null);
  const dragged = useRef<number | null>(null);
  const pad = Math.max(across, upward) * 0.12;
  const box = { x: -pad, y: -upward - pad, width: across + 2 * pad, height: upward + 2 * pad };
  const step = style.units === 'imperial' ? 12.7 : 10;
  const points = loops[atHand] ?? [];
  const placeOf = (event: React.PointerEvent): Place | null => {
    const matrix = svg.current?.getScreenCTM();
    if (!matrix) return null;
    const p = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse());
    return { x: Math.round(p.x / step) * step, y: Math.round(-p.y / step) * step };
  };
  const pressed = (event: React.PointerEvent): void => {
    const at = placeOf(event);
    if (at) press(at, nearestSide(points, at));
  };
  const moved = (event: React.PointerEvent): void => {
    const at = placeOf(event);
    if (at && dragged.current !== null) move(dragged.current, at);
  };
  return (
    <svg
      ref={svg}
      role="img"
      aria-label={`Outline ${VIEW_WORDS[view]}`}
      width="420"
      height="300"
      viewBox={`${box.x} ${box.y} ${box.width} ${box.height}`}
      onPointerDown={pressed}
      onPointerMove={moved}
      onPointerUp={() => (dragged.current = null)}
      style={{ cursor: 'crosshair', flex: '0 0 auto', touchAction: 'none' }}
    >
      <rect
        {...{ x: 0, y: -upward, width: across, height: upward }}
        {...{ fill: 'none', stroke: look.rule, strokeDasharray: '4 4', strokeWidth: 1 }}
        vectorEffect="non-scaling-stroke"
      />
      {others.map((loop, i) => (
        <path
          key={i}
          d={`${pathOf(loop)}Z`}
          fill="none"
          stroke={look.faint}
          strokeWidth={1}
          vectorEffect="non-scaling-stroke"
        />
      ))}
      <path
        d={loops.map((loop) => `${pathOf(loop)}Z`).join('')}
        fill={look.strip}
        fillRule="evenodd"
        stroke={faulty ? look.warning : look.ink}
        strokeWidth={1.8}
        vectorEffect="non-scaling-stroke"
      />
      {points.map((p, i) => (
        <circle
          key={i}
          data-corner={i + 1}
          {...{ cx: p.x, cy: -p.y, r: box.width / 80 }}
          {...{ fill: look.sheet, stroke: look.ink, strokeWidth: 1.2 }}
          vectorEffect="non-scaling-stroke"
          style={{ cursor: 'move' }}
          onPointerDown={(event) => {
            event.stopPropagation();
            event.currentTarget.ownerSVGElement?.setPointerCapture(event.pointerId);
            dragged.current = i;
          }}
        />
      ))}
    </svg>
  );
}
