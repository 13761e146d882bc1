// Small words.

/** With a capital letter, to begin a line. */
export const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);
