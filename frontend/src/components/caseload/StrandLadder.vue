<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { dayWords, rungWords } from '@/logic/words'

const { ladder, at, wanted, seen } = defineProps<{
  ladder: Schemas['StrandWords']
  at: Schemas['StrandOut'] | undefined
  wanted: number | null
  seen: Schemas['SeenOut'] | undefined
}>()
defineEmits<{ pick: [] }>()

const top = computed(() => ladder.rungs.length)
const across = (rung: number): number => 12 + ((Math.min(Math.max(rung, 0.5), top.value + 0.5) - 0.5) / top.value) * 276
const nearest = computed(() => ladder.rungs[Math.min(Math.max(Math.round(at?.mean ?? 1), 1), top.value) - 1])
const source = computed(() => {
  if (!at) return ''
  const library = at.learned ? ` · library ${at.learned}` : ''
  if (at.tries) return `from ${at.tries} tries, last ${at.as_of ? dayWords(at.as_of) : ''}${library}`
  if (at.seen_rung) return 'set from what was seen'
  return 'guessed from age'
})
</script>

<template>
  <button
    type="button"
    class="ladder"
    :aria-label="`${ladder.name}: rung ${rungWords(at?.mean ?? 0, top)} of ${top}, ${seen?.words ?? nearest?.words}. Change.`"
    @click="$emit('pick')"
  >
    <span class="name"
      >{{ ladder.name }} <span class="soft small">{{ source }}</span></span
    >
    <svg viewBox="0 0 300 26" preserveAspectRatio="xMinYMid" class="rail" aria-hidden="true">
      <line x1="12" x2="288" y1="13" y2="13" class="base" />
      <line
        v-for="r in ladder.rungs"
        :key="r.number"
        :x1="across(r.number)"
        :x2="across(r.number)"
        y1="8"
        y2="18"
        class="tick"
      />
      <line v-if="seen?.rung" x1="12" :x2="across(seen.rung)" y1="21" y2="21" class="seen" />
      <rect v-if="wanted" :x="across(wanted) - 2" y="3" width="4" height="20" class="wanted" />
      <template v-if="at">
        <line :x1="across(at.mean - at.sd)" :x2="across(at.mean + at.sd)" y1="13" y2="13" class="band" />
        <circle :cx="across(at.mean)" cy="13" r="7" class="here" />
      </template>
    </svg>
    <span class="words small"
      ><strong>{{ rungWords(at?.mean ?? 0, top) }}</strong> {{ seen?.words ?? nearest?.words }}</span
    >
  </button>
</template>

<style scoped>
.ladder {
  display: grid;
  width: 100%;
  border: 0;
  border-radius: 8px;
  background: none;
  padding: 4px 8px;
  text-align: left;
  color: var(--ink);
  cursor: pointer;
}
.ladder:hover {
  background: var(--board);
}
.name {
  font-size: var(--step-1);
}
.rail {
  width: 100%;
  height: 26px;
}
.base,
.tick {
  stroke: var(--line-strong);
  stroke-width: 1.5;
}
.seen {
  stroke: var(--ink);
  stroke-width: 3;
  stroke-linecap: round;
}
.band {
  stroke: var(--water);
  stroke-opacity: 0.35;
  stroke-width: 12;
  stroke-linecap: round;
}
.here {
  fill: var(--water);
  stroke: var(--sheet);
  stroke-width: 2;
}
.wanted {
  fill: var(--brass);
}
.words strong {
  font-size: var(--step-1);
}
</style>
