<!-- A picture of a package: the camera on a tablet, a file elsewhere. -->
<script lang="ts">
  import { whyNot } from "$lib/api/client";
  import { larder } from "$lib/state/larder.svelte";
  import { keepPhoto } from "./photo";
  import Camera from "@lucide/svelte/icons/camera";

  let { number, words = `Picture of number ${number}` }: { number: number; words?: string } = $props();

  let busy = $state(false);

  async function take(event: Event & { currentTarget: HTMLInputElement }) {
    const file = event.currentTarget.files?.[0];
    event.currentTarget.value = "";
    if (!file) return;
    busy = true;
    const of = number;
    const wrong = await keepPhoto(of, file);
    busy = false;
    if (wrong) larder.say(whyNot(wrong), "wrong");
    else larder.say(`The picture stands on the card of number ${of}`);
    await larder.changed();
  }
</script>

<label class="chip cursor-pointer focus-within:outline-3 focus-within:outline-slate {busy ? 'opacity-50' : ''}">
  <Camera size={18} aria-hidden="true" />{words}
  <input type="file" accept="image/*" capture="environment" class="sr-only" disabled={busy} onchange={take} />
</label>
