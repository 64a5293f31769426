import { invariant } from '@/core/base';

/** Returns the number unchanged; throws on NaN or infinity. Every writer passes its figures through this. */
export function finite(value: number, what = 'number'): number {
  invariant(Number.isFinite(value), `${what} is not finite`);
  return value;
}

export const clamp = (value: number, low: number, high: number): number => Math.min(high, Math.max(low, value));
