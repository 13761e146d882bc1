// Which labels this screen prints on: a matter of the printer that stands beside it.
const KEPT = "yellow-larder-labels";

export const keptLayout = (): string => localStorage.getItem(KEPT) ?? "plain";
export const keepLayout = (key: string): void => localStorage.setItem(KEPT, key);

/** The sheet of a packing on the labels kept to; nothing where they are no sheet, or not one of the known. */
export function sheetOf(batch: number): string {
  const key = keptLayout();
  return key === "own" || key.startsWith("roll") ? "" : `/api/labels.pdf?batch=${batch}&layout=${key}`;
}
