import type { EdgeParts } from './polygon-set';

/** Rows that grow as they are written. */
export class PartsWriter {
  private capacity = 1024;
  private edge = new Int32Array(this.capacity);
  private hiddenBy = new Int32Array(this.capacity);
  private along = new Float64Array(this.capacity * 2);
  private picture = new Float64Array(this.capacity * 4);
  count = 0;

  put(edge: number, from: number, to: number, u0: number, v0: number, u1: number, v1: number, hiddenBy: number): void {
    if (this.count === this.capacity) this.grow();
    const i = this.count;
    this.count += 1;
    this.edge[i] = edge;
    this.hiddenBy[i] = hiddenBy;
    this.along[i * 2] = from;
    this.along[i * 2 + 1] = to;
    this.picture[i * 4] = u0;
    this.picture[i * 4 + 1] = v0;
    this.picture[i * 4 + 2] = u1;
    this.picture[i * 4 + 3] = v1;
  }

  private grow(): void {
    this.capacity *= 2;
    const larger = <A extends Int32Array | Float64Array>(made: A, old: A): A => {
      made.set(old);
      return made;
    };
    this.edge = larger(new Int32Array(this.capacity), this.edge);
    this.hiddenBy = larger(new Int32Array(this.capacity), this.hiddenBy);
    this.along = larger(new Float64Array(this.capacity * 2), this.along);
    this.picture = larger(new Float64Array(this.capacity * 4), this.picture);
  }

  parts(): EdgeParts {
    return {
      count: this.count,
      edge: this.edge.slice(0, this.count),
      hiddenBy: this.hiddenBy.slice(0, this.count),
      along: this.along.slice(0, this.count * 2),
      picture: this.picture.slice(0, this.count * 4),
    };
  }
}
