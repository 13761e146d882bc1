// Places as they usually are: what a new one begins with.
import type { Schemas } from "$lib/api/client";
import { feltAs } from "$lib/features/household/warmth";
import { capital } from "$lib/format/words";

export type NewPlace = Required<Schemas["NewPlace"]>;

const CUPBOARD: NewPlace = { name: "", sort: "cupboard", shelves: 3, width_mm: 1200, mean_c: 16, warmest_c: 22, warmest_month: 7, humidity: 0.5, dark: false };

/** How cold what is always cold usually is. */
const COLD: Record<string, Partial<NewPlace>> = {
  fridge: { mean_c: 4, warmest_c: 5, humidity: 0.7, dark: true },
  freezer: { mean_c: -18, warmest_c: -17, humidity: 0.7, dark: true },
};
const COOL: Record<string, Partial<NewPlace>> = { cellar: { ...feltAs("cool"), humidity: 0.7, dark: true } };

/** A new place before anything is known of it. */
export const fresh = (): NewPlace => ({ ...CUPBOARD });

/** What changes when it is of some sort: fridges and freezers are alike everywhere. */
export const asSort = (sort: string): Partial<NewPlace> => ({ sort, ...COLD[sort] });

/** A place of some sort, called so, as it usually is. */
export const usualPlace = (sort: string): NewPlace => ({ ...CUPBOARD, ...COLD[sort], ...COOL[sort], sort, name: capital(sort) });
