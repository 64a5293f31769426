/** How long is read before the page has its turn, ms. */
const TURN_MS = 30;

/** Carries steps out in turns, between which the page lives. */
export async function inTurns<T>(steps: Generator<number, T>): Promise<T> {
  let until = performance.now() + TURN_MS;
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
    if (performance.now() < until) continue;
    await breath();
    until = performance.now() + TURN_MS;
  }
}

/** A message to oneself comes after what waits already, sooner than a timer. */
const breath = (): Promise<void> =>
  new Promise((resume) => {
    const { port1, port2 } = new MessageChannel();
    port1.onmessage = () => {
      port1.close();
      resume();
    };
    port2.postMessage(null);
  });
