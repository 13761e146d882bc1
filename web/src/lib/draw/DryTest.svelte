<!-- How a food shows that it is dry: it snaps, bends like leather, crumbles, rings hard, or cracks without breaking. -->
<script lang="ts">
  let { test }: { test: string } = $props();
</script>

<svg viewBox="0 0 240 130" class="w-full max-w-72" aria-hidden="true" stroke-linecap="round" stroke-linejoin="round">
  <path d="M14 118H226" stroke="var(--ink)" stroke-width="2.4" />
  <path d="M40 122H190" stroke="var(--line)" stroke-width="2" />
  {#if test === "snaps"}
    <g stroke="var(--ink)" stroke-width="2.2" fill="var(--bean-pod)">
      <path d="M34 74L104 56L110 60L105 64L111 69L106 74L38 92Q28 86 34 74Z" />
      <path d="M206 74L136 56L130 60L135 64L129 69L134 74L202 92Q212 86 206 74Z" />
    </g>
    <path d="M48 80L92 68M192 80L148 68" stroke="var(--bean-pod-dark)" stroke-width="1.6" fill="none" />
    <path d="M120 44V24M104 46L94 30M136 46L146 30" stroke="var(--yolk)" stroke-width="5" />
    <text x="120" y="108" text-anchor="middle" font-size="17" font-weight="800" font-family="Bitter Variable" fill="var(--ink)">snap</text>
  {:else if test === "leather"}
    <path d="M62 112C54 60 84 22 120 22S186 60 178 112L160 112C166 70 146 42 120 42S74 70 80 112Z" fill="var(--pear)" stroke="var(--ink)" stroke-width="2.2" />
    <path d="M71 106C66 64 92 32 120 32S174 64 169 106" fill="none" stroke="var(--pear-dark)" stroke-width="1.6" stroke-dasharray="1 7" />
    <path d="M40 62C34 70 34 78 38 86M200 62C206 70 206 78 202 86" stroke="var(--soft)" stroke-width="2.4" fill="none" />
    <path d="M113 62C119 71 123 74 123 79A6.500 6.500 0 0 1 110 79C110 74 110 70 113 62Z" fill="none" stroke="var(--slate)" stroke-width="2.2" />
    <path d="M102 90L134 62" stroke="var(--rust)" stroke-width="3.4" />
    <text x="120" y="110" text-anchor="middle" font-size="14" font-weight="700" fill="var(--ink)">no drop</text>
  {:else if test === "crumbles"}
    <path d="M84 20C112 8 150 22 158 46C130 58 94 50 84 20Z" fill="var(--herb)" stroke="var(--ink)" stroke-width="2.2" />
    <path d="M84 20C110 28 134 36 158 46" stroke="var(--herb-dark)" stroke-width="1.5" fill="none" />
    <g fill="var(--herb)" stroke="var(--ink)" stroke-width="1.3">
      {#each [[88, 70, 10], [104, 84, -20], [118, 72, 40], [132, 88, 5], [146, 74, -35], [98, 102, 60], [122, 104, 15], [142, 106, -50], [112, 112, 0], [158, 98, 30], [82, 110, 20]] as [x, y, turn] (`${x}${y}`)}
        <path d="M-6 0L-1 -4L6 -1L2 4Z" transform="translate({x} {y}) rotate({turn})" />
      {/each}
    </g>
    <path d="M70 40C62 44 58 50 60 58M174 56C182 58 186 64 184 72" stroke="var(--soft)" stroke-width="2.4" fill="none" />
  {:else if test === "hard"}
    <path d="M40 100Q120 128 200 100L192 114Q120 134 48 114Z" fill="var(--glass)" stroke="var(--ink)" stroke-width="2.2" />
    <g fill="var(--maize)" stroke="var(--ink)" stroke-width="1.8">
      {#each [[100, 98, 0], [128, 103, 30], [150, 97, 70], [116, 62, 20], [140, 40, -20]] as [x, y, turn] (`${x}${y}`)}
        <path d="M-7 -6C-2 -9 6 -8 8 -2C9 4 3 9 -3 8C-8 7 -10 -4 -7 -6Z" transform="translate({x} {y}) rotate({turn})" />
      {/each}
    </g>
    <path d="M116 76V84M140 56V72" stroke="var(--soft)" stroke-width="2" stroke-dasharray="2 5" />
    <path d="M84 82L72 72M92 74L86 60M166 80L178 70" stroke="var(--yolk)" stroke-width="4.500" />
    <text x="58" y="52" font-size="19" font-weight="800" font-family="Bitter Variable" fill="var(--ink)">ping</text>
  {:else}
    <path d="M30 96C50 40 90 24 118 22L124 40C98 44 66 60 48 104Z" fill="var(--meat)" stroke="var(--ink)" stroke-width="2.2" />
    <path d="M210 96C190 40 150 24 122 22L124 40C142 44 174 60 192 104Z" fill="var(--meat)" stroke="var(--ink)" stroke-width="2.2" />
    <path d="M118 22L123 30L117 34L124 40" stroke="var(--food-paper)" stroke-width="2.6" fill="none" />
    <path d="M106 26L109 38M134 26L133 38M94 32L98 42M147 31L144 42" stroke="var(--meat-light)" stroke-width="1.6" />
    <text x="120" y="88" text-anchor="middle" font-size="14" font-weight="700" fill="var(--ink)">cracks, holds on</text>
  {/if}
</svg>
