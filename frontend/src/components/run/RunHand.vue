<script setup lang="ts">
/** Which hand works: kept with every try. turn: the plan asks for the hand the child does not prefer. */
defineProps<{ hand: 'left' | 'right'; turn: boolean }>()
defineEmits<{ hand: [hand: 'left' | 'right'] }>()
const hands = ['left', 'right'] as const
</script>

<template>
  <div class="hands" role="radiogroup" aria-label="Which hand works">
    <button
      v-for="h in hands"
      :key="h"
      type="button"
      role="radio"
      :aria-checked="h === hand"
      @click="h !== hand && $emit('hand', h)"
    >
      {{ h === 'left' ? 'Left hand' : 'Right hand'
      }}<span v-if="turn && h === hand" class="small turn">use this hand today</span>
    </button>
  </div>
</template>

<style scoped>
.hands {
  display: flex;
  border: 1px solid var(--line-strong);
  border-radius: 8px;
  overflow: hidden;
}
button {
  min-height: 56px;
  padding: 0 14px;
  border: 0;
  background: var(--sheet);
  color: var(--ink);
  font-size: var(--step-1);
  cursor: pointer;
}
.turn {
  display: block;
  font-weight: 400;
}
button[aria-checked='true'] {
  background: var(--water-soft);
  font-weight: 700;
  box-shadow: inset 0 -4px var(--water);
}
</style>
