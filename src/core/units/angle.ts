import { err, ok, type Result } from '@/core/base';
import type { Degrees, Radians } from './quantity';

export const radiansFromDegrees = (degrees: Degrees): Radians => (degrees * Math.PI) / 180;
export const degreesFromRadians = (radians: Radians): Degrees => (radians * 180) / Math.PI;

/** A bearing brought into [0, 360). */
export const normaliseBearing = (degrees: Degrees): Degrees => {
  const turned = degrees % 360;
  const positive = turned < 0 ? turned + 360 : turned;
  return positive >= 360 ? 0 : positive;
};

export interface AngleError {
  readonly reason: 'empty' | 'not-an-angle';
  readonly text: string;
  readonly message: string;
}

/** Reads `30`, `30°`, `22.5`, `22,5°`, `-15`. Degrees. */
export function parseAngle(text: string): Result<Degrees, AngleError> {
  const trimmed = text.trim().replace(/[−–]/g, '-').replace(/°$/, '').trim();
  if (trimmed === '') return err({ reason: 'empty', text, message: 'Type an angle in degrees, such as 30 or 22.5.' });
  if (!/^[+-]?\d{1,4}([.,]\d+)?$/.test(trimmed)) {
    return err({
      reason: 'not-an-angle',
      text,
      message: `“${text.trim()}” is not an angle. Type degrees, such as 30 or 22.5.`,
    });
  }
  return ok(Number(trimmed.replace(',', '.')));
}

/** Degrees as a person reads them: at most two decimals, no trailing zeros. */
export function formatAngle(degrees: Degrees): string {
  const rounded = Math.round(degrees * 100) / 100;
  return `${(rounded === 0 ? 0 : rounded).toString().replace('-', '−')}°`;
}
