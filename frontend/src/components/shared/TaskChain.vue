<script setup lang="ts">
import type { Schemas } from '@/api/client'

/** A daily task as its steps, and who does each now. */
defineProps<{ chain: Schemas['ChainStepOut'][] }>()
const WHO = { adult: 'you', taught: 'teach', alone: 'alone' } as const
</script>

<template>
  <ol class="chain small" aria-label="Steps, and who does each">
    <li v-for="(step, i) in chain" :key="i" :class="step.who">
      <span class="who">{{ WHO[step.who] }}</span> {{ step.words }}
    </li>
  </ol>
</template>

<style scoped>
.chain {
  list-style: none;
  margin: 6px 0 0;
  padding: 0;
  display: grid;
  gap: 2px;
}
.who {
  display: inline-block;
  min-width: 46px;
  text-align: center;
  border: 1px solid var(--line-strong);
  border-radius: 6px;
  margin-right: 6px;
}
.taught {
  font-weight: 700;
}
.taught .who {
  background: var(--brass-soft, var(--caution-soft));
}
.alone .who {
  background: var(--water);
  color: var(--sheet);
}
</style>
