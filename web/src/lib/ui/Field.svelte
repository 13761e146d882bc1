<!-- A labelled field with its error beside it. -->
<script lang="ts">
  import type { Wrong } from "$lib/api/client";
  import { renamed } from "$lib/format/words";
  import Nearest from "./Nearest.svelte";
  import { TypedNumber } from "./typed.svelte";

  let {
    label,
    name,
    value = $bindable(),
    wrong = {},
    type = "text",
    hint = "",
    placeholder = "",
    onchange,
  }: {
    label: string;
    name: string;
    /** A number is one as soon as it can be read as one; what cannot stays as it was typed. */
    value: string | number | null | undefined;
    wrong?: Wrong;
    type?: "text" | "number" | "date" | "time";
    hint?: string;
    placeholder?: string;
    onchange?: () => void;
  } = $props();

  const id = $props.id();
  const error = $derived(wrong[name]?.message);

  /** What no food is called, as it was typed. */
  const unknown = $derived(wrong[name]?.words ?? "");

  const number = new TypedNumber();
  const shown = () => (type === "number" ? number.shown(value) : String(value ?? ""));
  const write = (text: string) => (value = type === "number" ? number.read(text) : text);
</script>

<div>
  <label for={id} class="head block">{label}</label>
  <input
    {id}
    type={type === "number" ? "text" : type}
    inputmode={type === "number" ? "decimal" : undefined}
    {name}
    {placeholder}
    class="field mt-1"
    bind:value={shown, write}
    {onchange}
    autocomplete="off"
    aria-invalid={error ? "true" : undefined}
    aria-describedby={error || hint ? `${id}-note` : undefined}
  />
  {#if error}
    <p id="{id}-note" class="wrong mt-1">{error}</p>
    {#if shown().includes(unknown)}<Nearest names={wrong[name]?.nearest} onname={(meant) => write(renamed(shown(), unknown, meant))} />{/if}
  {:else if hint}
    <p id="{id}-note" class="caption mt-1">{hint}</p>
  {/if}
</div>
