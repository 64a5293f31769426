import { block, prism, type Part, type Range } from '../parts';

/** A straight flight, climbing along y from its first riser's face at y = 0; x from 0 to its width; z from 0. */
export interface Flight {
  readonly width: number;
  /** Risers, the last one the face of the floor or landing it reaches. */
  readonly risers: number;
  readonly rise: number;
  readonly going: number;
  readonly tread: number;
  readonly nosing: number;
  readonly open: boolean;
  /** Stringer thickness, zero for none. */
  readonly stringer: number;
  readonly rails: readonly ('low x' | 'high x')[];
  readonly railHeight: number;
  readonly balusters: number;
}

const RISER = 18;

export function flightParts(f: Flight): Part[] {
  const { rise, going, width, tread, nosing } = f;
  const s = f.stringer;
  const across: Range = [s, width - s];
  const parts: Part[] = [];
  for (let i = 1; i < f.risers; i += 1) {
    const y = (i - 1) * going;
    parts.push(
      block(`tread-${i}`, across, [y - nosing, y + going + (f.open ? 0 : RISER)], [i * rise - tread, i * rise]),
    );
  }
  if (!f.open)
    for (let i = 1; i <= f.risers; i += 1) {
      const y = (i - 1) * going;
      // The riser stands on the tread before it and reaches the underside of its own; the last reaches the floor above.
      parts.push(
        block(`riser-${i}`, across, [y, y + RISER], [(i - 1) * rise, i === f.risers ? i * rise : i * rise - tread]),
      );
    }
  const pitch = rise / going;
  const run = (f.risers - 1) * going;
  const top = f.risers * rise;
  const line = (y: number): number => rise + pitch * y;
  if (s > 0) {
    const deep = 230 * Math.hypot(1, pitch);
    const cut = Math.min(run, Math.max(0, (deep - rise) / pitch));
    const outline: [number, number][] = [
      [-nosing, 0],
      [cut, 0],
      [run, Math.max(1, line(run) - deep)],
      [run, top],
      ...(line(-nosing) + 40 < top ? ([[(top - rise - 40) / pitch, top]] as [number, number][]) : []),
      [-nosing, line(-nosing) + 40],
    ];
    parts.push(prism('stringer-low', 'x', [0, s], outline), prism('stringer-high', 'x', [width - s, width], outline));
  }
  const thick = 45;
  for (const side of f.rails) {
    const x: Range =
      side === 'low x'
        ? [s > 0 ? s / 2 - 20 : 5, s > 0 ? s / 2 + 20 : 45]
        : [width - (s > 0 ? s / 2 + 20 : 45), width - (s > 0 ? s / 2 - 20 : 5)];
    const name = side === 'low x' ? 'low' : 'high';
    const under = (y: number): number => line(y) + f.railHeight - thick * Math.hypot(1, pitch);
    parts.push(
      prism(`rail-${name}`, 'x', x, [
        [0, under(0)],
        [run, under(run)],
        [run, line(run) + f.railHeight],
        [0, line(0) + f.railHeight],
      ]),
    );
    const middle = (x[0] + x[1]) / 2;
    const half = 9;
    for (let i = 1; i < f.risers; i += 1)
      for (let k = 0; k < f.balusters; k += 1) {
        const y = (i - 1) * going + (going * (k + 0.5)) / f.balusters;
        // On the tread; where a stringer stands under the rail, on the stringer.
        const foot = s > 0 ? (y: number): number => Math.min(top, line(y) + 40) : (): number => i * rise;
        if (foot(y + half) + 20 > under(y - half)) continue;
        parts.push(
          prism(
            `baluster-${name}-${i}-${k + 1}`,
            'x',
            [middle - half, middle + half],
            [
              [y - half, foot(y - half)],
              [y + half, foot(y + half)],
              [y + half, under(y + half)],
              [y - half, under(y - half)],
            ],
          ),
        );
      }
  }
  return parts;
}

/** A square post at a turn or an end. */
export const newel = (name: string, x: number, y: number, z: Range, thick = 80): Part =>
  block(name, [x - thick / 2, x + thick / 2], [y - thick / 2, y + thick / 2], z);

export const STAIR_CAUTION =
  'Usual figures only. Rise, going, headroom, width, guards and handrails are set by local codes; a licensed professional decides.';
