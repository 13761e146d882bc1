/** What lies over a page: fetched in one piece, and after the page. */
export { default as SheetBody } from "./SheetBody.svelte";
export { default as Unreached } from "./Unreached.svelte";
