<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, reactive, watch } from 'vue'
import { useRouter } from 'vue-router'
import { api, unwrap, type Schemas } from '@/api/client'
import PlainButton from '@/components/shared/PlainButton.vue'
import ChildPicker from '@/components/bench/ChildPicker.vue'
import GroupTable from '@/components/bench/GroupTable.vue'
import LeftOutList from '@/components/bench/LeftOutList.vue'
import ProblemNote from '@/components/shared/ProblemNote.vue'
import TargetPicker from '@/components/bench/TargetPicker.vue'
import { useDoing } from '@/composables/useDoing'
import { useOpenHomes } from '@/composables/usePlaces'

const { groupId = '' } = defineProps<{ groupId?: string }>()
const router = useRouter()
const homes = useOpenHomes()
const ask = reactive<Schemas['GroupIn']>({
  children: [],
  home_id: 0,
  minutes: 30,
  targets: ['grasp', 'bilateral'],
  supervision: 'arms_reach',
  adults: 1,
})
const places = computed(() => homes.value.toSorted((a, b) => Number(a.kind === 'home') - Number(b.kind === 'home')))
/** As many adults, and as near, as there usually are in the place that is chosen. */
watch(
  () => places.value.find((p) => p.id === (ask.home_id || places.value[0]?.id)),
  (place) => place && Object.assign(ask, { adults: place.adults, supervision: place.supervision }),
)
const { busy, error, doing } = useDoing()
const { data: group, error: failed } = useQuery({
  queryKey: ['group', () => groupId],
  queryFn: () => unwrap(api.GET('/api/groups/{group_id}', { params: { path: { group_id: groupId } } })),
  enabled: () => Boolean(groupId),
})

async function plan(): Promise<void> {
  const made = await doing(() =>
    unwrap(api.POST('/api/groups', { body: { ...ask, home_id: ask.home_id || places.value[0]?.id || 0 } })),
  )
  if (made) await router.push({ name: 'together', params: { groupId: made.id } })
}

async function run(): Promise<void> {
  const ids = Object.fromEntries((group.value?.child_ids ?? []).map((id) => [id, crypto.randomUUID()]))
  const begun = await doing(() =>
    unwrap(api.POST('/api/groups/{group_id}/runs', { params: { path: { group_id: groupId } }, body: { ids } })),
  )
  if (begun) await router.push({ name: 'run-together', params: { runIds: begun.map((r) => r.id).join(',') } })
}
</script>

<template>
  <div class="stack">
    <h1>Children together</h1>
    <form class="sheet stack" novalidate @submit.prevent="plan">
      <ChildPicker v-model="ask.children" />
      <TargetPicker v-model="ask.targets" />
      <div class="row">
        <el-select
          :model-value="ask.home_id || places[0]?.id"
          class="place"
          aria-label="Materials from"
          @update:model-value="(id: number) => (ask.home_id = id)"
          ><el-option v-for="h in places" :key="h.id" :value="h.id" :label="h.name"
        /></el-select>
        <el-input-number v-model="ask.minutes" :min="10" :max="90" :step="5" aria-label="Minutes" />
        {{ ' ' }}<span class="soft">minutes</span>
        <el-input-number v-model="ask.adults" :min="1" :max="6" aria-label="Adults at the table" />
        {{ ' ' }}<span class="soft">{{ ask.adults === 1 ? 'adult' : 'adults' }} at the table</span>
        <PlainButton type="submit" main class="go" :disabled="busy || ask.children.length < 2">
          {{ busy ? 'Planning…' : ask.children.length < 2 ? 'Choose two or more' : 'Plan it' }}
        </PlainButton>
      </div>
    </form>
    <ProblemNote :error="error ?? failed" />
    <template v-if="group && groupId">
      <p class="row end">
        <PlainButton main :disabled="busy" @click="run">Run it, all on one screen</PlainButton>
      </p>
      <GroupTable :group="group" />
      <LeftOutList v-if="group.left_out?.length" :items="group.left_out" />
    </template>
  </div>
</template>

<style scoped>
.place {
  width: 240px;
}
.end {
  justify-content: flex-end;
}
.go {
  margin-left: auto;
}
</style>
