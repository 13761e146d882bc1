<!-- A data logger's file: picked, read, and what was read of it. -->
<script lang="ts">
  import { api, AS_IT_IS, ask, type Schemas, type Wrong } from "$lib/api/client";
  import { larder } from "$lib/state/larder.svelte";
  import Choice from "$lib/ui/Choice.svelte";
  import FileUp from "@lucide/svelte/icons/file-up";
  import Refusal from "$lib/ui/Refusal.svelte";

  let { number, measured }: { number: number; measured: string } = $props();

  /** What was picked last, kept for when the larder asks something about it. */
  let file = $state.raw<File>();
  let wrong = $state<Wrong>({});
  let read = $state.raw<Schemas["LogRead"]>();
  let busy = $state(false);

  const LOOKS_LIKE: readonly [NonNullable<Asked["degrees"]>, string][] = [
    ["°C", "°C"],
    ["°F", "°F"],
  ];
  const ORDERS: readonly [NonNullable<Asked["order"]>, string][] = [
    ["day first", "day first: 5/7 is in July"],
    ["month first", "month first: 5/7 is in May"],
  ];
  type Asked = { degrees?: Schemas["Degrees"]; order?: Schemas["DayOrder"] };
  let said = $state<Asked>({});

  function picked(event: Event & { currentTarget: HTMLInputElement }) {
    const found = event.currentTarget.files?.[0];
    event.currentTarget.value = "";
    if (!found) return;
    file = found;
    said = {};
    void send();
  }

  async function send() {
    if (!file) return;
    busy = true;
    read = undefined;
    const done = await ask(
      api.POST("/api/places/{number}/log", {
        params: { path: { number }, query: said },
        headers: { "Content-Type": "text/csv" },
        body: file as unknown as string,
        ...AS_IT_IS,
      }),
    );
    busy = false;
    wrong = done.wrong ?? {};
    if (!done.data) return;
    read = done.data;
    larder.say(`Read: ${done.data.says}`);
    await larder.changed();
  }

  function answer(more: Asked) {
    said = { ...said, ...more };
    void send();
  }
</script>

<h2 class="mt-7 text-2xl">Read a log</h2>
<p class="caption mt-1">The file of any data logger, as CSV: times, temperatures, and humidity if it has it. Read the same hours again, and they count once.</p>
<label class="chip mt-3 cursor-pointer focus-within:outline-3 focus-within:outline-slate {busy ? 'opacity-50' : ''}">
  <FileUp size={18} aria-hidden="true" />{busy ? "Reading …" : "Pick its file"}
  <input type="file" accept=".csv,.txt,.tsv,text/csv,text/plain" class="sr-only" disabled={busy} onchange={picked} />
</label>
{#if measured}<a class="ml-3 font-semibold text-soft underline" href="/api/places/{number}/log.csv" download>Save it as CSV</a>{/if}
{#if wrong.degrees}
  <Refusal {wrong} of="degrees" class="mt-3" />
  <Choice label="Its degrees" options={LOOKS_LIKE} value={undefined} onset={(degrees) => answer({ degrees })} />
{:else if wrong.order}
  <Refusal {wrong} of="order" class="mt-3" />
  <Choice label="Its dates" options={ORDERS} value={undefined} onset={(order) => answer({ order })} />
{:else}
  <Refusal {wrong} class="mt-3" />
{/if}
{#if read}
  <p class="mt-3 font-semibold" role="status">{read.says}</p>
  {#each read.marks as mark, n (n)}<p class="text-md text-soft">{mark}</p>{/each}
{/if}
