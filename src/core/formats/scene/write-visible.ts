import { at } from '@/core/base';
import { finite } from '@/core/numeric';

/** Visible stretches as `{ segments: [[u1, v1, u2, v2], …], ms }`: mm, full double precision; `ms` is what finding them took. */
export function writeVisible(picture: Float64Array, ms: number): string {
  const rows: string[] = [];
  for (let i = 0; i + 3 < picture.length; i += 4)
    rows.push(`[${[0, 1, 2, 3].map((k) => String(finite(at(picture, i + k)))).join(',')}]`);
  return `{"segments":[${rows.join(',')}],"ms":${finite(ms)}}\n`;
}
