<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import TargetSign from '@/components/shared/TargetSign.vue'

/** Why these targets are ticked, each reason said once. */
const { aims } = defineProps<{ aims: Schemas['AimOut'][] }>()
const reasons = computed(() =>
  [...new Set(aims.map((a) => a.words))].map((words) => ({ words, unwrap: aims.filter((a) => a.words === words) })),
)
</script>

<template>
  <p v-for="{ words, unwrap } in reasons" :key="words" class="row small soft">
    <TargetSign v-for="a in unwrap" :key="a.target" :target="a.target" :size="16" />{{ words }}
  </p>
</template>

<style scoped>
p {
  margin-top: 4px;
}
</style>
