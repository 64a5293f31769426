/** Rounds to a whole number, ties to the even one. Within 1e-9 of a half counts as the half: division noise is smaller. */
export function roundEven(value: number): number {
  const floor = Math.floor(value);
  const rest = value - floor;
  if (Math.abs(rest - 0.5) < 1e-9) return floor % 2 === 0 ? floor : floor + 1;
  return Math.round(value);
}
