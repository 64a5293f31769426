'use client';
import { useLayoutEffect, useRef } from 'react';
import { strokePoints, walk, type Drawing, type LayerRole } from '@/core/drawing';
import type { View } from '@/core/record';
import { useLook } from '@/interface/theme';

/** Layers of what stands for good: drawn a little heavier than the furniture. */
const ROOM_LAYERS: ReadonlySet<LayerRole['layer']> = new Set(['room', 'openings', 'patterns']);

/** The picture as it stands, small, at the foot of the margin: what is measured shows at once in perspective. */
export function LivePicture({
  drawing,
  view,
  exact,
  width = 204,
}: {
  readonly drawing: Drawing;
  readonly view: View;
  /** Whether what is hidden is left out already, or the exact picture is still being worked out. */
  readonly exact: boolean;
  readonly width?: number;
}) {
  const { look } = useLook();
  const { left, right, bottom, top } = view.frame;
  const height = Math.round((width * (top - bottom)) / (right - left));
  const canvas = useRef<HTMLCanvasElement>(null);
  useLayoutEffect(() => {
    const element = canvas.current;
    const ctx = element?.getContext('2d');
    if (!element || !ctx) return;
    const ratio = window.devicePixelRatio || 1;
    element.width = Math.round(width * ratio);
    element.height = Math.round(height * ratio);
    const scale = width / (right - left);
    const { x, y } = view.centreOfVisionOnSheet;
    ctx.setTransform(ratio * scale, 0, 0, -ratio * scale, -ratio * scale * (x + left), ratio * scale * (y + top));
    ctx.strokeStyle = look.graphite;
    const nothing = (): void => {};
    walk(drawing, {
      images: nothing,
      areas: nothing,
      words: nothing,
      strokes: (strokes, layer) => {
        const room = ROOM_LAYERS.has(layer.role.layer);
        if (!room && layer.group !== 'furniture') return;
        ctx.lineWidth = (room ? 0.9 : 0.7) / scale;
        ctx.beginPath();
        for (const stroke of strokes) {
          strokePoints(stroke, 0.3 / scale).forEach(({ x: px, y: py }, i) =>
            i === 0 ? ctx.moveTo(px, py) : ctx.lineTo(px, py),
          );
        }
        ctx.stroke();
      },
    });
    // The benchmark watches for this: when the picture was last painted.
    element.dataset.painted = String(performance.now());
  });
  return (
    <canvas
      ref={canvas}
      data-testid="live-picture"
      data-exact={exact ? 'yes' : 'no'}
      role="img"
      aria-label={`${view.name}, small`}
      style={{
        width,
        height,
        display: 'block',
        background: look.sheet,
        border: `1px solid ${look.rule}`,
        marginTop: 'auto',
      }}
    />
  );
}
