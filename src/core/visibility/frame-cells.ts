import { clipParameter } from '@/core/geometry';
import { clamp } from '@/core/numeric';
import type { Frame } from '@/core/record';

/** A part of the picture, mm. */
export interface Rect {
  readonly left: number;
  readonly right: number;
  readonly bottom: number;
  readonly top: number;
}

const ACROSS = 96;
const UP = 64;

/** Cells of the frame that lines run through: by them it is told which things may lie before those lines at all. */
export class FrameCells {
  private readonly marked = new Uint8Array(ACROSS * UP);
  /** Marked cells left of and below a corner of the cells, made when first asked. */
  private sums: Int32Array | null = null;
  private readonly width: number;
  private readonly height: number;

  constructor(private readonly frame: Frame) {
    this.width = (frame.right - frame.left) / ACROSS;
    this.height = (frame.top - frame.bottom) / UP;
  }

  private column(u: number): number {
    return clamp(Math.floor((u - this.frame.left) / this.width), 0, ACROSS - 1);
  }
  private row(v: number): number {
    return clamp(Math.floor((v - this.frame.bottom) / this.height), 0, UP - 1);
  }

  /** Everything within a part of the picture. */
  markRect({ left, right, bottom, top }: Rect): void {
    for (let j = this.row(bottom); j <= this.row(top); j += 1)
      this.marked.fill(1, j * ACROSS + this.column(left), j * ACROSS + this.column(right) + 1);
  }

  /** What a straight line runs through, with the cells beside it: between two points of the picture, mm. */
  markLine(u0: number, v0: number, u1: number, v1: number): void {
    const { left, right, bottom, top } = this.frame;
    const [w, h] = [this.width, this.height];
    const within = clipParameter([
      [u0 - left + w, u1 - left + w],
      [right + w - u0, right + w - u1],
      [v0 - bottom + h, v1 - bottom + h],
      [top + h - v0, top + h - v1],
    ]);
    if (!within) return;
    const [from, to] = within;
    const [du, dv] = [u1 - u0, v1 - v0];
    // At least two places in each cell: none is passed over but one that is marked beside them.
    const steps = Math.ceil(2 * (to - from) * Math.max(Math.abs(du) / w, Math.abs(dv) / h)) + 1;
    for (let i = 0; i <= steps; i += 1) {
      const share = from + ((to - from) * i) / steps;
      const [u, v] = [u0 + du * share, v0 + dv * share];
      this.markRect({ left: u - w, right: u + w, bottom: v - h, top: v + h });
    }
  }

  /** Whether a part of the picture has a marked cell in it. */
  touches({ left, right, bottom, top }: Rect): boolean {
    if (right < this.frame.left || left > this.frame.right || top < this.frame.bottom || bottom > this.frame.top)
      return false;
    const sums = (this.sums ??= this.summed());
    const [i0, i1, j0, j1] = [this.column(left), this.column(right) + 1, this.row(bottom), this.row(top) + 1];
    const at = (i: number, j: number): number => sums[j * (ACROSS + 1) + i] ?? 0;
    return at(i1, j1) - at(i0, j1) - at(i1, j0) + at(i0, j0) > 0;
  }

  private summed(): Int32Array {
    const sums = new Int32Array((ACROSS + 1) * (UP + 1));
    for (let j = 0; j < UP; j += 1)
      for (let i = 0; i < ACROSS; i += 1) {
        const below = j * (ACROSS + 1) + i;
        const above = below + ACROSS + 1;
        sums[above + 1] =
          (this.marked[j * ACROSS + i] ?? 0) + (sums[above] ?? 0) + (sums[below + 1] ?? 0) - (sums[below] ?? 0);
      }
    return sums;
  }
}
