<script lang="ts">
  import Page from "$lib/ui/Page.svelte";
  import { query } from "$lib/state/query.svelte";
  import { goto } from "$app/navigation";
  import { api, ask, type Schemas } from "$lib/api/client";
  import Patterns from "$lib/draw/Patterns.svelte";
  import { counted } from "$lib/format/words";
  import { larder } from "$lib/state/larder.svelte";
  import Days from "./Days.svelte";
  import Line from "./Line.svelte";

  type Task = Schemas["Task"];
  /** The air in the room comes from a device, which may be silent: the round does not wait for it. */
  const air = query((signal) => ask(api.GET("/api/devices/room", { signal })), { everyMs: 60_000 });
  const seen = query((signal) => ask(api.GET("/api/rounds", { signal })), { key: "rounds", everyMs: 60_000 });
  const round = $derived(seen.data);
  const room = $derived(air.data);
  let early = $state("");
  /** What was done here last, told to whoever listens: its line is gone. */
  let done = $state("");

  const of = (when: Schemas["When"]) => round?.due.filter((task) => task.when === when) ?? [];
  const ready = $derived(round?.to_do ?? 0);
  /** Of what is due today some has its hour still to come. */
  const later = (tasks: Task[]) => tasks.filter((task) => task.when === "today" && !task.now).length;
  const groups = $derived(
    (
      [
        ["Late", of("late")],
        ["Today", of("today")],
        ["Coming", of("ahead")],
      ] as [string, Task[]][]
    ).filter(([, tasks]) => tasks.length),
  );
</script>

<Page title="Rounds" of={seen}>
  {#if round}
    <Patterns foods={round.due.filter((task) => task.form).map((task) => ({ form: task.form ?? "", colour: task.colour ?? "" }))} scale={0.6} />
    <div class="grid min-h-0 flex-1 grid-cols-1 content-start md:grid-cols-[1fr_17rem] lg:grid-cols-[1fr_21rem] lg:grid-rows-1">
      <section aria-label="What is due" class="min-w-0 px-4 pt-5 pb-8 sm:px-6 lg:overflow-y-auto">
        <h1 class="text-5xl">{ready ? `${counted(ready, "thing")} to do` : round.due.length ? "All done for now" : "Nothing is due"}</h1>
        <p class="caption">
          {new Date().toLocaleDateString("en-GB", { weekday: "long", day: "numeric", month: "long" })}{round.late ? ` · ${round.late} late` : ""}
        </p>
        <p class="sr-only" role="status">{done && `${done}. ${ready ? `${ready} left` : "That was the last"}`}</p>
        {#each groups as [name, tasks] (name)}
          <h2 class="mt-5 flex items-baseline gap-2 border-b-2 border-ink pb-1 text-xl {name === 'Late' ? 'text-rust' : ''}">
            {name}
            <span class="font-sans text-md font-semibold text-soft"
              >{later(tasks) ? `${tasks.length - later(tasks)} now, ${later(tasks)} later` : tasks.length}</span
            >
          </h2>
          <ul>
            {#each tasks as task (`${task.kind}-${task.number}-${task.item}-${task.at ?? task.on}`)}<Line
                {task}
                ontooearly={(words) => (early = words)}
                ondone={(words) => (done = words)}
              />{/each}
          </ul>
        {/each}
        {#if !round.due.length}
          <div class="mx-auto max-w-xl pt-8 text-center">
            <svg viewBox="0 0 220 130" class="mx-auto w-56" aria-hidden="true">
              <path d="M20 112H200" stroke="var(--ink)" stroke-width="2.4" stroke-linecap="round" />
              <path d="M58 112V62Q58 50 70 50H112Q124 50 124 62V112Z" fill="var(--glass)" stroke="var(--ink)" stroke-width="2.4" />
              <rect x="64" y="38" width="54" height="13" rx="3" fill="var(--lid)" stroke="var(--ink)" stroke-width="2" />
              <path d="M60 84H122V110H60Z" fill="var(--straw)" /><path d="M60 84Q76 79 91 84T122 84" fill="none" stroke="var(--ink)" stroke-width="1.4" />
              <path d="M146 112C140 92 150 84 162 84S186 94 178 112Z" fill="var(--yolk)" stroke="var(--ink)" stroke-width="2.2" />
              <path d="M170 86C176 74 190 78 188 88C186 94 178 94 176 92" fill="var(--yolk)" stroke="var(--ink)" stroke-width="2.2" />
              <path d="M188 84L197 87L188 90" fill="var(--rust)" stroke="var(--ink)" stroke-width="1.4" />
            </svg>
            <p class="mt-3 text-lg">
              Jars to shake, trays to weigh, bags to take out of the freezer and food to eat next will stand here, each done in one tap.
            </p>
            {#if larder.overview && !larder.overview.kept}
              <div class="mt-5 flex flex-wrap justify-center gap-3">
                <a class="do" href="/start">Begin here</a><a class="chip" href="/shelves/coming-in">Add what is there already</a>
                <a class="chip" href="/bench">Pack something</a><a class="chip" href="/drying">Dry something</a>
              </div>
            {:else}
              <div class="mt-5 flex flex-wrap justify-center gap-3">
                <a class="do" href="/drying">Lay out a load</a><a class="chip" href="/bench">or pack something</a>
              </div>
            {/if}
          </div>
        {/if}
      </section>

      <aside aria-label="The days ahead" class="border-line px-4 pt-5 pb-6 sm:px-6 md:border-l lg:overflow-y-auto">
        <h2 class="text-2xl">The days ahead</h2>
        <Days due={round.due} />
        <div class="mt-6 rounded-xl bg-cream px-4 py-3">
          <p class="head">The room</p>
          <p class="text-lg font-semibold {room && !room.reads ? 'text-rust' : ''}">{room?.text ?? "…"}</p>
          <p class="caption mt-0.5">
            {#if room && !room.there}
              As you wrote it under Household; no probe is connected.
            {:else}
              {room?.reads ? "Loads and freeze-dried food are calculated with it." : "What the household says of its room is used instead."}{room?.simulated
                ? " A simulated probe."
                : ""}
            {/if}
          </p>
        </div>
        <div class="mt-5">
          <p class="head">In your own calendar</p>
          <p class="mt-1 text-md leading-snug">Subscribe in your calendar:</p>
          <a class="chip mt-2" href="/api/rounds/rounds.ics" download="rounds.ics">Calendar file</a>
          <button
            class="chip mt-2"
            onclick={() =>
              navigator.clipboard.writeText(`${location.origin}/api/rounds/rounds.ics`).then(
                () => larder.say("Copied. Add it to a calendar as one to follow."),
                () => larder.say(`${location.origin}/api/rounds/rounds.ics`),
              )}>Copy its address</button
          >
        </div>
      </aside>
    </div>
  {/if}
  {#if early}
    <div
      role="alertdialog"
      aria-label="Too soon"
      class="fixed inset-x-4 bottom-[calc(var(--bar)+1rem)] z-30 mx-auto max-w-lg rounded-xl border-2 border-rust bg-paper p-4 shadow-lg"
    >
      <p class="leading-snug font-semibold">{early}</p>
      <div class="mt-3 flex gap-3">
        <button class="do" onclick={() => (early = "")}>Leave it</button><button class="chip" onclick={() => ((early = ""), goto("/drying/freezer"))}
          >See the freezer</button
        >
      </div>
    </div>
  {/if}
</Page>
