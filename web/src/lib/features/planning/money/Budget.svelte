<!-- What there is to spend: the week's sum, and what was carried over. -->
<script lang="ts">
  import { api, ask, basedOn, type Schemas, type Wrong } from "$lib/api/client";
  import { larder } from "$lib/state/larder.svelte";
  import { turns } from "$lib/state/turn";
  import Refusal from "$lib/ui/Refusal.svelte";

  let { list }: { list: Schemas["ListView"] } = $props();
  let typed = $state<string>();
  let wrong = $state<Wrong>({});

  const inTurn = turns();

  const keep = (weekly: string) => inTurn(weekly, () => tell(weekly));

  async function tell(weekly: string) {
    const done = await ask(api.PUT("/api/table/budget", { params: { header: basedOn(list.budget_version) }, body: { weekly } }));
    wrong = done.wrong ?? {};
    if (wrong.request) {
      wrong = { weekly: { message: `${wrong.request.message}: see what it is now, and type yours again`, nearest: [] } };
    } else if (done.wrong) return;
    if (typed === weekly) typed = undefined;
    await larder.changed();
  }
</script>

<label for="weekly" class="head block">To spend in a week</label>
<input
  id="weekly"
  data-find
  value={typed ?? list.budget?.weekly ?? ""}
  placeholder="25"
  inputmode="decimal"
  autocomplete="off"
  oninput={(event) => (typed = event.currentTarget.value)}
  onchange={(event) => keep(event.currentTarget.value)}
  aria-invalid={wrong.weekly ? "true" : undefined}
  aria-describedby={wrong.weekly ? "wrong-weekly" : undefined}
  class="w-full border-b-[3px] bg-transparent pb-1.5 font-name text-3xl font-extrabold outline-none {wrong.weekly
    ? 'border-rust'
    : 'border-yolk focus:border-ink'}"
/>
<Refusal {wrong} of="weekly" id="wrong-weekly" class="mt-1" />
{#if list.budget}
  <dl class="mt-3 grid gap-1.5">
    {#if list.budget.carried}<div class="flex justify-between gap-3">
        <dt class="text-soft">Carried over</dt>
        <dd class="font-semibold">{list.budget.carried}</dd>
      </div>{/if}
    {#if list.budget.spent}<div class="flex justify-between gap-3">
        <dt class="text-soft">Spent this week</dt>
        <dd class="font-semibold">−{list.budget.spent}</dd>
      </div>{/if}
    <div class="flex justify-between gap-3 border-t border-line pt-1.5">
      <dt>Available</dt>
      <dd class="font-name text-xl font-extrabold">{list.budget.at_hand}</dd>
    </div>
  </dl>
  <p class="caption mt-1">The week began on {list.budget.week_began}. What is not spent is carried over.</p>
{/if}
