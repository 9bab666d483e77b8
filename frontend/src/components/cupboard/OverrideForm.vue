<script setup lang="ts">
import { computed, ref } from 'vue'
import { api, Refused, unwrap, type Schemas } from '@/api/client'
import ChoiceRow from '@/components/shared/ChoiceRow.vue'
import DayField from '@/components/shared/DayField.vue'
import PlainButton from '@/components/shared/PlainButton.vue'
import ProblemNote from '@/components/shared/ProblemNote.vue'
import { useChildChanged } from '@/composables/useChild'
import { useWords } from '@/composables/useWords'
import { isoToday } from '@/logic/newChild'

/** Allowing one child what a rule bars: why, how close an adult is, until when. given: an override to be renewed. */
const {
  childId,
  rule,
  given = null,
} = defineProps<{
  childId: number
  rule: string
  given?: Schemas['OverrideOut'] | null
}>()
const emit = defineEmits<{ done: [] }>()
const NEARBY: { id: Schemas['OverrideIn']['supervision']; words: string }[] = [
  { id: 'arms_reach', words: 'Adult within arm’s reach' },
  { id: 'room', words: 'Adult in the room' },
]
const changed = useChildChanged()
const words = useWords()
const open = ref(given !== null)
const reason = ref(given?.reason ?? '')
const supervision = ref<Schemas['OverrideIn']['supervision']>(given?.supervision ?? 'arms_reach')
const later = (days: number): string => isoToday(new Date(Date.now() + days * 86_400_000))
const days = computed(() => words.value?.override_days)
const chosen = ref('')
const until = computed({
  get: () => chosen.value || (days.value ? later(days.value.usual) : ''),
  set: (day) => (chosen.value = day),
})
const error = ref<Error | null>(null)
const refused = computed(() => (error.value instanceof Refused ? error.value : null))
const at = (field: string): string => refused.value?.at(field) ?? ''

function leave(): void {
  open.value = false
  error.value = null
  emit('done')
}

async function allow(): Promise<void> {
  error.value = null
  try {
    changed(
      await unwrap(
        api.POST('/api/children/{child_id}/overrides', {
          params: { path: { child_id: childId } },
          body: { rule, reason: reason.value, supervision: supervision.value, review_on: until.value || null },
        }),
      ),
    )
    leave()
  } catch (problem) {
    error.value = problem as Error
  }
}
</script>

<template>
  <div class="stack">
    <PlainButton v-if="!open" class="open" @click="open = true">Allow for this child, with a reason…</PlainButton>
    <el-form v-else label-position="top" novalidate @submit.prevent="allow">
      <el-form-item label="Why it is safe for this child" :error="at('reason')">
        <el-input v-model="reason" maxlength="300" aria-label="Reason for allowing it" />
      </el-form-item>
      <ChoiceRow v-model="supervision" :options="NEARBY" label="How close an adult is" />
      <el-form-item label="Review by (barred from the day after)" :error="at('review_on')">
        <DayField v-model="until" label="Review by" :earliest="later(1)" :latest="days && later(days.longest)" />
      </el-form-item>
      <div class="row">
        <PlainButton type="submit" main>Allow</PlainButton>
        <PlainButton @click="leave">{{ given ? 'Cancel' : 'Leave it barred' }}</PlainButton>
      </div>
      <ProblemNote v-if="!refused?.problem.fields.length" :error="error" />
    </el-form>
  </div>
</template>

<style scoped>
.open {
  justify-self: start;
}
form {
  display: grid;
  gap: var(--gap-2);
  max-width: 460px;
}
form :deep(.el-form-item) {
  margin-bottom: 0;
}
</style>
