// What lies on a scale, in the household's measures.
import { whole } from "./numbers";

const G_PER_OUNCE = 28.349523125;

/** "412 g", "14.5 oz"; whole ounces from ten on. */
export function mass(grams: number, us: boolean): string {
  const ounces = grams / G_PER_OUNCE;
  return us ? `${ounces < 10 ? ounces.toFixed(1) : whole(ounces)} oz` : `${whole(grams)} g`;
}
