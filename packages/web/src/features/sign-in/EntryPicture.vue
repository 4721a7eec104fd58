<script setup lang="ts">
/** A front bodice with its numbers, as it stands on the first page. */
</script>

<template>
  <svg viewBox="0 0 420 520" aria-hidden="true">
    <g fill="none" stroke="currentColor">
      <path d="M60 40V480M60 40H330M60 190H330M60 300H330M60 480H330M330 40V480" stroke-width="1" opacity=".45" />
      <path d="M60 92C96 92 116 72 124 40L282 68C268 110 262 140 262 156C262 178 286 190 330 190V480H60Z" stroke-width="3" />
      <path d="M124 30H60M124 25v10M60 25v10" stroke-width="1.5" />
    </g>
    <g font-size="15" fill="currentColor">
      <text x="36" y="46">0</text>
      <text x="36" y="98">18</text>
      <text x="128" y="34">10</text>
      <text x="288" y="66">17</text>
      <text x="240" y="152">12</text>
      <text x="338" y="194">5</text>
      <text x="338" y="305">7</text>
      <text x="338" y="485">8</text>
    </g>
  </svg>
</template>
