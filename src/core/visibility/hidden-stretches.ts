/** Shorter than this on paper, mm, a stretch, or a gap between two, is rounding: a thousandth of a micrometre. */
const LEAST_MM = 1e-6;

/** Stretches as from, to, by in turn; grows as it is filled and is filled anew for each edge. */
class Stretches {
  list = new Float64Array(3 * 32);
  count = 0;

  push(from: number, to: number, by: number): void {
    const i = this.count * 3;
    if (i === this.list.length) {
      const larger = new Float64Array(i * 2);
      larger.set(this.list);
      this.list = larger;
    }
    this.list[i] = from;
    this.list[i + 1] = to;
    this.list[i + 2] = by;
    this.count += 1;
  }

  /** Sorted by their beginnings, and joined where they overlap or all but touch; in place. Few they are: insertion sorts them best. */
  unite(least: number): void {
    const { list, count } = this;
    for (let i = 1; i < count; i += 1) {
      const from = list[i * 3]!;
      if (from >= list[i * 3 - 3]!) continue;
      const to = list[i * 3 + 1]!;
      const by = list[i * 3 + 2]!;
      let j = i - 1;
      while (j >= 0 && list[j * 3]! > from) {
        list.copyWithin(j * 3 + 3, j * 3, j * 3 + 3);
        j -= 1;
      }
      list[j * 3 + 3] = from;
      list[j * 3 + 4] = to;
      list[j * 3 + 5] = by;
    }
    let kept = 0;
    for (let i = 1; i < count; i += 1) {
      const to = list[i * 3 + 1]!;
      if (list[i * 3]! <= list[kept * 3 + 1]! + least) {
        if (to > list[kept * 3 + 1]!) list[kept * 3 + 1] = to;
        continue;
      }
      kept += 1;
      if (kept !== i) list.copyWithin(kept * 3, i * 3, i * 3 + 3);
    }
    if (count > 0) this.count = kept + 1;
  }
}

/**
 * Stretches of one edge, in the picture's parameter from 0 to 1, that faces hide. An edge that falls exactly behind a joint of two faces is
 * hidden by one of them on its left and by the other on its right: such stretches are kept by side, and hide where both sides are hidden.
 */
export class HiddenStretches {
  private readonly both = new Stretches();
  private readonly left = new Stretches();
  private readonly right = new Stretches();
  private least = 1e-11;
  /** One stretch alone hides all of it: nothing more need be asked. */
  whole = false;

  /** Makes ready for an edge whose picture is so long, mm. */
  clear(lengthMm: number): void {
    this.least = Math.max(1e-11, Math.min(0.5, LEAST_MM / lengthMm));
    this.both.count = 0;
    this.left.count = 0;
    this.right.count = 0;
    this.whole = false;
  }

  /** `by` names the face. What reaches beyond the edge is cut. */
  add(side: 'both' | 'left' | 'right', from: number, to: number, by: number): void {
    const a = from < 0 ? 0 : from;
    const b = to > 1 ? 1 : to;
    if (b - a <= 1e-13) return;
    this[side].push(a, b, by);
    if (side === 'both' && a === 0 && b === 1) this.whole = true;
  }

  get empty(): boolean {
    return this.both.count === 0 && this.left.count === 0;
  }

  /** Calls back with stretches that do not overlap, in order: from, to, by. Neighbours are joined, named by the first. */
  each(put: (from: number, to: number, by: number) => void): void {
    const { both, left, right, least } = this;
    if (left.count > 0 && right.count > 0) {
      // Each side with what is hidden on both, so that a stretch may begin on the one and go on in the other.
      for (let i = 0; i < both.count; i += 1) {
        left.push(both.list[i * 3]!, both.list[i * 3 + 1]!, both.list[i * 3 + 2]!);
        right.push(both.list[i * 3]!, both.list[i * 3 + 1]!, both.list[i * 3 + 2]!);
      }
      left.unite(least);
      right.unite(least);
      both.count = 0;
      for (let i = 0; i < left.count; i += 1)
        for (let j = 0; j < right.count; j += 1) {
          const from = Math.max(left.list[i * 3]!, right.list[j * 3]!);
          const to = Math.min(left.list[i * 3 + 1]!, right.list[j * 3 + 1]!);
          if (to > from) both.push(from, to, left.list[i * 3 + 2]!);
        }
    }
    both.unite(least);
    for (let i = 0; i < both.count; i += 1) {
      const from = both.list[i * 3]!;
      const to = both.list[i * 3 + 1]!;
      // A hair left over at either end is no part of its own.
      if (to - from > least) put(from <= least ? 0 : from, to >= 1 - least ? 1 : to, both.list[i * 3 + 2]!);
    }
  }
}
