/** Rounds to a whole number, ties to the even one. Within a millionth of a half counts as the half: what is worked out in two ways differs by less, and has to be told alike. */
export function roundEven(value: number): number {
  const floor = Math.floor(value);
  const rest = value - floor;
  if (Math.abs(rest - 0.5) < 1e-6) return floor % 2 === 0 ? floor : floor + 1;
  return Math.round(value);
}
