// A load as it is put together, and what the larder proposes for it.
import { api, type Schemas } from "$lib/api/client";
import { Lines } from "$lib/state/lines.svelte";

export type Item = Schemas["Item"];

export const fresh = (line = ""): Item => ({ line, thickness: "", treatments: [], water: null, cost: "" });

export const load = new Lines<Item, Schemas["LoadAsk"], Schemas["LoadPlan"]>(
  "trays",
  { items: [fresh()], machine: "cabinet", air_c: null, tray: "" },
  fresh,
  (body) => api.POST("/api/drying/plan", { body }),
);
