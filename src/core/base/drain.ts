/** Steps that are a part of others: what is done of them, as a part of the whole that begins at `from`. */
export function* inPart<T>(steps: Generator<number, T>, from: number, part: number): Generator<number, T> {
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
    yield from + part * step.value;
  }
}

/** What steps come to when they are carried out at once. */
export function drain<T>(steps: Generator<unknown, T>): T {
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}
