type Context = CanvasRenderingContext2D;

export interface Segment {
  readonly x0: number;
  readonly y0: number;
  readonly x1: number;
  readonly y1: number;
  /** Of what is not straight: points it is drawn through. */
  readonly chain?: readonly { readonly x: number; readonly y: number }[];
}

/** One path for all strokes of a pen: thousands of strokes cost a few calls. */
export function strokeAll(
  ctx: Context,
  segments: readonly Segment[],
  colour: string,
  width: number,
  dash: readonly number[] = [],
): void {
  if (segments.length === 0) return;
  ctx.beginPath();
  for (const one of segments) {
    ctx.moveTo(one.x0, one.y0);
    if (one.chain) for (const { x, y } of one.chain) ctx.lineTo(x, y);
    else ctx.lineTo(one.x1, one.y1);
  }
  ctx.strokeStyle = colour;
  ctx.lineWidth = width;
  ctx.setLineDash([...dash]);
  // Round ends only where they show: on dashes they cost more than the rest of the board together.
  ctx.lineCap = dash.length === 0 && width > 1 ? 'round' : 'butt';
  ctx.stroke();
  ctx.setLineDash([]);
}
