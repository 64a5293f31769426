const DAY_AND_TIME = new Intl.DateTimeFormat('en-GB', {
  day: 'numeric',
  month: 'short',
  hour: '2-digit',
  minute: '2-digit',
});

/** A day and a time of day on this machine's calendar: "30 Nov, 14:20". */
export const dayAndTime = (iso: string): string => DAY_AND_TIME.format(new Date(iso));
