/** A food, a mix or a fresh food of one's own by its key; none of the table's. */
export function ownOf(key: string): { mix: boolean; number: number } | undefined {
  const [, kind, number] = /^(own|mix)-(\d+)$/.exec(key) ?? [];
  return number ? { mix: kind === "mix", number: Number(number) } : undefined;
}
