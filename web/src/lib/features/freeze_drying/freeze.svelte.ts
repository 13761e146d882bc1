// A load for the freeze dryer as it is put together, and how it would run.
import { api, type Schemas } from "$lib/api/client";
import { Lines } from "$lib/state/lines.svelte";

const fresh = (line = ""): Schemas["FreezeItem"] => ({ line, frozen: true });

export const freezeLoad = new Lines<Schemas["FreezeItem"], Schemas["FreezeLoadAsk"], Schemas["FreezeLoadPlan"]>(
  "freeze-dryer",
  { items: [fresh()], dryer: "fd-medium" },
  fresh,
  (body) => api.POST("/api/drying/freeze/plan", { body }),
);
