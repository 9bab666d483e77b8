<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { api, unwrap } from '@/api/client'

const { homeId, childId, name } = defineProps<{ homeId: number; childId: number; name: string }>()
const { data } = useQuery({
  queryKey: ['starter', () => homeId, () => childId],
  queryFn: () =>
    unwrap(
      api.GET('/api/children/{child_id}/starter', {
        params: { path: { child_id: childId }, query: { home_id: homeId } },
      }),
    ),
})
</script>

<template>
  <section class="sheet stack">
    <h3>This cupboard is empty. Look for these first:</h3>
    <ol>
      <li v-for="thing in data" :key="thing.thing_id">
        <strong>{{ thing.name }}</strong><span class="soft small"> then {{ thing.opens }} activities can be done</span>
      </li>
    </ol>
    <p class="soft small">Worked out for {{ name }}: the things that bring most activities together, safe ones only.</p>
  </section>
</template>

<style scoped>
ol {
  margin: 0;
  columns: 2;
}
</style>
