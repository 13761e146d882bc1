// What is opened of many while nobody says what: it stays open, though another would be opened by now.

interface Numbered {
  number: number;
}

/**
 * A choice that keeps to what it chose: what is asked for, else what it chose before while that is there, else what is
 * usual now.
 */
export function keeping<T extends Numbered>(): (all: readonly T[], asked: number | undefined, usual: T | undefined) => T | undefined {
  let before: number | undefined;
  return (all, asked, usual) => {
    const found = (wanted: number | undefined) => all.find((each) => each.number === wanted);
    const one = found(asked) ?? found(before) ?? usual;
    before = one?.number;
    return one;
  };
}
