<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, unwrap } from '@/api/client'
import PlainButton from '@/components/shared/PlainButton.vue'
import ActivityPicture from '@/components/shared/ActivityPicture.vue'

/** What else could play a role: the effect on difficulty, quantity and care, said before it is chosen. */
const { childId, homeId, activityId, grade, role } = defineProps<{
  childId: number
  homeId: number
  activityId: string
  grade: number[]
  role: string
}>()
const emit = defineEmits<{ pick: [grade: number[]] }>()
const query = computed(() => ({ home_id: homeId, activity_id: activityId, grade: grade.join(','), role }))
const { data, isPending } = useQuery({
  queryKey: ['swaps', () => childId, query],
  queryFn: () =>
    unwrap(api.GET('/api/children/{child_id}/swaps', { params: { path: { child_id: childId }, query: query.value } })),
})
const seen = ref('')
const { data: shown } = useQuery({
  queryKey: ['swap-picture', () => childId, query, seen],
  enabled: () => Boolean(seen.value),
  queryFn: () =>
    unwrap(
      api.GET('/api/children/{child_id}/picture', {
        params: { path: { child_id: childId }, query: { ...query.value, stock_id: seen.value } },
      }),
    ),
})
const changes = (to: number[]): boolean => to.some((g, i) => g !== grade[i])
</script>

<template>
  <ul class="swaps">
    <li v-if="isPending" class="soft">Looking through the cupboard…</li>
    <li v-else-if="!data?.length" class="soft">Nothing else here can stand in.</li>
    <li v-for="s in data" :key="s.stock_id" :class="{ barred: s.barred }">
      <ActivityPicture class="thing" :picture="s.thing_picture" />
      <span
        ><strong>{{ s.name }}</strong> <span class="small">{{ s.barred ? 'barred: ' : '' }}{{ s.words }}</span></span
      >
      <PlainButton
        v-if="!s.barred"
        class="push"
        :aria-expanded="seen === s.stock_id"
        :aria-label="`See it with ${s.name}`"
        @click="seen = seen === s.stock_id ? '' : s.stock_id"
      >
        See it
      </PlainButton>
      <PlainButton v-if="!s.barred && changes(s.grade)" @click="emit('pick', s.grade)"> Use that grade </PlainButton>
      <ActivityPicture v-if="seen === s.stock_id && shown" class="with" :picture="shown.picture" />
    </li>
  </ul>
</template>

<style scoped>
.swaps {
  list-style: none;
  margin: 4px 0;
  padding: 0 0 0 var(--gap-3);
  border-left: 3px solid var(--line);
  max-height: 260px;
  overflow: auto;
}
.thing {
  flex: none;
}
.push {
  margin-left: auto;
}
.with {
  flex-basis: 100%;
}
li {
  display: flex;
  flex-wrap: wrap;
  gap: var(--gap-3);
  align-items: center;
  padding: 4px 0;
}
.barred {
  color: var(--barred);
}
</style>
