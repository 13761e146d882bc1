// Foods whose names are near to some words: for picking one, not for reading a line.
import type { Schemas } from "$lib/api/client";

type Named = Pick<Schemas["FoodName"], "name" | "aliases">;

/** How well a name fits: every word begins one of its words, or some do. */
function fit(words: string[], name: string): number {
  const has = name.toLowerCase().split(/[^\p{L}\d]+/u);
  return words.filter((word) => has.some((each) => each.startsWith(word))).length / words.length - has.length / 100;
}

/** The foods that fit best, no more than so many; none for no words. */
export function matches<T extends Named>(typed: string, foods: readonly T[], most = 6): T[] {
  const words = typed
    .toLowerCase()
    .split(/[^\p{L}\d]+/u)
    .filter((word) => word.length > 1);
  if (!words.length) return [];
  return foods
    .map((food) => ({ food, fits: Math.max(...[food.name, ...food.aliases].map((name) => fit(words, name))) }))
    .filter(({ fits }) => fits > 0.2)
    .toSorted((a, b) => b.fits - a.fits)
    .slice(0, most)
    .map(({ food }) => food);
}
