import type { Box, Hider } from './edge-by-face';

const CELLS = 48;

/** Faces sorted into the cells of a grid over the picture, so that an edge asks only those near it. Each face is offered once. */
export class HiderGrid {
  private readonly cells: number[][] = [];
  private readonly wide: Hider[] = [];
  private readonly stamp: Int32Array;
  private asked = 0;
  private readonly left: number;
  private readonly bottom: number;
  private readonly across: number;
  private readonly up: number;

  constructor(private readonly hiders: readonly Hider[]) {
    this.stamp = new Int32Array(hiders.length);
    let [left, right, bottom, top] = [Infinity, -Infinity, Infinity, -Infinity];
    for (const { bounds } of hiders) {
      if (!Number.isFinite(bounds.left)) continue;
      left = Math.min(left, bounds.left);
      right = Math.max(right, bounds.right);
      bottom = Math.min(bottom, bounds.bottom);
      top = Math.max(top, bounds.top);
    }
    this.left = left;
    this.bottom = bottom;
    this.across = Math.max(1e-9, right - left) / CELLS;
    this.up = Math.max(1e-9, top - bottom) / CELLS;
    hiders.forEach((hider, index) => {
      if (!Number.isFinite(hider.bounds.left)) {
        this.wide.push(hider);
        return;
      }
      const [c0, c1, r0, r1] = this.range(hider.bounds);
      // What covers much of the picture is asked about always: cheaper than standing in every cell.
      if ((c1 - c0 + 1) * (r1 - r0 + 1) > (CELLS * CELLS) / 4) {
        this.wide.push(hider);
        return;
      }
      for (let row = r0; row <= r1; row += 1)
        for (let column = c0; column <= c1; column += 1) (this.cells[row * CELLS + column] ??= []).push(index);
    });
  }

  near(box: Box, offer: (hider: Hider) => void): void {
    for (const hider of this.wide) offer(hider);
    if (this.cells.length === 0) return;
    this.asked += 1;
    const [c0, c1, r0, r1] = this.range(box);
    for (let row = r0; row <= r1; row += 1)
      for (let column = c0; column <= c1; column += 1) {
        const cell = this.cells[row * CELLS + column];
        if (!cell) continue;
        for (const index of cell) {
          if (this.stamp[index] === this.asked) continue;
          this.stamp[index] = this.asked;
          offer(this.hiders[index] as Hider);
        }
      }
  }

  private range({ left, right, bottom, top }: Box): readonly [number, number, number, number] {
    const cell = (value: number): number => Math.min(CELLS - 1, Math.max(0, Math.floor(value)));
    return [
      cell((left - this.left) / this.across),
      cell((right - this.left) / this.across),
      cell((bottom - this.bottom) / this.up),
      cell((top - this.bottom) / this.up),
    ];
  }
}
