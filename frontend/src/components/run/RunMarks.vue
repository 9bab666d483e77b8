<script setup lang="ts">
import { ref } from 'vue'
import type { RunBlock } from '@/logic/tally'

const { block, marks } = defineProps<{ block: RunBlock; marks: Record<string, number> }>()
const emit = defineEmits<{ mark: [id: string] }>()
const last = ref('')

function mark(id: string): void {
  emit('mark', id)
  last.value = block.watch.find((m) => m.id === id)?.cue ?? ''
}
</script>

<template>
  <div>
    <div class="marks" role="group" aria-label="What you see">
      <button
        v-for="m in block.watch.filter((x) => x.id !== 'mouths')"
        :key="m.id"
        type="button"
        :class="{ seen: marks[m.id] }"
        @click="mark(m.id)"
      >
        {{ m.words }}<strong v-if="marks[m.id]">&nbsp;×{{ marks[m.id] }}</strong>
      </button>
    </div>
    <p v-if="last" class="cue" role="status">{{ last }}</p>
  </div>
</template>

<style scoped>
.marks {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
button {
  min-height: 56px;
  padding: 0 14px;
  border: 1px solid var(--line-strong);
  border-radius: 999px;
  background: var(--sheet);
  color: var(--ink);
  font-size: var(--step-1);
  cursor: pointer;
}
.seen {
  background: var(--caution-soft);
  border-color: var(--caution);
}
.cue {
  margin-top: 6px;
  font-size: var(--step-2);
}
</style>
