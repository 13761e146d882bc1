<script lang="ts">
  import Page from "$lib/ui/Page.svelte";
  import { query } from "$lib/state/query.svelte";
  import { stayed } from "$lib/state/stayed";
  import { goto } from "$app/navigation";
  import { api, ask, type Schemas, whyNot } from "$lib/api/client";
  import Patterns from "$lib/draw/Patterns.svelte";
  import { draft, keepDraft, sinceTold } from "$lib/state/draft";
  import { larder } from "$lib/state/larder.svelte";
  import Group from "./Group.svelte";
  import Refusal from "$lib/ui/Refusal.svelte";

  type Felt = { feel?: Schemas["Feel"]; indicator: Schemas["Indicator"] };

  const seen = query((signal) => ask(api.GET("/api/rounds/looks", { signal })));
  const due = $derived(seen.data);
  let felt = $state<Record<number, Felt>>(draft("looks") ?? {});
  $effect(() => keepDraft("looks", Object.keys(felt).length ? $state.snapshot(felt) : undefined));
  let looked = $state<(Schemas["Looked"] & { food: string; mass: string })[]>([]);
  let failed = $state("");

  const groups = $derived(
    Object.values(Object.groupBy(due ?? [], (each) => `${each.batch}-${each.food}-${each.container}-${each.due}`)).map((each) => each ?? []),
  );
  const said = $derived((due ?? []).filter((each) => felt[each.number]?.feel));
  const wrongs = $derived(looked.filter((each) => each.doing === "repack" || each.doing === "throw out"));
  const fine = $derived(looked.filter((each) => each.doing === "nothing" || each.doing === "look again"));

  function feel(numbers: number[], what: Partial<Felt>) {
    for (const number of numbers) felt[number] = { ...(felt[number] ?? { indicator: "not seen" }), ...what };
  }

  async function tell() {
    const looks = said.map((each) => ({ number: each.number, feel: felt[each.number]?.feel ?? "firm", indicator: felt[each.number]?.indicator ?? "not seen" }));
    const told = { ...felt };
    const names = new Map(said.map((each) => [each.number, each]));
    const { data, wrong } = await ask(api.POST("/api/rounds/looks", { body: { looks } }));
    failed = whyNot(wrong);
    if (!data) return;
    looked = [...looked, ...data.map((each) => ({ ...each, food: names.get(each.number)?.food ?? "", mass: names.get(each.number)?.mass ?? "" }))];
    felt = sinceTold(felt, told, {});
    await larder.changed();
  }

  async function empty(each: (typeof looked)[number]) {
    const here = stayed();
    const { data, wrong } = await ask(api.POST("/api/rounds/looks/{number}/empty", { params: { path: { number: each.number } } }));
    failed = whyNot(wrong);
    if (data === undefined) return;
    await larder.changed();
    if (here()) await goto(`/bench?line=${encodeURIComponent(`${each.mass} ${each.food}`)}&lot=${data}`);
  }

  async function out(each: (typeof looked)[number]) {
    const { wrong } = await ask(api.POST("/api/shelves/throw-out", { body: { numbers: [each.number], why: each.felt } }));
    failed = whyNot(wrong);
    if (!wrong) looked = looked.filter((one) => one !== each);
    await larder.changed();
  }
</script>

<Page title="Checks" of={seen}>
  {#if due}
    <Patterns foods={due} scale={0.6} />
    <div class="flex flex-1 flex-col lg:min-h-0">
      <section aria-label="To check" class="mx-auto w-full max-w-5xl flex-1 px-4 pt-5 pb-6 sm:px-6 lg:overflow-y-auto">
        <a class="caption inline-flex min-h-11 items-center font-semibold underline" href="/rounds">Back to the rounds</a>
        <h1 class="text-5xl">{due.length ? "Press each one" : looked.length ? "All checked" : "Nothing to check today"}</h1>
        <p class="caption max-w-2xl">
          After a day and after a week: a firm bag holds, a loose one may, one that swells is thrown out unopened. Where the indicator can be seen, pink is
          good; blue, grey or purple has met oxygen.
        </p>
        <Refusal wrong={failed} class="mt-2" />
        {#each wrongs as each (each.number)}
          <article class="mt-4 rounded-xl border-2 border-rust p-4" aria-label="Number {each.number}">
            <h2 class="text-xl text-rust">Number {each.number}, {each.food}</h2>
            <p class="mt-1 text-lg leading-snug font-semibold">{each.says}</p>
            <p class="mt-1 leading-snug">{each.why} <span class="caption">({each.source})</span></p>
            <div class="mt-3 flex flex-wrap gap-3">
              {#if each.doing === "repack"}<button class="chip on" onclick={() => empty(each)}>Empty it: back to the bench</button>{/if}
              <button class="chip {each.doing === 'throw out' ? 'on' : ''}" onclick={() => out(each)}>Throw it out</button>
            </div>
          </article>
        {/each}
        {#if fine.length}<ul class="mt-3 grid gap-1">
            {#each fine as each (each.number)}<li class="leading-snug"><b>Number {each.number}, {each.food}:</b> {each.says}.</li>{/each}
          </ul>{/if}
        <div class="mt-3">
          {#each groups as packages (packages[0]?.number)}<Group {packages} {felt} onfeel={feel} />{/each}
        </div>
      </section>
      {#if due.length}
        <div class="sticky bottom-(--bar) border-t-2 border-ink bg-cream py-3">
          <div class="mx-auto flex max-w-5xl items-center justify-between gap-4 px-4 sm:px-6">
            <p class="font-semibold">{said.length} of {due.length} checked</p>
            <button class="do" disabled={!said.length} onclick={tell}>That is how they are</button>
          </div>
        </div>
      {/if}
    </div>
  {/if}
</Page>
