<script setup lang="ts">
/** A day, as the device writes days: typed, or picked from its own calendar. Empty for none. */
const day = defineModel<string>({ required: true })
defineProps<{ label: string; earliest?: string; latest?: string }>()
</script>

<template>
  <input v-model="day" class="plain-input" type="date" :aria-label="label" :min="earliest" :max="latest" />
</template>
