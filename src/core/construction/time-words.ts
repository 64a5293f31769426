/** "5 h 20 min", to five minutes. */
export function timeWords(minutes: number): string {
  const whole = Math.max(5, Math.round(minutes / 5) * 5);
  const [hours, rest] = [Math.floor(whole / 60), whole % 60];
  return hours === 0 ? `${rest} min` : rest === 0 ? `${hours} h` : `${hours} h ${rest} min`;
}
