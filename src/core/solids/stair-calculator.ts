import { degreesFromRadians } from '@/core/units';
/**
 * The usual comfort rule: two rises plus one going lie between these, mm. A caution from common practice, never a proof of anything:
 * local codes and a licensed professional decide.
 */
export const COMFORT_MM = { least: 550, usual: 630, most: 700 } as const;
/** Usual bounds for homes and small shops, mm; codes differ. */
export const USUAL_RISE_MM = { least: 150, most: 190 } as const;
export const USUAL_GOING_MM = { least: 240, most: 320 } as const;
export const USUAL_HEADROOM_MM = 2000;

export interface StairReading {
  readonly risers: number;
  readonly rise: number;
  readonly going: number;
  /** Two rises plus one going. */
  readonly comfort: number;
  readonly within: 'below' | 'usual' | 'above';
  readonly pitchDeg: number;
}

/** Where a stair lies against the comfort rule. */
export function stairReading(height: number, risers: number, going: number): StairReading {
  const rise = height / risers;
  const comfort = 2 * rise + going;
  return {
    risers,
    rise,
    going,
    comfort,
    within: comfort < COMFORT_MM.least ? 'below' : comfort > COMFORT_MM.most ? 'above' : 'usual',
    pitchDeg: degreesFromRadians(Math.atan2(rise, going)),
  };
}

export interface StairProposal extends StairReading {
  /** Length of a straight flight in plan: a going less than risers, the last tread being the floor above. */
  readonly run: number;
  /** Smallest height of the ceiling or floor above over the pitch line that leaves the usual headroom at the well's near edge, mm; null without a well. */
  readonly headroom: number | null;
}

/**
 * Numbers of risers whose rise is usual, each with the going that makes two rises and a going usual, the most usual first.
 * `well` is the length of the opening in the floor above, from the top riser, and `floorThickness` what hangs over the flight before it.
 */
export function proposeStairs(
  height: number,
  well: { readonly length: number; readonly floorThickness: number } | null = null,
): readonly StairProposal[] {
  const proposals: StairProposal[] = [];
  const least = Math.max(2, Math.ceil(height / (USUAL_RISE_MM.most + 30)));
  const most = Math.max(least, Math.floor(height / (USUAL_RISE_MM.least - 10)));
  for (let risers = least; risers <= most; risers += 1) {
    const rise = height / risers;
    const going = Math.min(
      USUAL_GOING_MM.most,
      Math.max(USUAL_GOING_MM.least, Math.round(COMFORT_MM.usual - 2 * rise)),
    );
    const reading = stairReading(height, risers, going);
    const run = going * (risers - 1);
    proposals.push({ ...reading, run, headroom: well ? headroomAt(height, risers, going, well) : null });
  }
  return proposals.sort(
    (a, b) =>
      Math.abs(a.comfort - COMFORT_MM.usual) +
      outside(a.rise) -
      Math.abs(b.comfort - COMFORT_MM.usual) -
      outside(b.rise),
  );
}

const outside = (rise: number): number =>
  Math.max(0, USUAL_RISE_MM.least - rise, rise - USUAL_RISE_MM.most) * 4 + Math.abs(rise - 172) * 0.2;

/** Headroom under the near edge of the well: the underside of the floor above, less the pitch line through the nosings there. */
export function headroomAt(
  height: number,
  risers: number,
  going: number,
  { length, floorThickness }: { readonly length: number; readonly floorThickness: number },
): number {
  const rise = height / risers;
  // From the top riser back by the well's length the pitch line has come down by length·rise/going from the floor above.
  const pitchLine = Math.max(0, height - (length * rise) / going);
  return height - floorThickness - pitchLine;
}
