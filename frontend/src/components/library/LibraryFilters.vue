<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import TargetSign from '@/components/shared/TargetSign.vue'
import { useWords } from '@/composables/useWords'
import { SORTS, type Filter, type Sort } from '@/logic/library'

/** What an activity has to be: its skill and rung, its length, where, with whom, for which task. */
const filter = defineModel<Filter>({ required: true })
const sort = defineModel<Sort>('sort', { required: true })
const { name } = defineProps<{ name: string }>()
const words = useWords()
const more = ref(false)
const WHERE = { table: 'at the table', standing: 'standing', floor: 'on the floor', outdoors: 'outdoors' }
const COMPANY = { adult: 'with an adult close by', partner: 'with somebody who plays, too' }
const only = computed(() => ({ loved: `${name} loves it`, liked: 'My favourites', own: 'Our own' }))
const ladder = computed(() => words.value?.strands.find((s) => s.id === filter.value.strand))
const strands = computed(() =>
  (words.value?.strands ?? []).filter((s) => !filter.value.target || s.target === filter.value.target),
)
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
      <button type="button" class="plain-button" :aria-expanded="more" @click="more = !more">
        More{{ count ? ` (${count})` : '' }}
      </button>
      <el-select v-model="sort" class="sort" aria-label="In which order"
        ><el-option v-for="(label, id) in SORTS" :key="id" :value="id" :label="label"
      /></el-select>
    </div>
    <div v-if="more" class="fields">
      <el-select
        :model-value="filter.strand"
        placeholder="Any skill"
        aria-label="Skill"
        clearable
        filterable
        @update:model-value="set('strand', $event)"
        ><el-option v-for="s in strands" :key="s.id" :value="s.id" :label="s.name"
      /></el-select>
      <el-select
        v-if="ladder"
        :model-value="filter.rung"
        placeholder="Any rung"
        aria-label="Rung"
        clearable
        @update:model-value="set('rung', $event)"
        ><el-option v-for="r in ladder.rungs" :key="r.number" :value="r.number" :label="`${r.number}: ${r.words}`"
      /></el-select>
      <el-select
        :model-value="filter.task"
        placeholder="Any wanted task"
        aria-label="Wanted task"
        clearable
        filterable
        @update:model-value="set('task', $event)"
        ><el-option v-for="t in words?.wanted_tasks" :key="t.id" :value="t.id" :label="t.name"
      /></el-select>
      <el-select
        :model-value="filter.minutes"
        placeholder="Any length"
        aria-label="Minutes"
        clearable
        @update:model-value="set('minutes', $event)"
        ><el-option v-for="m in [2, 3, 5, 8]" :key="m" :value="m" :label="`fits ${m} minutes`"
      /></el-select>
      <el-select
        :model-value="filter.where"
        placeholder="Anywhere"
        aria-label="Where"
        clearable
        @update:model-value="set('where', $event)"
        ><el-option v-for="(label, id) in WHERE" :key="id" :value="id" :label="label"
      /></el-select>
      <el-select
        :model-value="filter.company"
        placeholder="With anybody"
        aria-label="With whom"
        clearable
        @update:model-value="set('company', $event)"
        ><el-option v-for="(label, id) in COMPANY" :key="id" :value="id" :label="label"
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
@media (max-width: 760px) {
  .strip {
    flex-wrap: nowrap;
    overflow-x: auto;
    scrollbar-width: none;
    margin-right: calc(-1 * var(--gap-3));
  }
  .strip > * {
    flex: none;
  }
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
