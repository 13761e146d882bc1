// Numbers as everybody here reads them: one thousands separator, one decimal sign, the same as the larder's own texts.

const WHOLE = new Intl.NumberFormat("en", { maximumFractionDigits: 0 });
const TENTHS = new Intl.NumberFormat("en", { maximumFractionDigits: 1 });
const EXACT = new Intl.NumberFormat("en", { maximumFractionDigits: 2 });

/** "12,345". */
export const whole = (value: number): string => WHOLE.format(value);

/** "3.4" below ten, "12" from there on. */
export const few = (value: number): string => (Math.abs(value) < 10 ? value.toFixed(1) : WHOLE.format(value));

/** "3.4", "12.5", "7": to a tenth, where there is one. */
export const tenths = (value: number): string => TENTHS.format(value);

/** "0.25", "1,250.5": as it is, to a hundredth. */
export const exact = (value: number): string => EXACT.format(value);

const SIGNS: Record<string, number> = { "½": 0.5, "¼": 0.25, "¾": 0.75 };

/**
 * What was typed as a number, with either decimal sign and thousands set off or not: "2,5", "1 000", "1.234,5", "2½".
 * Nothing is null; what is no number stays as it was typed, for the larder to refuse in words.
 */
export function readNumber(text: string): number | string | null {
  const tidy = text.trim().replace(/(?<=\d)[\s\u00a0\u202f'](?=\d{3}(\D|$))/g, "");
  if (!tidy) return null;
  const part = SIGNS[tidy.slice(-1)];
  const digits = part === undefined ? tidy : tidy.slice(0, -1).trim() || "0";
  const plain = /^-?\d{1,3}(,\d{3})+(\.\d+)?$/.test(digits)
    ? digits.replaceAll(",", "")
    : /^-?\d{1,3}(\.\d{3})+,\d+$/.test(digits)
      ? digits.replaceAll(".", "").replace(",", ".")
      : digits.replace(",", ".");
  if (!/^-?(\d+\.?\d*|\.\d+)$/.test(plain)) return text;
  const whole = Number(plain);
  return part === undefined ? whole : whole < 0 ? whole - part : whole + part;
}

/** What stands in a field, as it is sent: a number or nothing; what is no number goes as it is, and is refused in words. */
export const sent = (typed: string | number | null | undefined): number | null => readNumber(String(typed ?? "")) as number | null;

/** The same of what is counted: nobody counts in thousandths, so "1.000" are a thousand. */
export const sentCount = (typed: string | number | null | undefined): number | null => {
  const text = String(typed ?? "").trim();
  return sent(/^[1-9]\d{0,2}(\.\d{3})+$/.test(text) ? text.replaceAll(".", "") : text);
};
