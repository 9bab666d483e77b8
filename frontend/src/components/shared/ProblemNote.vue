<script setup lang="ts">
import { Refused } from '@/api/client'

const { error } = defineProps<{ error: Error | null | undefined }>()

function lines(problem: Error): string[] {
  if (!(problem instanceof Refused)) return [problem.message]
  const fields = problem.problem.fields
  return fields.length ? fields.map((f) => [f.reason, f.remedy].filter(Boolean).join(' ')) : [problem.message]
}
</script>

<template>
  <div v-if="error" class="notice barred" role="alert">
    <p v-for="line in lines(error)" :key="line">{{ line }}</p>
  </div>
</template>
