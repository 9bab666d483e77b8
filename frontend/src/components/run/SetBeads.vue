<script setup lang="ts">
import type { Tally } from '@/logic/tally'

/** How each try of a set went: a full bead alone, a ring with help, a square not yet. */
defineProps<{ row: Tally['row'] }>()
</script>

<template>
  <p class="row" aria-hidden="true"><span v-for="(how, i) in row" :key="i" :class="how"></span></p>
</template>

<style scoped>
.row {
  min-height: 22px;
  gap: 5px;
}
span {
  width: 20px;
  height: 20px;
  border-radius: 50%;
  background: var(--ready);
}
.helped {
  background: none;
  border: 5px solid var(--ready);
}
.missed {
  background: none;
  border: 2px solid var(--ink-soft);
  border-radius: 4px;
}
</style>
