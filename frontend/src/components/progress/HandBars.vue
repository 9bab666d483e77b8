<script setup lang="ts">
import type { Schemas } from '@/api/client'

/** Both hands side by side: successes of tries, all sessions together. */
defineProps<{ hands: Schemas['HandOut'][] }>()
</script>

<template>
  <figure v-if="hands.length">
    <figcaption>
      <strong>Both hands</strong> <span class="soft small">successes of tries, all sessions</span>
    </figcaption>
    <div v-for="h in hands" :key="h.hand" class="line">
      <span>{{ h.hand }}</span>
      <svg viewBox="0 0 100 12" preserveAspectRatio="none" aria-hidden="true">
        <rect width="100" height="12" class="all" />
        <rect :width="(100 * h.successes) / Math.max(1, h.tries)" height="12" class="won" />
      </svg>
      <strong>{{ h.successes }} of {{ h.tries }}</strong>
    </div>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
}
.line {
  display: grid;
  grid-template-columns: 44px 1fr auto;
  gap: 8px;
  align-items: center;
  min-height: 30px;
}
svg {
  width: 100%;
  height: 12px;
}
.all {
  fill: var(--board);
}
.won {
  fill: var(--ready);
}
</style>
