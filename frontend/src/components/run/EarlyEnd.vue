<script setup lang="ts">
import PlainButton from '@/components/shared/PlainButton.vue'
/** Ending before all is done asks once: what is left, and which press ends it all the same. */
defineProps<{ left: number; of: number }>()
defineEmits<{ on: []; end: [] }>()
</script>

<template>
  <p class="notice row early" role="alert">
    <span>{{ left }} of {{ of }} {{ of === 1 ? 'activity is' : 'activities are' }} not done. End here?</span>
    <PlainButton tall @click="$emit('on')">Go on</PlainButton>
    <PlainButton main tall @click="$emit('end')">End the session</PlainButton>
  </p>
</template>

<style scoped>
.early {
  margin: 8px 12px 0;
}
.tall {
  min-height: 56px;
}
</style>
