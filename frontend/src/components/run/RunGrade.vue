<script setup lang="ts">
import { computed } from 'vue'
import type { RunBlock } from '@/logic/tally'

const { block, grade } = defineProps<{ block: RunBlock; grade: number[] }>()
defineEmits<{ grade: [grade: number[]] }>()
const place = computed(() =>
  Math.max(
    0,
    block.grades.findIndex((g) => JSON.stringify(g.grade) === JSON.stringify(grade)),
  ),
)
const here = computed(() => block.grades[place.value])
const easier = computed(() => block.grades[place.value - 1])
const harder = computed(() => block.grades[place.value + 1])

/** What to change going from one rung of the ladder to the next: only the words that differ. */
function changed(to: { words: string[] } | undefined): string {
  return to ? to.words.filter((w, i) => w !== here.value?.words[i]).join(', ') : ''
}
</script>

<template>
  <div class="grade">
    <button type="button" :disabled="!easier" @click="easier && $emit('grade', easier.grade)">
      <strong>◂ Easier</strong> <span>{{ changed(easier) || 'nothing easier here' }}</span>
    </button>
    <p class="small">{{ here?.words.join(' · ') }}</p>
    <button type="button" :disabled="!harder" @click="harder && $emit('grade', harder.grade)">
      <strong>Harder ▸</strong> <span>{{ changed(harder) || 'nothing harder here' }}</span>
    </button>
  </div>
</template>

<style scoped>
.grade {
  display: grid;
  grid-template-columns: 1fr 1fr 1fr;
  gap: 8px;
  align-items: center;
  text-align: center;
}
button {
  min-height: 64px;
  display: grid;
  align-content: center;
  border: 1px solid var(--line-strong);
  border-radius: 8px;
  background: var(--sheet);
  color: var(--ink);
  font-size: var(--step-0);
  line-height: 1.15;
  cursor: pointer;
}
button strong {
  font-size: var(--step-1);
}
button:disabled {
  color: var(--ink-soft);
}
</style>
