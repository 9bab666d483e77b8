<script setup lang="ts">
import type { Schemas } from '@/api/client'
import { useWords } from '@/composables/useWords'
import { rungWords } from '@/logic/words'
import TargetSign from '@/components/shared/TargetSign.vue'

/**
 * Every strand as a ladder lying down: where the child was (ring), is (dot), and the rung a wanted task requires
 * (bar).
 */
const { strands, wanted } = defineProps<{ strands: Schemas['StrandProgressOut'][]; wanted: Record<string, number> }>()
const chosen = defineModel<string | null>({ required: true })
const words = useWords()
const signs: Record<string, string> = { up: '▲', down: '▼', steady: '■', too_few: '·' }
const top = (id: string): number => words.value?.strands.find((s) => s.id === id)?.rungs.length ?? 8
const across = (rung: number, id: string): number =>
  8 + ((Math.min(Math.max(rung, 0.5), top(id) + 0.5) - 0.5) / top(id)) * 284
const first = (s: Schemas['StrandProgressOut']): number => s.points[0]?.mean ?? 0
const last = (s: Schemas['StrandProgressOut']): number => s.points.at(-1)?.mean ?? 0
</script>

<template>
  <ul aria-label="Strands: where they were and where they are">
    <li v-for="s in strands" :key="s.strand">
      <button
        type="button"
        :aria-pressed="s.strand === chosen"
        :aria-label="`${s.name}: rung ${rungWords(first(s), top(s.strand))} then, ${rungWords(last(s), top(s.strand))} now, of ${top(s.strand)}`"
        @click="chosen = s.strand"
      >
        <TargetSign :target="s.target" :size="20" />
        <span class="name">{{ s.name }}</span>
        <span class="tag" :class="s.kind"
          >{{ signs[s.kind] }}
          {{ s.kind === 'too_few' ? 'too few' : `${s.change >= 0 ? '+' : ''}${s.change.toFixed(1)}` }}</span
        >
        <svg class="rail" viewBox="0 0 300 18" preserveAspectRatio="none" aria-hidden="true">
          <line x1="8" x2="292" y1="9" y2="9" class="base" />
          <line
            v-for="r in top(s.strand)"
            :key="r"
            :x1="across(r, s.strand)"
            :x2="across(r, s.strand)"
            y1="5"
            y2="13"
            class="base"
          />
          <rect
            v-if="wanted[s.strand]"
            :x="across(wanted[s.strand]!, s.strand) - 2"
            y="1"
            width="4"
            height="16"
            class="wanted"
          />
          <line
            :x1="across(first(s), s.strand)"
            :x2="across(last(s), s.strand)"
            y1="9"
            y2="9"
            :class="['moved', s.kind]"
          />
          <circle :cx="across(first(s), s.strand)" cy="9" r="5" class="was" />
          <circle :cx="across(last(s), s.strand)" cy="9" r="6.5" class="is" />
        </svg>
      </button>
    </li>
    <li class="small soft hint">
      Ring: first day. Dot: now. Bar: the rung a wanted task requires. The number says rungs gained.
    </li>
  </ul>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
button {
  width: 100%;
  min-height: 58px;
  display: grid;
  grid-template-columns: 22px 1fr auto;
  gap: 2px 8px;
  align-items: center;
  text-align: left;
  border: 0;
  border-radius: 8px;
  padding: 4px 8px;
  background: none;
  color: var(--ink);
  font-size: var(--step-1);
  cursor: pointer;
}
button[aria-pressed='true'] {
  background: var(--board);
  box-shadow: inset 4px 0 var(--brass);
}
.rail {
  grid-column: 1 / -1;
  width: 100%;
  height: 18px;
}
.base {
  stroke: var(--line-strong);
  stroke-width: 1.2;
}
.moved {
  stroke: var(--water);
  stroke-width: 4;
}
.moved.up {
  stroke: var(--ready);
}
.moved.down {
  stroke: var(--barred);
}
.was {
  fill: var(--sheet);
  stroke: var(--ink-soft);
  stroke-width: 2;
}
.is {
  fill: var(--water);
  stroke: var(--sheet);
  stroke-width: 1.5;
}
.wanted {
  fill: var(--brass);
}
.hint {
  padding: 8px;
}
</style>
