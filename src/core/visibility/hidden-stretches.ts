/** Shorter than this in the picture's parameter a stretch is rounding: 1e-11 of a 500 mm stroke is 5e-9 mm. */
const LEAST = 1e-11;

/**
 * Stretches of one edge, in the picture's parameter from 0 to 1, that faces hide. An edge that falls exactly behind a joint of two faces is
 * hidden by one of them on its left and by the other on its right: such stretches are kept by side, and hide where both sides are hidden.
 */
export class HiddenStretches {
  private both: number[] = [];
  private left: number[] = [];
  private right: number[] = [];

  clear(): void {
    this.both.length = 0;
    this.left.length = 0;
    this.right.length = 0;
  }

  /** `by` names the face; −1 ≤ from < to ≤ 1 are cut to the edge. */
  add(side: 'both' | 'left' | 'right', from: number, to: number, by: number): void {
    const [a, b] = [from < 0 ? 0 : from, to > 1 ? 1 : to];
    if (b - a <= LEAST) return;
    this[side].push(a, b, by);
  }

  /** Whether one stretch alone hides all of it: nothing more need be asked. */
  get whole(): boolean {
    const { both } = this;
    const last = both.length - 3;
    return last >= 0 && both[last] === 0 && both[last + 1] === 1;
  }

  get empty(): boolean {
    return this.both.length === 0 && this.left.length === 0;
  }

  /** Calls back with stretches that do not overlap, in order: from, to, by. Neighbours are joined, named by the first. */
  each(put: (from: number, to: number, by: number) => void): void {
    const all = this.both;
    if (this.left.length > 0 && this.right.length > 0) {
      const [l, r] = [united(this.left), united(this.right)];
      let j = 0;
      for (let i = 0; i < l.length; i += 3)
        for (j = 0; j < r.length; j += 3) {
          const [from, to] = [Math.max(l[i]!, r[j]!), Math.min(l[i + 1]!, r[j + 1]!)];
          if (to - from > LEAST) all.push(from, to, l[i + 2]!);
        }
      // A stretch hidden on both sides wholly, with one that is hidden on one: joined below.
    }
    const whole = united(all);
    for (let i = 0; i < whole.length; i += 3) put(whole[i]!, whole[i + 1]!, whole[i + 2]!);
  }
}

function united(list: readonly number[]): readonly number[] {
  if (list.length <= 3) return list;
  const order = Array.from({ length: list.length / 3 }, (_, i) => i * 3).sort((a, b) => list[a]! - list[b]!);
  const out: number[] = [];
  let [from, to, by] = [Infinity, -Infinity, -1];
  for (const i of order) {
    if (list[i]! <= to + LEAST) {
      if (list[i + 1]! > to) to = list[i + 1]!;
    } else {
      if (to > from) out.push(from, to, by);
      [from, to, by] = [list[i]!, list[i + 1]!, list[i + 2]!];
    }
  }
  if (to > from) out.push(from, to, by);
  return out;
}
