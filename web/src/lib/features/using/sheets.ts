/** What is done with a package on its card: fetched after the card. */
export { default as CloseAgain } from "./CloseAgain.svelte";
export { default as More } from "./More.svelte";
export { default as PourOver } from "./PourOver.svelte";
export { default as Take } from "./Take.svelte";
