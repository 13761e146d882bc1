// The places of the larder: where each is, what stands under its name, and the key that goes there.
import { few } from "$lib/format/numbers";
import type { Schemas } from "$lib/api/client";

export interface Place {
  href: string;
  name: string;
  /** Pressed after g. */
  key: string;
  /** One of the four at the thumb on a phone; the others are under More. */
  thumb?: boolean;
}

export const PLACES: readonly Place[] = [
  { href: "/rounds", name: "Rounds", key: "r", thumb: true },
  { href: "/table", name: "Table", key: "t", thumb: true },
  { href: "/drying", name: "Drying", key: "d" },
  { href: "/bench", name: "Bench", key: "b", thumb: true },
  { href: "/run", name: "Run", key: "p" },
  { href: "/shelves", name: "Shelves", key: "s", thumb: true },
  { href: "/supplies", name: "Supplies", key: "l" },
  { href: "/guide", name: "Guide", key: "u" },
];

/** What stands under the name of each place, by its address. */
export function figures(seen: Schemas["OverviewView"] | undefined, onBench: string): Record<string, string> {
  const bench = { "/bench": onBench || "empty", "/guide": "" };
  if (!seen) return { ...Object.fromEntries(PLACES.map((place) => [place.href, "…"])), ...bench };
  return {
    "/rounds": seen.due ? `${seen.due} to do` : "all done",
    "/table": `${few(seen.days)} days`,
    "/drying": seen.under_way ? `${seen.under_way} under way` : "nothing on",
    "/run": seen.running || "no run",
    "/shelves": `${seen.kept} kept`,
    "/supplies": seen.low ? `${seen.low} low` : "in stock",
    ...bench,
  };
}

/** The place that an address lies in. */
export const placeOf = (pathname: string): Place | undefined => PLACES.find((place) => pathname === place.href || pathname.startsWith(`${place.href}/`));
