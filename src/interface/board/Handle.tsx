'use client';
import { useRef, type KeyboardEvent, type ReactNode } from 'react';
import { useDrag } from '@use-gesture/react';
import type { ScreenPoint } from '@/core/space';

export interface HandleDrag {
  /** Pointer movement since the drag began, px. */
  readonly dx: number;
  readonly dy: number;
  /** Where the pointer is on the paper, px. */
  readonly x: number;
  readonly y: number;
}

interface HandleProps {
  readonly name: string;
  readonly label: string;
  readonly valueText: string;
  readonly value: number;
  readonly at: ScreenPoint;
  readonly cursor: string;
  readonly begin: () => void;
  readonly move: (drag: HandleDrag) => void;
  readonly end: () => void;
  readonly cancel: () => void;
  /** Arrow keys: steps to the right and up, 1 or 10. */
  readonly nudge: (right: number, up: number) => void;
  readonly children: ReactNode;
}

/** A handle on the paper: dragged by pointer, nudged by arrows, spoken as a slider. Escape gives a drag up. */
export function Handle({
  name,
  label,
  valueText,
  value,
  at,
  cursor,
  begin,
  move,
  end,
  cancel,
  nudge,
  children,
}: HandleProps) {
  const ref = useRef<SVGGElement>(null);
  const paper = useRef<DOMRect | null>(null);
  const bind = useDrag(
    ({ first, last, canceled, movement: [dx, dy], xy: [clientX, clientY], event }) => {
      event.preventDefault();
      if (first) {
        // Asked once: asking in every move would force a layout in every frame.
        paper.current = ref.current?.ownerSVGElement?.getBoundingClientRect() ?? null;
        begin();
      }
      if (canceled) cancel();
      else if (last) end();
      else if (!first || dx !== 0 || dy !== 0)
        move({ dx, dy, x: clientX - (paper.current?.left ?? 0), y: clientY - (paper.current?.top ?? 0) });
    },
    { filterTaps: false, pointer: { keys: false } },
  );
  const onKeyDown = (event: KeyboardEvent): void => {
    const steps = event.shiftKey ? 10 : 1;
    const by = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] }[event.key];
    if (!by) return;
    event.preventDefault();
    event.stopPropagation();
    nudge((by[0] ?? 0) * steps, (by[1] ?? 0) * steps);
  };
  return (
    <g
      ref={ref}
      {...bind()}
      data-handle={name}
      tabIndex={0}
      role="slider"
      aria-label={label}
      aria-valuenow={Math.round(value)}
      aria-valuetext={valueText}
      transform={`translate(${at.x} ${at.y})`}
      style={{ cursor, touchAction: 'none', pointerEvents: 'auto' }}
      onKeyDown={onKeyDown}
    >
      <circle r={22} fill="transparent" />
      {children}
    </g>
  );
}
