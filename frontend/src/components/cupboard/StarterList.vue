<script setup lang="ts">
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { api, unwrap } from '@/api/client'

/** The things not there yet that would open most for this child, each to be said yes to. */
const { homeId, childId, name } = defineProps<{ homeId: number; childId: number; name: string }>()
const emit = defineEmits<{ yes: [thingId: string, count: number] }>()
const MOST = 6 // more would be a wall
const { data } = useQuery({
  queryKey: ['starter', () => homeId, () => childId],
  queryFn: () =>
    unwrap(
      api.GET('/api/children/{child_id}/starter', {
        params: { path: { child_id: childId }, query: { home_id: homeId } },
      }),
    ),
  placeholderData: keepPreviousData,
})
</script>

<template>
  <section v-if="data?.length" class="ask" aria-label="Ask for these first">
    <h3>
      Ask for these first
      <span class="soft small">they make the most activities possible for {{ name }}; safe things only</span>
    </h3>
    <ul class="row">
      <li v-for="thing in data.slice(0, MOST)" :key="thing.thing_id">
        <button type="button" class="pick" @click="emit('yes', thing.thing_id, thing.typical_count)">
          {{ thing.name }} <span class="soft small">→ {{ thing.opens }} activities</span>
        </button>
      </li>
    </ul>
  </section>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 6px 0 0;
  padding: 0;
}
.pick {
  min-height: var(--touch);
}
</style>
