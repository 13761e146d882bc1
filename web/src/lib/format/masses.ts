// What lies on a scale, in the household's measures.
import { exact, whole } from "./numbers";

export const OUNCE_G = 28.349523125;

/** "412 g", "14.53 oz": to the gram or finer, to go on from. */
export const weighed = (grams: number, us: boolean): string => (us ? `${exact(grams / OUNCE_G)} oz` : `${whole(grams)} g`);

/** "412 g", "14.5 oz"; whole ounces from ten on. */
export function mass(grams: number, us: boolean): string {
  const ounces = grams / OUNCE_G;
  return us ? `${ounces < 10 ? ounces.toFixed(1) : whole(ounces)} oz` : `${whole(grams)} g`;
}
