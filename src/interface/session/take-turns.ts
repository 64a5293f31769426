import { afterFrame } from './after-frame';

/** How long is worked before the page has its turn, ms. */
const TURN_MS = 40;

/**
 * Carries steps out in turns, between which the page lives; the first comes after the next frame. `told` hears after each turn what part is done, `done` what they come to; what is returned
 * gives them up.
 */
export function takeTurns<T>(
  steps: Generator<number, T>,
  done: (made: T) => void,
  told: (part: number) => void = () => undefined,
): () => void {
  let givenUp: () => void;
  const turn = (): void => {
    const until = performance.now() + TURN_MS;
    for (;;) {
      const step = steps.next();
      if (step.done) return done(step.value);
      if (performance.now() < until) continue;
      told(step.value);
      const timer = setTimeout(turn, 0);
      givenUp = () => clearTimeout(timer);
      return undefined;
    }
  };
  givenUp = afterFrame(turn);
  return () => givenUp();
}
