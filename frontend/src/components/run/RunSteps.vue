<script setup lang="ts">
import { type RunBlock, type Taps, tallyOf } from '@/logic/tally'
import TargetSign from '@/components/shared/TargetSign.vue'

/** The session's activities in order; one that was worked at or skipped is underlined. */
defineProps<{ blocks: RunBlock[]; taps: Taps; at: number; name?: string }>()
defineEmits<{ go: [to: number] }>()
</script>

<template>
  <nav :aria-label="name ? `${name}'s session` : 'Activities'">
    <strong v-if="name" class="name">{{ name }}</strong>
    <button
      v-for="(b, i) in blocks"
      :key="b.id"
      type="button"
      :aria-current="i === at ? 'step' : undefined"
      :class="{ done: tallyOf(taps, b.id).tries || tallyOf(taps, b.id).skipped }"
      :aria-label="`${i + 1}: ${b.name}`"
      @click="$emit('go', i)"
    >
      <TargetSign :target="b.target" :size="22" /><span>{{ i + 1 }}</span>
    </button>
  </nav>
</template>

<style scoped>
nav {
  flex: 1;
  display: flex;
  gap: 6px;
  align-items: center;
  overflow-x: auto;
}
.name {
  font-size: var(--step-2);
  margin-right: 8px;
}
button {
  min-width: 56px;
  min-height: 56px;
  display: flex;
  gap: 4px;
  align-items: center;
  justify-content: center;
  border: 2px solid transparent;
  border-bottom: 4px solid var(--line-strong);
  border-radius: 8px;
  background: var(--sheet);
  color: var(--ink);
  font-size: var(--step-1);
  cursor: pointer;
}
button.done {
  border-bottom-color: var(--ready);
}
button[aria-current] {
  border-color: var(--water);
  background: var(--water-soft);
  font-weight: 700;
}
</style>
