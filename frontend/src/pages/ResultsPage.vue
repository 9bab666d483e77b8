<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed } from 'vue'
import { api, unwrap } from '@/api/client'
import PlainButton from '@/components/shared/PlainButton.vue'
import DecisionCard from '@/components/progress/DecisionCard.vue'
import NotePanel from '@/components/progress/NotePanel.vue'
import ProblemNote from '@/components/shared/ProblemNote.vue'
import SetBar from '@/components/run/SetBar.vue'
import { dayWords } from '@/logic/words'

const { runId } = defineProps<{ runId: string }>()
const queries = useQueryClient()
const key = computed(() => ['results', runId] as const)
const { data, error } = useQuery({
  queryKey: key,
  queryFn: () => unwrap(api.GET('/api/runs/{run_id}/results', { params: { path: { run_id: runId } } })),
})
for (const stale of ['caseload', 'child', 'plans', 'progress', 'plan'] as const)
  void queries.invalidateQueries({ queryKey: [stale] })
/** An answer changes what the note's draft says. */
function answered(): void {
  for (const stale of [key.value, ['note', runId] as const]) void queries.invalidateQueries({ queryKey: stale })
}
const decisions = computed(() => data.value?.decisions ?? [])
</script>

<template>
  <ProblemNote :error="error" />
  <div v-if="data" class="stack">
    <header class="row">
      <div>
        <p class="soft">{{ dayWords(data.on) }}</p>
        <h1>How it went for {{ data.child_name }}</h1>
      </div>
      <nav class="row right">
        <PlainButton
          v-for="t in data.together"
          :key="t.run_id"
          class="link"
          :to="{ name: 'results', params: { runId: t.run_id } }"
          >{{ t.child_name }}’s results</PlainButton
        >
        <PlainButton class="link" :to="{ name: 'progress', params: { childId: data.child_id } }">Progress</PlainButton>
        <PlainButton main class="link" :to="{ name: 'ask', params: { childId: data.child_id } }"
          >Plan the next one</PlainButton
        >
      </nav>
    </header>
    <p v-if="!decisions.length" class="soft">No working block was tried, so nothing is proposed.</p>
    <div :class="{ split: decisions.length }">
      <section v-if="decisions.length" aria-label="Next steps" class="stack">
        <h2>Next steps</h2>
        <DecisionCard v-for="d in decisions" :key="d.id" :decision="d" @answered="answered" />
      </section>
      <section aria-label="Sets" class="stack">
        <h2>Sets</h2>
        <SetBar v-for="(s, i) in data.sets" :key="i" :set="s" />
        <p v-if="!data.sets.length" class="soft">Nothing was tapped in this run.</p>
        <p v-for="step in data.learned" :key="step" class="notice" role="status">{{ step }}</p>
        <p v-if="data.skipped.length" class="soft">Not done: {{ data.skipped.join(', ') }}.</p>
      </section>
    </div>
    <NotePanel :key="runId" :run-id="runId" />
  </div>
</template>

<style scoped>
.right {
  margin-left: auto;
}
.link {
  display: inline-grid;
  place-items: center;
  text-decoration: none;
}
.split {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: var(--gap-4);
  align-items: start;
}
@media (max-width: 900px) {
  .split {
    grid-template-columns: 1fr;
  }
}
</style>
