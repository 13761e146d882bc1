// What is done at a jar, from the jars and from the round alike.
import { api, ask, type Schemas, whyNot } from "$lib/api/client";
import { larder } from "$lib/state/larder.svelte";

export async function shake(number: number, look: Schemas["Look"]): Promise<void> {
  const done = await ask(api.POST("/api/drying/jars/{number}/look", { params: { path: { number } }, body: { look } }));
  if (done.wrong) larder.say(whyNot(done.wrong), "wrong");
  else if (done.data === "back in the dryer") larder.say("Back into the dryer with it; the count starts again.");
  else if (done.data === "done" && look === "free") larder.say("Done: it is conditioned.");
  await larder.changed();
}

export async function step(number: number, what: "back" | "empty"): Promise<void> {
  const params = { params: { path: { number } } };
  await larder.tell(what === "back" ? ask(api.POST("/api/drying/jars/{number}/back", params)) : ask(api.POST("/api/drying/jars/{number}/empty", params)));
}
