import { tolerance } from '@/core/numeric';

/** Gives lengths numbers, the same number to lengths that are one. */
export class Coordinates {
  private readonly cells = new Map<number, { readonly value: number; readonly number: number }[]>();
  private count = 0;

  number(value: number): number {
    const cell = Math.floor(value / tolerance.touchMm);
    for (let i = cell - 1; i <= cell + 1; i += 1)
      for (const one of this.cells.get(i) ?? []) if (Math.abs(one.value - value) < tolerance.touchMm) return one.number;
    const made = { value, number: (this.count += 1) };
    const list = this.cells.get(cell);
    if (list) list.push(made);
    else this.cells.set(cell, [made]);
    return made.number;
  }
}
