/** "5 h 20 min", to five minutes; what is shorter to the minute. */
export function timeWords(minutes: number): string {
  if (minutes < 5) return `${Math.max(1, Math.round(minutes))} min`;
  const whole = Math.round(minutes / 5) * 5;
  const [hours, rest] = [Math.floor(whole / 60), whole % 60];
  return hours === 0 ? `${rest} min` : rest === 0 ? `${hours} h` : `${hours} h ${rest} min`;
}
