<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { useWords } from '@/composables/useWords'
import { stacked } from '@/logic/stacked'
import { dayWords } from '@/logic/words'

/** Help over sessions: a column a day, the share of tries at each level of help, on their own at the bottom. */
const { days } = defineProps<{ days: Schemas['HelpOut'][] }>()
const words = useWords()
const order = computed(() => words.value?.supports.map((s) => s.id) ?? [])
const used = computed(() => (words.value?.supports ?? []).filter((s) => days.some((d) => d.tries[s.id])))
const columns = computed(() =>
  days.map((d) => ({
    on: d.on,
    pieces: stacked(d.tries, order.value),
    said: used.value
      .filter((s) => d.tries[s.id])
      .map((s) => `${d.tries[s.id]} ${s.name}`)
      .join(', '),
  })),
)
const all = (id: string): number => days.reduce((sum, d) => sum + (d.tries[id] ?? 0), 0)
</script>

<template>
  <figure v-if="days.length">
    <figcaption><strong>Help</strong> <span class="soft small">share of tries, session by session</span></figcaption>
    <svg
      :viewBox="`0 0 ${columns.length * 20} 60`"
      preserveAspectRatio="none"
      role="img"
      :aria-label="`Help by session: ${columns.map((c) => `${dayWords(c.on)} ${c.said}`).join('; ')}`"
    >
      <g v-for="(c, i) in columns" :key="c.on">
        <title>{{ dayWords(c.on) }}: {{ c.said }}</title>
        <rect
          v-for="p in c.pieces"
          :key="p.id"
          :x="i * 20 + 2"
          width="16"
          :y="60 - (p.from + p.share) * 60"
          :height="Math.max(p.share * 60 - 0.8, 0.5)"
          :class="p.id"
        />
      </g>
    </svg>
    <p class="small legend">
      <span v-for="s in used" :key="s.id"
        ><i :class="s.id"></i>{{ s.name }} <span class="soft">{{ all(s.id) }} tries</span></span
      >
    </p>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
}
svg {
  display: block;
  width: 100%;
  height: 84px;
  background: var(--paper);
  border-radius: 6px;
}
.legend {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
  margin: 4px 0 0;
}
i {
  display: inline-block;
  width: 12px;
  height: 12px;
  margin-right: 5px;
  border-radius: 3px;
}
.alone {
  fill: var(--ready);
  background: var(--ready);
}
.spoken,
.mark {
  fill: color-mix(in srgb, var(--brass) 45%, var(--sheet));
  background: color-mix(in srgb, var(--brass) 45%, var(--sheet));
}
.shown {
  fill: color-mix(in srgb, var(--brass) 75%, var(--sheet));
  background: color-mix(in srgb, var(--brass) 75%, var(--sheet));
}
.touch,
.steadied {
  fill: var(--brass);
  background: var(--brass);
}
.hand_over_hand {
  fill: var(--ink-soft);
  background: var(--ink-soft);
}
</style>
