// What is done at a jar, from the jars and from the round alike.
import { api, ask, type Schemas, whyNot } from "$lib/api/client";
import { larder } from "$lib/state/larder.svelte";

/** A jar was shaken; whether the larder took it. */
export async function shake(number: number, look: Schemas["Look"]): Promise<boolean> {
  const done = await ask(api.POST("/api/drying/jars/{number}/look", { params: { path: { number } }, body: { look } }));
  if (done.wrong) larder.say(whyNot(done.wrong), "wrong");
  else if (done.data === "back in the dryer") larder.say("Back into the dryer with it; the count starts again.");
  else if (done.data === "done" && look === "free") larder.say("Done: it is conditioned.");
  await larder.changed();
  return !done.wrong;
}

/** It is back from the dryer, or out of its jar; whether the larder took it. */
export async function step(number: number, what: "back" | "empty"): Promise<boolean> {
  const params = { params: { path: { number } } };
  const path = what === "back" ? ask(api.POST("/api/drying/jars/{number}/back", params)) : ask(api.POST("/api/drying/jars/{number}/empty", params));
  return !(await larder.tell(path)).wrong;
}
