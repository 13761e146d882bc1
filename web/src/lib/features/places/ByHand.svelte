<!-- A thermometer read by somebody, or the hygrometer asked. -->
<script lang="ts">
  import { api, ask, type Wrong, whyNot } from "$lib/api/client";
  import { sinceTold } from "$lib/state/draft";
  import { larder } from "$lib/state/larder.svelte";
  import Degrees from "$lib/ui/Degrees.svelte";
  import Field from "$lib/ui/Field.svelte";
  import Refusal from "$lib/ui/Refusal.svelte";

  let { number }: { number: number } = $props();

  let celsius = $state<number | null>(null);
  let percent = $state<number | string | null>(null);
  let day = $state("");
  let hour = $state("");
  let wrong = $state<Wrong>({});

  /** When it was read: now, unless another day or an hour is typed. */
  function moment(): string | undefined {
    const today = new Date().toLocaleDateString("en-CA");
    if (!hour && (!day || day === today)) return undefined;
    return new Date(`${day || today}T${hour || "12:00"}`).toISOString();
  }

  async function save(event: SubmitEvent) {
    event.preventDefault();
    const humidity = typeof percent === "number" ? percent / 100 : percent;
    const told = { celsius, percent, day, hour };
    const body = { temperature_c: celsius as number, humidity: humidity as number | null, at: moment() };
    const done = await ask(api.POST("/api/places/{number}/thermometer", { params: { path: { number } }, body }));
    wrong = done.wrong ?? {};
    if (done.wrong) return;
    larder.say("The reading is kept");
    ({ celsius, percent, day, hour } = sinceTold({ celsius, percent, day, hour }, told, { celsius: null, percent: null, day: "", hour: "" }));
    await larder.changed();
  }

  async function measure() {
    const { data, wrong: failed } = await ask(api.GET("/api/devices/room"));
    if (typeof data?.temperature_c === "number") {
      celsius = Math.round(data.temperature_c * 10) / 10;
      percent = Math.round((data.humidity ?? 0) * 100);
    } else larder.say(data ? data.text : whyNot(failed), "wrong");
  }
</script>

<h2 class="mt-7 text-2xl">Read by hand</h2>
<form class="mt-2 grid grid-cols-2 gap-3" onsubmit={save} novalidate>
  <Degrees label="Thermometer" name="temperature_c" bind:celsius={celsius as number} {wrong} />
  <Field label="Humidity, %" name="humidity" type="number" bind:value={percent} {wrong} />
  <Field label="Day, today if empty" name="at" type="date" bind:value={day} {wrong} />
  <Field label="Hour, now if empty" name="hour" type="time" bind:value={hour} />
  <Refusal {wrong} of="request" class="col-span-2" />
  <div class="col-span-2 flex flex-wrap gap-2">
    <button class="chip on" type="submit">Keep it</button>
    {#if larder.overview?.connected.hygrometer}<button class="chip" type="button" onclick={measure}>Ask the hygrometer</button>{/if}
  </div>
</form>
<p class="caption mt-2">Once a day is enough; between two readings a day apart, a straight line counts.</p>
