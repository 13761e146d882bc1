<!-- Hatches that mean the same wherever they are drawn: air, and the seal of a bag. Goes into <defs>. -->
<script lang="ts"></script>

<pattern id="air" width="9" height="9" patternUnits="userSpaceOnUse" patternTransform="rotate(35)">
  <path d="M0 4.500H9" stroke="var(--slate)" stroke-width="1" opacity=".34" />
</pattern>
<pattern id="seal" width="4" height="4" patternUnits="userSpaceOnUse">
  <path d="M0 0H4M0 0V4" stroke="var(--soft)" stroke-width=".7" opacity=".65" />
</pattern>
<pattern id="past" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(-45)">
  <path d="M0 3H6" stroke="var(--rust)" stroke-width="2.2" />
</pattern>
<pattern id="dots" width="5" height="5" patternUnits="userSpaceOnUse">
  <rect width="5" height="5" fill="var(--yolk)" />
  <circle cx="2.5" cy="2.5" r="1" fill="var(--label-ink)" />
</pattern>
