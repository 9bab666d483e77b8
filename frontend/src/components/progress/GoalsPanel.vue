<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { reactive, ref } from 'vue'
import { api, unwrap, type Schemas } from '@/api/client'
import { dayWords } from '@/logic/words'
import PlainButton from '@/components/shared/PlainButton.vue'
import ProblemNote from '@/components/shared/ProblemNote.vue'

/** Goals on a five-step scale, written before work starts, scored as it goes. */
const { childId } = defineProps<{ childId: number }>()
const queries = useQueryClient()
const key = ['goals', childId] as const
const { data } = useQuery({
  queryKey: key,
  queryFn: () => unwrap(api.GET('/api/children/{child_id}/goals', { params: { path: { child_id: childId } } })),
})
const scale = [-2, -1, 0, 1, 2]
const names = ['much less', 'less', 'as hoped', 'more', 'much more']
const writing = ref(false)
const form = reactive({ words: '', levels: ['', '', '', '', ''], weight: 1, baseline: -2 })
const error = ref<Error | null>(null)
const now = (g: Schemas['GoalOut']): number => g.scores.at(-1)?.score ?? g.baseline

async function change(request: () => Promise<Schemas['GoalsOut']>): Promise<boolean> {
  error.value = null
  try {
    queries.setQueryData(key, await request())
    return true
  } catch (problem) {
    error.value = problem as Error
    return false
  }
}
const score = (id: number, value: number): Promise<boolean> =>
  change(() =>
    unwrap(api.POST('/api/goals/{goal_id}/scores', { params: { path: { goal_id: id } }, body: { score: value } })),
  )
async function write(): Promise<void> {
  if (
    await change(() =>
      unwrap(api.POST('/api/children/{child_id}/goals', { params: { path: { child_id: childId } }, body: form })),
    )
  ) {
    Object.assign(form, { words: '', levels: ['', '', '', '', ''] })
    writing.value = false
  }
}
</script>

<template>
  <section v-if="data" class="sheet stack" aria-label="Goals">
    <div class="row">
      <h2>Goals</h2>
      <p v-if="data.t_now != null" class="soft">
        Attainment <strong>{{ data.t_now.toFixed(0) }}</strong>, {{ data.t_start?.toFixed(0) }} at the start; 50 is as
        hoped <span class="small">(T-score, Kiresuk &amp; Sherman 1968)</span>
      </p>
      <PlainButton class="push" @click="writing = !writing">
        {{ writing ? 'Cancel' : 'Write a goal' }}
      </PlainButton>
    </div>
    <div v-for="g in data.goals" :key="g.id" class="goal">
      <p>
        <strong>{{ g.words }}</strong>
        {{ ' ' }}<span class="soft small">written {{ dayWords(g.written_on) }}, weight {{ g.weight }}</span>
      </p>
      <div class="scale" role="radiogroup" :aria-label="g.words">
        <button
          v-for="(s, i) in scale"
          :key="s"
          type="button"
          role="radio"
          :aria-checked="now(g) === s"
          :class="{ on: now(g) === s, start: g.baseline === s }"
          @click="score(g.id, s)"
        >
          <strong>{{ s > 0 ? `+${s}` : s }}</strong>{{ ' ' }}<span class="small">{{ g.levels[i] }}</span>
        </button>
      </div>
    </div>
    <p v-if="!data.goals.length && !writing" class="soft">
      No goal yet. Write what each step would look like before the work starts.
    </p>
    <form v-if="writing" class="stack" novalidate @submit.prevent="write">
      <el-input v-model="form.words" maxlength="200" placeholder="What the family wants to see" aria-label="Goal" />
      <label v-for="(s, i) in scale" :key="s" class="level"
        ><span>{{ s > 0 ? `+${s}` : s }} {{ names[i] }}</span
        ><el-input v-model="form.levels[i]" :aria-label="`Level ${s}`"
      /></label>
      <div class="row">
        <label>Weight <el-input-number v-model="form.weight" :min="0.5" :max="10" :step="0.5" /></label
        ><label>Starts at <el-input-number v-model="form.baseline" :min="-2" :max="2" /></label
        ><PlainButton type="submit" main>Keep the goal</PlainButton>
      </div>
    </form>
    <ProblemNote :error="error" />
  </section>
</template>

<style scoped>
.push {
  margin-left: auto;
}
.scale {
  display: grid;
  grid-template-columns: repeat(5, 1fr);
  gap: 4px;
}
.scale button {
  min-height: 56px;
  border: 1px solid var(--line-strong);
  border-radius: 8px;
  background: var(--sheet);
  color: var(--ink);
  cursor: pointer;
}
.scale .start {
  border-bottom: 5px solid var(--brass);
}
.scale .on {
  background: var(--water);
  color: var(--on-water);
}
.level {
  display: grid;
  grid-template-columns: 120px 1fr;
  align-items: center;
}
</style>
