/** Steps carried out in slices, with word of how far they are and a breath between: whoever waits is told, and may give up. */
export async function inSlices<T>(
  steps: Generator<number, T>,
  {
    clock,
    sliceMs,
    progress,
  }: { readonly clock: () => number; readonly sliceMs: number; readonly progress: (done: number) => void },
): Promise<T> {
  let told = clock();
  for (let step = steps.next(); ; step = steps.next()) {
    if (step.done) {
      progress(1);
      return step.value;
    }
    if (clock() - told > sliceMs) {
      progress(step.value);
      told = clock();
      await new Promise<void>((resume) => setTimeout(resume, 0));
    }
  }
}
