/** A box of words, in whatever unit the paper has, y up. */
export interface Box {
  readonly left: number;
  readonly right: number;
  readonly low: number;
  readonly high: number;
}

const apart = (a: Box, b: Box): boolean => a.right <= b.left || b.right <= a.left || a.high <= b.low || b.high <= a.low;

/** More squares than any paper has in a row: a square's number is made of its row and place. */
const ROW = 1 << 20;

/** Boxes by the squares of a grid they lie in: only neighbours are asked. */
export class Taken {
  private readonly cells = new Map<number, Box[]>();

  constructor(private readonly size: number) {}

  isFree(box: Box): boolean {
    for (const key of this.keys(box)) for (const one of this.cells.get(key) ?? []) if (!apart(one, box)) return false;
    return true;
  }

  put(box: Box): void {
    for (const key of this.keys(box)) {
      const list = this.cells.get(key);
      if (list) list.push(box);
      else this.cells.set(key, [box]);
    }
  }

  private *keys({ left, right, low, high }: Box): Generator<number> {
    for (let i = Math.floor(left / this.size); i <= Math.floor(right / this.size); i += 1)
      for (let j = Math.floor(low / this.size); j <= Math.floor(high / this.size); j += 1) yield i * ROW + j;
  }
}
