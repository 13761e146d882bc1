import { describe, expect, it } from "vitest";
import { day, lastTime, left, moment, when, date } from "./when";

const now = new Date(2026, 10, 24, 12, 0);
const iso = (date: Date) => date.toISOString().replace("Z", "");

describe("times", () => {
  it("are told in UTC, with or without saying so", () => {
    expect(moment("2026-11-24T10:00:00").getTime()).toBe(moment("2026-11-24T10:00:00Z").getTime());
    expect(moment("2026-11-24T10:00:00+02:00").toISOString()).toBe("2026-11-24T08:00:00.000Z");
  });

  it("name the day only if it is another one", () => {
    expect(when(iso(new Date(2026, 10, 24, 16, 40)), now)).toBe("16:40");
    expect(when(iso(new Date(2026, 10, 26, 8, 5)), now)).toBe("Thu 08:05");
  });

  it.each([
    [new Date(2026, 10, 18, 23, 50), "Wed 23:50"],
    [new Date(2026, 10, 17, 7, 36), "17 Nov 07:36"],
    [new Date(2026, 10, 30, 0, 10), "Mon 00:10"],
    [new Date(2026, 11, 1, 0, 10), "1 Dec 00:10"],
    [new Date(2026, 6, 2, 16, 40), "2 Jul 16:40"],
    [new Date(2024, 1, 29, 16, 40), "29 Feb 2024"],
    [new Date(2027, 0, 2, 16, 40), "2 Jan 2027"],
  ])("%s is %s: no day of the week that there are two of", (at, said) => {
    expect(when(iso(at), now)).toBe(said);
  });

  it.each([
    ["2026-11-24", "today"],
    ["2026-11-25T08:00:00", "tomorrow"],
    ["2026-11-23", "yesterday"],
    ["2026-11-29", "Sun 29 Nov"],
    ["2025-02-03", "Feb 2025"],
  ])("say %s as %s", (given, said) => {
    expect(day(given, now).replace(",", "")).toBe(said);
  });

  it.each([
    [130, "in 2 h 10 min"],
    [-40, "40 min ago"],
    [60 * 26, "in 1 d 2 h"],
    [60, "in 1 h"],
    [0, "now"],
  ])("say %i minutes as %s", (minutes, said) => {
    expect(left(iso(new Date(now.getTime() + minutes * 60_000)), now)).toBe(said);
  });

  it("are written down later as the last time the clock showed them", () => {
    expect(lastTime("11:30", now)).toBe(new Date(2026, 10, 24, 11, 30).toISOString());
    expect(lastTime("23:10", now)).toBe(new Date(2026, 10, 23, 23, 10).toISOString());
    expect(lastTime("", now)).toBeNull();
  });
});

it("says a day on the calendar, with its year if that is another", () => {
  const now = new Date(2026, 10, 27);
  expect(date("2026-02-28", now)).toBe("28 Feb");
  expect(date("2024-02-29", now)).toBe("29 Feb 2024");
});
