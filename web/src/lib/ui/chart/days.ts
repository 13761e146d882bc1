// A chart's axes in days of the calendar, in hours of the clock and in degrees.
import { clock, weekday } from "$lib/format/when";
import type { Mark, Span } from "./frame";

/** Day 719163 of the common calendar is 1 January 1970. */
const EPOCH_DAY = 719_163;

export const dayOf = (number: number): Date => new Date((number - EPOCH_DAY) * 86_400_000);
const numberOf = (year: number, month: number): number => Date.UTC(year, month, 1) / 86_400_000 + EPOCH_DAY;

/** From the first of some points to where the last one's days end. */
export function ends(points: readonly { day: number }[]): Span {
  const first = points[0]?.day ?? 0;
  const step = (points[1]?.day ?? first + 1) - first;
  return { from: first, to: Math.max((points.at(-1)?.day ?? first) + step - 1, first + 1) };
}

const SPANS = [1, 2, 3, 6, 12, 24, 60];

/** Firsts of months, so many that their words do not touch; the year with the first one of it. */
export function monthMarks(across: Span, wide: number): Mark[] {
  const most = Math.max(2, Math.floor(wide / 78));
  const months = (across.to - across.from) / 30.4;
  const every = SPANS.find((each) => months / each <= most) ?? 120;
  const begin = dayOf(across.from);
  const found: Mark[] = [];
  let month = Math.ceil((begin.getUTCFullYear() * 12 + begin.getUTCMonth()) / every) * every;
  let year = -1;
  for (; numberOf(Math.floor(month / 12), month % 12) <= across.to; month += every) {
    const at = numberOf(Math.floor(month / 12), month % 12);
    if (at < across.from) continue;
    const named = dayOf(at).toLocaleDateString("en-GB", { month: "short", timeZone: "UTC" });
    const mine = Math.floor(month / 12);
    found.push({ at, words: every >= 12 ? String(mine) : mine === year ? named : `${named} ${mine}` });
    year = mine;
  }
  if (found.length) return found;
  return [{ at: across.from, words: begin.toLocaleDateString("en-GB", { day: "numeric", month: "short", year: "numeric", timeZone: "UTC" }) }];
}

/** Round figures between two, four to eight of them. */
export function steps(from: number, to: number): number[] {
  const by = [1, 2, 5, 10, 20, 50].find((each) => (to - from) / each <= 7) ?? 100;
  const first = Math.ceil(from / by) * by;
  return Array.from({ length: Math.floor((to - first) / by) + 1 }, (_, n) => first + n * by);
}

/** Room for a time of day and the space beside it, px. */
const TIME_PX = 58;
/** Hours of a day by its own clock, when that is put back. */
const LONGEST_DAY = 25;

/** Marks at whole hours of the clock along so many hours from a moment, as many as there is room for; days at their midnight. */
export function hourMarks(from: Date, hours: number, wide: number): Mark[] {
  const step = [1, 2, 3, 4, 6, 12, 24, 48].find((each) => (hours / each) * TIME_PX < wide) ?? 72;
  const marks: Mark[] = [];
  for (let hour = 0; hour <= hours + LONGEST_DAY; hour += step) {
    const mark = new Date(from.getFullYear(), from.getMonth(), from.getDate(), hour);
    const at = (mark.getTime() - from.getTime()) / 3_600_000;
    if (at >= 0 && at <= hours) marks.push({ at, words: step >= 24 ? weekday(mark) : clock(mark.toISOString()) });
  }
  return marks.length ? marks : [{ at: 0, words: clock(from.toISOString()) }];
}
