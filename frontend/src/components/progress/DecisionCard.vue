<script setup lang="ts">
import { computed, ref } from 'vue'
import { api, Refused, unwrap, type Schemas } from '@/api/client'
import { useMay } from '@/composables/useMay'
import { useWords } from '@/composables/useWords'
import { rungWords } from '@/logic/words'
import PlainButton from '@/components/shared/PlainButton.vue'
import ProblemNote from '@/components/shared/ProblemNote.vue'

const { decision } = defineProps<{ decision: Schemas['DecisionOut'] }>()
const emit = defineEmits<{ answered: [] }>()
const asking = ref<'' | 'changed' | 'declined'>('')
const kind = ref<Schemas['AnswerIn']['kind']>('')
const words = useWords()
const may = useMay()
const others = computed(() => (words.value?.steps ?? []).filter((s) => s.id !== decision.kind))
const why = ref('')
const error = ref<Error | null>(null)
const signs: Record<string, string> = {
  up: '▲',
  down: '▼',
  hold: '■',
  fade: '◐',
  swap: '⇋',
  change: '⇄',
  lower: '⇣',
  recheck: '?',
}
const top = computed(() => words.value?.strands.find((s) => s.id === decision.strand)?.rungs.length)
const moved = computed(() => decision.mean_after - decision.mean_before)

const stepName = (id: string): string => (words.value?.steps.find((s) => s.id === id)?.name ?? id).toLowerCase()

async function answer(said: Schemas['AnswerIn']['answer']): Promise<void> {
  error.value = null
  try {
    await unwrap(
      api.POST('/api/decisions/{decision_id}/answer', {
        params: { path: { decision_id: decision.id } },
        body: { answer: said, why: why.value, kind: kind.value, over: decision.answer },
      }),
    )
    asking.value = ''
    emit('answered')
  } catch (problem) {
    error.value = problem as Error
    if (problem instanceof Refused && problem.status === 409) emit('answered') // shows what the other one answered
  }
}
</script>

<template>
  <article class="sheet card">
    <header class="row">
      <span class="tag" :class="decision.kind" aria-hidden="true">{{ signs[decision.kind] }}</span>
      <div class="grow">
        <strong>{{ decision.words }}</strong>
        <p class="soft">
          {{ decision.strand_name }}: rung {{ rungWords(decision.mean_before, top) }} →
          <strong>{{ rungWords(decision.mean_after, top) }}</strong> ({{ moved >= 0 ? '+' : '' }}{{ moved.toFixed(2) }},
          give or take {{ decision.sd_after.toFixed(1) }})
        </p>
      </div>
      <span v-if="decision.answer" class="tag" :class="decision.answer === 'accepted' ? 'ready' : 'caution'"
        >{{ decision.answer }}{{ decision.answer_kind ? ` to ${stepName(decision.answer_kind)}` : ''
        }}{{ decision.answer_why ? `: ${decision.answer_why}` : '' }}</span
      >
    </header>
    <p>
      {{ decision.evidence.map((e) => e.words).join(', ') }}. <span class="soft">{{ decision.would_change }}</span>
    </p>
    <div v-if="!decision.answer && may('decision.answer')" class="row">
      <PlainButton @click="answer('accepted')">Accept</PlainButton>
      <PlainButton :aria-expanded="asking === 'changed'" @click="asking = asking === 'changed' ? '' : 'changed'">
        Change…
      </PlainButton>
      <PlainButton :aria-expanded="asking === 'declined'" @click="asking = asking === 'declined' ? '' : 'declined'">
        Decline…
      </PlainButton>
    </div>
    <div v-if="!decision.answer && asking" class="row">
      <el-select v-if="asking === 'changed'" v-model="kind" class="kind" placeholder="To what" aria-label="Change to"
        ><el-option v-for="s in others" :key="s.id" :value="s.id" :label="s.name"
      /></el-select>
      <el-input v-model="why" class="why" placeholder="Reason" aria-label="Reason" maxlength="200" />
      <PlainButton @click="answer(asking)">
        {{ asking === 'changed' ? 'Save change' : 'Decline' }}
      </PlainButton>
    </div>
    <ProblemNote :error="error" />
  </article>
</template>

<style scoped>
.card {
  display: grid;
  gap: 8px;
}
.grow {
  flex: 1;
}
.tag:first-child {
  width: 40px;
  height: 40px;
  justify-content: center;
  font-size: var(--step-2);
}
.why,
.kind {
  width: 240px;
}
</style>
