<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import PlainButton from '@/components/shared/PlainButton.vue'
import TargetSign from '@/components/shared/TargetSign.vue'
import { useWords } from '@/composables/useWords'
import { SORTS, type Filter, type Sort } from '@/logic/library'

interface Option {
  value: string | number
  label: string
}
interface Field {
  key: 'strand' | 'rung' | 'task' | 'minutes' | 'where' | 'company'
  label: string
  any: string
  options: Option[]
}
/** What an activity has to be: its skill and rung, its length, where, with whom, for which task. */
const filter = defineModel<Filter>({ required: true })
const sort = defineModel<Sort>('sort', { required: true })
const { name } = defineProps<{ name: string }>()
const words = useWords()
const more = ref(false)
const WHERE = { table: 'at the table', standing: 'standing', floor: 'on the floor', outdoors: 'outdoors' }
const MINUTES = [2, 3, 5, 8].map((m) => ({ value: m, label: `fits ${m} minutes` }))
const COMPANY = { adult: 'with an adult close by', partner: 'with somebody who plays, too' }
const only = computed(() => ({ loved: `${name}’s favourites`, liked: 'My favourites', own: 'Our own' }))
const listed = (words: Record<string, string>): Option[] =>
  Object.entries(words).map(([value, label]) => ({ value, label }))
const fields = computed<Field[]>(() => {
  const all = words.value?.strands ?? []
  const strands = all.filter((s) => !filter.value.target || s.target === filter.value.target)
  const ladder = all.find((s) => s.id === filter.value.strand)
  const named = (of: { id: string; name: string }[]): Option[] => of.map((x) => ({ value: x.id, label: x.name }))
  const rungs = ladder?.rungs.map((r) => ({ value: r.number, label: `${r.number}: ${r.words}` }))
  return [
    { key: 'strand', label: 'Skill', any: 'Any skill', options: named(strands) },
    ...(rungs ? [{ key: 'rung' as const, label: 'Rung', any: 'Any rung', options: rungs }] : []),
    { key: 'task', label: 'Wanted task', any: 'Any wanted task', options: named(words.value?.wanted_tasks ?? []) },
    { key: 'minutes', label: 'Minutes', any: 'Any length', options: MINUTES },
    { key: 'where', label: 'Where', any: 'Anywhere', options: listed(WHERE) },
    { key: 'company', label: 'With whom', any: 'With anybody', options: listed(COMPANY) },
  ]
})
const count = computed(
  () => ['strand', 'rung', 'minutes', 'task', 'where', 'company'].filter((k) => filter.value[k as keyof Filter]).length,
)
watch(
  () => filter.value.target,
  () => set('strand', undefined),
)

function set<K extends keyof Filter>(key: K, value: Filter[K]): void {
  const next = { ...filter.value, [key]: value || undefined }
  if (key === 'strand') next.rung = undefined
  filter.value = next
}
</script>

<template>
  <div class="stack">
    <div class="row strip">
      <button
        v-for="t in words?.targets"
        :key="t.id"
        type="button"
        class="pick"
        :aria-pressed="filter.target === t.id"
        @click="set('target', filter.target === t.id ? '' : t.id)"
      >
        <TargetSign :target="t.id" :size="20" /> {{ t.name }}
      </button>
    </div>
    <div class="row strip">
      <button
        v-for="(label, id) in only"
        :key="id"
        type="button"
        class="pick"
        :aria-pressed="filter.only === id"
        @click="set('only', filter.only === id ? '' : id)"
      >
        {{ label }}
      </button>
      <PlainButton :aria-expanded="more" @click="more = !more"> More{{ count ? ` (${count})` : '' }} </PlainButton>
      <el-select v-model="sort" class="sort" aria-label="In which order"
        ><el-option v-for="(label, id) in SORTS" :key="id" :value="id" :label="label"
      /></el-select>
    </div>
    <div v-if="more" class="fields">
      <el-select
        v-for="f in fields"
        :key="f.key"
        :model-value="filter[f.key]"
        :placeholder="f.any"
        :aria-label="f.label"
        clearable
        filterable
        @update:model-value="set(f.key, $event)"
        ><el-option v-for="o in f.options" :key="o.value" :value="o.value" :label="o.label"
      /></el-select>
    </div>
  </div>
</template>

<style scoped>
.pick {
  min-height: var(--touch);
  border-width: 1px;
  border-radius: 999px;
  font-size: var(--step-0);
}
.sort {
  width: 230px;
  margin-left: auto;
}
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(210px, 100%), 1fr));
  gap: 8px;
}
</style>
