import { tolerance } from '@/core/numeric';

/** Names are told in steps of this, mm or degrees. */
const NAME_STEP = 1e-3;
/** Halves of a step, as 1/16" has them, must not fall to one side or the other by the noise of a sum. */
const OFF_THE_HALVES = 0.137;

/** What a figure is called in ids: the same wherever the same figure comes up, however it was worked out. */
export const figureName = (value: number): string =>
  String((Math.round(value / NAME_STEP + OFF_THE_HALVES) * NAME_STEP).toFixed(3)).replace(/\.?0+$/, '');

/** Names lengths: one name for lengths that are one, the same in every plan where such a length comes up. */
export class Coordinates {
  private readonly cells = new Map<number, { readonly value: number; readonly name: string }[]>();
  private readonly taken = new Set<string>();

  /** @param from is added to a length before it is named: what is measured from where one stands has a name that does not depend on it. */
  constructor(private readonly from = 0) {}

  name(value: number): string {
    const cell = Math.floor(value / tolerance.touchMm);
    for (let i = cell - 1; i <= cell + 1; i += 1)
      for (const one of this.cells.get(i) ?? []) if (Math.abs(one.value - value) < tolerance.touchMm) return one.name;
    let name = figureName(value + this.from);
    while (this.taken.has(name)) name += '’';
    this.taken.add(name);
    const made = { value, name };
    const list = this.cells.get(cell);
    if (list) list.push(made);
    else this.cells.set(cell, [made]);
    return name;
  }
}
