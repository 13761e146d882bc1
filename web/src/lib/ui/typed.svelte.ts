// A number while somebody types it: what stands in the field stays as it was typed, as long as that means the value.
import { readNumber } from "$lib/format/numbers";

export class TypedNumber {
  #text = $state("");

  /** What stands in the field: "2,5" stays "2,5"; a value that came from elsewhere is said plainly. */
  shown(value: string | number | null | undefined): string {
    return readNumber(this.#text) === (value ?? null) ? this.#text : String(value ?? "");
  }

  /** What was typed, as the number that it is; what is none stays as it was typed. */
  read(text: string): number | string | null {
    this.#text = text;
    return readNumber(text);
  }
}
