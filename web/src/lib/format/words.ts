// Small words.

import { exact } from "./numbers";

/** With a capital letter, to begin a line. */
export const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);

/** A number and what it counts: "1 day", "1.5 days", "1,200 days", "1 line belongs". */
export function counted(n: number, one: string, more = `${one}s`): string {
  const many = exact(n);
  return `${many} ${many === "1" ? one : more}`;
}

/** A name with its article. */
export const aOrAn = (name: string): string => `${/^(?:8|11(?!\d)|18(?!\d)|[aeio]|u(?!n[iu]|s[eu]))(?!ne\b)/i.test(name) ? "an" : "a"} ${name}`;

/** A line with another name where those words were read as one, the rest as it was typed; as it is, if they are not in it. */
export function renamed(line: string, words: string, name: string): string {
  const tidy = line.trim().replace(/\s+/g, " ");
  const at = words ? tidy.lastIndexOf(words) : -1;
  return at < 0 ? line : tidy.slice(0, at) + name + tidy.slice(at + words.length);
}

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
