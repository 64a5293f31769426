import type { Place } from './frame';

/** The box that places just fit into. */
export function boxAbout(places: readonly Place[]): { readonly low: Place; readonly high: Place } {
  const at = (pick: (...values: number[]) => number): Place => ({
    x: pick(...places.map((one) => one.x)),
    y: pick(...places.map((one) => one.y)),
    z: pick(...places.map((one) => one.z)),
  });
  return { low: at(Math.min), high: at(Math.max) };
}

/** Corners of a box, its foot first, each with those of the later ones it is joined to. */
export function boxCorners(
  { low, high }: { readonly low: Place; readonly high: Place },
  whole: boolean,
): readonly { readonly at: Place; readonly next: readonly number[] }[] {
  const around = [
    { x: low.x, y: low.y },
    { x: high.x, y: low.y },
    { x: high.x, y: high.y },
    { x: low.x, y: high.y },
  ];
  const foot = around.map((at, i) => ({ at: { ...at, z: low.z }, next: [(i + 1) % 4, ...(whole ? [i + 4] : [])] }));
  const top = around.map((at, i) => ({ at: { ...at, z: high.z }, next: [4 + ((i + 1) % 4)] }));
  return whole ? [...foot, ...top] : foot;
}
