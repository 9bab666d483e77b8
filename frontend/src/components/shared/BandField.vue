<script setup lang="ts">
/** A band of expected success, both ends of ten; nothing at either end is the usual band, which stands there in grey. */
const band = defineModel<[number, number] | null>({ required: true })
const { name, usual } = defineProps<{ name: string; usual: [number, number] }>()
const ofTen = (chance: number): number => Math.round(chance * 1000) / 100
const of10 = (end: 0 | 1): number | undefined => (band.value ? ofTen(band.value[end]) : undefined)

function set(end: 0 | 1, to: number | null | undefined): void {
  const [low, high] = band.value ?? usual
  band.value = to == null ? null : end ? [low, to / 10] : [to / 10, high]
}
</script>

<template>
  <span class="row small">
    <el-input-number
      v-for="end in [0, 1] as const"
      :key="end"
      :model-value="of10(end)"
      :min="3"
      :max="9.9"
      :step="0.5"
      :controls="false"
      size="small"
      :placeholder="String(ofTen(usual[end]))"
      :aria-label="`${name}: expected of ten, at ${end ? 'most' : 'least'}`"
      @update:model-value="set(end, $event)"
    />
    of 10
  </span>
</template>

<style scoped>
span :deep(.el-input-number) {
  width: 68px;
}
</style>
