export interface WorkerLike {
  readonly terminate: () => void;
}

/** Timers passed in, so that silence can be tested without waiting for it. */
export interface Timer {
  readonly set: (fire: () => void, ms: number) => ReturnType<typeof setTimeout>;
  readonly clear: (timer: ReturnType<typeof setTimeout>) => void;
}
// Wrapped: the browser's own timers refuse to be called as methods of another object.
export const windowTimer: Timer = {
  set: (fire, ms) => setTimeout(fire, ms),
  clear: (timer) => clearTimeout(timer),
};
