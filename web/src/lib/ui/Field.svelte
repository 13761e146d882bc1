<!-- A labelled field with its error beside it. -->
<script lang="ts">
  import type { Wrong } from "$lib/api/client";

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
    value: string | number;
    wrong?: Wrong;
    type?: "text" | "number" | "date" | "time";
    hint?: string;
    placeholder?: string;
    onchange?: () => void;
  } = $props();

  const id = $props.id();
  const error = $derived(wrong[name]?.message);
</script>

<div>
  <label for={id} class="head block">{label}</label>
  <input
    {id}
    {type}
    {name}
    {placeholder}
    step={type === "number" ? "any" : undefined}
    class="field mt-1"
    bind:value
    {onchange}
    autocomplete="off"
    aria-invalid={error ? "true" : undefined}
    aria-describedby={error || hint ? `${id}-note` : undefined}
  />
  {#if error}
    <p id="{id}-note" class="wrong mt-1">{error}</p>
  {:else if hint}
    <p id="{id}-note" class="caption mt-1">{hint}</p>
  {/if}
</div>
