<script setup lang="ts">
import { computed, reactive, ref } from 'vue'
import { api, unwrap, type Schemas } from '@/api/client'
import PlainButton from '@/components/shared/PlainButton.vue'
import ProblemNote from '@/components/shared/ProblemNote.vue'
import TaskChain from '@/components/shared/TaskChain.vue'
import { useChildChanged } from '@/composables/useChild'
import { useDoing } from '@/composables/useDoing'
import { useWords } from '@/composables/useWords'

/** One task the family wants: what it lacks, its steps, and how it was seen, in a tap or two. */
const { childId, task } = defineProps<{ childId: number; task: Schemas['TaskOut'] }>()
const words = useWords()
const changed = useChildChanged()
const { busy, error, doing } = useDoing()
const open = ref(false)
const seen = reactive<Schemas['TaskIn']>({
  task: task.task,
  steps_alone: task.steps_alone ?? 0,
  place: 'home',
  with_whom: 'family',
  unasked: false,
})
const lacks = computed(() =>
  Object.entries(task.rungs_short)
    .slice(0, 3)
    .map(
      ([strand, rungs]) =>
        `${words.value?.strands.find((s) => s.id === strand)?.name.toLowerCase()} ${rungs.toFixed(1)} rungs`,
    ),
)

async function keep(): Promise<void> {
  const now = await doing(() =>
    unwrap(api.POST('/api/children/{child_id}/tasks', { params: { path: { child_id: childId } }, body: seen })),
  )
  if (now) {
    changed(now)
    open.value = false
  }
}
</script>

<template>
  <section :aria-label="task.name" class="task">
    <div class="row">
      <strong>{{ task.name }}</strong>
      <PlainButton class="small" :aria-expanded="open" @click="open = !open">Seen…</PlainButton>
    </div>
    <p class="small" :class="{ managed: task.managed }">{{ task.words }}</p>
    <p v-if="lacks.length" class="small soft">Short of {{ lacks.join(', ') }}.</p>
    <div v-if="open" class="stack seen">
      <TaskChain :chain="task.chain" />
      <div class="row" role="group" aria-label="Steps done alone">
        <span class="small">Alone:</span>
        <button
          v-for="n in task.chain.length + 1"
          :key="n"
          type="button"
          class="pick count"
          :aria-pressed="seen.steps_alone === n - 1"
          @click="seen.steps_alone = n - 1"
        >
          {{ n - 1 }}
        </button>
        <span class="small soft">of {{ task.chain.length }} steps</span>
      </div>
      <el-radio-group v-model="seen.place" aria-label="Where"
        ><el-radio-button value="home">Home</el-radio-button><el-radio-button value="clinic">Clinic</el-radio-button
        ><el-radio-button value="school">School</el-radio-button></el-radio-group
      >
      <el-select v-model="seen.with_whom" aria-label="With whom"
        ><el-option v-for="w in words?.with_whom" :key="w.id" :value="w.id" :label="w.name"
      /></el-select>
      <el-checkbox v-model="seen.unasked">Unasked</el-checkbox>
      <ProblemNote :error="error" />
      <PlainButton main :disabled="busy" @click="keep">Keep it</PlainButton>
      <p class="small soft">A good moment to look: {{ task.at_home }}.</p>
    </div>
  </section>
</template>

<style scoped>
.task {
  border-top: 1px solid var(--line);
  padding-top: 6px;
}
.row {
  justify-content: space-between;
}
.seen .row {
  justify-content: start;
}
.managed {
  font-weight: 700;
}
.seen {
  background: var(--paper);
  border-radius: 8px;
  padding: 8px;
}
.count {
  min-width: 40px;
  min-height: 40px;
  padding: 0 6px;
}
</style>
