<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'

/** One axis as a dial: easier to the left, harder to the right; what this home lacks is marked and explained. */
const { dial, value } = defineProps<{ dial: Schemas['DialOut']; value: number }>()
const emit = defineEmits<{ turn: [step: number] }>()
const now = computed(() => dial.steps[value])

function key(event: KeyboardEvent): void {
  const by = { ArrowLeft: -1, ArrowDown: -1, ArrowRight: 1, ArrowUp: 1 }[event.key]
  if (by === undefined) return
  event.preventDefault()
  const to = value + by
  if (to >= 0 && to < dial.steps.length) emit('turn', to)
}
</script>

<template>
  <div class="dial">
    <p class="small soft">{{ dial.words }}</p>
    <div class="track" role="radiogroup" :aria-label="`${dial.words}, easier to harder`" @keydown="key">
      <button
        v-for="(s, i) in dial.steps"
        :key="s.words"
        type="button"
        role="radio"
        :aria-checked="i === value"
        :tabindex="i === value ? 0 : -1"
        :class="{ on: i === value, missing: !s.available }"
        :title="s.available ? s.words : `${s.words}: ${s.why_not} ${s.remedy}`"
        :aria-label="s.words"
        @click="emit('turn', i)"
      >
        <span></span>
      </button>
    </div>
    <p class="now">
      <strong>{{ now?.words }}</strong>
    </p>
    <p v-if="now && !now.available" class="small not">{{ now.why_not }} {{ now.remedy }}</p>
  </div>
</template>

<style scoped>
.track {
  display: flex;
  border-radius: 999px;
  background: var(--board);
  border: 1px solid var(--line);
}
.track button {
  flex: 1;
  height: 36px;
  min-width: 30px;
  border: 0;
  background: none;
  display: grid;
  place-items: center;
  cursor: pointer;
}
.track span {
  width: 12px;
  height: 12px;
  border-radius: 50%;
  background: var(--line-strong);
}
.track .missing span {
  background: none;
  border: 2px dashed var(--line-strong);
}
.track .on span {
  width: 28px;
  height: 28px;
  background: var(--water);
  border: 0;
}
.track .on.missing span {
  background: var(--barred-soft);
  border: 3px solid var(--barred);
}
.now {
  min-height: 1.5em;
}
.not {
  color: var(--barred);
}
</style>
