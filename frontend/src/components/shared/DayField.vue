<script setup lang="ts">
/** A day, as the device writes days: typed, or picked from its own calendar. Empty for none. */
const day = defineModel<string>({ required: true })
defineProps<{ label: string; latest?: string }>()
</script>

<template>
  <input v-model="day" class="day" type="date" :aria-label="label" :max="latest" />
</template>

<style scoped>
.day {
  width: 100%;
  min-height: 34px;
  padding: 0 11px;
  border: 1px solid var(--line-strong);
  border-radius: 4px;
  background: var(--sheet);
  color: var(--ink);
  font-size: var(--step-1);
}
</style>
