<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, reactive, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, told } from '@/api/client'
import ChildPicker from '@/components/ChildPicker.vue'
import GroupTable from '@/components/GroupTable.vue'
import ProblemNote from '@/components/ProblemNote.vue'
import TargetSign from '@/components/TargetSign.vue'
import { useWords } from '@/composables/useWords'

const { groupId = '' } = defineProps<{ groupId?: string }>()
const words = useWords()
const router = useRouter()
const { data: homes } = useQuery({ queryKey: ['homes'], queryFn: () => told(api.GET('/api/homes')), staleTime: 60_000 })
const ask = reactive({ children: [] as number[], home_id: 0, minutes: 30, targets: ['grasp', 'bilateral'], supervision: 'arms_reach' })
const places = computed(() => (homes.value ?? []).toSorted((a, b) => Number(a.kind === 'home') - Number(b.kind === 'home')))
const error = ref<Error | null>(null)
const busy = ref(false)
const { data: group, error: failed } = useQuery({
  queryKey: ['group', () => groupId],
  queryFn: () => told(api.GET('/api/groups/{group_id}', { params: { path: { group_id: groupId } } })),
  enabled: () => Boolean(groupId),
})

function toggle(target: string): void {
  ask.targets = ask.targets.includes(target) ? ask.targets.filter((t) => t !== target) : [...ask.targets, target]
}

async function plan(): Promise<void> {
  busy.value = true
  error.value = null
  try {
    const made = await told(api.POST('/api/groups', { body: { ...ask, home_id: ask.home_id || places.value[0]?.id || 0 } }))
    await router.push({ name: 'together', params: { groupId: made.id } })
  } catch (problem) {
    error.value = problem as Error
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <div class="stack">
    <h1>Children together</h1>
    <form class="sheet stack" novalidate @submit.prevent="plan">
      <ChildPicker v-model="ask.children" />
      <div class="row">
        <el-select :model-value="ask.home_id || places[0]?.id" class="place" aria-label="With things from" @update:model-value="(id: number) => (ask.home_id = id)"><el-option v-for="h in places" :key="h.id" :value="h.id" :label="h.name" /></el-select>
        <el-input-number v-model="ask.minutes" :min="10" :max="90" :step="5" aria-label="Minutes" /> <span class="soft">minutes</span>
        <button v-for="t in words?.targets.filter((x) => x.id !== 'daily')" :key="t.id" type="button" class="plain-button" :class="{ on: ask.targets.includes(t.id) }" :aria-pressed="ask.targets.includes(t.id)" :aria-label="t.name" :title="t.name" @click="toggle(t.id)"><TargetSign :target="t.id" :size="24" /></button>
        <button class="plain-button main go" :disabled="busy || ask.children.length < 2">{{ busy ? 'Planning…' : ask.children.length < 2 ? 'Choose two or more' : 'Plan it' }}</button>
      </div>
    </form>
    <ProblemNote :error="error ?? failed" />
    <GroupTable v-if="group && groupId" :group="group" />
  </div>
</template>

<style scoped>
.place {
  width: 240px;
}
.go {
  margin-left: auto;
}
.on {
  background: var(--water-soft);
  border-color: var(--water);
}
</style>
