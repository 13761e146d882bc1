/** So many packages of those that are just alike, the one that is looked at first. */
export const someOf = (number: number, alike: readonly number[], count: number): number[] =>
  [number, ...alike.filter((each) => each !== number)].slice(0, Math.max(1, count));
