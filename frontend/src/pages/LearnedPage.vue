<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { api, unwrap } from '@/api/client'
import PlainButton from '@/components/shared/PlainButton.vue'
import LearnedFindings from '@/components/people/LearnedFindings.vue'
import ProblemNote from '@/components/shared/ProblemNote.vue'
import { useDoing } from '@/composables/useDoing'
import { momentWords } from '@/logic/people'

/** What the clinic's own children taught of the library, for its lead to accept or hold back. */
const queries = useQueryClient()
const ASK_AGAIN_MS = 2000
const MOST_ASKS = 30 // a minute: by then a clinic’s sessions are worked through
const waiting = ref(false)
const asks = ref(0)
const { data, error, dataUpdatedAt } = useQuery({
  queryKey: ['learned'],
  queryFn: () => unwrap(api.GET('/api/library/learned')),
  refetchInterval: computed(() => (waiting.value ? ASK_AGAIN_MS : false)),
})
watch(dataUpdatedAt, () => {
  if (!waiting.value) return
  asks.value += 1
  if (data.value?.proposed || asks.value > MOST_ASKS) waiting.value = false
})
const { busy, error: refused, doing } = useDoing()
const clear = computed(() => data.value?.proposed?.findings.filter((f) => f.moved >= 1).length ?? 0)
const why = ref('')
const holding = ref(false)

async function workOut(): Promise<void> {
  await doing(() => unwrap(api.POST('/api/library/learned')))
  asks.value = 0
  waiting.value = !refused.value
}

async function answer(id: number, status: 'accepted' | 'held'): Promise<void> {
  await doing(() =>
    unwrap(
      api.POST('/api/library/learned/{version_id}/answer', {
        params: { path: { version_id: id } },
        body: { status, why: why.value },
      }),
    ),
  )
  if (refused.value) return
  holding.value = waiting.value = false
  why.value = ''
  await queries.invalidateQueries()
}
</script>

<template>
  <div class="stack">
    <h1>What your sessions taught the library</h1>
    <p class="soft">
      How hard each grade is, how much help helps and how long a try takes are starting estimates. Every night they are
      worked out again from this clinic’s own sessions; while these are few, little moves. Nothing changes until you
      accept it.
    </p>
    <ProblemNote :error="error ?? refused" />
    <template v-if="data">
      <section class="sheet stack" aria-label="Proposed">
        <template v-if="data.proposed">
          <h2>Proposed: version {{ data.proposed.name }}</h2>
          <p>
            From {{ data.proposed.children }} children and {{ data.proposed.tries.toLocaleString('en') }} tries.
            {{ clear }} of {{ data.proposed.findings.length }} findings differ from the library by more than their
            margin of doubt.
          </p>
          <form v-if="holding" class="stack" @submit.prevent="answer(data.proposed.id, 'held')">
            <label class="stack"
              >Why it is held back <el-input v-model="why" maxlength="500" aria-label="Why it is held back"
            /></label>
            <div class="row">
              <PlainButton type="submit" main :disabled="busy">Hold it back</PlainButton>
              <PlainButton @click="holding = false">Cancel</PlainButton>
            </div>
          </form>
          <div v-else class="row">
            <PlainButton main :disabled="busy" @click="answer(data.proposed.id, 'accepted')">
              Accept and use it
            </PlainButton>
            <PlainButton @click="holding = true">Hold it back…</PlainButton>
          </div>
          <LearnedFindings :findings="data.proposed.findings" />
        </template>
        <template v-else>
          <h2>Nothing new</h2>
          <p v-if="waiting" role="status">Working it out. This page shows it when it is done.</p>
          <p v-else-if="asks > MOST_ASKS" role="status">
            Worked out again: nothing differs clearly from what is in use.
          </p>
          <p v-else class="soft">
            A new version is proposed here once at least {{ data.fewest_children }} children have sessions on record and
            something differs by a tenth of a rung or more from what is in use.
          </p>
          <div>
            <PlainButton :disabled="busy || waiting" @click="workOut"> Work it out now </PlainButton>
          </div>
        </template>
      </section>
      <section class="sheet stack" aria-label="In use">
        <template v-if="data.in_use">
          <h2>In use: version {{ data.in_use.name }}</h2>
          <p class="soft">
            Accepted by {{ data.in_use.decided_by }}, {{ momentWords(data.in_use.decided_at!) }}. From
            {{ data.in_use.children }} children and {{ data.in_use.tries.toLocaleString('en') }} tries.
          </p>
          <LearnedFindings :findings="data.in_use.findings" />
        </template>
        <template v-else>
          <h2>In use: the library as it ships</h2>
        </template>
        <template v-if="data.earlier.length">
          <h3>Earlier versions</h3>
          <ul class="plain">
            <li v-for="v in data.earlier" :key="v.id">
              Version {{ v.name }}, {{ v.status === 'held' ? 'held back' : 'in use before'
              }}<template v-if="v.why">: {{ v.why }}</template>
            </li>
          </ul>
        </template>
      </section>
    </template>
  </div>
</template>

<style scoped>
.plain {
  margin: 0;
  padding-left: 18px;
}
</style>
