<script setup lang="ts">
import type { Schemas } from '@/api/client'
import PlainButton from '@/components/shared/PlainButton.vue'

/** The neighbouring grades, one step easier and one harder, each told as a sentence where there is room. */
defineProps<{ easier?: Schemas['NeighbourOut'] | null; harder?: Schemas['NeighbourOut'] | null; told?: boolean }>()
const emit = defineEmits<{ jump: [grade: number[]] }>()
</script>

<template>
  <PlainButton :disabled="!easier" :title="easier?.words" @click="easier && emit('jump', easier.grade)">
    ◂ Easier
  </PlainButton>
  <span v-if="told" class="small soft">{{ easier?.tell }}</span>
  <PlainButton
    :class="{ push: told }"
    :disabled="!harder"
    :title="harder?.words"
    @click="harder && emit('jump', harder.grade)"
  >
    Harder ▸
  </PlainButton>
  <span v-if="told" class="small soft">{{ harder?.tell }}</span>
</template>

<style scoped>
.push {
  margin-left: auto;
}
</style>
