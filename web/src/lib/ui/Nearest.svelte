<!-- What was perhaps meant by words that are not known: pressed, it stands in their place. -->
<script lang="ts">
  let { names, onname }: { names: readonly string[] | undefined; onname: (name: string) => void } = $props();

  const id = $props.id();
</script>

{#if names?.length}
  <div class="mt-1 flex flex-wrap items-center gap-1.5" role="group" aria-labelledby={id}>
    <span {id} class="caption">Did you mean</span>
    {#each names as name (name)}<button type="button" class="chip !px-3" onclick={() => onname(name)}>{name}</button>{/each}
  </div>
{/if}
