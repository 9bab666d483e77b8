<script setup lang="ts">
import type { Schemas } from '@/api/client'
import VerdictSign from '@/components/shared/VerdictSign.vue'

/** Every caution and bar of a verdict: why, what to do, and after which source. */
defineProps<{ hits: Schemas['JudgedHit'][] }>()
</script>

<template>
  <p v-for="h in hits" :key="h.rule + h.reason" class="row care">
    <VerdictSign :status="h.status" /><span
      ><strong>{{ h.reason }}</strong> {{ h.remedy }} <span class="soft small">{{ h.source }}</span></span
    >
  </p>
</template>

<style scoped>
.care {
  flex-wrap: nowrap;
  align-items: flex-start;
}
</style>
