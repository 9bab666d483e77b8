<script setup lang="ts">
import type { Schemas } from '@/api/client'

/** The neighbouring grades, one step easier and one harder, each told as a sentence where there is room. */
defineProps<{ easier?: Schemas['NeighbourOut'] | null; harder?: Schemas['NeighbourOut'] | null; told?: boolean }>()
const emit = defineEmits<{ jump: [grade: number[]] }>()
</script>

<template>
  <button
    type="button"
    class="plain-button"
    :disabled="!easier"
    :title="easier?.words"
    @click="easier && emit('jump', easier.grade)"
  >
    ◂ Easier
  </button>
  <span v-if="told" class="small soft">{{ easier?.tell }}</span>
  <button
    type="button"
    class="plain-button"
    :class="{ push: told }"
    :disabled="!harder"
    :title="harder?.words"
    @click="harder && emit('jump', harder.grade)"
  >
    Harder ▸
  </button>
  <span v-if="told" class="small soft">{{ harder?.tell }}</span>
</template>

<style scoped>
.push {
  margin-left: auto;
}
</style>
