<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import VerdictSign from './VerdictSign.vue'

const { items } = defineProps<{ items: Schemas['LeftOutOut'][] }>()
const kinds: Record<string, string> = {
  barred: 'Barred for this child', hand: 'For the other hand', short: 'Not enough of it', missing: 'Something missing',
  too_hard: 'Too hard yet', too_easy: 'Too easy by now', not_chosen: 'Fits, not chosen', excluded: 'Taken out',
}
const groups = computed(() =>
  Object.entries(kinds)
    .map(([kind, words]) => ({ kind, words, items: items.filter((i) => i.kind === kind) }))
    .filter((g) => g.items.length),
)
</script>

<template>
  <section class="left-out" aria-label="Left out, and why">
    <h3>Left out, and why</h3>
    <details v-for="g in groups" :key="g.kind" :open="g.kind === 'barred'">
      <summary><VerdictSign v-if="g.kind === 'barred'" status="barred" /> {{ g.words }} <span class="soft">{{ g.items.length }}</span></summary>
      <ul>
        <li v-for="item in g.items" :key="item.family"><strong>{{ item.name }}</strong> {{ item.reason }} <span class="soft">{{ item.remedy }}</span></li>
      </ul>
    </details>
  </section>
</template>

<style scoped>
summary {
  cursor: pointer;
  min-height: 34px;
  display: flex;
  align-items: center;
  gap: 8px;
}
summary::before {
  content: '▸';
  width: 1em;
}
details[open] summary::before {
  content: '▾';
}
ul {
  margin: 0 0 8px;
  padding-left: 22px;
  font-size: var(--step-0);
}
li {
  margin-bottom: 4px;
}
</style>
