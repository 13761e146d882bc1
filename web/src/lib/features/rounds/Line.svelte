<!-- One thing that is due, and the tap that does it. -->
<script lang="ts">
  import { goto } from "$app/navigation";
  import { api, ask, type Schemas, type Wrong, whyNot } from "$lib/api/client";
  import { patternOf } from "$lib/draw/pieces";
  import { larder } from "$lib/state/larder.svelte";
  import { stayed } from "$lib/state/stayed";
  import { date, day, when } from "$lib/format/when";
  import { shake, step } from "$lib/features/drying/jars/shake";

  let { task, ontooearly, ondone }: { task: Schemas["Task"]; ontooearly: (words: string) => void; ondone: (words: string) => void } = $props();

  type Kind = Schemas["TaskKind"];
  const GO: Partial<Record<Kind, string>> = {
    weigh: "Weigh it",
    test: "Is it dry?",
    "freeze-dryer": "Weigh it",
    "close-up": "Close it up",
    condition: "Into a jar",
    eat: "See it",
    look: "Check them",
    trouble: "Resolve",
    alarm: "See to it",
    supply: "Supplies",
    copy: "Copy now",
    seeds: "Test them",
  };
  const path = $derived({ params: { path: { number: task.number } } });
  const to = $derived(
    (
      {
        weigh: `/drying?load=${task.number}&now=${task.item}`,
        test: `/drying?load=${task.number}&now=${task.item}`,
        "freeze-dryer": "/drying/freeze",
        "close-up": "/drying/freeze",
        condition: "/drying/jars",
        eat: `/shelves?n=${task.number}`,
        look: "/rounds/looks",
        trouble: `/shelves?n=${task.number}`,
        alarm: `/shelves/place?n=${task.number}`,
        supply: "/supplies",
        seeds: "/shelves/seeds",
      } as Partial<Record<Kind, string>>
    )[task.kind],
  );

  async function tell(call: Promise<{ wrong?: Wrong }>) {
    const { wrong } = await call;
    if (wrong?.early) ontooearly(wrong.early.message);
    else if (wrong) larder.say(whyNot(wrong), "wrong");
    else ondone(`Done: ${task.title}`);
    await larder.changed();
  }

  /** Done at a jar. */
  async function at(jar: Promise<boolean>) {
    if (await jar) ondone(`Done: ${task.title}`);
  }

  let copying = $state(false);

  async function copy() {
    copying = true;
    await tell(ask(api.POST("/api/rounds/copy")));
    copying = false;
  }

  async function open() {
    const here = stayed();
    const done = await ask(api.POST("/api/freezer/{number}/open", { ...path, body: { early: false } }));
    if (done.wrong) return tell(Promise.resolve(done));
    await larder.changed();
    if (here()) await goto("/drying/freezer");
  }
</script>

<li class="grid grid-cols-[2.6rem_1fr] items-center gap-x-3.5 border-b border-line py-2.5 sm:grid-cols-[2.6rem_1fr_auto]">
  <svg viewBox="0 0 44 44" class="w-full" aria-hidden="true"
    ><circle
      cx="22"
      cy="22"
      r="20"
      fill={task.form ? `url(#${patternOf({ form: task.form, colour: task.colour ?? "" })})` : "var(--cream)"}
      stroke="var(--ink)"
      stroke-width="1.8"
    /></svg
  >
  <div class="min-w-0">
    <p class="text-lg leading-snug font-bold">{task.title}</p>
    <p class="text-md leading-snug text-soft">
      {task.detail} ·
      <span class="font-semibold {task.when === 'late' ? 'text-rust' : ''}"
        >{task.kind === "eat" && task.now ? `best by ${date(task.on)}` : task.at ? when(task.at) : day(task.on)}</span
      >
    </p>
  </div>
  <div class="flex flex-wrap gap-2 max-sm:col-start-2 max-sm:mt-1.5 sm:justify-end">
    {#if task.kind === "shake" && task.now}
      <button class="chip on" onclick={() => at(shake(task.number, "free"))}>Free</button>
      <button class="chip" onclick={() => at(shake(task.number, "clumped"))}>clumped</button>
      <button class="chip" onclick={() => at(shake(task.number, "stuck"))}>stuck</button>
      <button class="chip" onclick={() => at(shake(task.number, "droplets"))}>droplets</button>
    {:else if task.kind === "redry"}
      <button class="chip on" onclick={() => at(step(task.number, "back"))}>Back from the dryer</button>
    {:else if task.kind === "loosen" && task.now}
      <button class="chip on" onclick={() => tell(ask(api.POST("/api/drying/loads/{number}/loosen", { ...path, body: { item: task.item } })))}>Done</button>
    {:else if task.kind === "freezer-out" && task.now}
      <button class="chip on" onclick={() => tell(ask(api.POST("/api/freezer/{number}/out", { ...path, body: { early: false } })))}>It is out</button>
    {:else if task.kind === "freezer-open" && task.now}
      <button class="chip on" onclick={open}>Opened</button>
    {:else if task.kind === "copy"}
      <button class="chip on" disabled={copying} onclick={copy}>{copying ? "Copying …" : GO.copy}</button>
    {:else if to && task.now}
      <a class="chip {task.kind === 'eat' ? '' : 'on'}" href={to}>{GO[task.kind]}</a>
    {/if}
  </div>
</li>
