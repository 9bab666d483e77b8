<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, defineAsyncComponent, ref } from 'vue'
import { api, unwrap, type Schemas } from '@/api/client'
import BatchPanel from '@/components/caseload/BatchPanel.vue'
import CaseloadRow from '@/components/caseload/CaseloadRow.vue'
import ProblemNote from '@/components/shared/ProblemNote.vue'
import { useMe } from '@/composables/useMe'
import { longDay } from '@/logic/words'

const ChildAdd = defineAsyncComponent(() => import('@/components/caseload/ChildAdd.vue')) // a form: not on the first page's way

const { data, error, isPending } = useQuery({ queryKey: ['caseload'], queryFn: () => unwrap(api.GET('/api/caseload')) })
const { data: me } = useMe()
const chosen = ref('all')
const adding = ref(false)

const stands = (c: Schemas['StandingOut'], kind: string): boolean => c.standings.some((s) => s.id === kind)

const filters = computed(() => {
  const all = data.value ?? []
  const count = (kind: string) => all.filter((c) => stands(c, kind)).length
  return [
    { id: 'all', words: 'All', count: all.length },
    { id: 'due', words: 'Due', count: all.filter((c) => c.is_due).length },
    { id: 'ready', words: 'Ready to move', count: count('ready') },
    { id: 'setback', words: 'Set back', count: count('setback') },
    { id: 'stuck', words: 'Stuck', count: count('stuck') },
    { id: 'recheck', words: 'Check again', count: count('recheck') + count('new') },
  ]
})
const shown = computed(() =>
  (data.value ?? []).filter(
    (c) =>
      chosen.value === 'all' ||
      (chosen.value === 'due' ? c.is_due : stands(c, chosen.value) || (chosen.value === 'recheck' && stands(c, 'new'))),
  ),
)
</script>

<template>
  <div class="stack">
    <div class="row head">
      <h1>{{ longDay(new Date()) }}</h1>
      <button v-if="me?.may.includes('child.add')" type="button" class="plain-button" @click="adding = true">
        Add a child
      </button>
      <div class="row filters" role="group" aria-label="Show">
        <button
          v-for="f in filters"
          :key="f.id"
          type="button"
          class="filter"
          :class="f.id"
          :aria-pressed="chosen === f.id"
          @click="chosen = f.id"
        >
          <strong>{{ f.count }}</strong> {{ f.words }}
        </button>
      </div>
    </div>
    <ProblemNote :error="error" />
    <p v-if="isPending" class="soft">Fetching the children…</p>
    <ul v-else class="list">
      <CaseloadRow v-for="child in shown" :key="child.id" :child="child" />
    </ul>
    <BatchPanel v-if="data?.length && me?.may.includes('plan.make')" :children="shown.map((c) => c.id)" />
    <p v-if="data && !shown.length" class="soft">
      {{ data.length ? 'No child is in this group today.' : 'No child here yet. Add the first one.' }}
    </p>
    <ChildAdd v-if="adding" @close="adding = false" />
  </div>
</template>

<style scoped>
.head {
  justify-content: space-between;
}
.filter {
  min-height: var(--touch);
  padding: 0 14px;
  border: 1px solid var(--line-strong);
  border-radius: 999px;
  background: var(--sheet);
  color: var(--ink);
  font-size: var(--step-1);
  cursor: pointer;
}
.filter[aria-pressed='true'] {
  background: var(--water);
  color: var(--on-water);
  border-color: var(--water);
}
.list {
  list-style: none;
  margin: 0;
  padding: 0;
  border: 1px solid var(--line);
  border-radius: var(--round);
  background: var(--sheet);
  overflow: hidden;
}
</style>
