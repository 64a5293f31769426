import { degreesFromRadians, type PaperMillimetres } from '@/core/units';
import type { Covariance } from './pencil-error';

/** One standard deviation of a mark as an ellipse: semi-axes, mm, and the direction of the longer, degrees counter-clockwise from u. */
export interface ErrorEllipse {
  readonly major: PaperMillimetres;
  readonly minor: PaperMillimetres;
  readonly majorDeg: number;
}

export function errorEllipse({ uu, uv, vv }: Covariance): ErrorEllipse {
  const [mean, half] = [(uu + vv) / 2, Math.hypot((uu - vv) / 2, uv)];
  return {
    major: Math.sqrt(mean + half),
    minor: Math.sqrt(Math.max(0, mean - half)),
    majorDeg: degreesFromRadians(Math.atan2(2 * uv, uu - vv) / 2),
  };
}

/** Directions over a quarter turn: by symmetry the rest repeats them. */
const DIRECTIONS = 256;
const HALVINGS = 60;

/**
 * The radius about the right place within which a mark falls in so many cases of 1, mm. In a direction φ of the ellipse's own circle the edge of the
 * disc lies R/√(a²cos²φ + b²sin²φ) deviations out, beyond which e^(−½·that²) falls; the mean over φ is what falls outside.
 */
export function radiusWithin(covariance: Covariance, share: number): PaperMillimetres {
  const { major, minor } = errorEllipse(covariance);
  if (!(major > 0)) return 0;
  const outside = (radius: number): number => {
    let sum = 0;
    for (let i = 0; i < DIRECTIONS; i += 1) {
      const phi = ((i + 0.5) * Math.PI) / (2 * DIRECTIONS);
      const spread = (major * Math.cos(phi)) ** 2 + (minor * Math.sin(phi)) ** 2;
      sum += Math.exp((-radius * radius) / (2 * spread));
    }
    return sum / DIRECTIONS;
  };
  let [low, high] = [0, 10 * major];
  for (let i = 0; i < HALVINGS; i += 1) {
    const middle = (low + high) / 2;
    if (outside(middle) > 1 - share) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
