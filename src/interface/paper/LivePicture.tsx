'use client';
import { useLayoutEffect, useRef } from 'react';
import { at } from '@/core/base';
import { conicChain } from '@/core/geometry';
import type { Scene } from '@/core/pipeline';
import type { Id, View } from '@/core/record';
import type { SetUp } from '@/core/view';
import { conicOfRow, curveOfRow, edgeOfRow, type VisibleLines } from '@/core/visibility';
import { useLook } from '@/interface/theme';

/** What a small picture is painted from: no drawing is made for it. */
export interface Pictured {
  readonly scene: Scene;
  readonly setUp: SetUp;
  readonly lines: VisibleLines;
}

/** Seen lines in picture mm, straight from the numbers: what stands for good a little heavier than the furniture. */
function paintLines(ctx: CanvasRenderingContext2D, { scene, setUp, lines }: Pictured, scale: number): void {
  const pieces = new Set(scene.bodies.filter((body) => body.kind === 'piece').map((body) => body.id));
  const [room, furniture] = [new Path2D(), new Path2D()];
  const pathOf = ({ body }: { readonly body: Id }): Path2D => (pieces.has(body) ? furniture : room);
  const { picture } = lines;
  for (let row = 0; row < lines.edge.length; row += 1) {
    if (lines.seen[row] !== 1) continue;
    const path = pathOf(edgeOfRow(scene.prepared, lines, row));
    path.moveTo(at(picture, row * 4), at(picture, row * 4 + 1));
    path.lineTo(at(picture, row * 4 + 2), at(picture, row * 4 + 3));
  }
  for (let row = 0; row < lines.curves.curve.length; row += 1) {
    if (lines.curves.seen[row] !== 1) continue;
    const path = pathOf(curveOfRow(scene.prepared, lines, row));
    conicChain(conicOfRow(scene.prepared, setUp, lines, row), 0.3 / scale).forEach(({ x, y }, i) =>
      i === 0 ? path.moveTo(x, y) : path.lineTo(x, y),
    );
  }
  ctx.lineWidth = 0.9 / scale;
  ctx.stroke(room);
  ctx.lineWidth = 0.7 / scale;
  ctx.stroke(furniture);
}

/** The picture as it stands, small, at the foot of the margin: what is measured shows at once in perspective. */
export function LivePicture({
  pictured,
  view,
  exact,
  width = 204,
  testId = 'live-picture',
}: {
  readonly pictured: Pictured;
  readonly view: View;
  /** Whether what is hidden is left out already, or the exact picture is still being worked out. */
  readonly exact: boolean;
  readonly width?: number;
  readonly testId?: string;
}) {
  const { look } = useLook();
  const { left, right, bottom, top } = view.frame;
  const height = Math.round((width * (top - bottom)) / (right - left));
  const canvas = useRef<HTMLCanvasElement>(null);
  const { scene, setUp, lines } = pictured;
  useLayoutEffect(() => {
    const element = canvas.current;
    const ctx = element?.getContext('2d');
    if (!element || !ctx) return;
    const ratio = window.devicePixelRatio || 1;
    element.width = Math.round(width * ratio);
    element.height = Math.round(height * ratio);
    const scale = width / (right - left);
    ctx.setTransform(ratio * scale, 0, 0, -ratio * scale, -ratio * scale * left, ratio * scale * top);
    ctx.strokeStyle = look.graphite;
    paintLines(ctx, { scene, setUp, lines }, scale);
    // The benchmark watches for this: when the picture was last painted.
    element.dataset.painted = String(performance.now());
  }, [scene, setUp, lines, look, width, height, left, right, top]);
  return (
    <canvas
      ref={canvas}
      data-testid={testId}
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
