// Small words.

/** With a capital letter, to begin a line. */
export const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);

/** Numbers in their order, those that follow one another together: "79 to 84, 90". */
export function inRows(numbers: number[]): string {
  const rows: [number, number][] = [];
  for (const n of numbers.toSorted((a, b) => a - b)) {
    const last = rows.at(-1);
    if (last && n === last[1] + 1) last[1] = n;
    else rows.push([n, n]);
  }
  return rows.map(([from, to]) => (from === to ? `${from}` : to === from + 1 ? `${from}, ${to}` : `${from} to ${to}`)).join(", ");
}
