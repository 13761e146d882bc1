// Temperatures: °C everywhere within, the household's degrees wherever they are read or typed.
import { readNumber } from "./numbers";

/** What stands on the household's thermometer. */
export const shownDegrees = (celsius: number, us: boolean): number => (us ? celsius * 1.8 + 32 : celsius);

/** What was typed in the household's degrees, in °C. */
export const toCelsius = (shown: number, us: boolean): number => (us ? (shown - 32) / 1.8 : shown);

/** "52 °C", "126 °F", "−18 °C". */
export const degrees = (celsius: number, us: boolean): string => `${Math.round(shownDegrees(celsius, us))} ${us ? "°F" : "°C"}`.replace("-", "−");

/** A temperature as it is typed again: "135", "57.2"; nothing is empty. */
export const typedCelsius = (celsius: number | null, us: boolean): string => (celsius === null ? "" : String(Number(shownDegrees(celsius, us).toFixed(2))));

/** A temperature as it was typed, in °C; nothing is null, and what is no number stays as it was typed. */
export function readCelsius(text: string, us: boolean): number | string | null {
  const read = readNumber(text);
  return typeof read === "number" ? toCelsius(read, us) : read;
}
