/** A canvas brought to the right size for its place and the screen's pixels. `width` and `height` in CSS pixels. */
export function readyContext(
  element: HTMLCanvasElement | null,
  width: number,
  height: number,
): CanvasRenderingContext2D | null {
  const ratio = window.devicePixelRatio || 1;
  const [w, h] = [Math.round(width * ratio), Math.round(height * ratio)];
  if (element && (element.width !== w || element.height !== h)) {
    element.width = w;
    element.height = h;
  }
  return element?.getContext('2d') ?? null;
}
