// What a place feels like, and what that is on a thermometer: mean of the year and warmest, °C. Common practice.

export const FEELS = [
  ["cool", "cool all year, like a cellar", { mean_c: 12, warmest_c: 15 }],
  ["mild", "mild, warm in summer", { mean_c: 17, warmest_c: 22 }],
  ["warm", "as warm as the rooms we live in", { mean_c: 20, warmest_c: 24 }],
  ["hot", "hot in summer, like a loft or garage", { mean_c: 18, warmest_c: 32 }],
] as const;

/** Heights that tell towns apart, m. */
export const HEIGHTS = [
  [0, "near the sea"],
  [300, "low hills"],
  [900, "high plain"],
  [1600, "mountains"],
  [2400, "high mountains"],
] as const;

export type Feel = (typeof FEELS)[number][0];

/** The temperatures that a feel stands for. */
export function feltAs(feel: Feel): { mean_c: number; warmest_c: number } {
  return (FEELS.find(([each]) => each === feel) ?? FEELS[1])[2];
}

/** The measures that a browser's language suggests: American ones in America. */
export function measuresOf(language: string): "US" | "metric" {
  return /-US$/i.test(language) ? "US" : "metric";
}
