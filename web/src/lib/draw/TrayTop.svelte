<!-- A tray from above, with what lies on it: pieces over as much of it as they cover. -->
<script lang="ts">
  let {
    width,
    depth,
    round = false,
    pattern,
    share = 0,
    dim = false,
  }: { width: number; depth: number; round?: boolean; pattern?: string; share?: number; dim?: boolean } = $props();

  const id = $props.id();
  const half = $derived({ x: width / 2, y: depth / 2 });
  /** Food lies in from the rim by so much: all the way at full cover. */
  const spread = $derived(Math.sqrt(Math.min(1, share)));
  const rim = 7;
</script>

<svg viewBox="-3 -3 {width + 6} {depth + 6}" class="w-full {dim ? 'opacity-40' : ''}" aria-hidden="true">
  <defs>
    <clipPath {id}>
      {#if round}
        <path
          clip-rule="evenodd"
          d="M{half.x} {half.y}m-{half.x - rim} 0a{half.x - rim} {half.x - rim} 0 1 0 {2 * (half.x - rim)} 0a{half.x - rim} {half.x - rim} 0 1 0 -{2 *
            (half.x - rim)} 0M{half.x} {half.y}m-{half.x * 0.2} 0a{half.x * 0.2} {half.x * 0.2} 0 1 0 {half.x * 0.4} 0a{half.x * 0.2} {half.x *
            0.2} 0 1 0 -{half.x * 0.4} 0"
        />
      {:else}
        <rect x={rim} y={rim} width={width - 2 * rim} height={depth - 2 * rim} rx="5" />
      {/if}
    </clipPath>
  </defs>
  {#if round}
    <circle cx={half.x} cy={half.y} r={half.x} fill="var(--lid)" stroke="var(--ink)" stroke-width="2" />
    <circle cx={half.x} cy={half.y} r={half.x - rim} fill="var(--foil)" />
  {:else}
    <rect {width} height={depth} rx="9" fill="var(--lid)" stroke="var(--ink)" stroke-width="2" />
    <rect x={rim} y={rim} width={width - 2 * rim} height={depth - 2 * rim} rx="5" fill="var(--foil)" />
  {/if}
  <g clip-path="url(#{id})">
    <rect {width} height={depth} fill="url(#mesh)" />
    {#if pattern && share > 0}
      <rect x={half.x - half.x * spread} y={half.y - half.y * spread} width={width * spread} height={depth * spread} rx={14} fill="url(#{pattern})" />
    {/if}
  </g>
  {#if round}
    <circle cx={half.x} cy={half.y} r={half.x - rim} fill="none" stroke="var(--ink)" stroke-width="1.3" />
    <circle cx={half.x} cy={half.y} r={half.x * 0.2} fill="var(--paper)" stroke="var(--ink)" stroke-width="1.5" />
  {:else}
    <rect x={rim} y={rim} width={width - 2 * rim} height={depth - 2 * rim} rx="5" fill="none" stroke="var(--ink)" stroke-width="1.3" />
  {/if}
</svg>
