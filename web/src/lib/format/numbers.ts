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
