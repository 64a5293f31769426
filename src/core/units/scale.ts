import { tolerance } from '@/core/numeric';
import { err, ok, type Result } from '@/core/base';
import { MM_PER_INCH } from './quantity';
import { parseLength } from './length-parse';

export interface ScaleError {
  readonly reason: 'empty' | 'not-a-scale' | 'out-of-range';
  readonly text: string;
  readonly message: string;
}

const SHAPE = `1:20, or 1/2" = 1'-0"`;

/** Usual scales, by denominator, per unit system. */
export const USUAL_SCALES = { metric: [10, 20, 25, 50], imperial: [12, 16, 24, 32, 48] } as const;

/** Reads `1:20`, `1/20` or `1/2" = 1'-0"`. @returns the denominator N of 1:N. */
export function parseScale(text: string): Result<number, ScaleError> {
  const trimmed = text.trim();
  if (trimmed === '') return err({ reason: 'empty', text, message: `Type a scale, such as ${SHAPE}.` });
  const bad = (): Result<never, ScaleError> =>
    err({ reason: 'not-a-scale', text, message: `“${trimmed}” is not a scale. Type it like ${SHAPE}.` });
  let denominator: number;
  if (trimmed.includes('=')) {
    const [paperText = '', realText = '', ...more] = trimmed.split('=');
    const paper = parseLength(paperText, { units: 'imperial' });
    const real = parseLength(realText, { units: 'imperial' });
    if (more.length > 0 || !paper.ok || !real.ok) return bad();
    denominator = real.value.mm / paper.value.mm;
  } else {
    const ratio = /^1 ?[:/] ?(\d+(?:[.,]\d+)?)$/.exec(trimmed);
    if (!ratio) return bad();
    denominator = Number((ratio[1] ?? '').replace(',', '.'));
  }
  if (!(denominator >= 1 && denominator <= 1000)) {
    return err({
      reason: 'out-of-range',
      text,
      message: `A drawing of a room is between 1:1 and 1:1000; “${trimmed}” is not.`,
    });
  }
  // 6.35 mm over 25.4 is not exact in binary: bring near-whole denominators to the whole number they stand for.
  const whole = Math.round(denominator);
  return ok(Math.abs(denominator - whole) < tolerance.wholeNumber ? whole : denominator);
}

/** `1:20`; in an imperial project `1/2" = 1'-0"` where an even fraction of an inch stands for a foot. */
export function formatScale(denominator: number, units: 'metric' | 'imperial'): string {
  if (units === 'imperial') {
    const thirtySeconds = (12 / denominator) * 32;
    if (Math.abs(thirtySeconds - Math.round(thirtySeconds)) < tolerance.wholeNumber) {
      let over = Math.round(thirtySeconds);
      let under = 32;
      while (over % 2 === 0 && under > 1) [over, under] = [over / 2, under / 2];
      const whole = Math.floor(over / under);
      const rest = over % under;
      const paper = [whole > 0 ? String(whole) : '', rest > 0 ? `${rest}/${under}` : ''].filter(Boolean).join(' ');
      return `${paper}" = 1'-0"`;
    }
  }
  return `1:${Math.round(denominator * 1000) / 1000}`;
}

/** Paper millimetres an inch ruler's smallest fraction stands for. */
export const fractionMm = (fraction: number): number => MM_PER_INCH / fraction;
