// Two people changed one record: what each of them wrote where they differ, in the words of the fields.
import { exact } from "$lib/format/numbers";

export interface Difference {
  field: string;
  label: string;
  mine: string;
  theirs: string;
}

const say = (value: unknown): string => {
  if (value === null || value === undefined || value === "") return "nothing";
  if (Array.isArray(value)) return value.map(say).join(", ") || "none";
  if (typeof value === "boolean") return value ? "yes" : "no";
  if (typeof value === "number") return exact(value);
  return String(value);
};

/** The fields that are not the same, by their labels; fields without a label are not shown to anybody. */
export function differing(mine: object, theirs: object, labels: Record<string, string>): Difference[] {
  const [ours, others] = [mine as Record<string, unknown>, theirs as Record<string, unknown>];
  return Object.entries(labels)
    .map(([field, label]) => ({ field, label, mine: say(ours[field]), theirs: say(others[field]) }))
    .filter((each) => each.mine !== each.theirs);
}
