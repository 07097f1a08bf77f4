const TIME = new Intl.DateTimeFormat("en-GB", { hour: "2-digit", minute: "2-digit" });
const DAY = new Intl.DateTimeFormat("en-GB", { day: "numeric", month: "short", year: "numeric" });

/** The time of day: 09:42. */
export function time(instant: string | Date): string {
  return TIME.format(new Date(instant));
}

/** The day and the time: 24 Nov 2026, 09:42. */
export function dayAndTime(instant: string): string {
  return `${DAY.format(new Date(instant))}, ${time(instant)}`;
}

/** A day: 24 Nov 2026. */
export function day(date: string): string {
  return DAY.format(new Date(`${date}T12:00:00`));
}
