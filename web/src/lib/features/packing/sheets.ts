/** The Bench's sheets that are large: fetched in one piece, and after the Bench. */
export { default as OwnFood } from "$lib/features/catalog/OwnFood.svelte";
export { default as Labels } from "$lib/features/shelves/Labels.svelte";
export { default as Containers } from "./Containers.svelte";
export { default as Propose } from "./Propose.svelte";
