import type { Schemas } from "$lib/api/client";

/** How a container is closed, in words. */
export const CLOSINGS: Record<Schemas["Closing"], string> = { absorber: "with fresh absorbers", vacuum: "under vacuum", lid: "lid or zip, as it is" };
