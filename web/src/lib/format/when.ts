// Times: the larder tells them in UTC, people read them on their own clock.

/** A time of the larder's as a moment here. */
export const moment = (iso: string): Date => new Date(/[zZ]|[+-]\d\d:\d\d$/.test(iso) ? iso : `${iso}Z`);

/** "16:40". */
export const clock = (iso: string): string => moment(iso).toLocaleTimeString("en-GB", { hour: "2-digit", minute: "2-digit" });

/** "Thu". */
export const weekday = (at: Date): string => at.toLocaleDateString("en-GB", { weekday: "short" });

/** "16:40" today, "Thu 16:40" in the week around it, "2 Jul 16:40" beyond, where there are two Thursdays, "2 Jul 2024" in another year. */
export function when(iso: string, now = new Date()): string {
  const at = moment(iso);
  const apart = Math.abs(daysApart(at, now));
  if (apart === 0) return clock(iso);
  if (apart < 7) return `${weekday(at)} ${clock(iso)}`;
  return at.getFullYear() === now.getFullYear() ? `${onCalendar(at, now)} ${clock(iso)}` : onCalendar(at, now);
}

/** Days of the calendar from one moment's day to another's. */
const daysApart = (that: Date, now: Date) => Math.round((new Date(that).setHours(0, 0, 0, 0) - new Date(now).setHours(0, 0, 0, 0)) / 86_400_000);

/** A day of the house as a date here, at its first hour. */
export function dayStart(iso: string): Date {
  const [year, month, date] = iso.slice(0, 10).split("-").map(Number) as [number, number, number];
  return new Date(year, month - 1, date);
}

/** "today", "tomorrow", "yesterday", "Thu 26 Nov"; of a day, whatever the hour. */
export function day(iso: string, now = new Date()): string {
  const that = dayStart(iso);
  const apart = daysApart(that, now);
  const near = { "-1": "yesterday", "0": "today", "1": "tomorrow" }[apart];
  if (near) return near;
  const far = Math.abs(apart) > 300;
  return that.toLocaleDateString("en-GB", far ? { month: "short", year: "numeric" } : { weekday: "short", day: "numeric", month: "short" });
}

/** "28 Feb", "28 Feb 2024": a day on the calendar, however far off. */
export const date = (iso: string, now = new Date()): string => onCalendar(dayStart(iso), now);

function onCalendar(that: Date, now: Date): string {
  const same = that.getFullYear() === now.getFullYear();
  return that.toLocaleDateString("en-GB", { day: "numeric", month: "short", ...(same ? {} : { year: "numeric" }) });
}

/** "in 2 h 10 min", "40 min ago". */
export function left(iso: string, now = new Date()): string {
  const minutes = Math.round((moment(iso).getTime() - now.getTime()) / 60_000);
  const size = Math.abs(minutes);
  const days = Math.floor(size / 1440);
  const hours = Math.floor((size % 1440) / 60);
  const words = days ? `${days} d${hours ? ` ${hours} h` : ""}` : hours ? `${hours} h${size % 60 ? ` ${size % 60} min` : ""}` : `${size} min`;
  return minutes < 0 ? `${words} ago` : size === 0 ? "now" : `in ${words}`;
}

/** The last time that the clock showed "14:30", today or yesterday; nothing if it is no time. */
export function lastTime(time: string, now = new Date()): string | null {
  const found = /^(\d{2}):(\d{2})/.exec(time);
  if (!found) return null;
  const at = new Date(now.getFullYear(), now.getMonth(), now.getDate(), Number(found[1]), Number(found[2]));
  return (at > now ? new Date(at.getTime() - 86_400_000) : at).toISOString();
}
