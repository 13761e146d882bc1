// The keys, in one table: what they do, and the sheet that lists them.
import { PLACES } from "./places";

const THE: Record<string, string> = { Table: "the Table", Bench: "the Bench", Run: "the Run", Shelves: "the Shelves", Guide: "the Guide" };

export const KEYS: [string, string][] = [
  ...PLACES.map((place): [string, string] => [`g then ${place.key}`, `go to ${THE[place.name] ?? place.name}`]),
  ["Space", "in a run: the next one is closed"],
  ["n", "to the line on the bench, to type another"],
  ["/", "find"],
  ["Ctrl + Z", "undo the last change"],
  ["arrow keys on the yellow handle", "move the headspace"],
  ["Enter on a container", "open its card"],
  ["m on a container", "move it"],
  ["?", "this list"],
];

export interface Doings {
  go(path: string): void;
  fresh(): void;
  find(): void;
  undo(): void;
  help(): void;
}

const OFF = "yellow-larder-keys-off";

/** Whether single letters do something: not for whoever speaks to the machine, or rests a hand on the keys. */
export const singleKeys = (): boolean => localStorage.getItem(OFF) === null;
export const setSingleKeys = (on: boolean): void => (on ? localStorage.removeItem(OFF) : localStorage.setItem(OFF, "1"));

/** Listen for the keys; while somebody types in a field only Ctrl+Z of that field is theirs. */
export function listen(doings: Doings): () => void {
  let afterG = false;
  const onKey = (event: KeyboardEvent) => {
    const typing = (event.target as HTMLElement).closest("input, textarea, select, [contenteditable]");
    if (typing || document.querySelector("[role=dialog]")) return;
    if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === "z" && !event.shiftKey) {
      event.preventDefault();
      doings.undo();
    }
    if (event.ctrlKey || event.metaKey || event.altKey || !singleKeys()) return;
    const place = afterG ? PLACES.find((each) => each.key === event.key) : undefined;
    afterG = event.key === "g";
    if (place) doings.go(place.href);
    else if (event.key === "n") doings.fresh();
    else if (event.key === "/") doings.find();
    else if (event.key === "?") doings.help();
    else return;
    event.preventDefault();
  };
  addEventListener("keydown", onKey);
  return () => removeEventListener("keydown", onKey);
}
