// Lines about what is in the house, as they are typed.

/** A line, and what it is told apart by while it is changed. */
export interface Typed {
  id: number;
  text: string;
}

/** The lines of a text that say something, without the marks of a list. */
export function linesOf(text: string): string[] {
  return text
    .split(/\r?\n/)
    .map((line) => line.trim())
    .filter(Boolean);
}

/** Lines with others added at the end. */
export function added(lines: readonly Typed[], texts: readonly string[]): Typed[] {
  const first = Math.max(0, ...lines.map((line) => line.id)) + 1;
  return [...lines, ...texts.map((text, n) => ({ id: first + n, text }))];
}

/** A line with the words that are no food replaced by a name that is; the name put behind it if they are not found in it. */
export function corrected(text: string, words: string, name: string): string {
  const at = words ? text.toLowerCase().indexOf(words.toLowerCase()) : -1;
  return at < 0 ? `${name}, ${text}` : `${text.slice(0, at)}${name}${text.slice(at + words.length)}`;
}

/** Where a line is read as what is in the house already. */
export const asItIs = (line: string): string => `/shelves/coming-in?line=${encodeURIComponent(line.trim())}`;
