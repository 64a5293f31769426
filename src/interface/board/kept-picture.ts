import type { Rect } from './layout';

type Context = CanvasRenderingContext2D;

/** A part of the board painted once, and laid down again for as long as nothing in it moves. */
export class KeptPicture {
  private canvas: OffscreenCanvas | null = null;
  private key = '';
  private at = -Infinity;

  /**
   * Lays the picture down; paints it first when its key is another than last time.
   * @param everyMs a key that changes all the time is followed this often only: the picture stands still in between.
   */
  lay(ctx: Context, rect: Rect, ratio: number, key: string, paint: (ctx: Context) => void, everyMs = 0): void {
    const [width, height] = [Math.ceil(rect.width * ratio), Math.ceil(rect.height * ratio)];
    if (width <= 0 || height <= 0) return;
    const now = performance.now();
    const fits = this.canvas?.width === width && this.canvas.height === height;
    if (!this.canvas || !fits || (key !== this.key && now - this.at >= everyMs)) {
      if (!this.canvas || !fits) this.canvas = new OffscreenCanvas(width, height);
      const into = this.canvas.getContext('2d') as unknown as Context | null;
      if (!into) return paint(ctx);
      into.setTransform(1, 0, 0, 1, 0, 0);
      into.clearRect(0, 0, width, height);
      into.setTransform(ratio, 0, 0, ratio, -rect.x * ratio, -rect.y * ratio);
      paint(into);
      this.key = key;
      this.at = now;
    }
    ctx.drawImage(this.canvas, rect.x, rect.y, width / ratio, height / ratio);
  }
}
